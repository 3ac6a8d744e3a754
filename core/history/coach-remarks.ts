import { cellKey, type StockShot } from '../bag/bag'
import type { ChartCell } from '../chart/chart-cell'
import { normalCdf, Z_80 } from '../stats/normal'

/** What is said of a stock shot beside what was measured: none of it feeds the model. */
export const REMARK_KINDS = ['believed', 'written', 'struck', 'note'] as const
export type RemarkKind = (typeof REMARK_KINDS)[number]

/**
 * One saying. Sayings are only ever added: a later one of the same kind takes the place of the earlier, and `holds:
 * false` takes it back.
 */
export interface CellRemark extends StockShot {
  id: string
  kind: RemarkKind
  /** Of what is believed or written, metres; null for a note and for what was struck out. */
  carryM: number | null
  /** Why, or the note itself. */
  why: string
  saidAtMs: number
  holds: boolean
}

/** What holds of one stock shot on a day. */
export interface Remarks {
  /** What the player believed first, which is kept for ever, and what they believe by now. */
  believedFirst?: CellRemark
  believed?: CellRemark
  written?: CellRemark
  struck?: CellRemark
  note?: CellRemark
}

const inOrder = (a: CellRemark, b: CellRemark) => a.saidAtMs - b.saidAtMs || (a.id < b.id ? -1 : 1)

/**
 * What holds at a moment, by `cellKey`.
 * @param atMs words said later are not heard yet
 */
export function remarksAt(words: readonly CellRemark[], atMs: number): Map<string, Remarks> {
  const all = new Map<string, Remarks>()
  for (const word of words.filter(({ saidAtMs }) => saidAtMs <= atMs).sort(inOrder)) {
    const key = cellKey(word)
    const before = all.get(key) ?? {}
    const now = word.holds ? word : undefined
    all.set(key, {
      ...before,
      [word.kind]: now,
      ...(word.kind === 'believed' && now && { believedFirst: before.believedFirst ?? now }),
    })
  }
  return all
}

/** The numbers that the coach wrote and that hold, by `cellKey`, metres. */
export function writtenNumbers(said: ReadonlyMap<string, Remarks>): Map<string, number> {
  return new Map([...said].flatMap(([key, { written }]) => (written ? [[key, written.carryM!] as const] : [])))
}

type Measured = Pick<ChartCell, 'carryM' | 'certainty80M' | 'balls'>

/** Half of a common step (common practice): a number that is off by no more does its job. */
export { WITHIN_M as OFF_BY_M } from '../chart/within'

/**
 * Probability that the stock carry lies further than this from a number, by the balls: the posterior taken as normal
 * with the standard deviation that its 8-in-10 stretch has, which is a little wide where balls are few.
 * @returns null while no ball counts, since a prediction contradicts nobody
 */
export function oddsOff(cell: Measured, numberM: number, offByM: number): number | null {
  if (cell.balls === 0 || cell.carryM === null || !cell.certainty80M) return null
  const sd = (cell.certainty80M[1] - cell.certainty80M[0]) / 2 / Z_80
  if (sd <= 0) return Math.abs(cell.carryM - numberM) > offByM ? 1 : 0
  return 1 - (normalCdf((numberM + offByM - cell.carryM) / sd) - normalCdf((numberM - offByM - cell.carryM) / sd))
}

/** From here on a contradiction is said. */
export const CONTRADICTED = 0.9
