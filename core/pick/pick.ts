import { newMemo, type Memo } from '../memo'
import { bestAim } from './aim'
import { costAround, isIn, type Around, type CostAround } from './around'
import { aimToFlag, leavesOf, meanCost, meantBy, plusTo, variantsOf, type Width } from './candidate'
import type { FlownShot } from './flown'
import { LIES } from './lies'
import { ranked, unservedAt } from './order'
import {
  callCurves,
  marginOf,
  pickedShot,
  type Looked,
  type Picked,
  type PickQuestion,
  type RankedShot,
} from './picked'
import type { PickPlayer } from './pick-player'
import { STRIKES_A_LOOK, STRIKES_AIMED, STRIKES_SHOWN, strikePoints } from './strikes'
import { COURSE_SCATTER, costsOf } from './strokes'

/** So many are looked at closely, the nearest by a first look. */
const LOOKED_AT = 10

const inTroubleOf =
  ({ trouble }: Around) =>
  (pastM: number, rightM: number) =>
    trouble.some(one => isIn(one, pastM, rightM))

const isFree = (one: Looked, question: PickQuestion) => (marginOf(one.variant, one.meant.pitchM, question) ?? 0) >= 0

/** Those that come nearest, aimed as is best: one that falls far off is not worth the look. */
function lookedAt(
  free: readonly Looked[],
  targetM: number,
  aimed: boolean,
  { width, cost, memo }: { width: Width; cost: CostAround; memo: Memo },
): Looked[] {
  const few = strikePoints(STRIKES_A_LOOK, memo)
  const refined = strikePoints(STRIKES_AIMED, memo)
  return [...free]
    .sort((a, b) => Math.abs(a.meant.pastM) - Math.abs(b.meant.pastM) || a.meant.longSdM - b.meant.longSdM)
    .slice(0, 3 * LOOKED_AT)
    .map(one => ({ ...one, cost: meanCost(one.meant, width, cost, few) }))
    .sort((a, b) => a.cost - b.cost)
    .slice(0, LOOKED_AT)
    .map(one => (aimed ? { ...one, ...bestAim(one.variant, targetM, width, cost, few, refined) } : one))
}

/**
 * The stock shots for a target, best first by expected strokes.
 * @param shots as they fly today
 * @param question.targetM above 0
 */
export function pick(
  player: PickPlayer,
  shots: readonly FlownShot[],
  question: PickQuestion,
  memo: Memo = newMemo(),
): Picked {
  const { targetM, around, lie } = question
  const nothing: Picked = {
    targetM,
    picks: [],
    ties: 0,
    nearerBadBall: null,
    otherWay: null,
    byRule: false,
    unserved: null,
    blocked: false,
  }
  if (shots.length === 0) return nothing
  const cost = costAround(around, targetM, costsOf(player.level, memo))
  const width: Width = {
    times: (player.settings.courseScatter ?? COURSE_SCATTER) * LIES[lie].wider,
    mishitShare: player.mishitShare,
  }
  const aimed = around.trouble.length > 0 || around.green !== undefined
  const all = variantsOf(shots).map((variant): Looked => {
    const meant = meantBy(variant, targetM, plusTo(variant, targetM), aimToFlag(variant), width)
    return { variant, meant, cost: Infinity }
  })
  const free = all.filter(one => isFree(one, question))
  const many = strikePoints(STRIKES_SHOWN, memo)
  const inTrouble = inTroubleOf(around)
  const sight = { targetM, plusWorth: player.plusWorth, curves: callCurves(player) }
  const found = lookedAt(free, targetM, aimed, { width, cost, memo })
    .filter(one => isFree(one, question))
    .map((one): RankedShot => {
      const { meant, variant } = one
      const strokes = 1 + meanCost(meant, width, cost, many)
      const marginM = marginOf(variant, meant.pitchM, question)
      return pickedShot(one, { ...sight, marginM }, { strokes, ...leavesOf(meant, width, inTrouble, many) })
    })
  if (found.length === 0) return { ...nothing, blocked: true }
  const order = ranked(found, player.settings, targetM)
  return { ...nothing, ...order, unserved: unservedAt(all, aimed ? 0 : order.picks[0]!.patch.pastM) }
}
