import type { Ref } from 'vue'
import { clockDifferenceMs } from '~/offline/server-clock'
import type { Aside } from '~/offline/outbox/aside'
import {
  isOneThing,
  nextLot,
  withFollowers,
  withTimeRight,
  type AnyEntry,
  type OutboxItem,
} from '~/offline/outbox/entries'
import type { Outcome } from '~/offline/outbox/outcome'

/**
 * Failures one after the other, none taken in between, after which it is no fault of the entries: the next try begins
 * with others.
 */
const FAILURES_BEFORE_PAUSE = 4

export type QueueState = 'idle' | 'sending' | 'away' | 'signed-out' | 'full'

/** What a round is left in, and how long to wait until the next; null when it is for somebody to mend first. */
export interface Rest {
  state: QueueState
  waitMs: number | null
  /** Why the sender is not let in, or the rest has to wait, in the server's words. */
  why: string
}

/** What a round sends with, and what it changes. */
export interface Sender<E extends AnyEntry> {
  mine: Ref<OutboxItem<E>[]>
  aside: Aside<E>
  send: (lot: readonly OutboxItem<E>[]) => Promise<Outcome<E>>
  onTaken?: (items: readonly OutboxItem<E>[]) => Promise<void>
  drop: (items: readonly OutboxItem<E>[]) => Promise<void>
  replace: (items: readonly OutboxItem<E>[]) => Promise<void>
  shutAgainMs: number | null
}

/** Takes in what became of a lot, as far as it is for good. */
async function settle<E extends AnyEntry>(
  { onTaken, drop, replace }: Sender<E>,
  lot: readonly OutboxItem<E>[],
  outcome: Outcome<E>,
): Promise<void> {
  if (outcome.kind === 'taken') {
    await onTaken?.(outcome.items)
    await drop(outcome.items)
    const never = outcome.refused ?? []
    if (never.length > 0) await replace(never.map(({ item, message }) => ({ ...item, refused: message })))
  } else if (outcome.kind === 'refused' && isOneThing(lot)) {
    // Of several states of one thing the last is kept, to be decided on.
    await drop(lot.slice(0, -1))
    await replace([
      { ...lot.at(-1)!, refused: outcome.message, ...(outcome.lacks.length > 0 && { lacks: outcome.lacks }) },
    ])
  }
}

/** The next lot of what nothing holds back, with times set right where the clock is known better now. */
async function nextOf<E extends AnyEntry>(
  { mine, aside, replace }: Sender<E>,
  failed: ReadonlyMap<number, string>,
  suspects: ReadonlySet<number>,
): Promise<OutboxItem<E>[]> {
  const stopped = mine.value.filter(item => failed.has(item.seq) || aside.asideWhy.value.has(item.seq))
  const blocked = new Set(withFollowers(stopped, mine.value))
  const lot = nextLot(
    aside.waiting.value.filter(item => !blocked.has(item)),
    item => aside.triesOf(item.seq) + (suspects.has(item.seq) ? 1 : 0),
  )
  const right = lot.map(item => withTimeRight(item, clockDifferenceMs()))
  const changed = right.filter((item, i) => item !== lot[i])
  if (changed.length > 0) await replace(changed)
  return right
}

/** Why a round ends here, whatever waits; null where it goes on. */
function restAfter<E extends AnyEntry>(outcome: Outcome<E>, waitMs: number, shutAgainMs: number | null): Rest | null {
  if (outcome.kind === 'shut') return { state: 'signed-out', waitMs: shutAgainMs, why: outcome.message }
  if (outcome.kind === 'away') return { state: 'away', waitMs: Math.max(waitMs, outcome.waitMs), why: '' }
  if (outcome.kind === 'taken' && outcome.full)
    return { state: 'full', waitMs: outcome.full.waitMs, why: outcome.full.message }
  return null
}

/** Sends until nothing waits, or until it is no use. @param waitMs how long to wait where it is no use */
export async function sendRound<E extends AnyEntry>(sender: Sender<E>, waitMs: number): Promise<Rest> {
  const { aside } = sender
  /** Of a lot that failed, or that was refused as a whole: each goes alone, so that the one to blame is found. */
  const suspects = new Set<number>()
  const failed = new Map<number, string>()
  let [inARow, anyTaken] = [0, false]
  while (inARow < FAILURES_BEFORE_PAUSE) {
    const lot = await nextOf(sender, failed, suspects)
    if (lot.length === 0) break
    const outcome = await sender.send(lot)
    await settle(sender, lot, outcome)
    const rest = restAfter(outcome, waitMs, sender.shutAgainMs)
    if (rest) return rest
    if (outcome.kind === 'taken') [inARow, anyTaken] = [0, true]
    else if (!isOneThing(lot)) for (const { seq } of lot) suspects.add(seq)
    else if (outcome.kind === 'failed') {
      for (const { seq } of lot) {
        failed.set(seq, outcome.message)
        aside.countTry(seq)
      }
      inARow += 1
    }
  }
  aside.judge(failed, anyTaken)
  return aside.waiting.value.length === 0 ? { state: 'idle', waitMs: 0, why: '' } : { state: 'away', waitMs, why: '' }
}
