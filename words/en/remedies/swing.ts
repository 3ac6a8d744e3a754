/** What to do, in a sentence. */
export default 'Add a swing length {rung}, and measure it.'
