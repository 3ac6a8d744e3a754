import { cellKey, type StockShot } from '../bag/bag'
import { groupBy } from '../group-by'
import { shotErrorM } from '../shot/measuring'
import type { CarryChart } from '../chart/chart-cell'
import type { GridFit } from '../chart/grid-fit'
import type { NeutralPlayer } from '../shot/player-shots'
import { MOVED_EVIDENCE, MOVED_LEAST_BALLS } from '../model/constants'
import { certainOnes } from '../stats/false-discovery'
import { USUAL_SPREAD } from '../model/fit'
import { learntShare } from '../model/spread'
import { evidenceOfMove } from '../model/statements'

/** A stock carry as it stood on the earlier day, with the variance of its logarithm; null variance outside the grid. */
export interface Before extends StockShot {
  carryM: number | null
  lnVariance: number | null
}

export { MOVED_EVIDENCE }

export interface Compared extends StockShot {
  fromM: number | null
  toM: number | null
  /** Balls of it between the two days. */
  balls: number
  /** Evidence that it moved, 1 for none either way; null where there is no number or no ball to judge by. */
  evidence: number | null
  moved: boolean
  /** Held against all cells of the chart at once: among those named certain at most 1 in 20 is expected to be false. */
  certain: boolean
}

/**
 * How often the player mishit until then, by what the balls turned out to be: new ones that all lie short may be
 * mishits or a new number, and must not say themselves which.
 */
function shareBefore({ shots }: Pick<NeutralPlayer, 'shots'>, { verdicts }: GridFit, untilMs: number): number {
  const judged = shots.flatMap(shot => (shot.hitAtMs <= untilMs && shot.balls === 1 && verdicts.get(shot.id)) || [])
  const mishits = judged.reduce((sum, { clean, fault }) => sum + (fault === 'mishit' ? 1 - clean : 0), 0)
  return learntShare(USUAL_SPREAD, { mishits, judged: judged.length })
}

/**
 * Which numbers moved since an earlier chart, with a known rate of false alarms: 1 in 20 a cell at most, however often
 * one looks (Ville's inequality); *certain* ones by the e-Benjamini-Hochberg rule over the chart (Wang & Ramdas, JRSS B
 * 2022).
 * @param now the later chart with its shots, as they count
 * @param before the numbers of the earlier day
 * @param sinceMs shots from this moment on are new
 */
export function compareCharts(
  now: { chart: CarryChart; grid: GridFit; player: NeutralPlayer },
  before: readonly Before[],
  sinceMs: number,
): Compared[] {
  const { grid, player } = now
  const earlier = new Map(before.map(cell => [cellKey(cell), cell]))
  const places = new Map(grid.cells.map((cell, i) => [cellKey(cell), i]))
  const commonSds = new Map(player.sessions.map(session => [session.id, session.commonSd ?? 0]))
  const fresh = groupBy(
    player.shots.filter(shot => shot.hitAtMs > sinceMs && shot.leftOut === null && shot.carryM > 0),
    cellKey,
  )
  const fit = { ...grid.fit, mishitShare: Math.min(grid.fit.mishitShare, shareBefore(player, grid, sinceMs)) }
  const all = now.chart.map((cell): Compared => {
    const key = cellKey(cell)
    const then = earlier.get(key)
    const place = places.get(key)
    const shots = fresh.get(key) ?? []
    const balls = shots.reduce((sum, shot) => sum + shot.balls, 0)
    const at = { clubId: cell.clubId, rungId: cell.rungId, fromM: then?.carryM ?? null, toM: cell.carryM, balls }
    if (!then || then.carryM === null || then.lnVariance === null || place === undefined || shots.length === 0)
      return { ...at, evidence: null, moved: false, certain: false }
    const sessions = [...groupBy(shots, shot => shot.sessionId)].map(([id, own]) => ({
      commonSd: commonSds.get(id) ?? 0,
      shots: own.map(shot => ({ carryM: shot.carryM, measSdM: shotErrorM(shot), balls: shot.balls })),
    }))
    const evidence = evidenceOfMove(fit, place, { carryM: then.carryM, lnVariance: then.lnVariance }, sessions)
    return { ...at, evidence, moved: evidence >= MOVED_EVIDENCE && balls >= MOVED_LEAST_BALLS, certain: false }
  })
  const judged = all.filter(one => one.evidence !== null)
  const certain = certainOnes(
    judged.map(one => one.evidence!),
    1 / MOVED_EVIDENCE,
  )
  judged.forEach((one, i) => {
    one.certain = certain[i]! && one.moved
  })
  return all
}
