import { ROUGHNESS_M, stationPressurePa, WIND_HEIGHT_M } from './air'
import { todayOf, type Today, type WindJudged } from './neutral'

/** The air of a session, from a moment on. What was measured in it stays as it was measured. */
export interface AirEntry {
  fromMs: number
  tempC: number
  /** 0 to 1. */
  humidity: number
  altitudeM: number
  /** Pressure reduced to sea level, as a report gives it, Pa; null takes the standard one. */
  qnhPa: number | null
  /** 12 blows in the face, 3 from the right. */
  wind: {
    speedMs: number
    clock: number
    judged: WindJudged
    /** Standard deviation of one told by a ball, m/s. */
    sdMs?: number
  }
  ground: keyof typeof ROUGHNESS_M
}

/** What the physics needs of it. A report reads the wind at 10 m; what is felt or held in the hand is read at 2 m. */
export function todayOfAir({ tempC, humidity, altitudeM, qnhPa, wind, ground }: AirEntry): Today {
  const { speedMs, clock, judged, sdMs } = wind
  const readAtM = judged === 'report' ? WIND_HEIGHT_M.report : WIND_HEIGHT_M.felt
  const today = todayOf(
    tempC,
    qnhPa === null ? stationPressurePa(altitudeM) : stationPressurePa(altitudeM, qnhPa),
    humidity,
    { speedMs, clock, readAtM, roughnessM: ROUGHNESS_M[ground] },
    judged,
  )
  return sdMs === undefined ? today : { ...today, windSdMs: sdMs }
}

/** Place in the list of the air that held at a moment, the first one before all of them; −1 when none was taken. */
export function airAt(air: readonly AirEntry[], atMs: number): number {
  let found = air.length > 0 ? 0 : -1
  air.forEach((entry, i) => {
    if (entry.fromMs <= atMs) found = i
  })
  return found
}

/** True when two airs say the same, whenever they were taken. */
export function sameAir(a: Omit<AirEntry, 'fromMs'>, b: Omit<AirEntry, 'fromMs'>): boolean {
  return JSON.stringify({ ...a, fromMs: 0 }) === JSON.stringify({ ...b, fromMs: 0 })
}

/** With the air that a row of a table states at its moment: stated once it holds until it is stated otherwise. */
export function withStated(
  air: readonly AirEntry[],
  stated: Omit<AirEntry, 'fromMs'> | null | undefined,
  atMs: number,
): readonly AirEntry[] {
  const last = air.at(-1)
  return !stated || (last && sameAir(last, stated)) ? air : withAir(air, { ...stated, fromMs: atMs })
}

/** With a new entry in its place by time; one of the same moment is replaced. */
export function withAir(air: readonly AirEntry[], entry: AirEntry): AirEntry[] {
  return [...air.filter(other => other.fromMs !== entry.fromMs), entry].sort((a, b) => a.fromMs - b.fromMs)
}
