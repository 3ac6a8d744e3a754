/** What to do, in a sentence. */
export default 'Stop using {cell}.'
