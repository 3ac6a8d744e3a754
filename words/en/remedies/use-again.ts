/** What to do, in a sentence. */
export default 'Use {cell} again.'
