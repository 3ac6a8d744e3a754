import { useLocalStorage } from '@vueuse/core'
import { effectScope, ref } from 'vue'
import type { GoRecord } from '#shared/schemas/practice'
import type { OwnBall } from '#shared/schemas/player-link'
import type { RoundRecord } from '#shared/schemas/rounds'
import type { AnyEntry, OutboxItem, OwnEntry } from '~/offline/outbox/entries'
import { useOutboxItems } from '~/offline/outbox/items'
import { postByLink } from '~/offline/outbox/own-post'
import { makeQueue, type Queue } from '~/offline/outbox/queue'

/** Tokens of the links that this phone was given, by their mark: a phone may carry the charts of two players. */
type Links = Record<string, string>

/** As versions before this one kept what waits, in this browser's local storage. */
interface OldBall extends OwnBall {
  link?: string
  clockMs?: number | null
  refused?: string
}
interface OldDocument {
  link: string
  go: GoRecord | RoundRecord
  sent?: boolean
  refused?: string
}
const OLD = { balls: 'uzzet-own-balls', goes: 'uzzet-own-goes', rounds: 'uzzet-own-rounds' }
/** Documents stay in their places, to be shown: this says that what waited of them was taken over. */
const TAKEN_OVER = 'uzzet-own-outbox'

type OldItem = Omit<OutboxItem<AnyEntry>, 'seq'>

function oldList<T>(place: string): T[] {
  try {
    const list = JSON.parse(localStorage.getItem(place) ?? '[]') as unknown
    return Array.isArray(list) ? (list as T[]) : []
  } catch {
    // Nothing of ours can be read there.
    return []
  }
}

const oldBalls = (mark: string): OldItem[] =>
  oldList<OldBall>(OLD.balls).map(({ link = mark, clockMs = null, refused, ...record }) => ({
    by: link,
    playerId: '',
    entry: { kind: 'own-ball', record },
    clockMs,
    ...(refused !== undefined && { refused }),
  }))

const oldDocuments = (place: string, kind: 'own-go' | 'own-round'): OldItem[] =>
  oldList<OldDocument>(place)
    .filter(({ sent }) => sent === false)
    .map(({ link, go, refused }) => ({
      by: link,
      playerId: '',
      entry: { kind, record: go } as OwnEntry,
      ...(refused !== undefined && { refused }),
    }))

/** What was entered on a player's own phone, by each of its links, and the server has not confirmed. */
export const useOwnOutbox = defineStore('own-outbox', () => {
  const links = useLocalStorage<Links>('uzzet-card-links', {})
  const box = useOutboxItems()
  const queues = new Map<string, Queue<OwnEntry>>()
  // A queue outlives the component that asks for it first.
  const scope = effectScope(true)

  /** The queue of a link: one that is revoked or full holds up no other's. */
  function of(mark: string): Queue<OwnEntry> {
    const known = queues.get(mark)
    if (known) return known
    const made = scope.run(() =>
      makeQueue<OwnEntry>(box, {
        by: () => mark,
        maySend: () => Boolean(links.value[mark]),
        send: lot => postByLink(lot, links.value[mark]!),
        lock: `uzzet-outbox-${mark}`,
        shutAgainMs: 600_000,
      }),
    )!
    queues.set(mark, made)
    return made
  }

  /** False until what an earlier version left waiting is here: what is kept of it must stay until then. */
  const tookOver = ref(false)

  /**
   * Takes over what an earlier version of the program left waiting: it goes from its old place when it is kept in the
   * new one, and not before.
   * @param mark of the link that is open: balls of the oldest version say none
   */
  async function takeOver(mark: string): Promise<void> {
    await box.ready()
    const known = new Set(box.items.value.map(({ entry }) => entry.record.id))
    const documents =
      localStorage.getItem(TAKEN_OVER) === null
        ? [...oldDocuments(OLD.goes, 'own-go'), ...oldDocuments(OLD.rounds, 'own-round')]
        : []
    const old = [...oldBalls(mark), ...documents].filter(({ entry }) => !known.has(entry.record.id))
    const isKept = await box.append(...old)
    tookOver.value = true
    if (!isKept) return
    localStorage.removeItem(OLD.balls)
    localStorage.setItem(TAKEN_OVER, '1')
  }

  /** This phone has a link: its token is kept, and all that waits goes. */
  async function open(mark: string, token: string): Promise<void> {
    if (links.value[mark] !== token) links.value = { ...links.value, [mark]: token }
    if (!tookOver.value) await takeOver(mark)
    await Promise.all(Object.keys(links.value).map(one => of(one).send()))
  }

  return { items: box.items, links, tookOver, of, open }
})
