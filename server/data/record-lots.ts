import type { PlayerFile } from '../../shared/schemas/player-file'

/** The lists of a player's record, which may be very long. */
export const RECORD_LISTS = [
  'sessions',
  'shots',
  'remarks',
  'answers',
  'whatIfs',
  'goes',
  'homework',
  'rounds',
  'published',
] as const
type ListName = (typeof RECORD_LISTS)[number]
/** So many rows are put in with one statement. */
export const LOT = 500

/** A record that was read: its lists as lots of JSON, each little enough to be taken up between two balls. */
export interface ReadRecord {
  player: PlayerFile['player']
  bag: PlayerFile['bag']
  lots: Record<ListName, string[]>
  balls: number
}

export const asLots = (rows: readonly unknown[]): string[] =>
  Array.from({ length: Math.ceil(rows.length / LOT) }, (_, i) => JSON.stringify(rows.slice(i * LOT, (i + 1) * LOT)))

export const lotOf = <K extends ListName>(_: K, json: string): PlayerFile[K] => JSON.parse(json) as PlayerFile[K]
