import type { HabitMark, LockIn } from '../core/session/lock-in'
import { HABIT_COUNTS, HABITS } from './en/habits'
import { write } from './message'

/** What each habit is, to be put after its count. */
export const habitTexts: Record<keyof LockIn, { of: string; means: string }> = HABITS

/** @example habitText({ habit: 'straight', done: 2, of: 5, met: false }) // => '2 of 5 straight on the number' */
export function habitText({ habit, done, of, met }: HabitMark): string {
  const values = { done: String(done), of: String(of), what: habitTexts[habit].of }
  return write(met ? HABIT_COUNTS.met : HABIT_COUNTS.soFar, values)
}
