/** What to do, in a sentence. */
export default 'Leave the {club} at home.'
