import type { HabitMark, LockIn } from '../core/session/lock-in'

/** What each habit is, to be put after its count. */
export const HABIT_WORDS: Record<keyof LockIn, { of: string, means: string }> = {
  alike: { of: 'alike', means: 'in a row, no further apart than twice the ± that a number must be known within' },
  straight: { of: 'straight on the number', means: 'in a row, each within that ± of it' },
  count: { of: 'balls', means: 'that count, wherever they pitched' },
}

/** @example habitWords({ habit: 'straight', done: 2, of: 5, met: false }) // => '2 of 5 straight on the number' */
export function habitWords({ habit, done, of, met }: HabitMark): string {
  return `${met ? of : `${done} of ${of}`} ${HABIT_WORDS[habit].of}`
}
