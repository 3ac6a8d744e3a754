import { READING_RANGE, type Readings } from './readings'

/** What a stock shot's launch is judged by. */
export const GOAL_READINGS = ['launchDeg', 'spinRpm'] as const
export type GoalReading = (typeof GOAL_READINGS)[number]

/** Least and most of each reading that a stock shot is to have; a reading without a goal is missing. */
export type LaunchGoal = Partial<Record<GoalReading, readonly [least: number, most: number]>>

/** What a goal may ask for: degrees and rpm, as far as a ball can do it. */
export const GOAL_RANGE = { launchDeg: READING_RANGE.launchDeg, spinRpm: READING_RANGE.spinRpm } as const

/** How balls stand to one goal. */
export interface GoalCount {
  reading: GoalReading
  least: number
  most: number
  /** Balls of which the reading is known. */
  balls: number
  met: number
  under: number
  over: number
}

/**
 * Balls held against a stock shot's goals, a count for each goal; balls whose reading nobody took are in none.
 * @example goalCounts({ launchDeg: [28, 32] }, [{ launchDeg: 30 }, { launchDeg: 33 }, {}])[0]?.met // => 1
 */
export function goalCounts(goal: LaunchGoal, balls: readonly Pick<Readings, GoalReading>[]): GoalCount[] {
  return GOAL_READINGS.flatMap(reading => {
    const span = goal[reading]
    if (!span) return []
    const [least, most] = span
    const read = balls.flatMap(ball => ball[reading] ?? [])
    const under = read.filter(value => value < least).length
    const over = read.filter(value => value > most).length
    return [{ reading, least, most, balls: read.length, met: read.length - under - over, under, over }]
  })
}
