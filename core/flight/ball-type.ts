import { exp, ln } from '../stats/exact'
import { Z_80 } from '../stats/normal'
import { yardsToMetres } from '../units'

/**
 * How much shorter a range ball flies at 100 yd, in ln carry, and how sure that is: between nothing and 12 % is
 * heard. [cp]
 */
export const RANGE_BALL = { loss: 0.05, sd: 0.03 } as const

/** Share of the loss at 100 yd that a shot of this carry has: short shots lose less. */
export function lossShare(carryM: number): number {
  return 0.4 + (0.6 * Math.min(carryM, yardsToMetres(150))) / yardsToMetres(100)
}

export interface BallLoss {
  loss: number
  sd: number
}

/** What is not known of range balls as a "±" beside a number, 8 in 10, metres: no number of them takes it away. */
export function lossHalfM(carryM: number, { sd }: Pick<BallLoss, 'sd'>): number {
  return Z_80 * sd * lossShare(carryM) * carryM
}

/** Carry of the ball one plays, from that of a range ball; its error, in ln carry, is common to all range balls. */
export function playBallCarryM(rangeCarryM: number, { loss }: BallLoss = RANGE_BALL): number {
  return rangeCarryM * exp(loss * lossShare(rangeCarryM))
}

/**
 * The loss of one player's range balls, from stock shots hit with both, and the prior. Normal on ln carry.
 * @param pairs carry with each ball, metres, and standard deviation of the log of their ratio
 */
export function ballLossFrom(pairs: readonly { playM: number; rangeM: number; lnSd: number }[]): BallLoss {
  let precision = 1 / RANGE_BALL.sd ** 2
  let weighted = RANGE_BALL.loss / RANGE_BALL.sd ** 2
  for (const { playM, rangeM, lnSd } of pairs) {
    const g = lossShare(rangeM)
    precision += (g * g) / (lnSd * lnSd)
    weighted += (g * ln(playM / rangeM)) / (lnSd * lnSd)
  }
  return { loss: weighted / precision, sd: 1 / Math.sqrt(precision) }
}
