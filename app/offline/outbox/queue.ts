import { useEventListener } from '@vueuse/core'
import { computed, ref, toRaw, type Ref } from 'vue'
import { clockDifferenceMs, isClockKnown } from '~/offline/server-clock'
import { makeAside } from '~/offline/outbox/aside'
import type { AnyEntry, OutboxItem } from '~/offline/outbox/entries'
import type { OutboxItems } from '~/offline/outbox/items'
import type { Outcome } from '~/offline/outbox/outcome'
import { sendRound, type QueueState, type Sender } from '~/offline/outbox/round'

const FIRST_WAIT_MS = 1500
const LONGEST_WAIT_MS = 30_000

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

/** When it is tried again: later each time that nothing came of it. */
function makePace(again: () => void) {
  let waitMs = FIRST_WAIT_MS
  let timer: ReturnType<typeof setTimeout> | undefined
  /** True from a failed try until nothing waits: only then is it told, not at every ball. */
  const stuck = ref(false)
  return {
    stuck,
    waitMs: () => waitMs,
    stop: () => clearTimeout(timer),
    begin: () => void (waitMs = FIRST_WAIT_MS),
    done(): void {
      stuck.value = false
      waitMs = FIRST_WAIT_MS
    },
    /** @param wait milliseconds until the next try; null when it waits for somebody to sign in */
    later(wait: number | null): void {
      stuck.value = true
      if (wait === null) return
      timer = setTimeout(again, wait)
      waitMs = Math.min(LONGEST_WAIT_MS, waitMs * 2)
    },
  }
}

/** The network is back; the page is seen again. */
function whenBack(online: () => void, seen: () => void): void {
  useEventListener(window, 'online', online)
  useEventListener(document, 'visibilitychange', () => document.visibilityState === 'visible' && seen())
}

/** What was refused or stepped aside is tried once more. */
function secondChance<E extends AnyEntry>(
  { aside, replace }: Sender<E>,
  refused: Ref<OutboxItem<E>[]>,
  send: () => Promise<void>,
) {
  const asNew = ({ refused: _, lacks: __, ...item }: OutboxItem<E>) => item as OutboxItem<E>
  return {
    async sendAllAgain(): Promise<void> {
      await replace(refused.value.map(asNew))
      aside.comeBack()
    },
    async retry(item: OutboxItem<E>): Promise<void> {
      aside.callBack(item.seq)
      await replace([asNew(item)])
      await send()
    },
  }
}

/**
 * What was entered by somebody, oldest first, on its way to the server: nothing goes before what it depends on, what
 * fails by itself holds up nothing else, what is refused waits for a word. It survives a reload, a crash and a night
 * without a network.
 * @param box where all of this browser's entries are
 */
export function makeQueue<E extends AnyEntry>(box: OutboxItems, of: QueueOf<E>) {
  type Item = OutboxItem<E>
  const { items, keeps, ready, append, replace, offerAgain } = box
  const state = ref<QueueState>('idle')
  /** Why the sender is not let in, or the rest has to wait, in the server's words. */
  const why = ref('')
  // Whoever enters says what: a coach's entries are a coach's, a link's a link's.
  const mine = computed(() => items.value.filter(item => item.by === of.by()) as unknown as Item[])
  const refused = computed(() => mine.value.filter(item => item.refused))
  const aside = makeAside(mine, () => void send())
  const { waiting } = aside

  const pace = makePace(() => void send())
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

  async function drop(done: readonly Item[]): Promise<void> {
    for (const { seq } of done) aside.forget(seq)
    await box.drop(done)
  }
  const sender: Sender<E> = { ...of, mine, aside, drop, replace }

  async function sendAll(): Promise<void> {
    await ready()
    state.value = 'sending'
    const rest = await sendRound(sender, pace.waitMs())
    state.value = rest.state
    why.value = rest.why
    if (rest.state === 'idle') pace.done()
    else pace.later(rest.waitMs)
  }

  /** The lock is shared by all tabs of this browser. */
  const sendInTurn = async (): Promise<void> => {
    await (navigator.locks ? navigator.locks.request(of.lock, sendAll) : sendAll())
  }

  /** Sends what waits; one sender at a time, also across tabs, since order matters. */
  function send(): Promise<void> {
    if (!of.maySend()) return Promise.resolve()
    pace.stop()
    return (sending ??= sendInTurn()
      .catch((error: unknown) => {
        // A fault of this page's own: what was entered is kept, and tried again, not at once.
        console.error('outbox:', error)
        state.value = 'away'
        pace.later(pace.waitMs())
      })
      .finally(() => {
        sending = undefined
        if (state.value === 'idle' && waiting.value.length > 0) void send()
      }))
  }

  /** The network is back, or somebody asks for it: at once, and all that stepped aside too. */
  function sendNow(): void {
    pace.begin()
    aside.comeBack()
  }

  if (import.meta.client)
    whenBack(sendNow, () => {
      void offerAgain()
      // Somebody may have signed in on another page of this browser.
      if (state.value === 'signed-out') void send()
    })

  return {
    mine,
    waiting,
    refused,
    aside: aside.aside,
    asideWhy: aside.asideWhy,
    state,
    why,
    stuck: pace.stuck,
    keeps,
    ready,
    add,
    send,
    sendNow,
    ...secondChance(sender, refused, send),
    replace,
    discard: (item: Item) => drop([item]),
  }
}

export type Queue<E extends AnyEntry> = ReturnType<typeof makeQueue<E>>
