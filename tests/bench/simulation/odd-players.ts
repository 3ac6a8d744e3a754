import type { ModelSession } from '../../../core/model/fit'
import type { ModelCell } from '../../../core/model/prior'
import { yardsToMetres } from '../../../core/units'
import { makeDice, type Dice } from './dice'

/**
 * Players of whom some stock shots obey no rule: their carries are drawn anywhere, by no model. Whoever looks at their
 * balls sees where the numbers lie; a number beyond all its own balls is wrong at a glance.
 */
export interface OddPlayer {
  cells: ModelCell[]
  truthM: number[]
  sessions: ModelSession[]
  /** Carries of the clean balls of each cell, metres. */
  cleanM: number[][]
  /** Cells that obey no rule. */
  odd: number[]
}

/** How many stock shots of twelve obey no rule: none, one, three, all of the shortest length, or every one. */
export type Oddness = 'usual' | 'one' | 'three' | 'halves' | 'anywhere'

const LOFTS = [58, 54, 50, 46]
const FRACTIONS = [0.4, 0.66, 1]
const HIT_SHARE = 0.7
const MISHITS = 0.07

/** A stock shot that is no relative of the others: 25 to 60 % longer or shorter than they would have it. */
const odd = (dice: Dice) => (dice.uniform() < 0.5 ? -1 : 1) * Math.log(dice.between(1.25, 1.6))

function truths(dice: Dice, oddness: Oddness, cells: readonly ModelCell[]): { truthM: number[]; odd: number[] } {
  const all = cells.map((_, i) => i)
  if (oddness === 'anywhere') return { truthM: all.map(() => yardsToMetres(dice.between(20, 130))), odd: all }
  const full = yardsToMetres(95 + 8 * dice.normal())
  const [perDeg, power] = [0.03 + 0.005 * dice.normal(), 1 + 0.1 * dice.normal()]
  const lns = cells.map(
    ({ loftDeg, lnFraction }) => Math.log(full) + perDeg * (56 - loftDeg) + power * lnFraction + 0.02 * dice.heavy(),
  )
  const shuffled = dice.shuffle(all)
  const which = {
    usual: [],
    one: shuffled.slice(0, 1),
    three: shuffled.slice(0, 3),
    halves: all.filter(i => cells[i]!.rung === 0),
  }[oddness]
  for (const i of which) lns[i]! += odd(dice)
  return { truthM: lns.map(ln => Math.exp(ln)), odd: which }
}

export interface OddOptions {
  /** Share of stock shots that are measured as one pile. */
  piles?: number
  /** Balls of each odd stock shot; 3 to 7 as of the others when left away. */
  ballsOfOdd?: number
}

/** Four clubs, three lengths; 3 to 7 balls in seven cells of ten, one in fourteen a mishit. */
export function drawOddPlayer(seed: number, oddness: Oddness, { piles = 0, ballsOfOdd }: OddOptions = {}): OddPlayer {
  const dice = makeDice(seed)
  const cells = LOFTS.flatMap((loftDeg, club) =>
    FRACTIONS.map((fraction, rung): ModelCell => ({ club, rung, loftDeg, lnFraction: Math.log(fraction) })),
  )
  const { truthM, odd: odds } = truths(dice, oddness, cells)
  const scatterLn = dice.between(0.022, 0.06)
  const day = 0.01 * dice.normal()
  const cleanM = cells.map((): number[] => [])
  const shots: ModelSession['shots'][number][] = []
  cells.forEach((_, cell) => {
    if (dice.uniform() > HIT_SHARE) return
    const ball = () => Math.max(2.5, truthM[cell]! * Math.exp(day + scatterLn * dice.normal()) + 0.9144 * dice.normal())
    if (dice.uniform() < piles) {
      const carries = Array.from({ length: 3 + Math.floor(7 * dice.uniform()) }, ball)
      const carryM = carries.reduce((sum, m) => sum + m, 0) / carries.length
      shots.push({ cell, carryM, measSdM: yardsToMetres(1.5), balls: carries.length })
      cleanM[cell]!.push(...carries)
      return
    }
    const usual = 3 + Math.floor(5 * dice.uniform())
    const balls = odds.includes(cell) ? (ballsOfOdd ?? usual) : usual
    for (let k = 0; k < balls; k++) {
      const clean = ball()
      const mishit = dice.uniform() < MISHITS
      const carryM = mishit ? Math.max(2.5, clean * (1 - dice.between(0.08, 0.55))) : clean
      shots.push({ cell, carryM, measSdM: 0.9144, balls: 1 })
      if (!mishit) cleanM[cell]!.push(carryM)
    }
  })
  return { cells, truthM, sessions: [{ day: 0, shots }], cleanM, odd: odds }
}
