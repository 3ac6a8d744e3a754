/** At most so much of a file, and so many rows. */
export const FILE_MAX_BYTES = 25e6
export const ROWS_MAX = 100_000
