import { cellKey } from '../bag/bag'
import type { GridFit } from '../chart/grid-fit'
import { aside } from '../corrections/set-aside'
import { cellEstimate } from '../model/estimate'
import { shotErrorM } from '../shot/measuring'
import { doesCount, type NeutralShot } from '../shot/shot'

/** What a plus or minus does for a player: so many metres for each that is called. */
export interface PlusWorth {
  worth: number
  /** Standard deviation of that. */
  sd: number
  /** Balls that tell it. */
  balls: number
}

/** Called and done are the same for a player of whom nothing is known, give or take a half. [mem] */
const USUAL = { worth: 1, sd: 0.5 } as const
/** From so many balls on, over so many sizes, it is known. */
const LEAST_BALLS = 6
const LEAST_SIZES = 2
/** Sizes that lie nearer together, metres, are one. */
const SIZE_M = 1
/** A ball further out than so many of its sds was mishit. */
const CLEAN_SDS = 3
const ROUNDS = 4

const isCalled = (shot: NeutralShot) => shot.plusM !== undefined && shot.plusM !== 0

/** The balls without those that were called longer or shorter than the stock shot: they are no balls of it. */
export const withoutCalledPlus = (shots: readonly NeutralShot[]): NeutralShot[] =>
  shots.map(shot => (isCalled(shot) && doesCount(shot) ? aside(shot, 'called-plus') : shot))

/**
 * What this player's plus is worth, from called balls and the numbers that the others make: the slope of how far past
 * the number they went on how much was called.
 * @param grid of the balls that were not called so; @param shots all of them
 * @returns null before six balls over two sizes
 */
export function plusWorth(shots: readonly NeutralShot[], { fit, indexOf }: GridFit): PlusWorth | null {
  const anyNumber = fit.information.some(said => said !== 0)
  const balls = shots.flatMap(shot => {
    const i = indexOf.get(cellKey(shot))
    if (!anyNumber || i === undefined || !isCalled(shot) || !doesCount(shot)) return []
    const { carryM, spreadSdM } = cellEstimate(fit, i)
    const number2 = fit.covariance[i * fit.mean.length + i]! * carryM * carryM
    const variance = (spreadSdM * spreadSdM + shotErrorM(shot) ** 2) / shot.balls + number2
    return [{ plusM: shot.plusM!, pastM: shot.carryM - carryM, variance, balls: shot.balls }]
  })
  let found = { worth: USUAL.worth as number, sd: USUAL.sd as number, used: balls }
  for (let round = 0; round < ROUNDS; round++) {
    const { worth, sd } = found
    const used = balls.filter(
      ({ plusM, pastM, variance }) =>
        Math.abs(pastM - worth * plusM) <= CLEAN_SDS * Math.sqrt(variance + (sd * plusM) ** 2),
    )
    const precision = used.reduce((sum, one) => sum + one.plusM ** 2 / one.variance, 1 / USUAL.sd ** 2)
    const weighted = used.reduce(
      (sum, one) => sum + (one.plusM * one.pastM) / one.variance,
      USUAL.worth / USUAL.sd ** 2,
    )
    found = { worth: weighted / precision, sd: 1 / Math.sqrt(precision), used }
  }
  const sizes = found.used.map(one => one.plusM).sort((a, b) => a - b)
  const different = sizes.filter((size, k) => k === 0 || size - sizes[k - 1]! >= SIZE_M).length
  const told = found.used.reduce((sum, one) => sum + one.balls, 0)
  if (told < LEAST_BALLS || different < LEAST_SIZES) return null
  return { worth: found.worth, sd: found.sd, balls: told }
}

/** Called balls less what was called, as this player's plus has it; its doubt becomes part of each ball's error. */
export const asStockShots = (shots: readonly NeutralShot[], { worth, sd }: PlusWorth): NeutralShot[] =>
  shots.map(shot =>
    isCalled(shot)
      ? { ...shot, carryM: shot.carryM - worth * shot.plusM!, errorM: Math.hypot(shotErrorM(shot), sd * shot.plusM!) }
      : shot,
  )
