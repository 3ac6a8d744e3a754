import type { BagStepRecord } from '#shared/schemas/bag'
import type { CellRemarkRecord } from '#shared/schemas/cell-remark'
import type { FlagAnswerRecord } from '#shared/schemas/flag-answer'
import { CLOCK_GOOD_MS } from '#shared/clock'
import type { GoRecord } from '#shared/schemas/practice'
import type { RoundRecord } from '#shared/schemas/rounds'
import type { OwnBall } from '#shared/schemas/player-link'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'

/** What a coach can enter without a connection. */
export type Entry =
  | { kind: 'session'; record: SessionRecord }
  | { kind: 'shot'; record: ShotRecord }
  | { kind: 'word'; record: CellRemarkRecord }
  | { kind: 'answer'; record: FlagAnswerRecord }
  | { kind: 'bag'; record: BagStepRecord }
  | { kind: 'go'; record: GoRecord }
  | { kind: 'round'; record: RoundRecord }

/** What a player can enter on his own phone, by a link. */
export type OwnEntry =
  | { kind: 'own-ball'; record: OwnBall }
  | { kind: 'own-go'; record: GoRecord }
  | { kind: 'own-round'; record: RoundRecord }

export type AnyEntry = Entry | OwnEntry

/** A field of a ball that names something the player has no more. */
export type Lacking = 'sessionId' | 'clubId' | 'rungId'

/** Something entered that the server has not confirmed. Kept in the browser until it has. */
export interface OutboxItem<E extends AnyEntry = Entry> {
  seq: number
  /** Who entered it: the coach's id, or the mark of the link of a player's own phone. */
  by: string
  /** Whose it is; empty on a player's own phone, where the link knows. */
  playerId: string
  entry: E
  /** What was added to this device's clock when it was entered; null when nothing was known of it. */
  clockMs?: number | null
  /** Why the server would not take it; whoever entered it decides what becomes of it. */
  refused?: string
  /** Which of a refused ball's belongings are gone: it can be given to others. */
  lacks?: Lacking[]
}

const BATCH = 200
/** Balls go together; each state of a go holds all of its balls, as one of a round its approaches. */
const TOGETHER = ['shot', 'own-ball']
const LAST_FOR_ALL = ['go', 'round', 'own-go', 'own-round']

/** The same thing, in any of its versions. */
const sameThing = (a: AnyEntry, b: AnyEntry) => a.kind === b.kind && a.record.id === b.record.id

/** A lot that is one thing, in one state or several: whatever becomes of it becomes of that. */
export const isOneThing = (lot: readonly OutboxItem<AnyEntry>[]): boolean =>
  lot.every(({ entry }) => sameThing(entry, lot[0]!.entry))

/**
 * True when an entry cannot be taken before another: a later version of the same thing, a ball of a session that is
 * new, a ball or a word of a swing length that is; and changes of a bag go in the order they were made.
 */
export function dependsOn(later: AnyEntry, earlier: AnyEntry): boolean {
  if (sameThing(later, earlier)) return true
  if (earlier.kind === 'bag') {
    if (later.kind === 'bag') return true
    const { step } = earlier.record
    return 'rungId' in later.record && step.kind === 'add-rung' && later.record.rungId === step.rung.id
  }
  return later.kind === 'shot' && earlier.kind === 'session' && later.record.sessionId === earlier.record.id
}

/** The first version of a session: its balls wait for it, also such as were entered before it and given to it. */
const isNewSession = ({ kind, record }: AnyEntry) => kind === 'session' && record.version === 1

/** True when of two entries of one player the first has to be taken before the second is sent. */
const goesBefore = (earlier: OutboxItem<AnyEntry>, item: OutboxItem<AnyEntry>): boolean =>
  earlier !== item &&
  earlier.playerId === item.playerId &&
  (earlier.seq < item.seq || isNewSession(earlier.entry)) &&
  dependsOn(item.entry, earlier.entry)

/**
 * What to send next: one entry, or balls of one player that can go together, each ball once. Entries that were tried
 * less often go first, in the order they were made; none goes before what it depends on.
 * @param waiting oldest first
 * @param triesOf how often an entry failed by itself
 * @returns nothing when nothing waits
 */
export function nextLot<E extends AnyEntry>(
  waiting: readonly OutboxItem<E>[],
  triesOf: (item: OutboxItem<E>) => number,
): OutboxItem<E>[] {
  const held = (item: OutboxItem<E>) => waiting.some(earlier => goesBefore(earlier, item))
  let first: OutboxItem<E> | undefined
  for (const item of waiting) {
    if (first && triesOf(item) >= triesOf(first)) continue
    if (!held(item)) first = item
  }
  if (!first) return []
  if (LAST_FOR_ALL.includes(first.entry.kind)) {
    const { playerId, entry } = first
    return waiting.filter(item => item.playerId === playerId && sameThing(item.entry, entry))
  }
  // What failed before goes alone, so that it can be told apart.
  const { kind } = first.entry
  if (!TOGETHER.includes(kind) || triesOf(first) > 0) return [first]
  const lot: OutboxItem<E>[] = []
  for (const item of waiting) {
    if (lot.length === BATCH) break
    if (item.entry.kind === kind && item.playerId === first.playerId && triesOf(item) === 0 && !held(item))
      lot.push(item)
  }
  return lot
}

/** All that waits behind these, itself included: what steps aside takes along what cannot go without it. */
export function withFollowers<E extends AnyEntry>(
  items: readonly OutboxItem<E>[],
  waiting: readonly OutboxItem<E>[],
): OutboxItem<E>[] {
  const found = new Set(items)
  for (const item of waiting) {
    if ([...found].some(earlier => goesBefore(earlier, item))) found.add(item)
  }
  return waiting.filter(item => found.has(item))
}

type RecordOf<K extends AnyEntry['kind']> = Extract<AnyEntry, { kind: K }>['record']
type Right = (ms: number) => number

const whole = (right: Right, ms: number | null) => (ms === null ? null : right(ms))
const goRight = (go: GoRecord, right: Right): GoRecord => ({
  ...go,
  startedAtMs: right(go.startedAtMs),
  endedAtMs: whole(right, go.endedAtMs),
  balls: go.balls.map(ball => ({ ...ball, atMs: right(ball.atMs) })),
})
const saidRight = <T extends { saidAtMs: number }>(record: T, right: Right): T => ({
  ...record,
  saidAtMs: right(record.saidAtMs),
})

/** The times of each entry that a clock gave. A round's day is somebody's word, and a bag's step has no time. */
const RIGHT: { [K in AnyEntry['kind']]: ((record: RecordOf<K>, right: Right, byMs: number) => RecordOf<K>) | null } = {
  'shot': (shot, right, clockMs) => ({ ...shot, hitAtMs: right(shot.hitAtMs), taken: { ...shot.taken, clockMs } }),
  'session': (session, right) => ({
    ...session,
    startedAtMs: right(session.startedAtMs),
    endedAtMs: whole(right, session.endedAtMs),
    air: session.air.map(one => ({ ...one, fromMs: right(one.fromMs) })),
  }),
  'word': saidRight,
  'answer': saidRight,
  'go': goRight,
  'bag': null,
  'round': null,
  'own-ball': (ball, right) => ({ ...ball, hitAtMs: right(ball.hitAtMs) }),
  'own-go': goRight,
  'own-round': null,
}

/** The entry with its time set right, when the clock that it was entered by is known better now. */
export function withTimeRight<E extends AnyEntry>(item: OutboxItem<E>, knownMs: number): OutboxItem<E> {
  const { entry, clockMs = null } = item
  if (clockMs !== null || Math.abs(knownMs) < CLOCK_GOOD_MS) return item
  // The table has each kind's own record.
  const setRight = RIGHT[entry.kind] as ((record: E['record'], right: Right, byMs: number) => E['record']) | null
  if (!setRight) return item
  const record = setRight(entry.record, ms => ms + knownMs, knownMs)
  return { ...item, clockMs: knownMs, entry: { ...entry, record } }
}

/** Which belongings a refusal names: "shots.0.clubId" is the club. */
export function lackingOf(fields: readonly string[]): Lacking[] {
  return (['sessionId', 'clubId', 'rungId'] as const).filter(name =>
    fields.some(field => field.split('.').at(-1) === name),
  )
}
