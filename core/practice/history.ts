import { studentTail } from '../stats/student'
import { Z_80 } from '../stats/quantiles'
import type { DrillSpec } from './drill-spec'

/** One go as its history needs it: what each ball added, oldest go first. */
export interface GoValues {
  values: readonly number[]
  /** The score as it is read. */
  value: number
}

/** Scores of one drill over time. */
export interface DrillHistory {
  first: number
  best: number
  last: number
  goes: number
  /**
   * Where a go of so many balls falls 8 times in 10 by chance alone, as mean of a ball; null before two balls, and
   * where no two differ.
   */
  band: { least: number; most: number } | null
  /** Better or worse than the first goes: a false alarm in at most 1 player of 20, however often it is looked at. */
  change: 'better' | 'worse' | null
}

/** Of all looks together one in 20 unchanged players is told a change; half of it each way. */
export const FALSE_CHANGE = 0.05
/** Balls on either side before anything is said. Our choice. */
const LEAST_BALLS = 8

/**
 * What may be spent at a look: it shrinks so that all looks together spend no more than the whole.
 * @example spentAt(2, 0.05) // => 0.025
 */
export const spentAt = (look: number, whole: number): number => whole / (look * (look - 1))

interface Sums {
  n: number
  mean: number
  squares: number
}
function sumsOf(values: readonly number[]): Sums {
  const n = values.length
  const mean = values.reduce((sum, value) => sum + value, 0) / n
  return { n, mean, squares: values.reduce((sum, value) => sum + (value - mean) ** 2, 0) }
}

/** Odds against chance that later balls differ from earlier ones: Student's t on two samples of one spread. */
function changeAt(before: Sums, after: Sums): { t: number; degrees: number } | null {
  const degrees = before.n + after.n - 2
  const variance = (before.squares + after.squares) / degrees
  if (variance <= 0) return null
  return { t: (after.mean - before.mean) / Math.sqrt(variance * (1 / before.n + 1 / after.n)), degrees }
}

/**
 * Scores of one drill, oldest first: first, best and last, the band of chance, and whether they have changed. The later
 * half of the goes is held against the earlier half after every go; once a change was found it stands as long as the
 * last goes do not say otherwise.
 * @param goes at least one, each with balls
 */
export function historyOf(goes: readonly GoValues[], direction: 'more' | 'less'): DrillHistory {
  const scores = goes.map(({ value }) => value)
  const better = direction === 'more' ? Math.max : Math.min
  const all = sumsOf(goes.flatMap(({ values }) => values))
  const lastBalls = goes.at(-1)!.values.length
  const sd = all.n > 1 ? Math.sqrt(all.squares / (all.n - 1)) : 0
  const half = lastBalls > 0 ? (Z_80 * sd) / Math.sqrt(lastBalls) : 0
  let change: DrillHistory['change'] = null
  for (let look = 2; look <= goes.length; look++) {
    const split = Math.floor(look / 2)
    const [before, after] = [goes.slice(0, split), goes.slice(split, look)].map(part =>
      sumsOf(part.flatMap(({ values }) => values)),
    ) as [Sums, Sums]
    if (before.n < LEAST_BALLS || after.n < LEAST_BALLS) continue
    const found = changeAt(before, after)
    if (!found || 2 * studentTail(Math.abs(found.t), found.degrees) > spentAt(look, FALSE_CHANGE)) continue
    change = found.t > 0 === (direction === 'more') ? 'better' : 'worse'
  }
  return {
    first: scores[0]!,
    best: better(...scores),
    last: scores.at(-1)!,
    goes: goes.length,
    band: sd > 0 ? { least: all.mean - half, most: all.mean + half } : null,
    change,
  }
}

/** Goes with the same key are scores of one thing; strokes are held against each distance's own par. */
export function seriesKey({ drill, score, measure, tasks, ballsEach, balls, withinM, stop, level }: DrillSpec): string {
  if (score === 'strokes') return JSON.stringify([drill, measure])
  const asked = tasks.map(({ clubId: _, rungId: __, ...task }) => task)
  return JSON.stringify([drill, score, measure, asked, ballsEach, balls, withinM, stop, score === 'error' ? '' : level])
}
