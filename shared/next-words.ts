import type { StockShot } from '../core/bag/bag'
import type { Next, Question, Ready } from '../core/chart/calibration'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'

/** Named at most; the others are only counted. */
const MOST_NAMED = 2

/** Why this stock shot is the one to hit next. */
export function nextWords({ others }: Pick<Next, 'others'>, nameOf: (cell: StockShot) => string): string {
  if (others.length === 0) return 'It takes most doubt off the chart.'
  const named = others.slice(0, MOST_NAMED).map(nameOf)
  const left = others.length - named.length
  const list = left > 0 ? `${named.join(', ')} and ${left} more` : named.join(' and ')
  return `It takes most doubt off the chart: its balls also tell about ${list}.`
}

/** How ready the chart is, in one line. */
export function readyWords({ cellsWithin, cellsInUse, goodEnough, ballsToGo, withinM }: Ready, unit: DistanceUnit): string {
  const within = `${cellsWithin} of ${cellsInUse} within ± ${distanceWithUnit(withinM, unit)}`
  if (goodEnough) return `Good enough: ${within}.`
  return `${within}, ${ballsToGo === null ? 'many more balls' : `about ${ballsToGo} more ${ballsToGo === 1 ? 'ball' : 'balls'}`}.`
}

const FAULT_WORDS = { mishit: 'a poor strike', flyer: 'a flyer', misread: 'a misread' } as const

/** What is asked about a ball that stands out. */
export function questionWords({ offM, fault, changed }: Pick<Question, 'offM' | 'fault' | 'changed'>, unit: DistanceUnit): string {
  const way = `${distanceText(Math.abs(offM), unit)} ${unit} ${offM < 0 ? 'short of' : 'past'} what this stock shot does`
  if (changed) return `${way}, and so were others of the last few. Has this swing changed?`
  return `${way}: ${FAULT_WORDS[fault]}?`
}
