import { doesCount, type Shot } from '../shot/shot'

/**
 * Balls that the coach called mishits or flyers, out of the numbers by that word: it is their reason. What they were
 * still tells how often the player mishits, and of flyers.
 */
export function withoutCalledOut(shots: readonly Shot[]): Shot[] {
  return shots.map(shot => (shot.leftOut !== null || doesCount(shot) ? shot : { ...shot, leftOut: shot.strike }))
}

/** True for a ball that `withoutCalledOut` took out. */
export const isCalledOut = ({ leftOut, strike }: Pick<Shot, 'leftOut' | 'strike'>): boolean =>
  leftOut !== null && leftOut === strike
