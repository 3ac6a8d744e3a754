/** What to do, in a sentence. */
export default 'Strike {cell} out.'
