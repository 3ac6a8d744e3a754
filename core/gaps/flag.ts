import type { StockShot } from '../bag/bag'
import { THRESHOLD_LIMITS } from '../limits'
import type { GapFacts } from './facts'

export type { GapFacts }
export { GRIP_DOWN_M } from './stretches'

/** How a flag stands in the picture: its colour, icon and word are chosen from this at the edge. `asset` is no fault. */
export type FlagKind = 'hole' | 'overlap' | 'weak' | 'finding' | 'asset'

/**
 * How surely it is said. `sure`: false in few charts, however often one looks. `likely`: of all that are listed so, few
 * are false. `open`: the numbers read so, and there are not enough balls to tell. `counted`: a count or a date, not odds.
 */
export type Sureness = 'sure' | 'likely' | 'open' | 'counted'

/** What a sentence of a rule says. */
export interface FlagText {
  title: string
  /** What was found, with the figures. */
  why: string
  /** What to do, cheapest first. */
  remedies: readonly string[]
}

/** A figure that a coach may change: for one player, or for all of the academy. */
export interface ThresholdSpec {
  option: ThresholdName
  label: string
  /** Why it is what it usually is. */
  why: string
}

/** Everything a coach can set of the flags, and what it is measured in: `M` metres, `Deg` degrees, `Percent`, or a count. */
export const THRESHOLD_NAMES = Object.keys(THRESHOLD_LIMITS) as ThresholdName[]
export type ThresholdName = keyof typeof THRESHOLD_LIMITS
export type FlagOptions = Partial<Record<ThresholdName, number>>

/**
 * What a rule says of itself. Words may hold {shorter}, {longer} and {cells} (stock shots), {club} (of the first), and any
 * key of a finding's data: by its ending it is written as a distance (M), degrees (Deg), a share (Percent), days (Days),
 * so many in ten (Tenths), so many times (Times), or a plain count.
 */
export interface FlagMeta extends FlagText {
  id: string
  kind: FlagKind
  /** How much it matters beside the others: 0 for an asset, 5 for a hole. */
  weight: number
  /** Other sentences of the same rule, by a finding's `variant`. */
  variants?: Readonly<Record<string, Partial<FlagText>>>
  /** One line for all that are still open, after their number: "steps may be too wide". Missing where nothing stays open. */
  open?: { one: string, many: string }
  /**
   * The figure that is a difference, its limit, and whether the flag is raised above or below that limit.
   * It is read as the difference of its ends as they are read, so that what stands there adds up.
   */
  difference?: { of: `${string}M`, limit: `${string}M`, raised: 'above' | 'within' }
  thresholds?: readonly ThresholdSpec[]
  /** An answer of the coach holds while the finding's figure has changed by no more than this. */
  settledWithin: number
}

/** One flag raised: ids and figures, no sentences. */
export interface Finding {
  flag: string
  variant?: string
  sureness: Sureness
  /** That it is so; null for what is counted, and where it is not worked out as odds. */
  probability: number | null
  /** The stock shots it speaks of, shortest first; none for what speaks of the whole chart. */
  cells: StockShot[]
  data: Record<string, number>
  /** The stretch it speaks of, metres. */
  fromM: number
  toM: number
  /** What an answer is held against, in what the rule counts. */
  figure: number
}

export interface FlagRule<Options extends FlagOptions = FlagOptions> {
  meta: FlagMeta
  defaults: Options
  find: (facts: GapFacts, options?: FlagOptions) => Finding[]
}

/** Carries are sums of doubles: two that differ by less than this are the same, metres. */
export const SAME_M = 1e-6

export const plainCell = ({ clubId, rungId }: StockShot): StockShot => ({ clubId, rungId })

/** Those that are said; the open ones are only counted. */
export function saidFlags(findings: readonly Finding[]): Finding[] {
  return findings.filter(finding => finding.sureness !== 'open')
}
