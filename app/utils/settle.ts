import { cellKey, gridCells, type Bag } from '#core/bag/bag'
import { BLOCK_RANGE } from '#core/limits'
import { SETTLE_MAX, type SessionPlan } from '#shared/session'

/** Balls with each where the address does not say. */
const USUAL_BALLS = 6

/** What is open in Gaps and is to be settled, from an address: "settle=club/length,club/length&balls=6". */
export function settleOf(query: Record<string, unknown>, bag: Bag): SessionPlan['settle'] {
  if (typeof query.settle !== 'string') return null
  const wanted = new Set(query.settle.split(','))
  const shots = gridCells(bag).filter(cell => wanted.has(cellKey(cell)))
  const balls = Number(query.balls)
  const [least, most] = BLOCK_RANGE
  const each = Number.isInteger(balls) ? Math.min(most, Math.max(least, balls)) : USUAL_BALLS
  return shots.length === 0 ? null : { shots: shots.slice(0, SETTLE_MAX), balls: each }
}
