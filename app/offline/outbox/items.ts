import type { DBSchema } from 'idb'
import { ref, shallowRef, toRaw } from 'vue'
import { browserStore } from '~/offline/browser-store'
import type { AnyEntry, OutboxItem } from '~/offline/outbox/entries'

type AnyItem = OutboxItem<AnyEntry>
/** As earlier versions of the program kept it. */
type OldItem = Omit<AnyItem, 'by'> & { coachId: string }

interface OutboxSchema extends DBSchema {
  items: { key: number; value: AnyItem | OldItem }
}

function asNow(item: AnyItem | OldItem): AnyItem {
  if ('by' in item) return item
  const { coachId, ...rest } = item
  return { ...rest, by: coachId }
}

/**
 * What was entered and is not on the server yet, on this page and in this browser's store, oldest first: the coaches'
 * and the players' own.
 */
export function useOutboxItems() {
  const items = shallowRef<AnyItem[]>([])
  /** False while this browser will not keep anything (a private window, no room): whoever enters is told. */
  const keeps = ref(true)

  const store = browserStore<OutboxSchema>('uzzet-outbox', db => void db.createObjectStore('items', { keyPath: 'seq' }))
  /** Not in this browser's store, or not yet: they are on this page alone. */
  const unkept = new Set<number>()
  let lastSeq = 0

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

  /** Puts it into the store; and with it what the store would not take before. */
  async function keepItems(list: readonly AnyItem[]): Promise<void> {
    for (const { seq } of list) unkept.add(seq)
    await keeping(async db => {
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
    const kept = (await keeping(db => db.getAll('items')))?.map(asNow)
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
    return (lastSeq = Math.max(Date.now(), Math.floor(lastSeq) + 1) + Math.random())
  }

  /** Lets go of what is done with. */
  async function drop(done: readonly AnyItem[]): Promise<void> {
    const seqs = new Set(done.map(item => item.seq))
    for (const seq of seqs) {
      unkept.delete(seq)
      gone.add(seq)
    }
    items.value = items.value.filter(item => !seqs.has(item.seq))
    await keeping(async db => {
      const tx = db.transaction('items', 'readwrite')
      await Promise.all([...[...seqs].map(seq => tx.store.delete(seq)), tx.done])
      for (const seq of seqs) gone.delete(seq)
    })
  }

  /** Puts other versions of entries in their places. */
  async function replace(changed: readonly AnyItem[]): Promise<void> {
    const bySeq = new Map(changed.map(item => [item.seq, item]))
    items.value = items.value.map(item => bySeq.get(item.seq) ?? item)
    await keepItems(changed)
  }

  /**
   * More of them, kept at once.
   * @returns false when they are on this page alone
   */
  async function append(...list: readonly Omit<AnyItem, 'seq'>[]): Promise<boolean> {
    const added = list.map(item => ({ seq: nextSeq(), ...item }))
    items.value = [...items.value, ...added]
    await keepItems(added)
    return added.every(({ seq }) => !unkept.has(seq))
  }

  /** A phone that slept may have lost its store: what it would not take is offered again. */
  async function offerAgain(): Promise<void> {
    if (unkept.size > 0) await keepItems([])
  }

  return { items, keeps, ready, append, drop, replace, offerAgain }
}

export type OutboxItems = ReturnType<typeof useOutboxItems>
