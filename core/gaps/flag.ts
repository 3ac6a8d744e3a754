import type { StockShot } from '../bag/bag'
import { THRESHOLD_LIMITS } from '../limits'
import type { GapFacts } from './facts'

export type { GapFacts }
export { GRIP_DOWN_M } from './stretches'

/**
 * How a flag stands in the picture: its colour, icon and word are chosen from this at the edge. `unproven` and `asset`
 * are no faults.
 */
export type FlagKind = 'hole' | 'overlap' | 'weak' | 'finding' | 'unproven' | 'asset'

/**
 * How surely it is said. `sure`: false in few charts, however often one looks. `likely`: of all that are listed so, few
 * are false. `open`: the numbers read so, and there are not enough balls to tell. `counted`: a count or a date, not
 * odds. `written`: it rests on a number that the coach wrote and no ball stands behind.
 */
export type Sureness = 'sure' | 'likely' | 'open' | 'counted' | 'written'

/**
 * Everything a coach can set of the flags, and what it is measured in: `M` metres, `Deg` degrees, `Percent`, or a
 * count.
 */
export const THRESHOLD_NAMES = Object.keys(THRESHOLD_LIMITS) as ThresholdName[]
export type ThresholdName = keyof typeof THRESHOLD_LIMITS
export type FlagOptions = Partial<Record<ThresholdName, number>>

/**
 * What a finding of the rule speaks of: a stretch of yardages, whichever shot serves it; a `step` between two
 * neighbours of the ladder; a `list` of stock shots, of which fewer are no change for the worse; all yardages below; or
 * certain shots.
 */
export type FlagSubject = 'stretch' | 'step' | 'list' | 'all below' | 'shots'

/**
 * Ways to mend what is in the bag, in order of cost: what is free, a few balls, a swing to learn, a club maker, a
 * club to buy.
 */
export const REMEDY_KINDS = [
  'grip-down',
  'calibrate',
  'strike-out',
  'use-again',
  'swing',
  'take-out',
  'bend',
  'add',
] as const
export type RemedyKind = (typeof REMEDY_KINDS)[number]

/** What a rule says of itself; its words are in a file of messages that has its id for a name. */
export interface FlagMeta {
  id: string
  kind: FlagKind
  /** How much it matters beside the others: 0 for what is no fault, 5 for a hole. */
  weight: number
  /** The bag, so that a what-if can have it too; or the record: balls hit, days, what was said. */
  about: 'bag' | 'record'
  speaksOf: FlagSubject
  /** Two findings about one stock shot that show the same are one fact. */
  shows?: 'scatter'
  /** What may mend it; nothing where no change of the bag can. */
  helpedBy?: readonly RemedyKind[]
  /** Other findings of the same rule, with sentences of their own, by a finding's `variant`. */
  variants?: readonly string[]
  /** Those of them that nothing in `helpedBy` mends. */
  notHelped?: readonly string[]
  /** Hitting balls with what it speaks of helps: the plan of a practice takes it up. */
  practised?: true
  /** Findings that too few balls tell are asked in a line of their own. */
  staysOpen?: true
  /**
   * The figure that is a difference, its limit, and whether the flag is raised above or below that limit.
   * It is read as the difference of its ends as they are read, so that what stands there adds up.
   */
  difference?: { of: `${string}M`; limit: `${string}M`; raised: 'above' | 'within' }
  /** Figures that a coach may change: for one player, or for all of the academy. */
  thresholds?: readonly ThresholdName[]
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
  /** Share of the chances of rounds that come from there; missing while too few tell. */
  asked?: number
  /** Other findings about the same stretch or group, said with it. */
  parts?: Finding[]
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
export function raisedFlags(findings: readonly Finding[]): Finding[] {
  return findings.filter(finding => finding.sureness !== 'open')
}
