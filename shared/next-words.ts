import type { StockShot } from '../core/bag/bag'
import type { LaunchLook } from '../core/chart/launch-looks'
import type { Order } from '../core/session/order'
import type { Instead } from '../core/chart/instead'
import type { Next, Question, Ready } from '../core/chart/calibration'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { speedText, spinText } from './reading-words'

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

/** What an order of work is called, and why it proposes what it does. */
export const ORDER_WORDS: Record<Order, { name: string, why: string }> = {
  'teach': { name: 'What teaches most', why: '' },
  'club': { name: 'One club through its lengths', why: 'One club through all its lengths, then the next club.' },
  'length': { name: 'One length across the clubs', why: 'One swing length across all clubs, then the next length.' },
  'full-first': { name: 'Full first, then fill down', why: 'Full swings first, then fill down to about 50 yd; inside that it is touch.' },
  'free': { name: 'Free', why: 'You choose.' },
}
export const orderWords = (order: Order) => ORDER_WORDS[order].why

/** How ready the chart is, in one line. */
export function readyWords({ cellsWithin, cellsInUse, goodEnough, ballsToGo, withinM }: Ready, unit: DistanceUnit): string {
  const within = `${cellsWithin} of ${cellsInUse} within ± ${distanceWithUnit(withinM, unit)}`
  if (goodEnough) return `Good enough: ${within}.`
  return `${within}, ${ballsToGo === null ? 'many more balls' : `about ${ballsToGo} more ${ballsToGo === 1 ? 'ball' : 'balls'}`}.`
}

const FAULT_WORDS = { mishit: 'a poor strike', flyer: 'a flyer', misread: 'a misread' } as const

/** Under this ball speed is not what one looks at, share of the usual. */
const SLOW = 0.97

/** What a launch shows, as a coach says it, with the figures. */
function launchWords({ look, spinRpm, usualSpinRpm, launchDeg, usualLaunchDeg, speedMs, usualSpeedMs, own }: LaunchLook, way: string, unit: DistanceUnit): string {
  const usual = own ? 'this stock shot usually has' : 'such a loft usually has'
  const spin = `Spin ${spinText(spinRpm)} where ${usual} ${spinText(usualSpinRpm)}`
  switch (look) {
    case 'flyer': return `${spin}, and it went ${way}: grass or dirt between face and ball?`
    case 'misread': return Math.abs(spinRpm / usualSpinRpm - 1) > 0.25 ? `${spin}: a misread?` : `Its launch and its carry do not belong together, ${way}: a misread?`
    case 'thin': return `It left at ${Math.round(launchDeg)}° where ${usual} ${Math.round(usualLaunchDeg)}°: thin?`
    case 'heavy': return usualSpeedMs !== null && speedMs < SLOW * usualSpeedMs
      ? `Ball speed ${speedText(speedMs, unit)} where ${usual} ${speedText(usualSpeedMs, unit)}, and it went ${way}: heavy?`
      : `Little ball speed for the speed of the club, and it went ${way}: heavy?`
  }
}

/** Times what was read, where it was a figure of the unit that this screen does not show; undefined else. */
export function unitSlip({ otherUnit }: Pick<Instead, 'otherUnit'>, unit: DistanceUnit): number | undefined {
  return otherUnit !== undefined && (otherUnit > 1) === (unit === 'yd') ? otherUnit : undefined
}

/**
 * What else a ball that stands out may have been, with the figures; empty when nothing fits.
 * @param measuredM as it was read
 * @param nameOf a stock shot
 */
export function insteadWords({ otherClub, ...rest }: Instead, measuredM: number, unit: DistanceUnit, nameOf: (cell: StockShot) => string): string {
  const other = unit === 'yd' ? 'm' : 'yd'
  const times = unitSlip(rest, unit)
  return [
    ...(otherClub ? [`It is an ordinary ${nameOf(otherClub)}: another club?`] : []),
    ...(times !== undefined ? [`${distanceText(measuredM, unit)} ${other} would be an ordinary ball of this stock shot, ${distanceWithUnit(measuredM * times, unit)}: read in the other unit?`] : []),
  ].join(' ')
}

/** What is asked about a ball that stands out. */
export function questionWords({ offM, fault, changed, launch }: Pick<Question, 'offM' | 'fault' | 'changed' | 'launch'>, unit: DistanceUnit): string {
  const off = `${distanceText(Math.abs(offM), unit)} ${unit} ${offM < 0 ? 'short' : 'past'}`
  if (launch) return launchWords(launch, distanceText(Math.abs(offM), unit) === '0' ? 'as far as usual' : off, unit)
  const way = `${off}${offM < 0 ? ' of' : ''} what this stock shot does`
  if (changed) return `${way}, and so were others of the last few. Has this swing changed?`
  return `${way}: ${FAULT_WORDS[fault]}?`
}
