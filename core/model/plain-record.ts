import { ln } from '../stats/exact'
import { median } from '../stats/median'
import { MODEL } from './constants'
import { fitWithPrior, type Fit, type FitOptions, type ModelSession } from './fit'

/**
 * The plain robust record of one stock shot by itself: a club outside 33° to 62°, of which the pooled model knows
 * nothing. The same rounds over its balls, mishits down-weighted, but no neighbour and no loft says anything: the prior
 * is as wide as an unknown player's level, about the middle of the balls themselves.
 * @param sessions shots of this one cell, cell 0 throughout; at least one that can be taken
 */
export function plainRecord(sessions: readonly ModelSession[], today: number, options: FitOptions): Fit {
  const carries = sessions
    .flatMap(s => s.shots.map(shot => shot.carryM))
    .filter(m => Number.isFinite(m) && m >= MODEL.leastCarryM && m <= MODEL.mostCarryM)
  const centre = carries.length === 0 ? MODEL.levelMean : ln(median(carries))
  const prior = () => ({ mean: Float64Array.of(centre), covariance: Float64Array.of(MODEL.levelSd * MODEL.levelSd) })
  return fitWithPrior(prior, 1, sessions, today, options)
}
