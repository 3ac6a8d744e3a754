/** Tables (a) and (b): how far off the numbers are, and how often the intervals hold. */
import { fitModel } from '../../../core/model/fit'
import { cellEstimate } from '../../../core/model/estimate'
import { spreadOptions } from '../../../core/chart/grid-fit'
import { metresToYards } from '../../../core/units'
import { cleanLn, drawDay, drawPlayer, hitM, type PlayerOptions, type SimulatedPlayer } from './player'
import { byLoft, mean, median, trimmed } from './usual'

/** Errors in yards, squared and counted; hits of intervals, counted. */
export interface Tally {
  squares: Record<string, number>
  counts: Record<string, number>
}

export const newTally = (): Tally => ({ squares: {}, counts: {} })

export function addError({ squares, counts }: Tally, what: string, errorM: number): void {
  squares[what] = (squares[what] ?? 0) + metresToYards(errorM) ** 2
  counts[what] = (counts[what] ?? 0) + 1
}

/** A yes or no, kept as a squared 1 or 0 so that `share` reads it. */
export function addHit({ squares, counts }: Tally, what: string, hit: boolean): void {
  squares[what] = (squares[what] ?? 0) + (hit ? 1 : 0)
  counts[what] = (counts[what] ?? 0) + 1
}

export const rmse = ({ squares, counts }: Tally, what: string) => Math.sqrt(squares[what]! / counts[what]!)
export const share = ({ squares, counts }: Tally, what: string) => (100 * squares[what]!) / counts[what]!

/** One visit: so many balls at each of the cells chosen to be hit. */
export function visit(player: SimulatedPlayer, cells: readonly number[], balls: number, formSd?: number) {
  const day = formSd === undefined ? drawDay(player.dice) : formSd * player.dice.normal()
  return cells.flatMap(cell =>
    Array.from({ length: balls }, () => ({ cell, carryM: hitM(player, cell, day), measSdM: 0.9144, balls: 1 })),
  )
}

/** Half of the cells, at random, at least one. */
export function chooseHit(player: SimulatedPlayer, hitShare = 0.5): number[] {
  const all = player.dice.shuffle(player.cells.map((_, i) => i))
  return all.slice(0, Math.max(1, Math.round(hitShare * all.length))).sort((a, b) => a - b)
}

export interface JudgeOptions extends PlayerOptions {
  levelSaid?: boolean
  /** The model is told the share of mishits, and learns nothing of it. */
  mishitsTold?: boolean
  /** The balls of each cell are hit in so many visits, a day apart; one when left away. */
  visits?: number
  /** How much form differs from day to day, as a share of carry. */
  formSd?: number
}

/** Adds one player's errors: hit and unhit cells, by hand and by the model. */
export function judgePlayer(tally: Tally, seed: number, balls: number, options: JudgeOptions): void {
  const player = drawPlayer(seed, options)
  const hit = chooseHit(player)
  const visits = options.visits ?? 1
  const sessions = Array.from({ length: visits }, (_, v) => ({
    day: v,
    shots: visit(player, hit, Math.floor(balls / visits) + (v < balls % visits ? 1 : 0), options.formSd),
  }))
  const shots = sessions.flatMap(session => session.shots)
  const piles = player.cells.map((_, cell) => shots.filter(s => s.cell === cell).map(s => s.carryM))
  const byHand = piles.map(pile => (pile.length === 0 ? null : trimmed(pile)))
  const fit = fitModel(player.cells, sessions, visits - 1, {
    ...spreadOptions(options.levelSaid ? player.level : 'unknown'),
    ...(options.mishitsTold && { mishitShare: player.mishits, mishitBalls: Infinity }),
  })
  player.truthM.forEach((truthM, cell) => {
    const estimate = cellEstimate(fit, cell)
    const state = piles[cell]!.length > 0 ? 'hit' : 'unhit'
    const inside = ([low, high]: [number, number], value: number) => value >= low && value <= high
    addError(tally, `${state}: model`, estimate.carryM - truthM)
    addHit(tally, `${state}: 80`, inside(estimate.certainty80M, truthM))
    addError(tally, `${state}: width`, (estimate.certainty80M[1] - estimate.certainty80M[0]) / 2)
    addHit(tally, `${state}: 95`, inside(estimate.certainty95M, truthM))
    if (state === 'hit') {
      addError(tally, 'hit: mean', mean(piles[cell]!) - truthM)
      addError(tally, 'hit: trimmed', trimmed(piles[cell]!) - truthM)
      addError(tally, 'hit: median', median(piles[cell]!) - truthM)
      const next = Math.exp(cleanLn(player, cell, drawDay(player.dice)))
      addHit(tally, 'window', inside(estimate.window80M, next))
      return
    }
    const line = byLoft(player.cells, byHand, cell)
    if (!line) return
    addError(tally, 'line: usual', line.carryM - truthM)
    addError(tally, 'line: model', estimate.carryM - truthM)
    if (!line.between) return
    addError(tally, 'between: usual', line.carryM - truthM)
    addError(tally, 'between: model', estimate.carryM - truthM)
  })
}

/** The tally of many players, seeds from `from` on. */
export function judgePlayers(from: number, players: number, balls: number, options: JudgeOptions = {}): Tally {
  const tally = newTally()
  for (let i = 0; i < players; i++) judgePlayer(tally, from + i, balls, options)
  return tally
}
