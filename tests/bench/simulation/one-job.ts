/** Table (d2): two clubs on one number with every swing length, told pair by pair and by all lengths together. */
import { fitModel, type ModelSession } from '../../../core/model/fit'
import { SAY } from '../../../core/model/constants'
import { probabilityOfOverlap, probabilityOfSameOnAverage } from '../../../core/model/statements'
import { yardsToMetres } from '../../../core/units'
import { drawDay, drawPlayer, hitM } from './player'

const NEAR_M = yardsToMetres(4)
const VISITS = 6
const BALLS_A_VISIT = 20
/** Each stock shot keeps ways of its own, share of the carry. */
const OWN = 0.008

/** Balls in all stock shots of the two clubs until they are said to be one number; null when never. */
export interface OneJobWatched {
  anyPair: number | null
  together: number | null
}

/** The balls go round the stock shots of both clubs. @param apartM how far the second falls short of the first */
export function watchOneJob(seed: number, apartM: number): OneJobWatched {
  const player = drawPlayer(seed, { clubs: 4 })
  const { cells, truthM, dice } = player
  const of = (club: number) => cells.flatMap((cell, i) => (cell.club === club ? [i] : []))
  const [longer, shorter] = [of(1), of(2)]
  longer.forEach((cell, k) => {
    truthM[shorter[k]!] = truthM[cell]! * (1 + OWN * dice.normal()) - apartM
  })
  const pairs = longer.map((cell, k) => [cell, shorter[k]!] as const)
  const hit = pairs.flat()
  const sessions: ModelSession[] = []
  const out: OneJobWatched = { anyPair: null, together: null }
  for (let v = 0; v < VISITS && (out.anyPair === null || out.together === null); v++) {
    const day = drawDay(dice)
    const visit: ModelSession = { day: 7 * v, shots: [] }
    sessions.push(visit)
    for (let k = 0; k < BALLS_A_VISIT; k++) {
      const balls = v * BALLS_A_VISIT + k
      const cell = hit[balls % hit.length]!
      visit.shots = [...visit.shots, { cell, carryM: hitM(player, cell, day), measSdM: 0.9144, balls: 1 }]
      const fit = fitModel(cells, sessions, 7 * v)
      if (pairs.some(([a, b]) => probabilityOfOverlap(fit, a, b, NEAR_M) >= SAY.overlap)) out.anyPair ??= balls + 1
      if (probabilityOfSameOnAverage(fit, pairs, NEAR_M) >= SAY.overlap) out.together ??= balls + 1
    }
  }
  return out
}
