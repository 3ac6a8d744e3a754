/** One line of the history of published charts. */
export interface PublishedLine {
  number: number
  publishedAtMs: number
  note: string
  changed: string
  numbers: number
}
