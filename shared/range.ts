/** Guesses against a sign that stands elsewhere than was believed, of all players of the academy. */
export interface Recount {
  signId: string
  guesses: number
}

/** Where the balls of one session pitched on its range, metres along its middle and right of it. */
export interface RangeLandings {
  sessionId: string
  player: string
  startedAtMs: number
  balls: { alongM: number; sideM: number }[]
}
