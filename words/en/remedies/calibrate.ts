/** What to do, in a sentence. */
export default 'Hit {balls} balls with {cell}: its number is then known to ± {then} instead of ± {plusMinusM}.'
