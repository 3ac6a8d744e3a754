/**
 * Table (d): charts in which a statement was ever false, looked at after every ball; and how many true ones are
 * found.
 */
import { fitModel, type Fit, type ModelSession, type ModelShot } from '../../../core/model/fit'
import { SAY } from '../../../core/model/constants'
import { likelyOnes } from '../../../core/stats/false-discovery'
import {
  evidenceOfMove,
  probabilityOfGap,
  probabilityOfLooser,
  probabilityOfOverlap,
} from '../../../core/model/statements'
import { yardsToMetres } from '../../../core/units'
import { chooseHit, visit } from './errors'
import { coverOf, grippedDown, targetsOf } from '../../../core/gaps/cover'
import { isSureHole, stretches, type CoverShot } from '../../../core/gaps/stretches'
import { ballSd } from '../../../core/model/estimate'
import { drawDay, drawPlayer, hitM, type SimulatedLevel, type SimulatedPlayer } from './player'

export const KINDS = ['gap', 'overlap', 'looser', 'moved', 'hole'] as const
export type Kind = (typeof KINDS)[number]

const GAP_M = yardsToMetres(12)
const NEAR_M = yardsToMetres(4)

/** Side scatter and mishits are nobody's finding here: the usual ones, in truth and in what is said. */
const SIDE_SHARE = 0.05
const MISHITS = 0.07

function shotOf(i: number, carryM: number, certaintySdM: number, scatterSdM: number): CoverShot[] {
  const shot: CoverShot = {
    clubId: String(i),
    rungId: '',
    grippedDown: false,
    predicted: false,
    carryM,
    certaintySdM,
    scatterSdM,
    sideBiasM: 0,
    sideSdM: SIDE_SHARE * carryM,
  }
  return [shot, grippedDown(shot)]
}

/** What would be said of holes by a fit, and what is true: by the true carries and scatters, known for certain. */
function holesOf(fit: Fit, { truthM, scatter }: SimulatedPlayer): { said: { trueShare: number }[]; trueYards: number } {
  const n = fit.mean.length
  const known = truthM.map((_, i) => Math.exp(fit.mean[i]!))
  const player = { mishitShare: MISHITS, sideShare: SIDE_SHARE, sideBias: 0 }
  const said = coverOf(
    known.flatMap((carryM, i) =>
      shotOf(i, carryM, carryM * Math.sqrt(fit.covariance[i * n + i]!), carryM * ballSd(fit, i)),
    ),
    { ...player, spread: fit.spread },
    targetsOf(known, 'yd'),
  )
  const looks = scatter.map((s, i) => (s * truthM[i]!) / (truthM[i]! + 30)).sort((a, b) => a - b)
  const spread = looks[looks.length >> 1]!
  const truth = truthM.flatMap((carryM, i) => shotOf(i, carryM, 0, carryM * scatter[i]!))
  const isHole = (atM: number) => coverOf(truth, { ...player, spread }, [atM])[0]!.hole !== null
  // As the rule has them: whole stretches, sure by a third of their yards.
  const found = stretches(said, one => (one.hole ? 'hole' : null)).filter(({ all }) => isSureHole(all))
  return {
    said: found.map(({ all }) => ({ trueShare: all.filter(one => isHole(one.atM)).length / all.length })),
    trueYards: targetsOf(truthM, 'yd').filter(isHole).length,
  }
}

/** Pairs that are neighbours on the ladder of the fit, shorter first. */
function neighbours(fit: Fit): [number, number][] {
  const order = [...fit.mean.keys()].sort((a, b) => fit.mean[a]! - fit.mean[b]!)
  return order.slice(1).map((longer, i) => [order[i]!, longer])
}

export interface Watched {
  /** Kinds of which this chart ever said something false. */
  falseKinds: Set<Kind>
  /**
   * Of gaps standing at the end: sure and likely ones, and those of them that are false; and all true ones wider by 3
   * yd.
   */
  sure: number
  sureFalse: number
  likely: number
  likelyFalse: number
  trueGaps: number
  /** Of holes said at the end the same, and how many yards truly are one. */
  holes: { sure: number; sureFalse: number; trueYards: number }
}

/** One chart, so many balls over some visits, looked at after every ball. */
export function watchChart(seed: number, balls: number): Watched {
  const player = drawPlayer(seed)
  const { cells, truthM, scatter, dice } = player
  const usual = [...scatter.map((s, i) => s / (1 + 30 / truthM[i]!))].sort((a, b) => a - b)[scatter.length >> 1]!
  const looseTruth = scatter.map((s, i) => s / (1 + 30 / truthM[i]!) / usual)
  // What was published a month before, from five balls a cell.
  const hit = chooseHit(player, 1).slice(0, 15)
  const published = fitModel(cells, [{ day: 0, shots: visit(player, hit, 5) }], 0)
  const out: Watched = {
    falseKinds: new Set(),
    sure: 0,
    sureFalse: 0,
    likely: 0,
    likelyFalse: 0,
    trueGaps: 0,
    holes: { sure: 0, sureFalse: 0, trueYards: 0 },
  }
  const sessions: ModelSession[] = []
  const VISITS = 4
  const n = cells.length
  const every = Math.ceil(balls / VISITS)
  for (let v = 0; v < VISITS; v++) {
    const day = drawDay(dice)
    const shots: ModelShot[] = []
    sessions.push({ day: 30 + v, shots })
    for (let k = 0; k < every; k++) {
      const cell = dice.pick(hit)
      shots.push({ cell, carryM: hitM(player, cell, day), measSdM: 0.9144, balls: 1 })
      const fit = fitModel(cells, sessions, 30 + v)
      const pairs = neighbours(fit)
      const odds = pairs.map(([a, b]) => probabilityOfGap(fit, a, b, GAP_M))
      const step = ([a, b]: [number, number]) => truthM[b]! - truthM[a]!
      pairs.forEach((pair, i) => {
        if (odds[i]! >= SAY.gapSure && step(pair) <= GAP_M) out.falseKinds.add('gap')
      })
      for (let a = 0; a < n; a++) {
        if (
          fit.cellDegrees[a]! > 0 &&
          looseTruth[a]! <= SAY.looserRatio &&
          probabilityOfLooser(fit, a, SAY.looserRatio) >= SAY.looserSure
        )
          out.falseKinds.add('looser')
        for (let b = 0; b < a; b++) {
          if (probabilityOfOverlap(fit, b, a, NEAR_M) >= SAY.overlap && Math.abs(truthM[a]! - truthM[b]!) >= NEAR_M)
            out.falseKinds.add('overlap')
        }
      }
      const since = sessions
        .map(s => ({ shots: s.shots.filter(shot => shot.cell === cell) }))
        .filter(s => s.shots.length > 0)
      const e = evidenceOfMove(
        fit,
        cell,
        { carryM: Math.exp(published.mean[cell]!), lnVariance: published.covariance[cell * n + cell]! },
        since,
      )
      if (e >= SAY.moved) out.falseKinds.add('moved')
      const holes = holesOf(fit, player)
      // A stretch is false when less than half of it is one.
      if (holes.said.some(one => one.trueShare < 0.5)) out.falseKinds.add('hole')
      if (v === VISITS - 1 && k === every - 1) {
        out.holes = {
          sure: holes.said.length,
          sureFalse: holes.said.filter(one => one.trueShare < 0.5).length,
          trueYards: holes.trueYards,
        }
        const likely = likelyOnes(odds, SAY.likelyFalseShare)
        pairs.forEach((pair, i) => {
          const real = step(pair) > GAP_M
          if (odds[i]! >= SAY.gapSure) {
            out.sure++
            if (!real) out.sureFalse++
          }
          if (likely[i]) {
            out.likely++
            if (!real) out.likelyFalse++
          }
        })
        const order = [...truthM].sort((a, b) => a - b)
        out.trueGaps = order.slice(1).filter((m, i) => m - order[i]! > GAP_M).length
      }
    }
  }
  return out
}

/** A published cell truly moves by 8 yd: balls in it until that is called, null when 20 do not. */
export function callMove(seed: number, level: SimulatedLevel): number | null {
  const player = drawPlayer(seed, { level })
  const { cells, truthM, dice } = player
  const n = cells.length
  const all = cells.map((_, i) => i)
  const first = { day: 0, shots: visit(player, all, 5) }
  const published = fitModel(cells, [first], 0)
  const moved = dice.pick(all)
  truthM[moved] = Math.max(8, truthM[moved]! + (dice.uniform() < 0.5 ? -1 : 1) * yardsToMetres(8))
  const sessions: ModelSession[] = [first]
  let inCell = 0
  for (let v = 0; v < 4; v++) {
    const day = drawDay(dice)
    const shots: ModelShot[] = []
    sessions.push({ day: 30 + v, shots })
    for (let k = 0; k < 15; k++) {
      const cell = k % 3 === 0 ? moved : dice.pick(all)
      shots.push({ cell, carryM: hitM(player, cell, day), measSdM: 0.9144, balls: 1 })
      if (cell !== moved) continue
      inCell++
      const fit = fitModel(cells, sessions, 30 + v)
      const since = sessions
        .slice(1)
        .map(s => ({ shots: s.shots.filter(shot => shot.cell === moved) }))
        .filter(s => s.shots.length > 0)
      if (
        evidenceOfMove(
          fit,
          moved,
          { carryM: Math.exp(published.mean[moved]!), lnVariance: published.covariance[moved * n + moved]! },
          since,
        ) >= SAY.moved
      )
        return inCell
    }
  }
  return null
}
