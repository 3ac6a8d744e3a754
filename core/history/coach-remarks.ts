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
  /** The far end of a belief that is a span ("185 to 192"), metres, above `carryM`; missing or null for one number. */
  carryToM?: number | null
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

/** Both ends of what is believed, metres: the same one twice where one number is. */
export function beliefSpan({ carryM, carryToM }: Pick<CellRemark, 'carryM' | 'carryToM'>): [number, number] {
  return [carryM!, carryToM ?? carryM!]
}

/**
 * What of a belief comes closest to a carry, metres: the carry itself where it lies inside the span.
 * @example nearestBelieved({ carryM: 169, carryToM: 175 }, 180) // => 175
 * @example nearestBelieved({ carryM: 100 }, 96) // => 100
 */
export function nearestBelieved(belief: Pick<CellRemark, 'carryM' | 'carryToM'>, carryM: number): number {
  const [fromM, toM] = beliefSpan(belief)
  return Math.min(toM, Math.max(fromM, carryM))
}

/** Half of a common step (common practice): a number that is off by no more does its job. */
export { WITHIN_M as OFF_BY_M } from '../chart/within'

/**
 * Probability that the stock carry lies outside a span, by the balls: the posterior taken as normal
 * with the standard deviation that its 8-in-10 stretch has, which is a little wide where balls are few.
 * @returns null while no ball counts, since a prediction contradicts nobody
 */
export function oddsOutside(cell: Measured, fromM: number, toM: number): number | null {
  if (cell.balls === 0 || cell.carryM === null || !cell.certainty80M) return null
  const sd = (cell.certainty80M[1] - cell.certainty80M[0]) / 2 / Z_80
  if (sd <= 0) return cell.carryM < fromM || cell.carryM > toM ? 1 : 0
  return 1 - (normalCdf((toM - cell.carryM) / sd) - normalCdf((fromM - cell.carryM) / sd))
}

/** Probability that the stock carry lies further than this from a number; null as in `oddsOutside`. */
export function oddsOff(cell: Measured, numberM: number, offByM: number): number | null {
  return oddsOutside(cell, numberM - offByM, numberM + offByM)
}

/**
 * Probability that a belief is wrong: further from one number than is wanted of a number, or outside a span that is
 * wider than that.
 */
export function oddsBelievedWrong(
  cell: Measured,
  belief: Pick<CellRemark, 'carryM' | 'carryToM'>,
  withinM: number,
): number | null {
  const [fromM, toM] = beliefSpan(belief)
  const middleM = (fromM + toM) / 2
  const halfM = Math.max((toM - fromM) / 2, withinM)
  return oddsOutside(cell, middleM - halfM, middleM + halfM)
}

/** From here on a contradiction is said. */
export const CONTRADICTED = 0.9
