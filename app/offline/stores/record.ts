import type { PlayerRecord } from '#shared/record'
import { api, isAway, Refused } from '~/offline/api'
import { forgetPlayer, keepRecord, keepSent, keptRecord } from '~/offline/kept'
import type { Entry } from '~/offline/outbox/entries'
import { useOutbox } from '~/offline/stores/outbox'
import { recordChanges } from '~/offline/stores/record-changes'
import { recordState } from '~/offline/stores/record-state'

/** A player is opened anew when there is a network again, and when the server has made a change of the bag. */
function openAnew(
  playerId: Ref<string | null>,
  keptAtMs: Ref<number | null>,
  open: (id: string) => Promise<void>,
): void {
  const outbox = useOutbox()
  const bringUpToDate = () => keptAtMs.value && playerId.value && void open(playerId.value)
  watch(
    () => outbox.state,
    state => state === 'idle' && bringUpToDate(),
  )
  // The server has made a change of the bag: its version is another one now.
  watch(
    () => outbox.mine.filter(item => item.playerId === playerId.value && item.entry.kind === 'bag').length,
    (left, before) => {
      if (left < before && playerId.value) void open(playerId.value)
    },
  )
  if (import.meta.client) useEventListener(window, 'online', bringUpToDate)
}

/** The open player: what the server holds, with what still waits to be sent on top. */
export const usePlayerRecord = defineStore('player-record', () => {
  const outbox = useOutbox()
  const playerId = ref<string | null>(null)
  const state = recordState()
  const { player } = state.parts
  const failure = shallowRef<Error | null>(null)
  /** Set when the record was opened without a connection: how old it is, apart from what was entered here. */
  const keptAtMs = ref<number | null>(null)

  let asked = 0
  /** Entered while the answer was under way: it may have been sent and confirmed, yet not be in that answer. */
  let sinceAsked: Entry[] = []
  const unsent = (id: string) => outbox.mine.filter(item => item.playerId === id).map(item => item.entry)
  const take = (reply: PlayerRecord, confirmed: readonly Entry[] = []) =>
    state.take(reply, [...confirmed, ...unsent(reply.player.id), ...sinceAsked])

  /** What this device knew last stands until the server has said what is so. @returns it, when it was shown */
  async function showKept(id: string, question: number) {
    const [old] = await Promise.all([keptRecord(id), outbox.ready()])
    if (!old || question !== asked || player.value) return undefined
    take(old.body, old.sent)
    return old
  }

  let underWay: Promise<void> | undefined
  /** Opens a player. One that is open already is shown at once and brought up to date behind it. */
  function open(id: string): Promise<void> {
    const opening = answerTo(id).finally(() => {
      if (underWay === opening) underWay = undefined
    })
    return (underWay = opening)
  }
  /** Opens a player, unless that is just being done. */
  const begin = (id: string): Promise<void> => (playerId.value === id && underWay) || open(id)

  async function answerTo(id: string): Promise<void> {
    if (playerId.value !== id) close()
    const question = ++asked
    playerId.value = id
    // What waits now may be sent and confirmed before the answer is here, and still not be in it.
    sinceAsked = unsent(id)
    failure.value = null
    const askedAtMs = Date.now()
    const first = player.value ? undefined : showKept(id, question)
    try {
      const [reply] = await Promise.all([api('/api/players/:playerId', { params: { playerId: id } }), outbox.ready()])
      void keepRecord(id, reply, askedAtMs)
      if (question !== asked) return
      keptAtMs.value = null
      take(reply)
    } catch (error) {
      const old = await first
      if (question !== asked) return
      // What the server no longer has is not shown for having been here.
      if (error instanceof Refused && error.status === 404) {
        state.empty()
        void forgetPlayer(id)
      }
      if (old && isAway(error)) keptAtMs.value = old.atMs
      else failure.value = error as Error
    }
  }

  /** Lets go of what was open: the next one at this browser may be another coach. */
  function close(): void {
    asked++
    playerId.value = null
    state.empty()
    keptAtMs.value = null
    failure.value = null
  }

  openAnew(playerId, keptAtMs, open)
  const changes = recordChanges(
    state.parts,
    entry => {
      sinceAsked.push(entry)
      return outbox.add(playerId.value!, entry)
    },
    entries => {
      sinceAsked.push(...entries)
      void keepSent(playerId.value!, entries)
    },
  )
  const { shots, shotsByCell } = state
  return { playerId, ...state.parts, shots, shotsByCell, failure, keptAtMs, begin, open, close, ...changes }
})
