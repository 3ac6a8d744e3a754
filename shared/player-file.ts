/** What became of a player that was brought in. */
export interface BroughtIn {
  id: string
  name: string
  balls: number
}
