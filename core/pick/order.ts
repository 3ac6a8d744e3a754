import { cellKey } from '../bag/bag'
import { groupBy } from '../group-by'
import { yardsToMetres } from '../units'
import type { Looked, Picked, RankedShot } from './picked'
import type { PickPlayer } from './pick-player'

/** Differences below are not told apart. */
const TIE_STROKES = 0.03
/** A bad ball ends nearer by so much, or it is the same. */
const TIE_BAD_M = yardsToMetres(1)
/** A stretch is longer than another by so much, or it is the same. */
const TIE_PLUS_M = yardsToMetres(2)
/** What is further off than this when stretched as far as may be does not serve. */
const UNSERVED_M = yardsToMetres(2)
const SHOWN = 3
/** A third that costs so much more than the first adds nothing, and is left out. Our choice. */
const ADDS_NOTHING_STROKES = 0.25
/** Two ways to one number fly so differently that each has a use of its own: apex over apex. Our choice. */
const OTHER_WAY = 1.3
/** Another way serves the number where it is held back or stretched no more than this. */
const OTHER_WAY_PLUS_M = yardsToMetres(5)

/** Between equals: what the player changes first. Less comes first. */
function habitOrder({ gripDown, rung }: RankedShot, habit: PickPlayer['settings']['habit']): number {
  if (habit === 'grip') return -gripDown
  return habit === 'swing' ? 100 * gripDown + rung : 100 * gripDown - rung
}

const byStrokes = (a: RankedShot, b: RankedShot) => a.strokes - b.strokes || a.badLeaveM - b.badLeaveM

/** The difference of two figures, 0 where it is too small to count. */
const beyond = (a: number, b: number, least: number) => (Math.abs(a - b) > least ? a - b : 0)

/** One way of each stock shot, its best; of equals the one that the player is used to. Best first. */
function oneWayEach(found: readonly RankedShot[], habit: PickPlayer['settings']['habit']): RankedShot[] {
  return [...groupBy([...found].sort(byStrokes), cellKey).values()]
    .map(
      ways =>
        ways
          .filter(one => one.strokes - ways[0]!.strokes < TIE_STROKES)
          .sort((a, b) => habitOrder(a, habit) - habitOrder(b, habit))[0]!,
    )
    .sort(byStrokes)
}

/**
 * What is shown of the shots that were found, in its order.
 * @param found at least one
 */
export function ranked(
  found: readonly RankedShot[],
  { habit, rules }: PickPlayer['settings'],
  targetM: number,
): Pick<Picked, 'picks' | 'ties' | 'nearerBadBall' | 'otherWay' | 'byRule'> {
  const cells = oneWayEach(found, habit)
  const least = cells[0]!.strokes
  const rule = rules.find(({ fromM, toM }) => targetM >= fromM && targetM <= toM)
  const ruled = (one: RankedShot) => (rule && cellKey(one) === cellKey(rule) ? 0 : 1)
  const equals = cells
    .filter(one => one.strokes - least < TIE_STROKES)
    .sort(
      (a, b) =>
        ruled(a) - ruled(b) ||
        beyond(a.badLeaveM, b.badLeaveM, TIE_BAD_M) ||
        beyond(Math.abs(a.plusM), Math.abs(b.plusM), TIE_PLUS_M) ||
        habitOrder(a, habit) - habitOrder(b, habit),
    )
  const ordered = [...equals, ...cells.filter(one => one.strokes - least >= TIE_STROKES)]
  const nearest = cells.reduce((a, b) => (b.badLeaveM < a.badLeaveM ? b : a))
  const shown = shownOf(ordered, equals.length, nearest)
  const otherWay = otherWayOf(shown, ordered)
  return {
    picks: shown.map(({ rung: _, ...one }) => one),
    ties: Math.min(equals.length, shown.length),
    nearerBadBall: shown[0]!.badLeaveM - nearest.badLeaveM > TIE_BAD_M ? shown.indexOf(nearest) : null,
    otherWay,
    byRule: rule !== undefined && ruled(shown[0]!) === 0,
  }
}

/** The first few, and the one whose bad ball ends nearest: none loses on both counts to one that is not shown. */
function shownOf(ordered: readonly RankedShot[], equals: number, nearest: RankedShot): RankedShot[] {
  const least = ordered[0]!.strokes
  const shown = ordered
    .slice(0, Math.max(SHOWN, Math.min(equals, SHOWN + 1)))
    .filter((one, i) => i < 2 || one.strokes - least < ADDS_NOTHING_STROKES)
  if (!shown.includes(nearest)) shown.push(nearest)
  const better = (one: RankedShot) => (other: RankedShot) =>
    !shown.includes(other) && other.strokes < one.strokes && other.badLeaveM < one.badLeaveM
  for (let i = 0; i < shown.length; i++) shown[i] = ordered.find(better(shown[i]!)) ?? shown[i]!
  return shown
}

/**
 * The way that flies most unlike the first and still serves the number; it is shown where it was not.
 * @param shown is added to
 */
function otherWayOf(shown: RankedShot[], ordered: readonly RankedShot[]): Picked['otherWay'] {
  const first = shown[0]!
  const serves = (one: RankedShot) => Math.abs(one.plusM) <= OTHER_WAY_PLUS_M && Math.abs(one.patch.pastM) <= UNSERVED_M
  const unlike = ({ apexM }: RankedShot) => Math.max(apexM / first.apexM, first.apexM / apexM)
  if (!serves(first)) return null
  const found = ordered
    .filter(one => one !== first && serves(one) && unlike(one) >= OTHER_WAY)
    .sort((a, b) => a.strokes - b.strokes)
  const one = found.find(other => shown.includes(other)) ?? found[0]
  if (!one) return null
  if (!shown.includes(one)) shown.push(one)
  return { place: shown.indexOf(one), firstIs: one.apexM > first.apexM ? 'low' : 'high' }
}

/** Why nothing comes to the flag, where the best is off by so much. */
export function unservedAt(all: readonly Looked[], offM: number): Picked['unserved'] {
  const least = all.reduce((a, b) => (Math.abs(b.meant.pastM) < Math.abs(a.meant.pastM) ? b : a)).meant.pastM
  if (Math.abs(least) <= UNSERVED_M && Math.abs(offM) <= 3 * UNSERVED_M) return null
  if (all.every(({ meant }) => meant.pastM > 0)) return 'short'
  return all.every(({ meant }) => meant.pastM < 0) ? 'long' : 'between'
}
