import { flagRule } from '../core/gaps/flags'
import { GRIP_DOWN_M, type Finding } from '../core/gaps/flag'
import type { StockShot } from '../core/bag/bag'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'

/** What a flag says, in the reader's unit. */
export interface FlagWords {
  title: string
  why: string
  remedies: string[]
}

/**
 * Words and units are put on a finding here and nowhere else. {shorter} and {longer} become stock shots,
 * keys ending in M become distances. A step is worked out from its rounded ends, so that what is read adds up.
 */
export function flagWords(finding: Finding, nameOf: (cell: StockShot) => string, unit: DistanceUnit): FlagWords {
  const { meta } = flagRule(finding.flag)
  const figures: Record<string, number> = { ...finding.data, gripDownM: GRIP_DOWN_M, fromM: finding.fromM, toM: finding.toM }
  // One decimal when whole figures would hide what the rule saw: 12.4 yd is more than 12, "12 is more than 12" is nonsense.
  const whole = Object.values(finding.data).every(m => Math.abs(Number(distanceText(m, unit, 1)) - Number(distanceText(m, unit))) < 0.05)
  const put = (text: string, decimals: 0 | 1) => text.replace(/\{(\w+)\}/g, (_, key: string) => {
    if (key === 'shorter') return nameOf(finding.shorter)
    if (key === 'longer') return nameOf(finding.longer)
    const metres = figures[key]
    if (metres === undefined) throw new RangeError(`flag "${meta.id}": its words use {${key}}, which its findings do not have`)
    return distanceWithUnit(metres, unit, decimals)
  })
  return {
    title: put(meta.title, 0),
    why: put(meta.why, whole ? 0 : 1),
    remedies: meta.remedies.map(remedy => put(remedy, 0)),
  }
}

/** "56° at 9:00": a stock shot as a coach says it. Full swings and one-length scales need no "at". */
export function stockShotName(club: string, swing: string): string {
  return /^\d/.test(swing) ? `${club} at ${swing}` : `${club} ${swing}`
}
