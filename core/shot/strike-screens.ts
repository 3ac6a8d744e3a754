import { deliver } from '../flight/deliver'
import type { Launch } from '../flight/fly'
import { POSSIBLE } from '../flight/possible'
import { median } from '../stats/median'

/**
 * What a strike looks like in its launch. A toe strike mostly passes as good: there is nothing in the launch to tell
 * it.
 */
export type StrikeLook = 'good' | 'heavy' | 'thin' | 'flyer' | 'misread'

/** One ball's launch record; what was not measured is missing. */
export interface LaunchRecord {
  launch: Launch
  carryM?: number
  /**
   * What the flight of this launch carries in the air that `carryM` is of; missing when it was not flown or got
   * nowhere.
   */
  flownM?: number
  clubSpeedMs?: number
}

/** What is usual for a player's stock shot: medians of four good balls or more, in one session's air. */
export interface UsualStrike {
  speedMs: number
  launchDeg: number
  spinRpm: number
  carryM: number
  smash: number | null
}

export interface StrikeVerdict {
  look: StrikeLook
  /**
   * Spin for each m/s over the usual, launch off the usual (degrees), carry and ball speed over the usual: what it
   * was told from.
   */
  spinShare: number
  launchOffDeg: number
  carryShare: number | null
  speedShare: number | null
  /** True when the usual is the player's own. */
  own: boolean
}

const LEAST_GOOD = 4

/** What a launch and the carry it had can be to each other, and its spin to what is usual. [sim] */
export const FLIGHT_LIMITS = { carryOverFlight: [0.85, 1.15], spinShare: [0.27, 1.5] } as const

/** Chosen on simulated strikes and seen ones: false alarms on good strikes 0 to 2 %. [sim] */
const LIMITS = {
  ...FLIGHT_LIMITS,
  speedMs: [3, 75],
  launchDeg: [0, 65],
  spinRpm: [300, 16_000],
  lowSpin: { own: 0.75, usual: 0.68 },
  thinDeg: { own: -7, usual: -8 },
  longer: 1.035,
  asLong: 0.97,
  veryLowSpin: 0.45,
  flyerSpin: 0.62,
  heavySmash: 0.925,
  heavyCarry: 0.87,
  heavySpeed: 0.9,
} as const

const outside = (value: number, [least, most]: readonly [number, number]) => !(value >= least && value <= most)

/** Medians of a stock shot's good balls; null under four, or when a carry is missing. */
export function usualStrike(records: readonly LaunchRecord[]): UsualStrike | null {
  const seen = records.filter(record => record.carryM !== undefined)
  if (seen.length < LEAST_GOOD) return null
  const middle = (of: (record: LaunchRecord) => number) => median(seen.map(of))
  const withClub = seen.filter(record => record.clubSpeedMs !== undefined)
  return {
    speedMs: middle(r => r.launch.speedMs),
    launchDeg: middle(r => r.launch.launchDeg),
    spinRpm: middle(r => r.launch.spinRpm),
    carryM: middle(r => r.carryM!),
    smash: withClub.length < LEAST_GOOD ? null : median(withClub.map(r => r.launch.speedMs / r.clubSpeedMs!)),
  }
}

/** True when no flight of this launch and this carry belong together, or the launch cannot be. */
function cannotBe({ launch, carryM, flownM }: LaunchRecord, spinShare: number): boolean {
  if (
    outside(launch.speedMs, LIMITS.speedMs) ||
    outside(launch.spinRpm, LIMITS.spinRpm) ||
    launch.launchDeg <= LIMITS.launchDeg[0] ||
    launch.launchDeg > LIMITS.launchDeg[1]
  )
    return true
  if (
    outside(spinShare, LIMITS.spinShare) ||
    outside(launch.azimuthDeg, POSSIBLE.azimuthDeg) ||
    outside(launch.tiltDeg, POSSIBLE.tiltDeg)
  )
    return true
  return carryM !== undefined && flownM !== undefined && outside(carryM / flownM, LIMITS.carryOverFlight)
}

/** A strike beside what is usual; null where nothing is known to hold it against. */
type Beside = Pick<StrikeVerdict, 'spinShare' | 'launchOffDeg' | 'carryShare' | 'speedShare' | 'own'>

/** Little spin: a flyer, unless it is thin, or came down where no ball with so little spin does. */
function lowSpinLook({ spinShare, carryShare, own }: Beside): StrikeLook | null {
  if (!own) return 'flyer'
  if (carryShare !== null && carryShare > LIMITS.longer) return 'flyer'
  if (spinShare < LIMITS.veryLowSpin && carryShare !== null && carryShare > LIMITS.asLong) return 'misread'
  return spinShare < LIMITS.flyerSpin ? 'flyer' : null
}

/** Little speed off the club, or short with little speed. */
function isHeavy({ carryShare, speedShare }: Beside, smash: number | null, usualSmash: number): boolean {
  if (smash !== null && smash < LIMITS.heavySmash * usualSmash) return true
  if (carryShare === null || speedShare === null) return false
  return carryShare < LIMITS.heavyCarry && speedShare < LIMITS.heavySpeed
}

/**
 * Names a strike from its launch: the first rule that holds, beside the player's own usual where it is known, else
 * beside what is usual for the loft, with looser limits.
 * @param usual of this stock shot, or null
 * @example strikeLook({ launch: { speedMs: 38, launchDeg: 31, spinRpm: 3400, azimuthDeg: 0, tiltDeg: 0 } }, 56, null).look
 * // => 'flyer'
 */
export function strikeLook(record: LaunchRecord, loftDeg: number, usual: UsualStrike | null): StrikeVerdict {
  const { launch, carryM, clubSpeedMs } = record
  const model = deliver(loftDeg, launch.speedMs)
  const beside: Beside = {
    spinShare: usual
      ? launch.spinRpm / launch.speedMs / (usual.spinRpm / usual.speedMs)
      : launch.spinRpm / model.spinRpm,
    launchOffDeg: launch.launchDeg - (usual?.launchDeg ?? model.launchDeg),
    carryShare: usual && carryM !== undefined ? carryM / usual.carryM : null,
    speedShare: usual ? launch.speedMs / usual.speedMs : null,
    own: usual !== null,
  }
  const from = usual ? 'own' : 'usual'
  const smash = clubSpeedMs === undefined ? null : launch.speedMs / clubSpeedMs
  const look = (): StrikeLook => {
    if (cannotBe(record, beside.spinShare)) return 'misread'
    if (beside.launchOffDeg < LIMITS.thinDeg[from]) return 'thin'
    const low = beside.spinShare < LIMITS.lowSpin[from] ? lowSpinLook(beside) : null
    return low ?? (isHeavy(beside, smash, usual?.smash ?? model.smash) ? 'heavy' : 'good')
  }
  return { look: look(), ...beside }
}
