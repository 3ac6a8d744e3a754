import { v7 as newId } from 'uuid'
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { cut } from '#core/cut'
import { LABEL_MAX } from '#core/limits'
import type { Mapping } from '#core/files/foreign-table'
import { ballKey, type ImportChoices } from '#core/files/import-plan'
import type { PlannedFile } from '~/calculation/workers/importer'
import { proxy, type Remote } from 'comlink'
import type { ImportApi, OpenedFile, SentFile } from '~/calculation/workers/import.worker'
import { workerClient } from '~/calculation/worker-client'
import { api } from '~/offline/api'
import { usePlayerRecord } from '~/offline/stores/record'

type Step = 'open' | 'plan' | 'send'

const startWorker = () =>
  new Worker(new URL('../../calculation/workers/import.worker.ts', import.meta.url), { type: 'module' })

/** What the coach would most likely choose. */
function firstChoices(mapping: Mapping, swing: string | null): ImportChoices {
  // Labels of a file may be called anything, "constructor" too: no object's own names are in the way here.
  const none = () => Object.create(null) as Record<string, string>
  const dateMs = new Date().setHours(12, 0, 0, 0)
  return { mapping, clubs: none(), swings: none(), swing, dateMs, ball: 'own', surface: 'grass', indoors: false }
}

/**
 * A club that the bag does not have yet, into it.
 * @returns its id
 * @throws Error with a sentence for the coach
 */
async function newClub(label: string, loftDeg: number): Promise<string> {
  const record = usePlayerRecord()
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
  return id
}

/** Steps of the way: one is busy at a time, one may fail, and what came before is not heard any more after a reset. */
function useSteps() {
  const { ask, end } = workerClient<ImportApi>(startWorker, 'The part that reads files')
  const busy = ref<Step>()
  const failure = ref('')
  const progress = ref<{ done: number; of: number }>()
  let turn = 0

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

  /** How far a step is goes another way than its answer, and may come after it. */
  function teller(name: Step) {
    const mine = turn + 1
    return proxy((done: number, of: number) => {
      if (mine === turn && busy.value === name) progress.value = { done, of }
    })
  }
  function reset(): void {
    end()
    turn++
    busy.value = undefined
    failure.value = ''
    progress.value = undefined
  }
  return { busy, failure, progress, step, teller, reset, stop: () => ask(api => api.stop()) }
}

/** The answer given for a header row before. */
function useKeptMapping(opened: Ref<OpenedFile | undefined>) {
  const kept = useLocalStorage<Record<string, Mapping>>('uzzet-mappings', {})
  const headerKey = computed(() => JSON.stringify(opened.value?.headers ?? []))
  return {
    before: () => kept.value[headerKey.value],
    keep: (mapping: Mapping) => {
      kept.value = { ...kept.value, [headerKey.value]: { ...mapping, unsure: [] } }
    },
  }
}

/** Labels of a file that nothing was chosen for yet. */
const undecided = ({ clubs, swings }: PlannedFile) =>
  [...clubs, ...swings].filter(label => label.choice === null).length

/** What was imported is shown no more. */
async function takeBack(playerId: string, sessionIds: string[]): Promise<void> {
  await api('/api/players/:playerId/import', {
    params: { playerId },
    method: 'POST',
    body: { sessionIds, visible: false },
  })
}

/** One file on its way in: opened, planned, sent; each step in a worker, each undone by starting anew. */
export function useImport() {
  const record = usePlayerRecord()
  const opened = shallowRef<OpenedFile>()
  const planned = shallowRef<PlannedFile>()
  const sent = shallowRef<SentFile>()
  const choices = ref<ImportChoices>()
  const rungs = computed(() => rungsInUse(record.bag))
  const { step, teller, ...steps } = useSteps()
  const { failure, progress } = steps

  const mappings = useKeptMapping(opened)

  function start(file: File): void {
    reset()
    void step(
      'open',
      api => api.open(file),
      answer => {
        opened.value = answer
        choices.value = firstChoices(mappings.before() ?? answer.mapping, rungs.value.at(-1)?.id ?? null)
        plan()
      },
    )
  }

  function plan(): void {
    if (!choices.value) return
    failure.value = ''
    const chosen = JSON.parse(JSON.stringify(choices.value)) as ImportChoices
    const known = record.records.flatMap(shot => (shot.deleted ? [shot.id] : [shot.id, ballKey(shot)]))
    const take = (answer: PlannedFile) => void (planned.value = answer)
    void step('plan', api => api.plan(chosen, toRaw(record.bag), record.playerId!, known), take)
  }

  function send(): void {
    mappings.keep(choices.value!.mapping)
    failure.value = ''
    progress.value = { done: 0, of: planned.value!.fresh }
    const tell = teller('send')
    const take = (answer: SentFile | null) => {
      progress.value = undefined
      if (!answer) return
      sent.value = answer
      void record.open(record.playerId!)
    }
    void step('send', api => api.send(tell), take)
  }

  async function undo(): Promise<void> {
    await takeBack(record.playerId!, sent.value!.sessionIds)
    sent.value = undefined
    await record.open(record.playerId!)
    plan()
  }

  /** A new club into the bag, and its rows with it. @throws Error with a sentence for the coach */
  async function makeClub(label: string, loftDeg: number): Promise<void> {
    choices.value!.clubs[label] = await newClub(label, loftDeg)
    plan()
  }

  function reset(): void {
    steps.reset()
    opened.value = undefined
    planned.value = undefined
    sent.value = undefined
    choices.value = undefined
  }
  onBeforeUnmount(reset)

  const open = computed(() => (planned.value ? undecided(planned.value) : 0))
  return {
    opened,
    planned,
    sent,
    ...steps,
    choices,
    open,
    start,
    plan,
    send,
    undo,
    reset,
    makeClub,
    clubs: computed(() => clubsInUse(record.bag)),
    rungs,
  }
}

export type Importer = ReturnType<typeof useImport>
