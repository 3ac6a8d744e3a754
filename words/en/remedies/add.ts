/** What to do, in a sentence. */
export default 'Add a club of {toDeg}.'
