import type { HabitMark, LockIn } from '../core/session/lock-in'

/** What each habit is, to be put after its count. */
export const HABIT_WORDS: Record<keyof LockIn, { of: string, means: string }> = {
  alike: { of: 'alike', means: 'in a row that look the same: no further apart than twice what a number must be known within' },
  straight: { of: 'straight on the number', means: 'in a row within that of the number' },
  count: { of: 'balls', means: 'balls that count, whatever they did' },
}

/** @example habitWords({ habit: 'straight', done: 2, of: 5, met: false }) // => '2 of 5 straight on the number' */
export function habitWords({ habit, done, of, met }: HabitMark): string {
  return `${met ? of : `${done} of ${of}`} ${HABIT_WORDS[habit].of}`
}
