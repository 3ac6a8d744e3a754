import type { HandedBag } from './schemas/handed-bag'

/** As the player's phone gets it. */
export interface HandedPage {
  id: string
  name: string
  handedAtMs: number
  page: HandedBag
}
