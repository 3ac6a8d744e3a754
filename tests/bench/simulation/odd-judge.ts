/** How the model stands before players drawn from no model: what a coach sees at a glance. */
import { cellEstimate } from '../../../core/model/estimate'
import { fitModel } from '../../../core/model/fit'
import { metresToYards } from '../../../core/units'
import { drawOddPlayer, type Oddness, type OddOptions } from './odd-players'

export interface OddTally {
  /** Numbers of cells with three clean balls or more, or a pile of five; and those beyond the span of their balls. */
  numbers: number
  beyond: number
  /** Cells hit, and those whose 8-in-10 interval holds the truth; and the same of cells nobody hit. */
  hit: number
  held: number
  unhit: number
  unhitHeld: number
  /** The odd ones among those hit, held, and the squares of their errors in yards. */
  odd: number
  oddHeld: number
  oddSquares: number
  /** Ways to explain the balls that were carried, over all players. */
  explanations: number
  players: number
}

const LEAST_BALLS = 3
const LEAST_PILE = 5

/** True where a number lies beyond its balls by more than a yard, all in yards. */
export const beyondOwnBalls = (number: number, balls: readonly number[]): boolean =>
  number < Math.min(...balls) - 1 || number > Math.max(...balls) + 1

export function judgeOdd(from: number, players: number, oddness: Oddness, options: OddOptions = {}): OddTally {
  const counts = { numbers: 0, beyond: 0, hit: 0, held: 0, unhit: 0, unhitHeld: 0, odd: 0, oddHeld: 0, oddSquares: 0 }
  const tally = { ...counts, explanations: 0, players }
  for (let seed = from; seed < from + players; seed++) {
    const player = drawOddPlayer(seed, oddness, options)
    const fit = fitModel(player.cells, player.sessions, 0)
    tally.explanations += fit.explanations
    player.truthM.forEach((truthM, cell) => {
      const { carryM, certainty80M } = cellEstimate(fit, cell)
      const inside = truthM >= certainty80M[0] && truthM <= certainty80M[1]
      const own = player.sessions[0]!.shots.filter(shot => shot.cell === cell)
      if (own.length === 0) {
        tally.unhit++
        if (inside) tally.unhitHeld++
        return
      }
      tally.hit++
      if (inside) tally.held++
      if (player.odd.includes(cell)) {
        tally.odd++
        if (inside) tally.oddHeld++
        tally.oddSquares += metresToYards(carryM - truthM) ** 2
      }
      const clean = player.cleanM[cell]!
      if (clean.length < LEAST_BALLS || own.some(shot => shot.balls > 1 && shot.balls < LEAST_PILE)) return
      tally.numbers++
      if (beyondOwnBalls(metresToYards(carryM), clean.map(metresToYards))) tally.beyond++
    })
  }
  return tally
}
