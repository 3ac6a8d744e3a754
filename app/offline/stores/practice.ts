import type { GoRecord, HomeworkRecord, OwnDrill } from '#shared/schemas/practice'
import type { PracticeRecord } from '#shared/practice'
import { mergedGo } from '#shared/practice'
import { useOutbox } from '~/offline/stores/outbox'
import { usePlayerRecord } from '~/offline/stores/record'
import { api } from '~/offline/api'
import { apiOrKept, keepAnswer } from '~/offline/kept'

/** A go among others, newest first, joined with what is known of it. */
function place(list: readonly GoRecord[], go: GoRecord): GoRecord[] {
  const known = list.find(({ id }) => id === go.id)
  const others = list.filter(({ id }) => id !== go.id)
  return [...others, known ? mergedGo(known, go) : go].sort(
    (a, b) => b.startedAtMs - a.startedAtMs || (a.id < b.id ? 1 : -1),
  )
}

/** Drills of the academy's own. @throws Refused or Unreachable */
function ownDrills(drills: Ref<OwnDrill[]>) {
  return {
    async keepDrill(drill: OwnDrill): Promise<void> {
      await api('/api/drills/:drillId', { params: { drillId: drill.id }, method: 'PUT', body: drill })
      drills.value = [...drills.value.filter(({ id }) => id !== drill.id), drill]
    },
    async dropDrill({ id: drillId }: OwnDrill): Promise<void> {
      await api('/api/drills/:drillId', { params: { drillId }, method: 'DELETE' })
      drills.value = drills.value.filter(({ id }) => id !== drillId)
    },
  }
}

/** What the open player practised and is set: what the server holds, with what still waits to be sent on top. */
export const usePractice = defineStore('practice', () => {
  const outbox = useOutbox()
  const record = usePlayerRecord()
  const goes = shallowRef<GoRecord[]>([])
  const homework = shallowRef<HomeworkRecord[]>([])
  const drills = shallowRef<OwnDrill[]>([])
  const failure = ref('')
  /** Whose it is; null until it is there. */
  const of = ref<string | null>(null)

  function take(reply: PracticeRecord): void {
    let next = reply.goes
    for (const { playerId, entry } of outbox.mine)
      if (entry.kind === 'go' && playerId === record.playerId) next = place(next, entry.record)
    goes.value = next
    homework.value = reply.homework
    drills.value = reply.drills
  }
  const PATH = '/api/players/:playerId/practice'
  /** The page that is opened next without a network shows this. */
  const keep = () =>
    keepAnswer(PATH.replace(':playerId', of.value!), {
      goes: goes.value,
      homework: homework.value,
      drills: drills.value,
    })

  let asked = 0
  async function load(): Promise<void> {
    const own = ++asked
    const playerId = record.playerId
    failure.value = ''
    if (of.value !== playerId) {
      of.value = null
      goes.value = []
      homework.value = []
      drills.value = []
    }
    if (!playerId) return
    try {
      const [reply] = await Promise.all([apiOrKept(PATH, { params: { playerId } }), outbox.ready()])
      if (own !== asked) return
      take(reply)
      of.value = playerId
    } catch (error) {
      if (own === asked) failure.value = (error as Error).message
    }
  }

  /** A go as it stands now: seen at once, kept, and sent when it can be. */
  async function putGo(go: GoRecord): Promise<void> {
    goes.value = place(goes.value, go)
    if (of.value) void keep()
    await outbox.add(record.playerId!, { kind: 'go', record: go })
  }

  /** @throws Refused or Unreachable */
  async function setHomework(sent: HomeworkRecord): Promise<void> {
    const playerId = record.playerId!
    const kept = await api('/api/players/:playerId/homework/:homeworkId', {
      params: { playerId, homeworkId: sent.id },
      method: 'PUT',
      body: sent,
    })
    homework.value = [kept, ...homework.value.filter(({ id }) => id !== kept.id)]
    void keep()
  }

  watch(() => record.playerId, load, { immediate: true })

  return {
    goes,
    homework,
    drills,
    failure,
    of,
    /** Goes that stand, newest first. */
    done: computed(() => goes.value.filter(({ gone }) => !gone)),
    /** Homework that stands. */
    standing: computed(() => homework.value.filter(({ withdrawn }) => !withdrawn)),
    load,
    putGo,
    setHomework,
    ...ownDrills(drills),
  }
})
