import type { DBSchema, IDBPDatabase } from 'idb'
import type { CellWordRecord } from '#shared/cell-word'
import type { FlagAnswerRecord } from '#shared/flag-answer'
import type { SessionRecord, ShotRecord } from '#shared/session'

/** Something entered that the server has not confirmed. Kept in the browser until it has. */
export interface OutboxItem {
  seq: number
  coachId: string
  playerId: string
  entry: { kind: 'session', record: SessionRecord } | { kind: 'shot', record: ShotRecord } | { kind: 'word', record: CellWordRecord } | { kind: 'answer', record: FlagAnswerRecord }
  /** Why the server would not take it; the coach decides what becomes of it. */
  refused?: string
}

interface OutboxSchema extends DBSchema {
  items: { key: number, value: OutboxItem }
}

const BATCH = 200
const FIRST_WAIT_MS = 1500
const LONGEST_WAIT_MS = 30_000

/** Unsent balls, oldest first. They survive a reload, a crash and a night without network. */
export const useOutbox = defineStore('outbox', () => {
  const items = shallowRef<OutboxItem[]>([])
  const state = ref<'idle' | 'sending' | 'away' | 'signed-out'>('idle')
  /** True from a failed try until nothing waits: only then is the coach told, not at every ball. */
  const stuck = ref(false)
  /** False when this browser will not keep anything (a private window): the coach is told. */
  const keeps = ref(true)
  const account = useAccount()

  let opening: Promise<IDBPDatabase<OutboxSchema> | null> | undefined
  let lastSeq = 0
  let waitMs = FIRST_WAIT_MS
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending: Promise<void> | undefined

  function open() {
    return opening ??= import('idb').then(({ openDB }) => openDB<OutboxSchema>('uzzet-outbox', 1, {
      upgrade: db => void db.createObjectStore('items', { keyPath: 'seq' }),
    })).catch((error) => {
      console.error('outbox:', error)
      keeps.value = false
      return null
    })
  }

  const mine = computed(() => items.value.filter(item => item.coachId === account.account?.id))
  const waiting = computed(() => mine.value.filter(item => !item.refused))
  const refused = computed(() => mine.value.filter(item => item.refused))

  let reading: Promise<void> | undefined

  /** Reads what an earlier visit left behind, once; the store is loaded when it is first needed. */
  function ready(): Promise<void> {
    return reading ??= open().then(async (db) => {
      const kept = await db?.getAll('items') ?? []
      const known = new Set(items.value.map(item => item.seq))
      items.value = [...kept.filter(item => !known.has(item.seq)), ...items.value]
    })
  }

  /** Later than the one before, and never the same as another tab's, which would overwrite it. */
  function nextSeq(): number {
    return lastSeq = Math.max(Date.now(), Math.floor(lastSeq) + 1) + Math.random()
  }

  async function add(playerId: string, entry: OutboxItem['entry']): Promise<void> {
    const item: OutboxItem = { seq: nextSeq(), coachId: account.account!.id, playerId, entry: toRaw(entry) }
    items.value = [...items.value, item]
    await (await open())?.put('items', item)
    void send()
  }

  async function drop(done: readonly OutboxItem[]): Promise<void> {
    const seqs = new Set(done.map(item => item.seq))
    items.value = items.value.filter(item => !seqs.has(item.seq))
    const tx = (await open())?.transaction('items', 'readwrite')
    if (tx) await Promise.all([...[...seqs].map(seq => tx.store.delete(seq)), tx.done])
  }

  async function mark(item: OutboxItem, reason: string | undefined): Promise<void> {
    const marked = { ...item, refused: reason }
    items.value = items.value.map(other => other.seq === item.seq ? marked : other)
    await (await open())?.put('items', marked)
  }

  /** The longest run from the front that one request can carry: balls of one player, each ball once. */
  function nextLot(queue: readonly OutboxItem[]): OutboxItem[] {
    const first = queue[0]!
    if (first.entry.kind !== 'shot') return [first]
    const lot: OutboxItem[] = []
    const ids = new Set<string>()
    for (const item of queue) {
      if (item.entry.kind !== 'shot' || item.playerId !== first.playerId || ids.has(item.entry.record.id) || lot.length === BATCH) break
      ids.add(item.entry.record.id)
      lot.push(item)
    }
    return lot
  }

  function put(lot: readonly OutboxItem[]): Promise<unknown> {
    const { playerId, entry } = lot[0]!
    if (entry.kind === 'session') return api(`/api/players/${playerId}/sessions/${entry.record.id}`, { method: 'PUT', body: entry.record })
    if (entry.kind === 'word') return api(`/api/players/${playerId}/words`, { method: 'POST', body: entry.record })
    if (entry.kind === 'answer') return api(`/api/players/${playerId}/answers`, { method: 'POST', body: entry.record })
    return api(`/api/players/${playerId}/shots`, { method: 'POST', body: { shots: lot.map(item => item.entry.record) } })
  }

  async function sendLot(lot: OutboxItem[]): Promise<void> {
    try {
      await put(lot)
      await keepSent(lot[0]!.playerId, lot.map(item => item.entry))
      await drop(lot)
    } catch (error) {
      if (!(error instanceof Refused) || error.status === 401 || error.status === 429 || error.status >= 500) throw error
      // One bad ball must not hold up the others: find it by sending each alone.
      if (lot.length === 1) await mark(lot[0]!, error.message)
      else for (const item of lot) await sendLot([item])
    }
  }

  async function sendAll(): Promise<void> {
    await ready()
    state.value = 'sending'
    try {
      while (waiting.value.length > 0) await sendLot(nextLot(waiting.value))
      state.value = 'idle'
      stuck.value = false
      waitMs = FIRST_WAIT_MS
    } catch (error) {
      const signedOut = error instanceof Refused && error.status === 401
      state.value = signedOut ? 'signed-out' : 'away'
      stuck.value = true
      if (signedOut) return
      timer = setTimeout(() => void send(), waitMs)
      waitMs = Math.min(LONGEST_WAIT_MS, waitMs * 2)
    }
  }

  async function sendInTurn(): Promise<void> {
    // The lock is shared by all tabs of this browser.
    await (navigator.locks ? navigator.locks.request('uzzet-outbox', sendAll) : sendAll())
  }

  /** Sends what waits; one sender at a time, also across tabs, since order matters. */
  function send(): Promise<void> {
    if (!account.account) return Promise.resolve()
    clearTimeout(timer)
    return sending ??= sendInTurn().finally(() => {
      sending = undefined
      if (state.value === 'idle' && waiting.value.length > 0) void send()
    })
  }

  if (import.meta.client) {
    useEventListener(window, 'online', () => {
      waitMs = FIRST_WAIT_MS
      void send()
    })
  }

  return { mine, waiting, refused, state, stuck, keeps, ready, add, send, retry: (item: OutboxItem) => mark(item, undefined).then(send), discard: (item: OutboxItem) => drop([item]) }
})
