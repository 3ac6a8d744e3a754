/** The list of players comes in pages of so many. */
export const PLAYERS_A_PAGE = 250
