/** The whole record of a player, in the player's archive. */
export const RECORD_NAME = 'record.json'
/** What an academy has beside its players, and the archives of these, in the academy's archive. */
export const ACADEMY_NAME = 'academy.json'
export const PLAYER_ARCHIVES = /^players\/[^/]+\.zip$/
