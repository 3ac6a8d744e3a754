import type { BagStepRecord } from '#shared/schemas/bag'
import type { CellRemarkRecord } from '#shared/schemas/cell-remark'
import type { FlagAnswerRecord } from '#shared/schemas/flag-answer'
import { CLOCK_GOOD_MS } from '#shared/clock'
import type { GoRecord } from '#shared/schemas/practice'
import type { RoundRecord } from '#shared/schemas/rounds'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'

/** What can be entered without a connection. */
export type Entry =
  | { kind: 'session'; record: SessionRecord }
  | { kind: 'shot'; record: ShotRecord }
  | { kind: 'word'; record: CellRemarkRecord }
  | { kind: 'answer'; record: FlagAnswerRecord }
  | { kind: 'bag'; record: BagStepRecord }
  | { kind: 'go'; record: GoRecord }
  | { kind: 'round'; record: RoundRecord }

/** A field of a ball that names something the player has no more. */
export type Lacking = 'sessionId' | 'clubId' | 'rungId'

/** Something entered that the server has not confirmed. Kept in the browser until it has. */
export interface OutboxItem {
  seq: number
  coachId: string
  playerId: string
  entry: Entry
  /** What was added to this device's clock when it was entered; null when nothing was known of it. */
  clockMs?: number | null
  /** Why the server would not take it; the coach decides what becomes of it. */
  refused?: string
  /** Which of a refused ball's belongings are gone: it can be given to others. */
  lacks?: Lacking[]
}

const BATCH = 200

/** The same thing, in any of its versions. */
const sameThing = (a: Entry, b: Entry) => a.kind === b.kind && a.record.id === b.record.id

/**
 * True when an entry cannot be taken before another: a later version of the same thing, a ball of a session that is
 * new, a ball or a word of a swing length that is; and changes of a bag go in the order they were made.
 */
export function dependsOn(later: Entry, earlier: Entry): boolean {
  if (sameThing(later, earlier)) return true
  if (earlier.kind === 'bag') {
    if (later.kind === 'bag') return true
    const { step } = earlier.record
    return 'rungId' in later.record && step.kind === 'add-rung' && later.record.rungId === step.rung.id
  }
  return later.kind === 'shot' && earlier.kind === 'session' && later.record.sessionId === earlier.record.id
}

/**
 * What to send next: one entry, or balls of one player that can go together, each ball once. Entries that were tried
 * less often go first, in the order they were made; none goes before what it depends on.
 * @param waiting oldest first
 * @param triesOf how often an entry failed by itself
 * @returns nothing when nothing waits
 */
export function nextLot(waiting: readonly OutboxItem[], triesOf: (item: OutboxItem) => number): OutboxItem[] {
  const held = (item: OutboxItem) =>
    waiting.findIndex(
      earlier =>
        earlier.playerId === item.playerId &&
        earlier !== item &&
        dependsOn(item.entry, earlier.entry) &&
        earlier.seq < item.seq,
    ) >= 0
  let first: OutboxItem | undefined
  for (const item of waiting) {
    if (first && triesOf(item) >= triesOf(first)) continue
    if (!held(item)) first = item
  }
  if (!first) return []
  // Each state of a go holds all of its balls, as one of a round its approaches: the last goes for all of them.
  if (first.entry.kind === 'go' || first.entry.kind === 'round') {
    const { playerId, entry } = first
    return waiting.filter(item => item.playerId === playerId && sameThing(item.entry, entry))
  }
  // What failed before goes alone, so that it can be told apart.
  if (first.entry.kind !== 'shot' || triesOf(first) > 0) return [first]
  const lot: OutboxItem[] = []
  for (const item of waiting) {
    if (lot.length === BATCH) break
    if (item.entry.kind === 'shot' && item.playerId === first.playerId && triesOf(item) === 0 && !held(item))
      lot.push(item)
  }
  return lot
}

/** All that waits behind these, itself included: what steps aside takes along what cannot go without it. */
export function withFollowers(items: readonly OutboxItem[], waiting: readonly OutboxItem[]): OutboxItem[] {
  const found = new Set(items)
  for (const item of waiting) {
    if (
      [...found].some(
        earlier => earlier.seq < item.seq && earlier.playerId === item.playerId && dependsOn(item.entry, earlier.entry),
      )
    )
      found.add(item)
  }
  return waiting.filter(item => found.has(item))
}

/** The entry with its time set right, when the clock that it was entered by is known better now. */
export function withTimeRight(item: OutboxItem, knownMs: number): OutboxItem {
  const { entry, clockMs = null } = item
  if (clockMs !== null || Math.abs(knownMs) < CLOCK_GOOD_MS) return item
  const right = (ms: number) => ms + knownMs
  if (entry.kind === 'shot') {
    const { record } = entry
    return {
      ...item,
      clockMs: knownMs,
      entry: {
        kind: 'shot',
        record: { ...record, hitAtMs: right(record.hitAtMs), taken: { ...record.taken, clockMs: knownMs } },
      },
    }
  }
  if (entry.kind === 'session') {
    const { record } = entry
    const air = record.air.map(one => ({ ...one, fromMs: right(one.fromMs) }))
    return {
      ...item,
      clockMs: knownMs,
      entry: {
        kind: 'session',
        record: {
          ...record,
          startedAtMs: right(record.startedAtMs),
          endedAtMs: record.endedAtMs === null ? null : right(record.endedAtMs),
          air,
        },
      },
    }
  }
  if (entry.kind === 'word')
    return {
      ...item,
      clockMs: knownMs,
      entry: { kind: 'word', record: { ...entry.record, saidAtMs: right(entry.record.saidAtMs) } },
    }
  if (entry.kind === 'bag') return item
  if (entry.kind === 'go') {
    const { record } = entry
    return {
      ...item,
      clockMs: knownMs,
      entry: {
        kind: 'go',
        record: {
          ...record,
          startedAtMs: right(record.startedAtMs),
          endedAtMs: record.endedAtMs === null ? null : right(record.endedAtMs),
          balls: record.balls.map(ball => ({ ...ball, atMs: right(ball.atMs) })),
        },
      },
    }
  }
  // A round's day is the coach's word, no clock's.
  if (entry.kind === 'round') return item
  return {
    ...item,
    clockMs: knownMs,
    entry: { kind: 'answer', record: { ...entry.record, saidAtMs: right(entry.record.saidAtMs) } },
  }
}

/** Which belongings a refusal names: "shots.0.clubId" is the club. */
export function lackingOf(fields: readonly string[]): Lacking[] {
  return (['sessionId', 'clubId', 'rungId'] as const).filter(name =>
    fields.some(field => field.split('.').at(-1) === name),
  )
}
