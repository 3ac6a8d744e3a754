import { flagRule } from '../core/gaps/flags'
import { GRIP_DOWN_M, type Finding, type Sureness } from '../core/gaps/flag'
import type { StockShot } from '../core/bag/bag'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'

/** What a flag says, in the reader's unit. */
export interface FlagWords {
  title: string
  why: string
  remedies: string[]
  /** "Sure: 99 in 100", and what that is of. */
  odds: string
}

/** A probability as a coach reads it: never 100 in 100, never 0. */
export function inHundred(probability: number): string {
  const n = Math.round(probability * 100)
  return n >= 100 ? 'more than 99 in 100' : n <= 0 ? 'less than 1 in 100' : `${n} in 100`
}

const SURENESS_WORDS: Record<Sureness, string> = { sure: 'Sure', likely: 'Likely', open: 'Not enough balls to tell' }

/** The step between two carries as they are read: 51 and 66 are 15 apart, though 51.4 and 65.6 are 14.2. */
export function stepBetween(shorterM: number, longerM: number, unit: DistanceUnit, decimals: 0 | 1 = 0): number {
  const read = (metres: number) => Number(distanceText(metres, unit, decimals))
  return Number((read(longerM) - read(shorterM)).toFixed(decimals))
}

/**
 * Words and units are put on a finding here and nowhere else. {shorter} and {longer} become stock shots,
 * keys ending in M become distances.
 */
export function flagWords(finding: Finding, nameOf: (cell: StockShot) => string, unit: DistanceUnit): FlagWords {
  const { meta } = flagRule(finding.flag)
  const figures: Record<string, number> = { ...finding.data, gripDownM: GRIP_DOWN_M, fromM: finding.fromM, toM: finding.toM }
  // Whole figures, but where they would contradict the rule: 12.4 yd is more than 12, "12 is more than 12" is nonsense.
  const step = (decimals: 0 | 1) => stepBetween(finding.data.shorterM!, finding.data.longerM!, unit, decimals)
  const limitWhole = meta.difference && Number(distanceText(finding.data[meta.difference.limit]!, unit))
  const whole = !meta.difference || (meta.difference.raised === 'above' ? step(0) > limitWhole! : step(0) <= limitWhole!)
  const put = (text: string, decimals: 0 | 1) => text.replace(/\{(\w+)\}/g, (_, key: string) => {
    if (key === 'shorter') return nameOf(finding.cells[0]!)
    if (key === 'longer') return nameOf(finding.cells.at(-1)!)
    if (key === meta.difference?.of) return `${step(decimals)} ${unit}`
    const metres = figures[key]
    if (metres === undefined) throw new RangeError(`flag "${meta.id}": its words use {${key}}, which its findings do not have`)
    return distanceWithUnit(metres, unit, decimals)
  })
  return {
    title: put(meta.title, 0),
    why: put(meta.why, whole ? 0 : 1),
    remedies: meta.remedies.map(remedy => put(remedy, 0)),
    odds: `${SURENESS_WORDS[finding.sureness]}: ${inHundred(finding.probability)}`,
  }
}

/** "56° at 9:00": a stock shot as a coach says it. Full swings and one-length scales need no "at". */
export function stockShotName(club: string, swing: string): string {
  return /^\d/.test(swing) ? `${club} at ${swing}` : `${club} ${swing}`
}
