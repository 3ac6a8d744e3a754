/** How many, with a comma at thousands. */
export const countWords = (value: number) => value.toLocaleString('en-GB')

/** Rows of a file, counted. */
export const rowsWords = (n: number) => `${countWords(n)} ${n === 1 ? 'row' : 'rows'}`
