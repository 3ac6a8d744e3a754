import type { GoalCount, GoalReading } from '../core/shot/goal'
import { GOALS } from './en/goals'
import { write } from './message'
import { spinText } from './readings'

/** A figure of a goal: degrees to a tenth at most, spin in tens with its comma. */
export const goalFigure = (reading: GoalReading, value: number): string =>
  reading === 'spinRpm' ? spinText(value) : String(Math.round(value * 10) / 10)

/** "Launch 28 to 32°: 5 of 8 balls inside, 3 over." */
export function goalText({ reading, least, most, balls, met, under, over }: GoalCount): string {
  const goal = write(GOALS[reading], { least: goalFigure(reading, least), most: goalFigure(reading, most) })
  if (balls === 0) return write(GOALS.none, { goal })
  const parts = [
    ...(under > 0 ? [write(GOALS.under, { n: String(under) })] : []),
    ...(over > 0 ? [write(GOALS.over, { n: String(over) })] : []),
  ]
  const missed = parts.length === 0 ? '' : write(GOALS.missed, { parts: parts.join(', ') })
  return write(GOALS.counts, { goal, met: String(met), n: balls, missed })
}
