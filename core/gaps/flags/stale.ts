import { plainCell, type Finding, type FlagMeta, type FlagOptions, type FlagRule, type GapFacts } from '../flag'

export const meta = {
  id: 'stale',
  kind: 'unproven',
  weight: 0,
  about: 'record',
  speaksOf: 'list',
  thresholds: ['staleDays'],
  settledWithin: 30,
} as const satisfies FlagMeta

// A retest is usual about once a month (common practice); by twice that it is overdue.
export const defaults = { staleDays: 60 }
const DAY_MS = 86_400_000

/** Age of a last ball from which a number is old. */
export function staleAfterMs(options: FlagOptions): number {
  return { ...defaults, ...options }.staleDays * DAY_MS
}

/** Stock shots whose last ball is long ago: all in one. Mutates nothing. */
export function find({ chart, nowMs }: GapFacts, options: FlagOptions = {}): Finding[] {
  const { staleDays } = { ...defaults, ...options }
  const old = chart.filter(
    cell =>
      cell.kind === 'measured' &&
      !cell.plain &&
      cell.lastHitMs !== null &&
      nowMs - cell.lastHitMs > staleAfterMs(options),
  )
  if (old.length === 0) return []
  const carries = old.map(cell => cell.carryM!)
  const oldestDays = Math.floor((nowMs - Math.min(...old.map(cell => cell.lastHitMs!))) / DAY_MS)
  return [
    {
      flag: meta.id,
      sureness: 'counted',
      probability: null,
      cells: old.map(plainCell),
      data: { staleDays, oldestDays },
      fromM: Math.min(...carries),
      toM: Math.max(...carries),
      figure: oldestDays,
    },
  ]
}

export default { meta, defaults, find } satisfies FlagRule
