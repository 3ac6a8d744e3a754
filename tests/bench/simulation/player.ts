import type { ModelCell } from '../../../core/model/prior'
import { knownFraction, type SchoolId } from '../../../core/swing/schools'
import { yardsToMetres } from '../../../core/units'
import { makeDice, type Dice } from './dice'

/**
 * Players made by a trajectory, not by the model that is judged on them: a ball launched from club speed, loft and spin
 * through drag and lift, with quirks of club, swing length and cell that have heavy tails, skewed strikes, mishits,
 * flyers, misreads, and a form of the day. Shapes and rates are from memory of the trade, rounded.
 */
export interface SimulatedPlayer {
  cells: ModelCell[]
  /** Middle of the clean strikes of each cell in neutral air, metres. */
  truthM: number[]
  /** Standard deviation of ln carry of a clean strike of each cell. */
  scatter: number[]
  /** Share of balls that are mishit. */
  mishits: number
  dice: Dice
}

const MISHITS = 0.06
/** Where a share and a length of scatter come to the same. */
const LAW_CARRY_M = 75

export const LEVELS = {
  expert: [0.022, 0.03],
  good: [0.03, 0.04],
  improver: [0.04, 0.055],
  beginner: [0.06, 0.09],
} as const
export type SimulatedLevel = keyof typeof LEVELS

const SCHOOLS: { school: SchoolId; labels: string[] }[] = [
  { school: 'clock', labels: ['7:30', '9:00', '10:00', 'full'] },
  { school: 'clock', labels: ['8:00', '9:00', '10:30', 'full'] },
  { school: 'body', labels: ['pocket', 'belt', 'navel', 'full'] },
  { school: 'arm', labels: ['quarter', 'half', 'three-quarter', 'full'] },
  { school: 'feel', labels: ['50%', '70%', '80%', '90%', '100%'] },
  { school: 'half-full', labels: ['half', 'full'] },
]
const BAGS = [
  [46, 52, 58],
  [46, 50, 56, 60],
  [45, 50, 54, 58],
  [44, 48, 52, 56, 60],
  [41, 45, 50, 55, 60],
  [46, 51, 56],
  [42, 46, 50, 54, 58, 62],
  [40, 44, 48, 52, 56, 60],
]

const GRAVITY = 9.80665
const BALL = { massKg: 0.04593, radiusM: 0.02135, airKgM3: 1.2 } as const
const STEP_S = 0.01

/** Carry of a ball in still air, metres: drag and lift by spin, steps of Heun's rule. */
export function carryOf(ballSpeedMps: number, launchRad: number, spinRpm: number): number {
  const k = (0.5 * BALL.airKgM3 * Math.PI * BALL.radiusM ** 2) / BALL.massKg
  const omega = (spinRpm * 2 * Math.PI) / 60
  const pull = (vx: number, vy: number) => {
    const v = Math.hypot(vx, vy)
    const s = Math.min(0.6, (omega * BALL.radiusM) / v)
    const drag = 0.21 + 0.3 * s
    const lift = 0.09 + 0.42 * s
    return [-k * v * (drag * vx + lift * vy), -GRAVITY + k * v * (lift * vx - drag * vy)] as const
  }
  let [x, y, vx, vy] = [0, 0, ballSpeedMps * Math.cos(launchRad), ballSpeedMps * Math.sin(launchRad)]
  for (;;) {
    const [ax, ay] = pull(vx, vy)
    const [bx, by] = pull(vx + ax * STEP_S, vy + ay * STEP_S)
    const nx = x + STEP_S * (vx + 0.5 * STEP_S * ax)
    const ny = y + STEP_S * (vy + 0.5 * STEP_S * ay)
    if (ny < 0) return x + ((nx - x) * y) / (y - ny)
    ;[x, y] = [nx, ny]
    vx += STEP_S * 0.5 * (ax + bx)
    vy += STEP_S * 0.5 * (ay + by)
  }
}

/** Carry of a club of this loft swung at this speed. */
function swung(speedMps: number, loftDeg: number, leanDeg: number): number {
  const loft = ((loftDeg - leanDeg) * Math.PI) / 180
  const ballSpeed = speedMps * (1.48 * Math.cos(loft) + 0.09)
  return carryOf(ballSpeed, 0.71 * loft, 300 * speedMps * Math.sin(loft))
}

const FULL_56_YD: Record<SimulatedLevel, number> = { beginner: 70, improver: 84, good: 95, expert: 105 }

/**
 * A law that nothing was chosen on: so many yards a degree, a power of the usual share of full, and lofts that keep
 * more or less of it.
 */
function lineLaw(level: SimulatedLevel, dice: Dice): (loftDeg: number, fraction: number) => number {
  const full = FULL_56_YD[level] + 8 * dice.normal()
  const [perDeg, power, tilt] = [2.4 + 0.5 * dice.normal(), 1 + 0.12 * dice.normal(), -0.04 + 0.09 * dice.normal()]
  return (loftDeg, fraction) => {
    const ofFull = fraction ** power * (1 + tilt * ((loftDeg - 54) / 8) * (1 - fraction))
    return yardsToMetres(Math.max(15, full + perDeg * (56 - loftDeg)) * ofFull)
  }
}

export interface PlayerOptions {
  level?: SimulatedLevel
  /** Factor on all quirks: 2 is a stress. */
  quirks?: number
  /** Clubs in the bag; any of the bags when left away. */
  clubs?: number
  /** Share of balls that are mishit; 0.06 when left away. */
  mishits?: number
  /**
   * How scatter grows: wider on the shorter swings, as a share, when left away; the same share of every carry; or the
   * same yards.
   */
  law?: 'share' | 'yards'
  /** Carries by another law than the trajectory: straight lines over loft and powers of the share of full. */
  straight?: true
}

export function drawLevel(dice: Dice): SimulatedLevel {
  return dice.pick(['expert', 'good', 'good', 'improver', 'improver', 'beginner'] as const)
}

export function drawPlayer(
  seed: number,
  { level, quirks = 1, clubs, mishits = MISHITS, law, straight }: PlayerOptions = {},
): SimulatedPlayer & { level: SimulatedLevel } {
  const dice = makeDice(seed)
  const own = level ?? drawLevel(dice)
  const { school, labels } = dice.pick(SCHOOLS)
  const lofts = dice.pick(clubs === undefined ? BAGS : BAGS.filter(bag => bag.length === clubs))
  const speed = (own === 'beginner' ? 30 : own === 'expert' ? 38 : 34.5) + 2.2 * dice.normal()
  // How much of the arc becomes speed, and how much the hands lead, is the player's own.
  const exponent = 0.66 + 0.07 * dice.normal()
  const [lean, leanByLength] = [6 + 1.5 * dice.normal(), 2 * dice.normal()]
  const clubQuirk = lofts.map(
    () => 0.022 * quirks * dice.heavy() + (dice.uniform() < 0.08 ? -dice.between(0.05, 0.1) : 0),
  )
  const rungQuirk = labels.map(() => 0.035 * quirks * dice.heavy())
  const [least, most] = LEVELS[own]
  const share = dice.between(least, most)
  const byLine = straight && lineLaw(own, dice)
  const cells: ModelCell[] = []
  const truthM: number[] = []
  const scatter: number[] = []
  lofts.forEach((loftDeg, club) =>
    labels.forEach((label, rung) => {
      const fraction = knownFraction(school, label)!
      const arc = fraction ** exponent
      const carry = byLine
        ? byLine(loftDeg, fraction)
        : swung(speed * arc, loftDeg + 0.4 * dice.normal(), lean + leanByLength * (1 - arc))
      cells.push({ club, rung, loftDeg, lnFraction: Math.log(fraction) })
      truthM.push(carry * Math.exp(clubQuirk[club]! + rungQuirk[rung]! + 0.016 * quirks * dice.heavy()))
      scatter.push(share * (fraction < 0.97 ? 1.33 : 1) * Math.exp(0.2 * dice.normal()))
    }),
  )
  const laws = { share: () => share, yards: (m: number) => (share * LAW_CARRY_M) / m }
  if (law) truthM.forEach((carryM, i) => (scatter[i] = laws[law](carryM)))
  return { cells, truthM, scatter, mishits, dice, level: own }
}

/** Skewed loss: good strikes bunch up, the rest fall short. Its median is 0 and its sd 1. */
const SKEW = 0.35
const SKEWED_SD = 1.0965
export function strike(dice: Dice): number {
  return -Math.expm1(-SKEW * dice.normal()) / SKEW / SKEWED_SD
}

/** One clean ball, ln metres. */
export function cleanLn(player: SimulatedPlayer, cell: number, dayLn: number): number {
  return Math.log(player.truthM[cell]!) + dayLn + player.scatter[cell]! * strike(player.dice)
}

/** One ball as a launch monitor reads it, metres: mishits, 3 % flyers, 1 % misreads among them. */
export function hitM(player: SimulatedPlayer, cell: number, dayLn: number): number {
  const { dice, mishits } = player
  let ln = cleanLn(player, cell, dayLn)
  const kind = dice.uniform()
  if (kind < mishits) ln += Math.log(1 - dice.between(0.08, 0.55))
  else if (kind < mishits + 0.03) ln += Math.log(1 + dice.between(0.05, 0.19))
  else if (kind < mishits + 0.04) ln += 0.6 * dice.normal()
  return Math.max(2.5, Math.exp(ln) + 0.9144 * dice.normal())
}

/** Form of the day, ln. */
export const drawDay = (dice: Dice) => 0.01 * dice.normal()
