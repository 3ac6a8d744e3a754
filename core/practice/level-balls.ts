import { usualScatterM } from '../model/usual-scatter'
import { MISHIT_SD, MISHIT_SHORT } from '../gaps/leave'
import type { Level } from '../level'
import type { Memo } from '../memo'
import { MODEL, SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../model/constants'
import { costAround } from '../pick/around'
import { meanCost, type Meant } from '../pick/candidate'
import { STRIKES_REFINED, strikePoints } from '../pick/strikes'
import { costsOf, COURSE_SCATTER } from '../pick/strokes'

/** Whether the side of a ball is seen, or its length alone. */
export type Dimensions = 'length' | 'both'

/** How the level's balls lie about a target, so many times as wide as on the range. Metres. */
function patternOf(level: Level, targetM: number, dimensions: Dimensions, times = 1): Meant {
  const longSdM = times * usualScatterM(SPREAD_OF_LEVEL[level], targetM)
  return {
    plusM: 0,
    aimRightM: 0,
    pitchM: targetM,
    pastM: 0,
    rightM: 0,
    longSdM,
    sideSdM: dimensions === 'both' ? times * SIDE_OF_LEVEL[level] * targetM : 0,
    mishitShortM: MISHIT_SHORT * targetM,
    mishitSdM: Math.hypot(MISHIT_SD * targetM, longSdM),
  }
}

/** Targets are told apart to this, metres: finer than any is measured. */
const STEP_M = 0.1
const key = (level: Level, targetM: number, dimensions: Dimensions) =>
  `${level} ${Math.round(targetM / STEP_M)} ${dimensions}`

/** Distances from the target of the level's clean balls, sorted, metres. */
function cleanLeaves(level: Level, targetM: number, dimensions: Dimensions, memo: Memo): Float64Array {
  return memo.recall('level-leaves', key(level, targetM, dimensions), () => {
    const { longSdM, sideSdM } = patternOf(level, targetM, dimensions)
    const points = strikePoints(STRIKES_REFINED, memo)
    return Float64Array.from({ length: points.length / 2 }, (_, i) =>
      Math.hypot(longSdM * points[2 * i]!, sideSdM * points[2 * i + 1]!),
    ).sort()
  })
}

/**
 * The distance from a target that a share of the level's clean balls stay within, metres.
 * @param share 0 to 1
 * @param dimensions 'length' leaves the side out of it
 */
export function leaveOfLevel(level: Level, targetM: number, share: number, dimensions: Dimensions, memo: Memo): number {
  const leaves = cleanLeaves(level, targetM, dimensions, memo)
  return leaves[Math.min(leaves.length - 1, Math.floor(share * leaves.length))]!
}

/** What it costs from beside a target, by the level; nothing but a usual green about it. */
const costBeside = (level: Level, targetM: number, memo: Memo) =>
  memo.recall('rest', key(level, targetM, 'both'), () => costAround({ trouble: [] }, targetM, costsOf(level, memo)))

/** Strokes to hole out from where a ball ended, by the level; nothing but a usual green about the target. */
export const restStrokes = (level: Level, targetM: number, offM: number, sideM: number, memo: Memo): number =>
  costBeside(level, targetM, memo)(offM, sideM)

const meanRest = (level: Level, targetM: number, dimensions: Dimensions, times: number, memo: Memo): number =>
  memo.recall('level-rest', `${key(level, targetM, dimensions)} ${times}`, () =>
    meanCost(
      patternOf(level, targetM, dimensions, times),
      { times, mishitShare: MODEL.mishitShare },
      costBeside(level, targetM, memo),
      strikePoints(STRIKES_REFINED, memo),
    ),
  )

/** What the level's balls leave to play on average, strokes: the par that a ball is held against. */
export const levelRest = (level: Level, targetM: number, dimensions: Dimensions, memo: Memo): number =>
  meanRest(level, targetM, dimensions, 1, memo)

/** The same on the course, where balls scatter wider: the par of an approach. */
export const levelCourseRest = (level: Level, targetM: number, dimensions: Dimensions, memo: Memo): number =>
  meanRest(level, targetM, dimensions, COURSE_SCATTER, memo)

/**
 * What a player's own spread leaves to play on average, strokes: as it was on the range, with the usual mishits.
 * @param spread of one clean ball along the line and beside it, metres; 0 beside it where the side is not seen
 */
export const ownRest = (
  level: Level,
  targetM: number,
  { longSdM, sideSdM }: { longSdM: number; sideSdM: number },
  memo: Memo,
): number =>
  memo.recall('own-rest', `${key(level, targetM, 'both')} ${longSdM} ${sideSdM}`, () =>
    meanCost(
      {
        ...patternOf(level, targetM, 'both'),
        longSdM,
        sideSdM,
        mishitSdM: Math.hypot(MISHIT_SD * targetM, longSdM),
      },
      { times: 1, mishitShare: MODEL.mishitShare },
      costBeside(level, targetM, memo),
      strikePoints(STRIKES_REFINED, memo),
    ),
  )

/** A ball of the level for each point: where it ends past the target and beside it, and its share of all. */
export function levelBalls(
  level: Level,
  targetM: number,
  count: number,
  memo: Memo,
): { offM: number; sideM: number; share: number }[] {
  const { longSdM, sideSdM, mishitShortM, mishitSdM } = patternOf(level, targetM, 'both')
  const points = strikePoints(count, memo)
  const n = points.length / 2
  return Array.from({ length: n }, (_, i) => {
    const [z, sideM] = [points[2 * i]!, sideSdM * points[2 * i + 1]!]
    return [
      { offM: longSdM * z, sideM, share: (1 - MODEL.mishitShare) / n },
      { offM: mishitSdM * z - mishitShortM, sideM, share: MODEL.mishitShare / n },
    ]
  }).flat()
}
