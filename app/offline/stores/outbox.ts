import { useOutboxItems } from '~/offline/stores/outbox-items'
import { clockDifferenceMs, isClockKnown } from '~/offline/server-clock'
import { keepSent } from '~/offline/kept'
import { attempt, type Outcome } from '~/offline/outbox-post'
import {
  nextLot,
  withFollowers,
  withTimeRight,
  type Entry,
  type Lacking,
  type OutboxItem,
} from '~/offline/outbox-queue'
import { useAccount } from '~/offline/stores/account'

const FIRST_WAIT_MS = 1500
const LONGEST_WAIT_MS = 30_000
/** An entry that failed alone so often, once at least while others were taken, steps aside. */
const TRIES_BEFORE_ASIDE = 3
/**
 * Failures one after the other, none taken in between, after which it is no fault of the entries: the next try begins
 * with others.
 */
const FAILURES_BEFORE_PAUSE = 4
/** What stepped aside is tried again by itself now and then. */
const ASIDE_AGAIN_MS = 600_000

const FOLLOWS = 'It waits for one before it that did not get through.'

/** Unsent entries, oldest first. They survive a reload, a crash and a night without network. */
export const useOutbox = defineStore('outbox', () => {
  const { items, keeps, ready, append, drop: letGo, replace, offerAgain } = useOutboxItems()
  const state = ref<'idle' | 'sending' | 'away' | 'signed-out'>('idle')
  /** True from a failed try until nothing waits: only then is the coach told, not at every ball. */
  const stuck = ref(false)
  /** Entries that stepped aside so that others could go, and why. Kept like all others. */
  const asideWhy = shallowRef<ReadonlyMap<number, string>>(new Map())
  const account = useAccount()

  /** How often an entry failed alone, and those that did while others were taken. */
  const tries = new Map<number, number>()
  const failedBeside = new Set<number>()
  let waitMs = FIRST_WAIT_MS
  let timer: ReturnType<typeof setTimeout> | undefined
  let asideTimer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  const mine = computed(() => items.value.filter(item => item.coachId === account.account?.id))
  const waiting = computed(() => mine.value.filter(item => !item.refused && !asideWhy.value.has(item.seq)))
  const refused = computed(() => mine.value.filter(item => item.refused))
  const aside = computed(() => mine.value.filter(item => !item.refused && asideWhy.value.has(item.seq)))

  async function add(playerId: string, entry: Entry): Promise<void> {
    await append({
      coachId: account.account!.id,
      playerId,
      entry: toRaw(entry),
      clockMs: isClockKnown() ? clockDifferenceMs() : null,
    })
    void send()
  }

  function forgetTries(seq: number): void {
    tries.delete(seq)
    failedBeside.delete(seq)
  }

  async function drop(done: readonly OutboxItem[]): Promise<void> {
    for (const { seq } of done) forgetTries(seq)
    await letGo(done)
  }

  /** Entries that fail while others are taken step aside: they hold up nothing, and stay. */
  function stepAside(list: readonly OutboxItem[], why: string): void {
    const followers = withFollowers(list, waiting.value)
    const next = new Map(asideWhy.value)
    for (const item of followers) next.set(item.seq, list.includes(item) ? why : FOLLOWS)
    asideWhy.value = next
    clearTimeout(asideTimer)
    asideTimer = setTimeout(comeBack, ASIDE_AGAIN_MS)
  }

  function comeBack(): void {
    for (const seq of asideWhy.value.keys()) forgetTries(seq)
    asideWhy.value = new Map()
    void send()
  }

  /** Takes in what became of a lot, as far as it is for good. */
  async function settle(lot: readonly OutboxItem[], outcome: Outcome): Promise<void> {
    if (outcome.kind === 'taken') {
      await keepSent(
        lot[0]!.playerId,
        outcome.items.map(item => item.entry),
      )
      await drop(outcome.items)
    } else if (outcome.kind === 'refused' && lot.length === 1) {
      await replace([
        { ...lot[0]!, refused: outcome.message, ...(outcome.lacks.length > 0 && { lacks: outcome.lacks }) },
      ])
    }
  }

  /** The next lot, with times set right where the clock is known better now. */
  async function take(from: readonly OutboxItem[], triesOf: (item: OutboxItem) => number): Promise<OutboxItem[]> {
    const lot = nextLot(from, triesOf)
    const right = lot.map(item => withTimeRight(item, clockDifferenceMs()))
    const changed = right.filter((item, i) => item !== lot[i])
    if (changed.length > 0) await replace(changed)
    return right
  }

  /** After a round: what failed alone again and again, while others were taken, steps aside. */
  function judge(failed: ReadonlyMap<number, string>, anyTaken: boolean): void {
    for (const seq of failed.keys()) if (anyTaken) failedBeside.add(seq)
    const hopeless = waiting.value.filter(
      ({ seq }) => failed.has(seq) && failedBeside.has(seq) && (tries.get(seq) ?? 0) >= TRIES_BEFORE_ASIDE,
    )
    for (const item of hopeless) stepAside([item], failed.get(item.seq)!)
    // What was entered since cannot go before what stepped aside either.
    const behind = withFollowers(
      aside.value,
      [...aside.value, ...waiting.value].sort((a, b) => a.seq - b.seq),
    ).filter(item => !asideWhy.value.has(item.seq))
    if (behind.length > 0) stepAside(behind, FOLLOWS)
  }

  /**
   * Sends until nothing waits, or until it is no use. @returns how long to wait, 0 when all went, null when signed
   * out
   */
  async function sendRound(): Promise<number | null> {
    /** Of a lot that failed, or that was refused as a whole: each goes alone, so that the one to blame is found. */
    const suspects = new Set<number>()
    const failed = new Map<number, string>()
    let [inARow, anyTaken] = [0, false]
    for (;;) {
      const stopped = mine.value.filter(item => failed.has(item.seq) || asideWhy.value.has(item.seq))
      const blocked = new Set(withFollowers(stopped, mine.value))
      const lot = await take(
        waiting.value.filter(item => !blocked.has(item)),
        item => (tries.get(item.seq) ?? 0) + (suspects.has(item.seq) ? 1 : 0),
      )
      if (lot.length === 0) break
      const outcome = await attempt(lot)
      await settle(lot, outcome)
      if (outcome.kind === 'signed-out') return null
      if (outcome.kind === 'away') return Math.max(waitMs, outcome.waitMs)
      if (outcome.kind === 'taken') [inARow, anyTaken] = [0, true]
      else if (lot.length > 1) for (const { seq } of lot) suspects.add(seq)
      else if (outcome.kind === 'failed') {
        const [{ seq }] = lot as [OutboxItem]
        failed.set(seq, outcome.message)
        tries.set(seq, (tries.get(seq) ?? 0) + 1)
        inARow += 1
        if (inARow >= FAILURES_BEFORE_PAUSE) break
      }
    }
    judge(failed, anyTaken)
    return waiting.value.length === 0 ? 0 : waitMs
  }

  async function sendAll(): Promise<void> {
    await ready()
    state.value = 'sending'
    const wait = await sendRound()
    if (wait === 0) {
      state.value = 'idle'
      stuck.value = false
      waitMs = FIRST_WAIT_MS
      return
    }
    pause(wait)
  }

  /** @param wait milliseconds until the next try; null when it is for the coach to sign in */
  function pause(wait: number | null): void {
    state.value = wait === null ? 'signed-out' : 'away'
    stuck.value = true
    if (wait === null) return
    timer = setTimeout(() => void send(), wait)
    waitMs = Math.min(LONGEST_WAIT_MS, waitMs * 2)
  }

  async function sendInTurn(): Promise<void> {
    // The lock is shared by all tabs of this browser.
    await (navigator.locks ? navigator.locks.request('uzzet-outbox', sendAll) : sendAll())
  }

  /** Sends what waits; one sender at a time, also across tabs, since order matters. */
  function send(): Promise<void> {
    if (!account.account) return Promise.resolve()
    clearTimeout(timer)
    return (sending ??= sendInTurn()
      .catch((error: unknown) => {
        // A fault of this page's own: what was entered is kept, and tried again, not at once.
        console.error('outbox:', error)
        pause(waitMs)
      })
      .finally(() => {
        sending = undefined
        if (state.value === 'idle' && waiting.value.length > 0) void send()
      }))
  }

  /** Everything that was refused or stepped aside is tried once more. */
  async function sendAllAgain(): Promise<void> {
    await replace(refused.value.map(({ refused: _, lacks: __, ...item }) => item))
    comeBack()
  }

  async function retry(item: OutboxItem): Promise<void> {
    const { refused: _, lacks: __, ...again } = item
    forgetTries(item.seq)
    asideWhy.value = new Map([...asideWhy.value].filter(([seq]) => seq !== item.seq))
    await replace([again])
    await send()
  }

  /** Refused balls with other belongings: another club, another swing length, another session. */
  async function give(list: readonly OutboxItem[], to: Partial<Record<Lacking, string>>): Promise<void> {
    await replace(
      list.map(({ refused: _, lacks: __, ...item }) =>
        item.entry.kind === 'shot'
          ? { ...item, entry: { kind: 'shot', record: { ...item.entry.record, ...to } } }
          : item,
      ),
    )
    await send()
  }

  if (import.meta.client) {
    useEventListener(window, 'online', () => {
      waitMs = FIRST_WAIT_MS
      comeBack()
    })
    useEventListener(document, 'visibilitychange', () => {
      if (document.visibilityState !== 'visible') return
      void offerAgain()
      // Somebody may have signed in on another page of this browser.
      if (state.value === 'signed-out') void send()
    })
  }

  return {
    mine,
    waiting,
    refused,
    aside,
    asideWhy,
    state,
    stuck,
    keeps,
    ready,
    add,
    send,
    sendAllAgain,
    retry,
    give,
    discard: (item: OutboxItem) => drop([item]),
  }
})
