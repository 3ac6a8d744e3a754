import type { StockShot } from '../bag/bag'
import type { CarryChart } from '../chart/chart-cell'
import type { Ladder } from './ladder'
import type { Odds } from './odds'
import { yardsToMetres } from '../units'

/** How a flag stands in the picture: its colour, icon and word are chosen from this at the edge. */
export type FlagKind = 'hole' | 'overlap' | 'weak'

/**
 * How surely it is said. `sure`: false in few charts, however often one looks. `likely`: of all that are listed so, few
 * are false. `open`: the numbers read so, and there are not enough balls to tell.
 */
export type Sureness = 'sure' | 'likely' | 'open'

/**
 * What a rule says of itself. Words may hold {shorter}, {longer} (stock shots) and any key of a finding's data;
 * keys that end in M are metres and are written in the coach's unit.
 */
export interface FlagMeta {
  id: string
  kind: FlagKind
  title: string
  /** What was found, with the figures. */
  why: string
  /** What to do, cheapest first. */
  remedies: readonly string[]
  /** One line for all that are still open, after their number: "steps may be too wide". */
  open: { one: string, many: string }
  /**
   * The figure that is a difference, its limit, and whether the flag is raised above or below that limit.
   * It is read as the difference of its ends as they are read, so that what stands there adds up.
   */
  difference?: { of: `${string}M`, limit: `${string}M`, raised: 'above' | 'within' }
  /** Name of the threshold that a coach may change, and what it limits. */
  threshold?: { option: string, label: string }
}

/** One flag raised: ids and figures, no sentences. */
export interface Finding {
  flag: string
  sureness: Sureness
  /** That it is so. */
  probability: number
  /** The stock shots it speaks of, shortest first: one or two. */
  cells: StockShot[]
  data: Record<`${string}M`, number>
  /** The stretch it speaks of, metres. */
  fromM: number
  toM: number
}

/** What a rule looks at. */
export interface GapFacts {
  ladder: Ladder
  chart: CarryChart
  odds: Odds
}

export interface FlagRule<Options extends Record<string, number> = Record<string, number>> {
  meta: FlagMeta
  defaults: Options
  find: (facts: GapFacts, options?: Partial<Options>) => Finding[]
}

/** Carries are sums of doubles: two that differ by less than this are the same, metres. */
export const SAME_M = 1e-6

/** Gripping down an inch takes about 5 yd off a carry: common practice. Flag words may use it as {gripDownM}. */
export const GRIP_DOWN_M = yardsToMetres(5)

/** Those that are said; the open ones are only counted. */
export function saidFlags(findings: readonly Finding[]): Finding[] {
  return findings.filter(finding => finding.sureness !== 'open')
}
