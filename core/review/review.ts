import type { Calibration, Next } from '../calibration/calibration'
import { answered, openFlags, sameFlag, type FlagAnswer } from '../gaps/answers'
import { raisedFlags, type Finding } from '../gaps/flag'
import type { Work } from '../rounds/work'

/** Flags that a period opened, closed, and left open, those that matter most first. */
export interface FlagsOverTime {
  opened: Finding[]
  closed: Finding[]
  stillOpen: Finding[]
}

/**
 * Flags then and now. What the coach has answered is neither opened nor open; what is not raised any more is closed.
 * @param answers in any order, those of before the first day too
 */
export function flagsOverTime(
  then: Pick<Calibration, 'findings'> & { nowMs: number },
  now: Pick<Calibration, 'findings'> & { nowMs: number },
  answers: readonly FlagAnswer[],
): FlagsOverTime {
  const raisedAt = ({ findings, nowMs }: typeof now) => {
    const raised = raisedFlags(findings)
    const said = answers.filter(({ saidAtMs }) => saidAtMs <= nowMs)
    return { raised, open: openFlags(answered(raised, said, nowMs)) }
  }
  const [before, after] = [raisedAt(then), raisedAt(now)]
  const isIn = (list: readonly Finding[], finding: Finding) =>
    list.some(one => sameFlag(one, finding) || sameFlag(finding, one))
  return {
    opened: after.open.filter(finding => !isIn(before.raised, finding)),
    closed: before.open.filter(finding => !isIn(after.raised, finding)),
    stillOpen: after.open.filter(finding => isIn(before.raised, finding)),
  }
}

/** What is to be done next. */
export type NextThing =
  | { kind: 'retest'; isLate: boolean }
  | { kind: 'work'; work: Work }
  | { kind: 'flag'; finding: Finding }
  | { kind: 'hit'; next: Next }

/** What there is to choose from. */
export interface ToDo {
  retestDueMs: number | null
  nowMs: number
  /** What to work on by rounds, and open flags, those that matter most first. */
  work: readonly Work[]
  open: readonly Finding[]
  next: readonly Next[]
  goodEnough: boolean
}

/** As many things as anybody keeps in mind. */
const THINGS = 3
/** A retest of a chart that was good enough is one of them so many days before it is due. Our choice. */
const SOON_MS = 14 * 86_400_000

/**
 * The next three things to do: a retest that is due; then in turn what rounds ask for and what the gaps show, then what
 * the chart still lacks. Fewer where there is no more.
 * @example nextThings({ retestDueMs: null, nowMs: 0, work: [], open: [], next: [], goodEnough: true }) // => []
 */
export function nextThings({ retestDueMs, nowMs, work, open, next, goodEnough }: ToDo): NextThing[] {
  const dueInMs = retestDueMs === null ? Infinity : retestDueMs - nowMs
  // A chart that was never good enough needs its first balls before it needs a test.
  const isRetest = dueInMs <= (goodEnough ? SOON_MS : 0)
  const retest: NextThing[] = isRetest ? [{ kind: 'retest', isLate: dueInMs <= 0 }] : []
  const pairs = Array.from({ length: THINGS }, (_, i): NextThing[] => [
    ...(work[i] ? [{ kind: 'work' as const, work: work[i] }] : []),
    ...(open[i] ? [{ kind: 'flag' as const, finding: open[i] }] : []),
  ])
  const hit: NextThing[] = !goodEnough && next[0] ? [{ kind: 'hit', next: next[0] }] : []
  return [...retest, ...pairs[0]!, ...hit, ...pairs.slice(1).flat()].slice(0, THINGS)
}
