import { cellKey } from '../../bag/bag'
import { aimed } from '../../gaps/aim'
import { coverOf, playerScatter } from '../../gaps/cover'
import type { CoverShot } from '../../gaps/stretches'
import { Z_80 } from '../../stats/normal'
import { meanLeaveM, type Remedy, type RemedyRule, type Work } from './work'

/** So many balls are thought of as hit. */
const BALLS = 5

/** The stock shot about the stretch, or of the flag, whose number is known least. */
function leastKnown({ today, targets, finding }: Work): CoverShot | undefined {
  const plain = new Map(today.cover.shots.filter(shot => !shot.grippedDown).map(shot => [cellKey(shot), shot]))
  const about = [
    ...targets.map(t => cellKey(today.cover.shots[today.cover.at[t]!.best]!)),
    ...finding.cells.map(cellKey),
  ]
  const shots = [...new Set(about)].flatMap(key => plain.get(key) ?? [])
  return shots.sort((a, b) => b.certaintySdM - a.certaintySdM)[0]
}

/**
 * The cover's shots as they would be known after so many balls of one of them: what they share of its doubt falls
 * too.
 */
function knownBetter({ layout: { grid }, today }: Work, shot: CoverShot, row: number): CoverShot[] {
  const n = grid.fit.mean.length
  const noise = (shot.scatterSdM / shot.carryM) ** 2 / BALLS
  return today.cover.shots.map(one => {
    const i = grid.indexOf.get(cellKey(one))
    if (i === undefined) return one
    const shared = grid.fit.covariance[i * n + row]!
    const taken = (shared * shared) / (grid.fit.covariance[row * n + row]! + noise)
    return { ...one, certaintySdM: Math.sqrt(Math.max(0, one.certaintySdM ** 2 - one.carryM ** 2 * taken)) }
  })
}

/**
 * A few balls with the stock shot of the stretch that is known least: its doubt, and what it shares with the others,
 * falls.
 */
function propose(work: Work): Remedy[] {
  const { layout, today, targets, judging } = work
  const shot = leastKnown(work)
  if (!shot || Z_80 * shot.certaintySdM <= judging.withinM / 2) return []
  const row = layout.grid.indexOf.get(cellKey(shot))
  if (row === undefined) return []
  const shots = knownBetter(work, shot, row)
  const sides = aimed(layout.sides, layout.aimedStraight)
  const player = playerScatter(layout.grid, sides)
  const after = coverOf(
    shots,
    player,
    today.cover.at.map(one => one.atM),
  )
  const then = shots.find(one => !one.grippedDown && cellKey(one) === cellKey(shot))!
  return [
    {
      kind: 'calibrate',
      cells: [{ clubId: shot.clubId, rungId: shot.rungId }],
      data: { balls: BALLS, plusMinusM: Z_80 * shot.certaintySdM, thenM: Z_80 * then.certaintySdM },
      beforeM: meanLeaveM(today.cover.at, targets),
      afterM: meanLeaveM(after, targets),
      withinBefore: today.sum?.within ?? 0,
      withinAfter: after.filter(one => one.leaveM <= judging.lineM).length,
      openBefore: today.open.length,
      openAfter: today.open.length,
      settlesFlag: false,
      whatIf: null,
    },
  ]
}

export default { kind: 'calibrate', changesNoBag: true, propose } satisfies RemedyRule
