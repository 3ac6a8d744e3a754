import { v7 as newId } from 'uuid'
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { cut } from '#core/cut'
import { LABEL_MAX } from '#core/limits'
import type { Mapping } from '#core/files/foreign-table'
import { ballKey, type ImportChoices } from '#core/files/import-plan'
import type { PlannedFile } from '~/calculation/workers/importer'
import { proxy, type Remote } from 'comlink'
import type { ImportApi, OpenedFile } from '~/calculation/workers/import.worker'
import { workerClient } from '~/calculation/worker-client'
import { api } from '~/offline/api'
import { usePlayerRecord } from '~/offline/stores/record'

type Step = 'open' | 'plan' | 'send'

const startWorker = () =>
  new Worker(new URL('../../calculation/workers/import.worker.ts', import.meta.url), { type: 'module' })

/** One file on its way in: opened, planned, sent; each step in a worker, each undone by starting anew. */
export function useImport() {
  const record = usePlayerRecord()
  const opened = shallowRef<OpenedFile>()
  const planned = shallowRef<PlannedFile>()
  const sent = shallowRef<{ sessionIds: string[]; balls: number }>()
  const progress = ref<{ done: number; of: number }>()
  const failure = ref('')
  const busy = ref<Step>()
  const choices = ref<ImportChoices>()
  const { ask, end } = workerClient<ImportApi>(startWorker, 'The part that reads files')

  /** One step of the way: it is busy, it may fail, and what came before is not heard any more when it is reset. */
  async function step<T>(name: Step, work: (api: Remote<ImportApi>) => Promise<T>, take: (answer: T) => void) {
    busy.value = name
    const asked = ++turn
    try {
      const answer = await ask(work)
      if (asked !== turn) return
      busy.value = undefined
      take(answer)
    } catch (error) {
      if (asked !== turn) return
      busy.value = undefined
      progress.value = undefined
      failure.value = (error as Error).message
    }
  }
  let turn = 0

  /** The answer given for this header row before. */
  const kept = useLocalStorage<Record<string, Mapping>>('uzzet-mappings', {})
  const headerKey = computed(() => JSON.stringify(opened.value?.headers ?? []))

  /** What the coach would most likely choose. */
  function firstChoices(mapping: Mapping): ImportChoices {
    // Labels of a file may be called anything, "constructor" too: no object's own names are in the way here.
    const none = () => Object.create(null) as Record<string, string>
    const swing = rungsInUse(record.bag).at(-1)?.id ?? null
    const dateMs = new Date().setHours(12, 0, 0, 0)
    return { mapping, clubs: none(), swings: none(), swing, dateMs, ball: 'own', surface: 'grass', indoors: false }
  }

  function start(file: File): void {
    reset()
    void step(
      'open',
      api => api.open(file),
      answer => {
        opened.value = answer
        const before = kept.value[headerKey.value]
        choices.value = firstChoices(before ? { ...before, unsure: [] } : answer.mapping)
        plan()
      },
    )
  }

  function plan(): void {
    if (!choices.value) return
    failure.value = ''
    const chosen = JSON.parse(JSON.stringify(choices.value)) as ImportChoices
    const known = record.records.flatMap(shot => (shot.deleted ? [shot.id] : [shot.id, ballKey(shot)]))
    const [bag, playerId] = [toRaw(record.bag), record.playerId!]
    void step(
      'plan',
      api => api.plan(chosen, bag, playerId, known),
      answer => {
        planned.value = answer
      },
    )
  }

  function send(): void {
    kept.value = { ...kept.value, [headerKey.value]: { ...choices.value!.mapping, unsure: [] } }
    failure.value = ''
    progress.value = { done: 0, of: planned.value!.fresh }
    const mine = turn + 1
    // How far it is goes another way than the answer, and may come after it.
    const tell = proxy((done: number, of: number) => {
      if (mine === turn && busy.value === 'send') progress.value = { done, of }
    })
    void step(
      'send',
      api => api.send(tell),
      answer => {
        progress.value = undefined
        if (!answer) return
        sent.value = answer
        void record.open(record.playerId!)
      },
    )
  }

  /**
   * A club that the bag does not have yet, into it, and its rows with it. @throws Error with a sentence for the coach
   */
  async function makeClub(label: string, loftDeg: number): Promise<void> {
    const id = newId()
    const clubs = [
      ...record.bag.clubs,
      { id, label: cut(label, LABEL_MAX).trim(), name: '', loftDeg, retired: false },
    ].sort((a, b) => Number(a.retired) - Number(b.retired) || b.loftDeg - a.loftDeg)
    record.takeBag(
      await api('/api/players/:playerId/bag', {
        params: { playerId: record.playerId },
        method: 'PUT',
        body: { version: record.bagVersion, clubs, scale: record.bag.scale, struckOut: record.bag.struckOut },
      }),
    )
    choices.value!.clubs[label] = id
    plan()
  }

  async function undo(): Promise<void> {
    await api('/api/players/:playerId/import', {
      params: { playerId: record.playerId },
      method: 'POST',
      body: { sessionIds: sent.value!.sessionIds, visible: false },
    })
    sent.value = undefined
    await record.open(record.playerId!)
    plan()
  }

  function reset(): void {
    end()
    turn++
    opened.value = undefined
    planned.value = undefined
    sent.value = undefined
    progress.value = undefined
    choices.value = undefined
    busy.value = undefined
    failure.value = ''
  }
  onBeforeUnmount(reset)

  const open = computed(
    () =>
      [...(planned.value?.clubs ?? []), ...(planned.value?.swings ?? [])].filter(label => label.choice === null).length,
  )
  return {
    opened,
    planned,
    sent,
    progress,
    failure,
    busy,
    choices,
    open,
    start,
    plan,
    send,
    undo,
    reset,
    makeClub,
    stop: () => ask(api => api.stop()),
    clubs: computed(() => clubsInUse(record.bag)),
    rungs: computed(() => rungsInUse(record.bag)),
  }
}

export type Importer = ReturnType<typeof useImport>
