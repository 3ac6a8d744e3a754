/**
 * Habits by which coaches call a number locked in, each with its count; one that is missing is not wanted. Common
 * practice: three or four in a row that look the same; five straight on the number; a fixed count.
 */
export interface LockIn {
  /** So many in a row that look alike. */
  alike?: number
  /** So many in a row on the number. */
  straight?: number
  /** So many balls. */
  count?: number
}
export const HABITS = ['alike', 'straight', 'count'] as const satisfies readonly (keyof LockIn)[]
export const USUAL_LOCK_IN: Required<LockIn> = { alike: 3, straight: 5, count: 10 }
/** What a coach may ask for. */
export const LOCK_IN_RANGE = [2, 30] as const

export interface HabitMark {
  habit: keyof LockIn
  /** How far the newest run has come; all of it once it was there. */
  done: number
  of: number
  met: boolean
}

/** A ball of one stock shot as a habit looks at it. */
export interface HabitBall {
  carryM: number
  /** Balls measured as one: a pile tells nothing of runs. */
  balls: number
  /** False for one that was left out or called a poor strike: a run ends there. */
  counts: boolean
}

/** Length of the newest and of the longest run in which each ball fits those of its run before it. */
function runs(
  balls: readonly HabitBall[],
  fits: (ball: HabitBall, run: readonly HabitBall[]) => boolean,
): { newest: number; longest: number } {
  let run: HabitBall[] = []
  let longest = 0
  for (const ball of balls) {
    if (!ball.counts || ball.balls > 1) run = []
    else {
      run = [...run, ball]
      // The oldest ones go until the rest belong together.
      while (run.length > 0 && !run.every((other, i) => fits(other, run.slice(0, i)))) run = run.slice(1)
    }
    longest = Math.max(longest, run.length)
  }
  return { newest: run.length, longest }
}

/**
 * How far each of a coach's habits has come with one stock shot in one session. Marks beside the certainty, never in
 * its place: three alike may all be off the number.
 * @param balls of the stock shot in this session, oldest first, as they were measured
 * @param numberM the stock shot's number in the air they were hit in, metres; null while there is none
 * @param withinM what is near enough, metres: alike is within twice that of each other, on the number is within that of
 * it
 */
export function lockInMarks(
  habits: LockIn,
  balls: readonly HabitBall[],
  numberM: number | null,
  withinM: number,
): HabitMark[] {
  const alike = (ball: HabitBall, run: readonly HabitBall[]) =>
    run.every(other => Math.abs(other.carryM - ball.carryM) <= 2 * withinM)
  const onIt = (ball: HabitBall) => numberM !== null && Math.abs(ball.carryM - numberM) <= withinM
  const all = balls.filter(ball => ball.counts).reduce((sum, ball) => sum + ball.balls, 0)
  const found = { alike: runs(balls, alike), straight: runs(balls, onIt), count: { newest: all, longest: all } }
  return HABITS.flatMap(habit => {
    const of = habits[habit]
    if (of === undefined) return []
    const met = found[habit].longest >= of
    return [{ habit, done: met ? of : found[habit].newest, of, met }]
  })
}
