import { cellKey, type StockShot } from '../bag/bag'
import { ballLossFrom, lossShare } from '../flight/ball-type'
import { groupBy } from '../group-by'
import { MODEL } from '../model/constants'
import { BALL_SD, type RangeBalls } from '../corrections/range-ball'
import { doesCount, newestSession, type NeutralShot, type Session } from '../shot/shot'

/** The few balls of one's own that tell what range balls lose. */
export interface OwnBallsHelp {
  /** Hit with range balls already: the same with the ball one plays, and the two are told apart. */
  shots: StockShot[]
  /** With each. */
  balls: number
  /** How sure the loss at 100 yd is then, one standard deviation of ln carry. */
  sdThen: number
}

/** Balls with each, and stock shots, of as many clubs: a quick look (common practice). */
const BALLS = 3
const SHOTS = 2
/** Worth asking for where it makes the loss so much surer. Our choice. */
const WORTH = 0.85

/**
 * What would help where the newest session had range balls: those of its stock shots that tell most of the loss.
 * @returns null where no range ball was hit last, or little would be learnt
 */
export function ownBallsHelp(
  { sessions, shots }: { sessions: readonly Session[]; shots: readonly NeutralShot[] },
  rangeBalls: RangeBalls | null,
): OwnBallsHelp | null {
  if (!rangeBalls || newestSession(sessions)?.ball !== 'range') return null
  const range = new Set(sessions.filter(session => session.ball === 'range').map(session => session.id))
  const told = [...groupBy(shots.filter(doesCount), cellKey).values()].flatMap(pile => {
    const balls = pile.filter(shot => range.has(shot.sessionId)).reduce((sum, shot) => sum + shot.balls, 0)
    if (balls === 0 || balls < pile.length) return []
    const carryM = pile.reduce((sum, shot) => sum + shot.carryM, 0) / pile.length
    const lnSd = Math.sqrt(BALL_SD ** 2 * (1 / BALLS + 1 / balls) + 2 * MODEL.daySd ** 2)
    const { clubId, rungId } = pile[0]!
    return [{ at: { clubId, rungId }, pair: { playM: carryM, rangeM: carryM, lnSd }, says: lossShare(carryM) / lnSd }]
  })
  const best: typeof told = []
  for (const one of told.sort((a, b) => b.says - a.says || cellKey(a.at).localeCompare(cellKey(b.at))))
    if (best.length < SHOTS && best.every(other => other.at.clubId !== one.at.clubId)) best.push(one)
  if (best.length === 0) return null
  // What pairs add is the same whatever was known before.
  const { sd } = ballLossFrom(best.map(one => one.pair))
  const { sd: before } = ballLossFrom([])
  const sdThen = 1 / Math.sqrt(1 / rangeBalls.sd ** 2 + 1 / sd ** 2 - 1 / before ** 2)
  return sdThen > WORTH * rangeBalls.sd ? null : { shots: best.map(one => one.at), balls: BALLS, sdThen }
}
