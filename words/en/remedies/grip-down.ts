/** What to do, in a sentence. */
export default 'Grip down an inch on {cell}: it carries {carryM}, and leaves up to {leaveM} on average.'
