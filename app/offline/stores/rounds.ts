import { mergedRound } from '#shared/rounds'
import type { RoundRecord } from '#shared/schemas/rounds'
import { useOutbox } from '~/offline/stores/outbox'
import { usePlayerRecord } from '~/offline/stores/record'
import { apiOrKept, keepAnswer } from '~/offline/kept'

/** Rounds of the open player: what the server holds, with what still waits to be sent on top. */
export const useRounds = defineStore('rounds', () => {
  const outbox = useOutbox()
  const record = usePlayerRecord()
  const all = shallowRef<RoundRecord[]>([])
  const failure = ref('')
  /** Whose they are; null until they are there. */
  const of = ref<string | null>(null)
  const PATH = '/api/players/:playerId/rounds'

  const place = (list: readonly RoundRecord[], round: RoundRecord): RoundRecord[] => {
    const known = list.find(({ id }) => id === round.id)
    return [...list.filter(({ id }) => id !== round.id), known ? mergedRound(known, round) : round].sort(
      (a, b) => b.playedAtMs - a.playedAtMs || (a.id < b.id ? 1 : -1),
    )
  }

  let asked = 0
  async function load(): Promise<void> {
    const own = ++asked
    const playerId = record.playerId
    failure.value = ''
    if (of.value !== playerId) {
      of.value = null
      all.value = []
    }
    if (!playerId) return
    try {
      const [reply] = await Promise.all([apiOrKept(PATH, { params: { playerId } }), outbox.ready()])
      if (own !== asked) return
      let next: RoundRecord[] = reply.rounds
      for (const item of outbox.mine)
        if (item.entry.kind === 'round' && item.playerId === playerId) next = place(next, item.entry.record)
      all.value = next
      of.value = playerId
    } catch (error) {
      if (own === asked) failure.value = (error as Error).message
    }
  }

  /** A round as it stands now: seen at once, kept, and sent when it can be. */
  async function put(round: RoundRecord): Promise<void> {
    all.value = place(all.value, round)
    if (of.value) void keepAnswer(PATH.replace(':playerId', of.value), { rounds: all.value })
    await outbox.add(record.playerId!, { kind: 'round', record: round })
  }

  watch(() => record.playerId, load, { immediate: true })

  return {
    failure,
    of,
    /** Rounds that stand, newest first. */
    standing: computed(() => all.value.filter(({ gone, waiting }) => !gone && !waiting)),
    /** Those that the player told and that wait for the coach's nod. */
    waiting: computed(() => all.value.filter(({ gone, waiting }) => !gone && waiting)),
    /** A round as it is known, deleted or not. */
    known: (id: string) => all.value.find(round => round.id === id),
    load,
    put,
  }
})
