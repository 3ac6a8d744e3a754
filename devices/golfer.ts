/**
 * A simulated player: strikes a ball as a person does, with mishits and flyers. Scatter, bias and the ways of missing
 * are ours, chosen so that good shots of 100 yd scatter by 2.5 (pro), 3.8 (good) and 6 yd (club), 7 in 10 a little
 * short and 6 to 7 in 10 right of the line (common practice).
 */
import { NEUTRAL } from '../core/flight/air'
import { deliver, straight } from '../core/flight/deliver'
import type { Launch } from '../core/flight/fly'
import { solveSpeed } from '../core/flight/solve-speed'
import type { Dice } from './dice'

interface Skill {
  /**
   * Scatter of ball speed, as a share and as touch, m/s; of launch and of the line, degrees; of spin, share; of tilt,
   * degrees.
   */
  speed: number
  touchMs: number
  launchDeg: number
  spin: number
  azimuthDeg: number
  tiltDeg: number
  heavy: number
  thin: number
  toe: number
}

export const SKILLS = {
  pro: {
    speed: 0.013,
    touchMs: 0.25,
    launchDeg: 1.2,
    spin: 0.05,
    azimuthDeg: 1.4,
    tiltDeg: 3,
    heavy: 0.01,
    thin: 0.01,
    toe: 0.02,
  },
  good: {
    speed: 0.022,
    touchMs: 0.4,
    launchDeg: 1.7,
    spin: 0.07,
    azimuthDeg: 2.2,
    tiltDeg: 5,
    heavy: 0.03,
    thin: 0.03,
    toe: 0.04,
  },
  club: {
    speed: 0.038,
    touchMs: 0.6,
    launchDeg: 2.4,
    spin: 0.09,
    azimuthDeg: 3.2,
    tiltDeg: 7,
    heavy: 0.07,
    thin: 0.06,
    toe: 0.06,
  },
} as const satisfies Record<string, Skill>
export type SkillName = keyof typeof SKILLS

export const STRIKE_KINDS = ['clean', 'heavy', 'thin', 'toe', 'flyer'] as const
export type StrikeKind = (typeof STRIKE_KINDS)[number]

/** What is this player's own: launch and spin beside the usual, and where the ball tends to go. */
export interface Golfer {
  skill: Skill
  launchOffDeg: number
  spinShare: number
  speedBias: number
  azimuthBiasDeg: number
}

export function makeGolfer(skill: SkillName, dice: Dice): Golfer {
  return {
    skill: SKILLS[skill],
    launchOffDeg: 2.2 * dice.normal(),
    spinShare: Math.exp(0.09 * dice.normal()),
    speedBias: -0.01,
    azimuthBiasDeg: 0.8,
  }
}

export interface SimulatedStrike {
  kind: StrikeKind
  launch: Launch
  clubSpeedMs: number
}

const FLYERS = { grass: 0.05, mat: 0.004 } as const

function kindOf({ heavy, thin, toe }: Skill, flyer: number, dice: Dice): StrikeKind {
  const u = dice.uniform()
  if (u < heavy) return 'heavy'
  if (u < heavy + thin) return 'thin'
  if (u < heavy + thin + toe) return 'toe'
  return u < heavy + thin + toe + flyer ? 'flyer' : 'clean'
}

/**
 * Ball speed of a stock shot, m/s, by how far it carries in neutral air. @throws RangeError when no such strike is
 * possible
 */
function stockSpeedMs({ launchOffDeg, spinShare }: Golfer, loftDeg: number, carryM: number): number {
  const solved = solveSpeed(loftDeg, carryM, NEUTRAL, { launchOffDeg, spinShare })
  if (!solved.ok) throw new RangeError(`a carry of ${carryM} m with ${loftDeg}° is ${solved.reason}`)
  return solved.ballSpeedMs
}

/**
 * One strike at a stock shot.
 * @param carryM what a clean one carries in neutral air
 */
export function hit(
  golfer: Golfer,
  loftDeg: number,
  carryM: number,
  surface: keyof typeof FLYERS,
  dice: Dice,
  form = 1,
): SimulatedStrike {
  const { skill, spinShare, launchOffDeg, speedBias, azimuthBiasDeg } = golfer
  const v0 = stockSpeedMs(golfer, loftDeg, carryM * form)
  const stock = straight(loftDeg, v0, { launchOffDeg, spinShare })
  const speedSd = Math.sqrt(skill.speed ** 2 + 2 * ((0.35 * skill.touchMs) / v0) ** 2)
  const azimuthDeg = azimuthBiasDeg + skill.azimuthDeg * dice.normal()
  // A closed face goes left and far, an open one right and short: 2 % of speed for each degree of loft.
  const faceDeg = 0.3 * (azimuthDeg - azimuthBiasDeg)
  let speedMs = v0 * (1 + speedBias + speedSd * dice.normal()) * (1 - 0.02 * faceDeg)
  const higherDeg = skill.launchDeg * dice.normal()
  let launchDeg = stock.launchDeg + higherDeg + 0.8 * faceDeg
  let spinRpm = (stock.spinRpm / v0) * speedMs * Math.exp(0.02 * higherDeg + skill.spin * dice.normal())
  let out = azimuthDeg
  const clubSpeedMs = speedMs / deliver(loftDeg, speedMs).smash
  const kind = kindOf(skill, FLYERS[surface], dice)
  if (kind === 'heavy') {
    speedMs *= dice.between(0.72, 0.92)
    spinRpm *= dice.between(0.75, 0.98)
    launchDeg += dice.between(0, 3)
  } else if (kind === 'thin') {
    speedMs *= dice.between(0.93, 1.07)
    launchDeg -= dice.between(7, 15)
    spinRpm *= dice.between(0.55, 0.88)
  } else if (kind === 'toe') {
    speedMs *= dice.between(0.9, 0.97)
    out += dice.between(0.5, 3)
    spinRpm *= dice.between(0.85, 1.05)
  } else if (kind === 'flyer') {
    spinRpm *= dice.between(0.3, 0.68)
    launchDeg += dice.between(0, 4)
    speedMs *= dice.between(1.01, 1.05)
  }
  const tiltDeg = 0.8 * azimuthDeg + skill.tiltDeg * dice.normal()
  return {
    kind,
    clubSpeedMs,
    launch: { speedMs, launchDeg: Math.max(2, launchDeg), azimuthDeg: out, spinRpm: Math.max(300, spinRpm), tiltDeg },
  }
}
