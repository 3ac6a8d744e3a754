import type { DBSchema } from 'idb'
import { browserStore } from '~/utils/browser-store'
import { clockDifferenceMs, isClockKnown } from '~/utils/server-clock'
import { keepSent } from '~/utils/kept'
import { api, NotOurs, Refused, Unreachable } from '~/composables/useApi'
import { lackingOf, nextLot, withFollowers, withTimeRight, type Entry, type Lacking, type OutboxItem } from '~/utils/outbox-queue'

interface OutboxSchema extends DBSchema {
  items: { key: number, value: OutboxItem }
}

const FIRST_WAIT_MS = 1500
const LONGEST_WAIT_MS = 30_000
/** An entry that failed alone so often, once at least while others were taken, steps aside. */
const TRIES_BEFORE_ASIDE = 3
/** Failures one after the other, none taken in between, after which it is no fault of the entries: the next try begins with others. */
const FAILURES_BEFORE_PAUSE = 4
/** What stepped aside is tried again by itself now and then. */
const ASIDE_AGAIN_MS = 600_000

const FOLLOWS = 'It waits for one before it that did not get through.'

/** What became of a lot. */
type Outcome
  = | { kind: 'taken', items: OutboxItem[] }
    /** Our server will never take it. */
    | { kind: 'refused', message: string, lacks: Lacking[] }
    /** Somebody failed at it: our server, or a proxy. It may be the entry, or the moment. */
    | { kind: 'failed', message: string, waitMs: number }
    /** Nobody answers. */
    | { kind: 'away', waitMs: number }
    | { kind: 'signed-out' }

/** Statuses by which a server or proxy says that it is not a matter of what was sent. */
const OF_THE_MOMENT = [408, 425, 429, 502, 503, 504]

/** Unsent entries, oldest first. They survive a reload, a crash and a night without network. */
export const useOutbox = defineStore('outbox', () => {
  const items = shallowRef<OutboxItem[]>([])
  const state = ref<'idle' | 'sending' | 'away' | 'signed-out'>('idle')
  /** True from a failed try until nothing waits: only then is the coach told, not at every ball. */
  const stuck = ref(false)
  /** False while this browser will not keep anything (a private window, no room): the coach is told. */
  const keeps = ref(true)
  /** Entries that stepped aside so that others could go, and why. Kept like all others. */
  const asideWhy = shallowRef<ReadonlyMap<number, string>>(new Map())
  const account = useAccount()

  const store = browserStore<OutboxSchema>('uzzet-outbox', db => void db.createObjectStore('items', { keyPath: 'seq' }))
  /** Not in this browser's store, or not yet: they are on this page alone. */
  const unkept = new Set<number>()
  /** How often an entry failed alone, and those that did while others were taken. */
  const tries = new Map<number, number>()
  const failedBeside = new Set<number>()
  let lastSeq = 0
  let waitMs = FIRST_WAIT_MS
  let timer: ReturnType<typeof setTimeout> | undefined
  let asideTimer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  /** Works with the store; when the browser will not, says so, and holds up nothing that is under way. */
  async function keeping<T>(work: Parameters<typeof store.use<T>>[0]): Promise<T | undefined> {
    try {
      return await store.use(work)
    } catch (error) {
      console.error('outbox:', error)
      keeps.value = false
      return undefined
    }
  }

  const mine = computed(() => items.value.filter(item => item.coachId === account.account?.id))
  const waiting = computed(() => mine.value.filter(item => !item.refused && !asideWhy.value.has(item.seq)))
  const refused = computed(() => mine.value.filter(item => item.refused))
  const aside = computed(() => mine.value.filter(item => !item.refused && asideWhy.value.has(item.seq)))

  /** Puts it into the store; and with it what the store would not take before. */
  async function keepItems(list: readonly OutboxItem[]): Promise<void> {
    for (const { seq } of list) unkept.add(seq)
    await keeping(async (db) => {
      // Looked up with the store open: what was sent and let go of meanwhile is not put back.
      const missing = items.value.filter(item => unkept.has(item.seq))
      const tx = db.transaction('items', 'readwrite')
      await Promise.all([...missing.map(item => tx.store.put(toRaw(item))), tx.done])
      for (const { seq } of missing) unkept.delete(seq)
      keeps.value = true
    })
  }

  /** Takes in what the store holds: what an earlier visit left behind, what another tab entered, and what it sent. */
  async function ready(): Promise<void> {
    const kept = await keeping(db => db.getAll('items'))
    if (!kept) return
    const inStore = new Set(kept.map(item => item.seq))
    const known = new Set(items.value.map(item => item.seq))
    const fresh = kept.filter(item => !known.has(item.seq) && !gone.has(item.seq))
    const left = items.value.filter(item => inStore.has(item.seq) || unkept.has(item.seq))
    if (fresh.length === 0 && left.length === items.value.length) return
    items.value = [...fresh, ...left].sort((a, b) => a.seq - b.seq)
  }

  /** Done with, although the store could not let go of them: they are not taken in again. */
  const gone = new Set<number>()

  /** Later than the one before, and never the same as another tab's, which would overwrite it. */
  function nextSeq(): number {
    return lastSeq = Math.max(Date.now(), Math.floor(lastSeq) + 1) + Math.random()
  }

  async function add(playerId: string, entry: Entry): Promise<void> {
    const item: OutboxItem = { seq: nextSeq(), coachId: account.account!.id, playerId, entry: toRaw(entry), clockMs: isClockKnown() ? clockDifferenceMs() : null }
    items.value = [...items.value, item]
    await keepItems([item])
    void send()
  }

  function forgetTries(seq: number): void {
    tries.delete(seq)
    failedBeside.delete(seq)
  }

  async function drop(done: readonly OutboxItem[]): Promise<void> {
    const seqs = new Set(done.map(item => item.seq))
    for (const seq of seqs) {
      unkept.delete(seq)
      forgetTries(seq)
      gone.add(seq)
    }
    items.value = items.value.filter(item => !seqs.has(item.seq))
    await keeping(async (db) => {
      const tx = db.transaction('items', 'readwrite')
      await Promise.all([...[...seqs].map(seq => tx.store.delete(seq)), tx.done])
      for (const seq of seqs) gone.delete(seq)
    })
  }

  /** Puts other versions of entries in their places. */
  async function replace(changed: readonly OutboxItem[]): Promise<void> {
    const bySeq = new Map(changed.map(item => [item.seq, item]))
    items.value = items.value.map(item => bySeq.get(item.seq) ?? item)
    await keepItems(changed)
  }

  function put({ playerId, entry }: OutboxItem, lot: readonly OutboxItem[]): Promise<{ taken?: unknown } | undefined> {
    const base = `/api/players/${playerId}`
    if (entry.kind === 'session') return api(`${base}/sessions/${entry.record.id}`, { method: 'PUT', body: entry.record })
    if (entry.kind === 'word') return api(`${base}/words`, { method: 'POST', body: entry.record })
    if (entry.kind === 'answer') return api(`${base}/answers`, { method: 'POST', body: entry.record })
    return api(`${base}/shots`, { method: 'POST', body: { shots: lot.map(item => item.entry.record) } })
  }

  /** The server's answer names what it took; one that does not is not its. @returns ids */
  async function post(lot: readonly OutboxItem[]): Promise<unknown[]> {
    const taken = (await put(lot[0]!, lot))?.taken
    if (!Array.isArray(taken)) throw new NotOurs(200)
    return taken
  }

  async function attempt(lot: readonly OutboxItem[]): Promise<Outcome> {
    try {
      const taken = new Set(await post(lot))
      const done = lot.filter(item => taken.has(item.entry.record.id))
      return done.length > 0 ? { kind: 'taken', items: done } : { kind: 'failed', message: 'The server did not say that it has it.', waitMs: 0 }
    } catch (error) {
      if (error instanceof Refused) {
        const { status, message, errors, retryAfterMs } = error
        if (status === 401) return { kind: 'signed-out' }
        if (OF_THE_MOMENT.includes(status)) return { kind: 'away', waitMs: retryAfterMs }
        return status >= 500 ? { kind: 'failed', message, waitMs: retryAfterMs } : { kind: 'refused', message, lacks: lackingOf(errors.map(({ field }) => field)) }
      }
      if (error instanceof NotOurs) return OF_THE_MOMENT.includes(error.status) ? { kind: 'away', waitMs: 0 } : { kind: 'failed', message: error.message, waitMs: 0 }
      if (error instanceof Unreachable) return { kind: 'away', waitMs: 0 }
      throw error
    }
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
      await keepSent(lot[0]!.playerId, outcome.items.map(item => item.entry))
      await drop(outcome.items)
    } else if (outcome.kind === 'refused' && lot.length === 1) {
      await replace([{ ...lot[0]!, refused: outcome.message, ...(outcome.lacks.length > 0 && { lacks: outcome.lacks }) }])
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
    const hopeless = waiting.value.filter(({ seq }) => failed.has(seq) && failedBeside.has(seq) && (tries.get(seq) ?? 0) >= TRIES_BEFORE_ASIDE)
    for (const item of hopeless) stepAside([item], failed.get(item.seq)!)
    // What was entered since cannot go before what stepped aside either.
    const behind = withFollowers(aside.value, [...aside.value, ...waiting.value].sort((a, b) => a.seq - b.seq)).filter(item => !asideWhy.value.has(item.seq))
    if (behind.length > 0) stepAside(behind, FOLLOWS)
  }

  /** Sends until nothing waits, or until it is no use. @returns how long to wait, 0 when all went, null when signed out */
  async function sendRound(): Promise<number | null> {
    /** Of a lot that failed, or that was refused as a whole: each goes alone, so that the one to blame is found. */
    const suspects = new Set<number>()
    const failed = new Map<number, string>()
    let [inARow, anyTaken] = [0, false]
    for (;;) {
      const stopped = mine.value.filter(item => failed.has(item.seq) || asideWhy.value.has(item.seq))
      const blocked = new Set(withFollowers(stopped, mine.value))
      const lot = await take(waiting.value.filter(item => !blocked.has(item)), item => (tries.get(item.seq) ?? 0) + (suspects.has(item.seq) ? 1 : 0))
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
    return sending ??= sendInTurn().catch((error) => {
      // A fault of this page's own: what was entered is kept, and tried again, not at once.
      console.error('outbox:', error)
      pause(waitMs)
    }).finally(() => {
      sending = undefined
      if (state.value === 'idle' && waiting.value.length > 0) void send()
    })
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
    await replace(list.map(({ refused: _, lacks: __, ...item }) => item.entry.kind === 'shot' ? { ...item, entry: { kind: 'shot', record: { ...item.entry.record, ...to } } } : item))
    await send()
  }

  if (import.meta.client) {
    useEventListener(window, 'online', () => {
      waitMs = FIRST_WAIT_MS
      comeBack()
    })
    // A phone that slept may have lost its store: what it would not take is offered again.
    useEventListener(document, 'visibilitychange', () => void (document.visibilityState === 'visible' && unkept.size > 0 && keepItems([])))
  }

  return { mine, waiting, refused, aside, asideWhy, state, stuck, keeps, ready, add, send, sendAllAgain, retry, give, discard: (item: OutboxItem) => drop([item]) }
})
