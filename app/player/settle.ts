import { cellKey, gridCells, type Bag, type StockShot } from '#core/bag/bag'
import { BLOCK_RANGE } from '#core/limits'
import { SETTLE_MAX } from '#shared/limits'
import type { SessionPlan } from '#shared/schemas/session'

/** Balls with each where the address does not say. */
const USUAL_BALLS = 6
const [LEAST, MOST] = BLOCK_RANGE

const ballsOf = (text: unknown): number | null => {
  const balls = Number(text)
  return Number.isInteger(balls) && balls > 0 ? Math.min(MOST, Math.max(LEAST, balls)) : null
}

/** The address of a session that begins with a retest. */
export const retestQuery = (balls: readonly (StockShot & { balls: number })[]) => ({
  settle: balls.map(shot => `${cellKey(shot)}:${shot.balls}`).join(','),
  why: 'retest',
})

/** The address of a session with the few balls of one's own that tell what range balls lose. */
export const ownBallsQuery = ({ shots, balls }: { shots: readonly StockShot[]; balls: number }) => ({
  settle: shots.map(cellKey).join(','),
  balls: String(balls),
  why: 'own-balls',
})

/**
 * What goes before the order of work, from an address: "settle=club/length,club/length&balls=6" for what is open in
 * Gaps, "settle=club/length:2,club/length:1&why=retest" for a retest, in its order.
 */
export function settleOf(query: Record<string, unknown>, bag: Bag): SessionPlan['settle'] {
  if (typeof query.settle !== 'string') return null
  const cells = new Map(gridCells(bag).map(cell => [cellKey(cell), cell]))
  const shots = query.settle.split(',').flatMap(text => {
    const [key = '', own] = text.split(':')
    const cell = cells.get(key)
    const balls = ballsOf(own)
    return cell ? [{ clubId: cell.clubId, rungId: cell.rungId, ...(balls !== null && { balls }) }] : []
  })
  if (shots.length === 0) return null
  const why = (['retest', 'own-balls'] as const).find(one => one === query.why)
  return { shots: shots.slice(0, SETTLE_MAX), balls: ballsOf(query.balls) ?? USUAL_BALLS, ...(why && { why }) }
}

/** Balls that it takes with one of its stock shots. */
export const settleBalls = ({ balls }: { balls: number }, shot: { balls?: number | undefined }): number =>
  shot.balls ?? balls

/** Balls that it takes in all. */
export const settleSum = (settle: NonNullable<SessionPlan['settle']>): number =>
  settle.shots.reduce((sum, shot) => sum + settleBalls(settle, shot), 0)
