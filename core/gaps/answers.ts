import { cellKey, type StockShot } from '../bag/bag'
import type { Finding } from './flag'
import { flagRule, subjectOf } from './flags'

/** What a coach says to a flag. */
export const ANSWERS = ['accepted', 'working', 'not-a-fault'] as const
export type Answer = (typeof ANSWERS)[number]

/**
 * One answer, kept with what the flag said then. Answers are only ever added: a later one to the same flag takes its
 * place.
 */
export interface FlagAnswer extends Pick<Finding, 'flag' | 'variant' | 'cells' | 'fromM' | 'toM' | 'figure'> {
  id: string
  answer: Answer
  /** Of what is worked on: until when. */
  untilMs: number | null
  note: string
  saidAtMs: number
  /** False takes the answer back. */
  holds: boolean
}

/** A flag with the coach's answer to it. */
export interface Answered {
  finding: Finding
  /** The newest answer to this flag, whether or not it still settles it. */
  answer: FlagAnswer | null
  /** Nothing is asked of the coach: answered, the figures have not really changed, and the time has not run out. */
  settled: boolean
  /** Why an answer no longer settles it. */
  lapsed: 'changed' | 'time' | null
}

const keys = (cells: readonly StockShot[]) => cells.map(cellKey).sort()

/** True when both are about the same thing. */
export function sameFlag(
  finding: Pick<Finding, 'flag' | 'variant' | 'cells' | 'fromM' | 'toM'>,
  answer: Pick<FlagAnswer, 'flag' | 'variant' | 'cells' | 'fromM' | 'toM'>,
): boolean {
  if (finding.flag !== answer.flag || (finding.variant ?? '') !== (answer.variant ?? '')) return false
  const subject = subjectOf(finding)
  // Another shot may come to be the best of a stretch, and it is the same hole.
  if (subject === 'stretch') {
    // The greater part of what is said now was answered.
    const shared = Math.min(finding.toM, answer.toM) - Math.max(finding.fromM, answer.fromM)
    return shared >= 0 && shared >= (finding.toM - finding.fromM) / 2
  }
  const [now, then] = [keys(finding.cells), new Set(keys(answer.cells))]
  // An answer to more of a list covers fewer.
  return now.every(key => then.has(key)) && (subject === 'list' || now.length === then.size)
}

/**
 * Findings with the coach's answers: what was settled stays settled until its figure has really changed.
 * @param answers in any order
 */
export function answered(findings: readonly Finding[], answers: readonly FlagAnswer[], nowMs: number): Answered[] {
  const newest = [...answers].sort((a, b) => b.saidAtMs - a.saidAtMs || (a.id < b.id ? 1 : -1))
  return findings.map(finding => {
    const found = newest.find(one => sameFlag(finding, one))
    if (!found?.holds) return { finding, answer: null, settled: false, lapsed: null }
    const changed = Math.abs(finding.figure - found.figure) > flagRule(finding.flag).meta.settledWithin
    const over = found.answer === 'working' && found.untilMs !== null && nowMs > found.untilMs
    // Fewer in a list is no change for the worse.
    const worse = changed && !(subjectOf(finding) === 'list' && finding.figure < found.figure)
    return { finding, answer: found, settled: !worse && !over, lapsed: worse ? 'changed' : over ? 'time' : null }
  })
}

const SURENESS_WEIGHT = { sure: 1, counted: 0.8, written: 0.8, likely: 0.6, open: 0 } as const

/** A flag where half of all chances come from matters twice as much as one that no round asks for. Our choice. */
const ASKED_WEIGHT = 2

/** How much a flag matters, and the more the more rounds ask for where it stands: what to show first. */
export function weightOf({ flag, sureness, asked = 0 }: Finding): number {
  return flagRule(flag).meta.weight * SURENESS_WEIGHT[sureness] * (1 + ASKED_WEIGHT * asked)
}

/** Flags that ask something of the coach: said, no asset, not settled; those that matter most first. */
export function openFlags(all: readonly Answered[]): Finding[] {
  return all
    .filter(({ finding, settled }) => !settled && weightOf(finding) > 0)
    .map(({ finding }) => finding)
    .sort((a, b) => weightOf(b) - weightOf(a))
}
