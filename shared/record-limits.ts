/** A player's whole record may have so many bytes when it is sent, and so many balls. */
export const RECORD_BYTES_MAX = 40_000_000
export const RECORD_SHOTS_MAX = 60_000
/** All players of an academy's file together, unpacked: a browser holds no more of them at once. */
export const ARCHIVE_BYTES_MAX = 1_000_000_000
