import type { ThresholdName } from '../core/gaps/flag'

/** The sentences of a rule. */
interface FlagSentences {
  title: string
  /** What was found, with the figures. */
  why: string
  /** What to do, cheapest first. */
  remedies: readonly string[]
}

/**
 * What a rule says. Messages may hold {shorter}, {middle}, {longer} and {cells} (stock shots), {club} (of the first),
 * {from} and {to} (the stretch, without its unit), and any key of a finding's data: by its ending it is written as a
 * distance (M), degrees (Deg), a share (Percent), days (Days), so many times (Times), or a count.
 */
export interface FlagMessages extends FlagSentences {
  /** Other sentences of the same rule, by a finding's `variant`. */
  variants?: Readonly<Record<string, Partial<FlagSentences>>>
  /** What is asked of one that too few balls tell. */
  open?: string
  thresholds?: Readonly<Partial<Record<ThresholdName, { label: string; why: string }>>>
}
