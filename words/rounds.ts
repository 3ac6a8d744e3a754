import type { StockShot } from '../core/bag/bag'
import { CARRY_MAX_M } from '../core/limits'
import type { Approach } from '../core/rounds/approach'
import type { AskedFrom } from '../core/rounds/asks'
import type { ApproachFault } from '../core/rounds/typed-approach'
import { COURSE_SCATTER } from '../core/pick/strokes'
import type { CourseScatter } from '../core/rounds/course-scatter'
import type { CourseShift } from '../core/rounds/cost'
import type { StrokesAgainst, WindowsHeld } from '../core/rounds/against-range'
import type { Mean } from '../core/rounds/sure-mean'
import type { Work } from '../core/rounds/work'
import { distanceText, distanceWithUnit, toUnit, type DistanceUnit } from '../core/units'
import { ROUNDS } from './en/rounds'
import { sentence, write } from './message'
import { sideText } from './readings'

/** What is wrong with a line. */
export function approachFaultText({ fault, part }: ApproachFault, unit: DistanceUnit): string {
  if (fault === 'distance')
    return write(ROUNDS.distance, { part, least: '1', most: String(Math.floor(toUnit(CARRY_MAX_M, unit))), unit })
  return write(fault === 'off' ? ROUNDS.past : ROUNDS[fault], { part })
}

/** "8 short, 3 yd right"; '' where nobody said where it finished. */
export function finishText({ offM, sideM, penalty }: Approach, unit: DistanceUnit): string {
  const off = offM === undefined ? '' : distanceText(Math.abs(offM), unit)
  const length = offM === undefined ? '' : off === '0' ? 'pin-high' : `${off} ${unit} ${offM < 0 ? 'short' : 'long'}`
  const side = sideM === undefined ? '' : sideText(sideM, unit)
  return [length, side, penalty ? 'penalty' : ''].filter(Boolean).join(', ')
}

/** A band of distances by the whole figures in it. @example bandText({ fromM: 70, toM: 80 }, 'm') // => '70 to 79' */
export const bandText = ({ fromM, toM }: { fromM: number; toM: number }, unit: DistanceUnit): string =>
  write(ROUNDS.band, { from: distanceText(fromM, unit), to: String(Number(distanceText(toM, unit)) - 1) })

/** Where chances come from, in a sentence or two. */
export function asksLines(
  chances: number,
  rounds: number,
  longestM: number | null,
  most: { fromM: number; toM: number; share: number } | null,
  unit: DistanceUnit,
): string[] {
  if (chances === 0) return []
  const longest = longestM === null ? '' : ` ${write(ROUNDS.longest, { to: distanceWithUnit(longestM, unit) })}`
  const count = write(ROUNDS.chances, { n: chances, rounds }) + longest
  if (!most) return [count, write(ROUNDS.tooFew, { n: String(chances) })]
  const tenths = TENTHS[Math.round(10 * most.share)] ?? String(Math.round(10 * most.share))
  const [from, to] = [distanceText(most.fromM, unit), distanceWithUnit(most.toM, unit)]
  return [count, write(ROUNDS.most, { tenths, from, to })]
}
const TENTHS: Record<number, string> = { 4: 'Four', 5: 'Five', 6: 'Six', 7: 'Seven', 8: 'Eight', 9: 'Nine', 10: 'Ten' }

const way = (metres: number) => (metres < 0 ? 'short' : 'long')

/** "5 yd short on the course"; or that nothing tells it. */
export const shiftText = (shift: CourseShift | null, unit: DistanceUnit): string =>
  shift
    ? write(ROUNDS.shift, { off: distanceWithUnit(Math.abs(shift.meanM), unit), way: way(shift.meanM) })
    : write(ROUNDS.noShift)

const PERCENT = 100
/** Why a stock shot is on the list, and what an hour of it may be worth. */
export function workText(
  { share, lost, off, meanOffM, worth }: Omit<Work, keyof StockShot>,
  unit: DistanceUnit,
): { why: string; worth: string } {
  const asked = String(Math.round(PERCENT * share))
  const why = off
    ? write(ROUNDS.offNumber, { share: asked, off: distanceWithUnit(Math.abs(meanOffM), unit), way: way(meanOffM) })
    : write(ROUNDS.loose, { share: asked, lost: lost.toFixed(2) })
  return { why: `${sentence(why)}.`, worth: write(ROUNDS.worth, { worth: worth.toFixed(2) }) }
}

/** Nothing to work on, and why. */
export const noWorkText = (isTold: boolean): string => write(isTold ? ROUNDS.nothing : ROUNDS.needsEnds)

/** "18 approaches". */
export const approachesText = (n: number): string => write(ROUNDS.summary, { n })

/** "On the course your balls lie 1.7 times as wide as on the range". */
export const courseScatterFoundText = ({ times, least, most }: CourseScatter): string => {
  const [t, low, high] = [times, least, most].map(one => one.toFixed(1)) as [string, string, string]
  return write(ROUNDS.scatter, { times: t, least: low, most: high, usual: String(COURSE_SCATTER) })
}

/** Whether the chart's windows hold on the course. @param times so many times as wide as on the range */
export function windowsText({ held, balls, usual, way }: WindowsHeld, times: number): string {
  const counted = write(ROUNDS.windows, {
    held: String(held),
    balls: String(balls),
    usual: String(usual),
    times: times.toFixed(1),
  })
  return way === null ? counted : `${counted} ${write(ROUNDS[way])}`
}

/** Strokes lost to the level, and to the player's own spread on the range. */
export function strokesTexts({ level, range }: StrokesAgainst): string[] {
  const said = (message: string, { mean, half, isSure }: Mean) =>
    write(message, {
      strokes: Math.abs(mean).toFixed(2),
      half: half.toFixed(2),
      way: mean > 0 ? 'more' : 'fewer',
      sure: isSure ? 'yes' : 'no',
    })
  return [said(ROUNDS.toLevel, level), ...(range ? [said(ROUNDS.toRange, range)] : [])]
}

/** Where chances were hit from; '' where nobody said. */
export function askedFromText({ par3, par4, lies }: AskedFrom): string {
  const named = [
    ...(par3 > 0 ? [write(ROUNDS.par3, { n: par3 })] : []),
    ...lies.map(({ lie, chances }) => `${lie} ${chances}`),
  ]
  const from = named.length === 0 ? [] : [write(ROUNDS.from, { list: named.join(', ') })]
  return [...from, ...(par4 > 0 ? [sentence(write(ROUNDS.par4, { n: par4 }))] : [])].join(' ')
}

/** How often rounds ask for where a flag stands; '' while too few tell. */
export function askedThereText(asked: number | undefined): string {
  if (asked === undefined) return ''
  const share = Math.round(PERCENT * asked)
  return share === 0 ? write(ROUNDS.notAskedThere) : write(ROUNDS.askedThere, { share: String(share) })
}

/** What the next range session is for; '' while too few rounds tell. */
export function orderByNeedText(most: { fromM: number; toM: number } | null, unit: DistanceUnit): string {
  if (!most) return ''
  const [from, to] = [distanceText(most.fromM, unit), distanceWithUnit(most.toM, unit)]
  return write(ROUNDS.orderByNeed, { from, to })
}
