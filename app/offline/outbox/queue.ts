import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, toRaw } from 'vue'
import { clockDifferenceMs, isClockKnown } from '~/offline/server-clock'
import {
  isOneThing,
  nextLot,
  withFollowers,
  withTimeRight,
  type AnyEntry,
  type OutboxItem,
} from '~/offline/outbox/entries'
import type { OutboxItems } from '~/offline/outbox/items'
import type { Outcome } from '~/offline/outbox/outcome'

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

type QueueState = 'idle' | 'sending' | 'away' | 'signed-out' | 'full'
interface Rest {
  state: QueueState
  waitMs: number | null
}

/** Whose entries a queue sends, and how. */
export interface QueueOf<E extends AnyEntry> {
  /** The coach's id, or the mark of a link; nothing while nobody is signed in. */
  by: () => string | undefined
  maySend: () => boolean
  send: (lot: readonly OutboxItem<E>[]) => Promise<Outcome<E>>
  /** Before what was taken goes from here. */
  onTaken?: (items: readonly OutboxItem<E>[]) => Promise<void>
  /** One sender at a time, in all tabs of this browser. */
  lock: string
  /** How long until the next try when the sender is not let in; null when that is for somebody to mend first. */
  shutAgainMs: number | null
}

/**
 * What was entered by somebody, oldest first, on its way to the server: nothing goes before what it depends on, what
 * fails by itself holds up nothing else, what is refused waits for a word. It survives a reload, a crash and a night
 * without a network.
 * @param box where all of this browser's entries are
 */
export function makeQueue<E extends AnyEntry>(box: OutboxItems, of: QueueOf<E>) {
  type Item = OutboxItem<E>
  const { items, keeps, ready, append, drop: letGo, replace, offerAgain } = box
  const state = ref<QueueState>('idle')
  /** Why the sender is not let in, or the rest has to wait, in the server's words. */
  const why = ref('')
  /** True from a failed try until nothing waits: only then is it told, not at every ball. */
  const stuck = ref(false)
  /** Entries that stepped aside so that others could go, and why. Kept like all others. */
  const asideWhy = shallowRef<ReadonlyMap<number, string>>(new Map())

  // Whoever enters says what: a coach's entries are a coach's, a link's a link's.
  const mine = computed(() => items.value.filter(item => item.by === of.by()) as unknown as Item[])
  const waiting = computed(() => mine.value.filter(item => !item.refused && !asideWhy.value.has(item.seq)))
  const refused = computed(() => mine.value.filter(item => item.refused))
  const aside = computed(() => mine.value.filter(item => !item.refused && asideWhy.value.has(item.seq)))

  /** How often an entry failed alone, and those that did while others were taken. */
  const tries = new Map<number, number>()
  const failedBeside = new Set<number>()
  let waitMs = FIRST_WAIT_MS
  let timer: ReturnType<typeof setTimeout> | undefined
  let asideTimer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  async function add(playerId: string, entry: E): Promise<void> {
    await append({
      by: of.by()!,
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

  async function drop(done: readonly Item[]): Promise<void> {
    for (const { seq } of done) forgetTries(seq)
    await letGo(done)
  }

  /** Entries that fail while others are taken step aside: they hold up nothing, and stay. */
  function stepAside(list: readonly Item[], why: string): void {
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
  async function settle(lot: readonly Item[], outcome: Outcome<E>): Promise<void> {
    if (outcome.kind === 'taken') {
      await of.onTaken?.(outcome.items)
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

  /** The next lot, with times set right where the clock is known better now. */
  async function take(from: readonly Item[], triesOf: (item: Item) => number): Promise<Item[]> {
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

  /** Sends until nothing waits, or until it is no use. @returns what it is left in, and how long to wait */
  async function sendRound(): Promise<Rest> {
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
      const outcome = await of.send(lot)
      await settle(lot, outcome)
      why.value = outcome.kind === 'shut' ? outcome.message : (outcome.kind === 'taken' && outcome.full?.message) || ''
      if (outcome.kind === 'shut') return { state: 'signed-out', waitMs: of.shutAgainMs }
      if (outcome.kind === 'away') return { state: 'away', waitMs: Math.max(waitMs, outcome.waitMs) }
      if (outcome.kind === 'taken' && outcome.full) return { state: 'full', waitMs: outcome.full.waitMs }
      if (outcome.kind === 'taken') [inARow, anyTaken] = [0, true]
      else if (!isOneThing(lot)) for (const { seq } of lot) suspects.add(seq)
      else if (outcome.kind === 'failed') {
        for (const { seq } of lot) {
          failed.set(seq, outcome.message)
          tries.set(seq, (tries.get(seq) ?? 0) + 1)
        }
        inARow += 1
        if (inARow >= FAILURES_BEFORE_PAUSE) break
      }
    }
    judge(failed, anyTaken)
    return waiting.value.length === 0 ? { state: 'idle', waitMs: 0 } : { state: 'away', waitMs }
  }

  async function sendAll(): Promise<void> {
    await ready()
    state.value = 'sending'
    const rest = await sendRound()
    state.value = rest.state
    if (rest.state === 'idle') {
      stuck.value = false
      waitMs = FIRST_WAIT_MS
    } else pause(rest.waitMs)
  }

  /** @param wait milliseconds until the next try; null when it waits for somebody to sign in */
  function pause(wait: number | null): void {
    stuck.value = true
    if (wait === null) return
    timer = setTimeout(() => void send(), wait)
    waitMs = Math.min(LONGEST_WAIT_MS, waitMs * 2)
  }

  async function sendInTurn(): Promise<void> {
    // The lock is shared by all tabs of this browser.
    await (navigator.locks ? navigator.locks.request(of.lock, sendAll) : sendAll())
  }

  /** Sends what waits; one sender at a time, also across tabs, since order matters. */
  function send(): Promise<void> {
    if (!of.maySend()) return Promise.resolve()
    clearTimeout(timer)
    return (sending ??= sendInTurn()
      .catch((error: unknown) => {
        // A fault of this page's own: what was entered is kept, and tried again, not at once.
        console.error('outbox:', error)
        state.value = 'away'
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

  async function retry(item: Item): Promise<void> {
    const { refused: _, lacks: __, ...again } = item
    forgetTries(item.seq)
    asideWhy.value = new Map([...asideWhy.value].filter(([seq]) => seq !== item.seq))
    await replace([again])
    await send()
  }

  /** The network is back, or somebody asks for it: at once, and all that stepped aside too. */
  function sendNow(): void {
    waitMs = FIRST_WAIT_MS
    comeBack()
  }

  if (import.meta.client) {
    useEventListener(window, 'online', sendNow)
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
    why,
    stuck,
    keeps,
    ready,
    add,
    send,
    sendNow,
    sendAllAgain,
    retry,
    replace,
    discard: (item: Item) => drop([item]),
  }
}

export type Queue<E extends AnyEntry> = ReturnType<typeof makeQueue<E>>
