import { NEUTRAL, windFromParts, windParts, type Conditions } from '../flight/air'
import { straight } from '../flight/deliver'
import { fly, type Launch, type TracePoint } from '../flight/fly'
import { WIND_JUDGED, type Today } from '../flight/neutral'
import { FIRMNESS_MS2, runOutM, type Firmness } from '../flight/run-out'
import { solveSpeed } from '../flight/solve-speed'
import type { PickPlayer, PickShot } from './pick-player'

/** A stock shot as it flies in today's air to the height of the target. Metres. */
export interface FlownShot extends PickShot {
  todayM: number
  /** What a straight strike drifts to the right. */
  driftM: number
  /** From where it pitches to where it stops; behind 0 it spins back. */
  runM: number
  apexM: number
  descentDeg: number
  /** What of its change in length is wind, air and slope; they add up to today's carry less the number. */
  parts: { windM: number; airM: number; slopeM: number }
  /** What is not known of the wind moves where it pitches by so much, one standard deviation. */
  windSdM: number
  /** Its way through the air. */
  path: TracePoint[]
}

/** What the day is like, and where the target lies. */
export interface PickAir {
  /** Null is neutral air. */
  today: Today | null
  /** Above where it is hit from; below is negative. */
  slopeM: number
  firmness: Firmness
}

/**
 * The player's shots in today's air; a shot whose flight has no way there is named apart, and not picked. Each keeps
 * the flight that the chart knows of it.
 */
export function flownShots(player: PickPlayer, air: PickAir): { shots: FlownShot[]; grounded: PickShot[] } {
  const shots: FlownShot[] = []
  const grounded: PickShot[] = []
  for (const shot of player.shots) {
    const flown = flownShot(shot, air)
    if (flown) shots.push(flown)
    else grounded.push(shot)
  }
  return { shots, grounded }
}

function flownShot(shot: PickShot, { today, slopeM, firmness }: PickAir): FlownShot | null {
  const { loftDeg, carryM, own } = shot
  const conditions = { ...(today ?? NEUTRAL), targetHeightM: slopeM }
  const solved = solveSpeed(loftDeg, carryM, NEUTRAL, own)
  if (!solved.ok) return null
  const launch = straight(loftDeg, solved.ballSpeedMs, own)
  const path: TracePoint[] = [{ alongM: 0, heightM: 0, sideM: 0 }]
  const flight = fly(launch, conditions, undefined, path)
  if (!flight.ok || flight.carryM <= 0) return null
  const landed = path.findIndex((point, i) => i > 0 && point.alongM >= flight.carryM)
  return {
    ...shot,
    todayM: flight.carryM,
    driftM: flight.sideM,
    runM: runOutM(flight, FIRMNESS_MS2[firmness]),
    apexM: flight.apexM,
    descentDeg: flight.descentDeg,
    parts: partsOf(launch, conditions, carryM, flight.carryM),
    windSdM: today ? windDoubtM(launch, today, conditions.targetHeightM) : 0,
    path: [
      ...path.slice(0, landed < 0 ? path.length : landed),
      { alongM: flight.carryM, heightM: slopeM, sideM: flight.sideM },
    ],
  }
}

/** Each part is what it alone does, shared out so that they add up. */
function partsOf(
  launch: Launch,
  { air, wind, targetHeightM }: Conditions,
  carryM: number,
  todayM: number,
): FlownShot['parts'] {
  const change = (conditions: Conditions) => {
    const flight = fly(launch, conditions)
    return flight.ok ? flight.carryM - carryM : 0
  }
  const alone = [
    change({ ...NEUTRAL, wind }),
    change({ ...NEUTRAL, air }),
    targetHeightM === 0 ? 0 : change({ ...NEUTRAL, targetHeightM }),
  ] as const
  const size = alone.reduce((sum, part) => sum + Math.abs(part), 0)
  const rest = todayM - carryM - alone.reduce((sum, part) => sum + part, 0)
  const share = (part: number) => part + (size === 0 ? 0 : (rest * Math.abs(part)) / size)
  return { windM: share(alone[0]), airM: share(alone[1]), slopeM: share(alone[2]) }
}

/** Half of what a wind stronger and weaker by what is not known of it does to the carry. */
function windDoubtM(launch: Launch, today: Today, targetHeightM: number): number {
  const { headMs, rightMs } = windParts(today.wind)
  const sdMs = today.windSdMs ?? WIND_JUDGED[today.judged](today.wind.speedMs)
  const carry = (headOff: number) => {
    const wind = windFromParts(headMs + headOff, rightMs, today.wind)
    const flight = fly(launch, { ...today, wind, targetHeightM })
    return flight.ok ? flight.carryM : null
  }
  const [less, more] = [carry(-sdMs), carry(sdMs)]
  return less === null || more === null ? 0 : Math.abs(less - more) / 2
}

/** How high a shot is at a distance, metres; null where it does not get there. */
export function heightAt({ path }: Pick<FlownShot, 'path'>, alongM: number): number | null {
  const next = path.findIndex(point => point.alongM >= alongM)
  if (next < 0) return null
  if (next === 0) return path[0]!.heightM
  const [a, b] = [path[next - 1]!, path[next]!]
  const share = b.alongM === a.alongM ? 0 : (alongM - a.alongM) / (b.alongM - a.alongM)
  return a.heightM + share * (b.heightM - a.heightM)
}
