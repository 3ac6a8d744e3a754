import { cellKey } from '../bag/bag'
import { ballLossFrom, lossShare, playBallCarryM, type BallLoss } from '../flight/ball-type'
import { median } from '../stats/median'
import { reaching, reachingAll } from './stage'
import type { NeutralShot, Session, ShotAt } from '../shot/shot'
import { MODEL } from '../model/constants'

/** What range balls lose for a player, and what it is known from. */
export interface RangeBalls extends BallLoss {
  /** Stock shots hit with both balls. */
  pairs: number
}

/** Scatter of the log of one ball's carry, roughly: for weighing a pair. [mem] */
export const BALL_SD = 0.05

/**
 * Carries of range balls as the ball one plays would have had them, after the air. How much they lose is the player's
 * own as far as stock shots were hit with both, else what is usual; its error is common to all range balls of a
 * session.
 * @returns the same shots and null when no session has range balls
 */
export function asPlayBall({ sessions, shots }: { sessions: Session[]; shots: ShotAt<'called'>[] }): {
  sessions: Session[]
  shots: NeutralShot[]
  rangeBalls: RangeBalls | null
} {
  const range = new Set(sessions.filter(session => session.ball === 'range').map(session => session.id))
  if (range.size === 0 || !shots.some(shot => range.has(shot.sessionId)))
    return { sessions, shots: reachingAll(shots), rangeBalls: null }
  const cells = new Map<string, { play: number[]; range: number[] }>()
  for (const shot of shots) {
    if (shot.leftOut !== null) continue
    const key = cellKey(shot)
    const cell = cells.get(key) ?? { play: [], range: [] }
    cells.set(key, cell)
    cell[range.has(shot.sessionId) ? 'range' : 'play'].push(shot.carryM)
  }
  const pairs = [...cells.values()]
    .filter(cell => cell.play.length > 0 && cell.range.length > 0)
    .map(cell => ({
      playM: median(cell.play),
      rangeM: median(cell.range),
      lnSd: Math.sqrt(BALL_SD ** 2 * (1 / cell.play.length + 1 / cell.range.length) + 2 * MODEL.daySd ** 2),
    }))
  const loss = ballLossFrom(pairs)
  const moved = shots.map((shot): NeutralShot =>
    reaching(range.has(shot.sessionId) ? { ...shot, carryM: playBallCarryM(shot.carryM, loss) } : shot),
  )
  const counting = (id: string) => moved.filter(shot => shot.sessionId === id && shot.leftOut === null)
  return {
    shots: moved,
    rangeBalls: { ...loss, pairs: pairs.length },
    sessions: sessions.map(session => {
      if (!range.has(session.id)) return session
      const own = counting(session.id)
      const share = own.length === 0 ? 1 : own.reduce((sum, shot) => sum + lossShare(shot.carryM), 0) / own.length
      return { ...session, commonSd: Math.hypot(session.commonSd ?? 0, loss.sd * share), lossSd: loss.sd }
    }),
  }
}

/** Range balls taken as they are, when nothing is to be corrected. */
export function asHit({
  sessions,
  shots,
}: {
  sessions: Session[]
  shots: ShotAt<'called'>[]
}): ReturnType<typeof asPlayBall> {
  return { sessions, shots: reachingAll(shots), rangeBalls: null }
}
