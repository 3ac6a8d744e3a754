import { useOwnOutbox } from '~/offline/stores/own-outbox'
import type { OwnEntry } from '~/offline/outbox/entries'

type DocumentKind = 'own-go' | 'own-round'
type DocumentOf<K extends DocumentKind> = Extract<OwnEntry, { kind: K }>['record']

/** A document that the player's own phone made: by which link. */
interface OwnDocument<T> {
  link: string
  go: T
}

/**
 * Documents of the player's own phone: kept here at once, for as long as this phone shows them, and sent like its
 * balls.
 * @param place what they are kept under on this phone
 */
export function useOwnDocuments<K extends DocumentKind>(kind: K, place: string, mark: Ref<string>) {
  type T = DocumentOf<K>
  const serializer = {
    read: (text: string) => JSON.parse(text) as OwnDocument<T>[],
    write: (value: OwnDocument<T>[]) => JSON.stringify(value),
  }
  const kept = useLocalStorage<OwnDocument<T>[]>(place, [], { serializer, shallow: true })
  const outbox = useOwnOutbox()
  const queue = computed(() => outbox.of(mark.value))
  const refusedItems = computed(() => queue.value.refused.value.filter(({ entry }) => entry.kind === kind))
  const unsent = computed(
    () => new Set(queue.value.mine.value.filter(({ entry }) => entry.kind === kind).map(item => item.entry.record.id)),
  )
  const own = computed(() => kept.value.filter(({ link }) => link === mark.value))
  const refused = computed(() =>
    refusedItems.value.map(({ seq, entry, refused: why }) => ({ seq, document: entry.record as T, why })),
  )
  const waiting = computed(() => {
    const never = new Set(refusedItems.value.map(({ entry }) => entry.record.id))
    return [...unsent.value].filter(id => !never.has(id)).length
  })
  const failure = computed(() => {
    const { state, stuck, why } = queue.value
    if (!stuck.value || waiting.value === 0) return ''
    return why.value || (state.value === 'away' ? 'No connection: sent by itself later.' : '')
  })

  function add(document: T): void {
    kept.value = [...kept.value.filter(({ go }) => go.id !== document.id), { link: mark.value, go: document }]
    void queue.value.add('', { kind, record: document } as OwnEntry)
  }

  /** What is sent and done with need not be kept here any more. */
  const letGo = (isDone: (document: T) => boolean): void => {
    if (!outbox.tookOver) return
    kept.value = kept.value.filter(({ go }) => unsent.value.has(go.id) || !isDone(go))
  }
  /** One that was refused goes, by the player's word; no other. */
  async function discard(seq: number): Promise<void> {
    const item = refusedItems.value.find(one => one.seq === seq)
    if (!item) return
    await queue.value.discard(item)
    kept.value = kept.value.filter(({ go }) => go.id !== item.entry.record.id)
  }
  const retry = (seq: number) => {
    const item = refusedItems.value.find(one => one.seq === seq)
    return item && queue.value.retry(item)
  }
  return { own, waiting, refused, failure, add, send: () => queue.value.sendNow(), letGo, retry, discard }
}
