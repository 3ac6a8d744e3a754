import { v7 as newId } from 'uuid'
import { clubsInUse, rungsInUse, type Bag } from '#core/bag/bag'
import { cut } from '#core/cut'
import { LABEL_MAX } from '#core/limits'
import type { Mapping } from '#core/files/foreign-table'
import { ballKey, type Choices, type ImportAnswer, type ImportAsk, type OpenedFile, type PlannedFile } from '~/workers/import-protocol'

/** One file on its way in: opened, planned, sent; each step in a worker, each undone by starting anew. */
export function useImport() {
  const record = usePlayerRecord()
  const opened = shallowRef<OpenedFile>()
  const planned = shallowRef<PlannedFile>()
  const sent = shallowRef<{ sessionIds: string[], balls: number }>()
  const progress = ref<{ done: number, of: number }>()
  const failure = ref('')
  const busy = ref<'open' | 'plan' | 'send'>()
  const choices = ref<Choices>()
  let worker: Worker | undefined

  function ask(message: ImportAsk): void {
    if (!worker) {
      worker = new Worker(new URL('../workers/import.worker.ts', import.meta.url), { type: 'module' })
      worker.addEventListener('message', ({ data }: MessageEvent<ImportAnswer>) => take(data))
      worker.addEventListener('error', event => take({ did: 'fail', reason: event.message || 'The part that reads files could not be started.' }))
    }
    worker.postMessage(message)
  }

  /** The answer given for this header row before. */
  const kept = useLocalStorage<Record<string, Mapping>>('uzzet-mappings', {})
  const headerKey = computed(() => JSON.stringify(opened.value?.headers ?? []))

  function take(answer: ImportAnswer): void {
    if (answer.did === 'progress') {
      progress.value = { done: answer.done, of: answer.of }
      return
    }
    busy.value = undefined
    if (answer.did === 'fail') {
      failure.value = answer.reason
      progress.value = undefined
    } else if (answer.did === 'stop') {
      progress.value = undefined
    } else if (answer.did === 'open') {
      opened.value = answer.opened
      const before = kept.value[headerKey.value]
      const mapping = before ? { ...before, unsure: [] } : answer.opened.mapping
      // Labels of a file may be called anything, "constructor" too: no object's own names are in the way here.
      const none = () => Object.create(null) as Record<string, string>
      choices.value = { mapping, clubs: none(), swings: none(), swing: rungsInUse(record.bag).at(-1)?.id ?? null, dateMs: new Date().setHours(12, 0, 0, 0), ball: 'own', surface: 'grass', indoors: false }
      plan()
    } else if (answer.did === 'plan') {
      planned.value = answer.planned
    } else {
      progress.value = undefined
      sent.value = { sessionIds: answer.sessionIds, balls: answer.balls }
      void record.open(record.playerId!)
    }
  }

  function start(file: File): void {
    reset()
    busy.value = 'open'
    ask({ do: 'open', file })
  }

  function plan(): void {
    if (!choices.value) return
    busy.value = 'plan'
    failure.value = ''
    ask({ do: 'plan', choices: JSON.parse(JSON.stringify(choices.value)) as Choices, bag: toRaw(record.bag), playerId: record.playerId!, knownBalls: record.records.flatMap(shot => shot.deleted ? [shot.id] : [shot.id, ballKey(shot)]) })
  }

  function send(): void {
    kept.value = { ...kept.value, [headerKey.value]: { ...choices.value!.mapping, unsure: [] } }
    busy.value = 'send'
    failure.value = ''
    progress.value = { done: 0, of: planned.value!.fresh }
    ask({ do: 'send' })
  }

  /** A club that the bag does not have yet, into it, and its rows with it. @throws Error with a sentence for the coach */
  async function makeClub(label: string, loftDeg: number): Promise<void> {
    const id = newId()
    const clubs = [...record.bag.clubs, { id, label: cut(label, LABEL_MAX).trim(), name: '', loftDeg, retired: false }].sort((a, b) => Number(a.retired) - Number(b.retired) || b.loftDeg - a.loftDeg)
    record.takeBag(await api<{ bag: Bag, bagVersion: number }>(`/api/players/${record.playerId}/bag`, { method: 'PUT', body: { version: record.bagVersion, clubs, scale: record.bag.scale, struckOut: record.bag.struckOut } }))
    choices.value!.clubs[label] = id
    plan()
  }

  async function undo(): Promise<void> {
    await api(`/api/players/${record.playerId}/import`, { method: 'POST', body: { sessionIds: sent.value!.sessionIds, visible: false } })
    sent.value = undefined
    await record.open(record.playerId!)
    plan()
  }

  function reset(): void {
    worker?.terminate()
    worker = undefined
    opened.value = undefined
    planned.value = undefined
    sent.value = undefined
    progress.value = undefined
    choices.value = undefined
    busy.value = undefined
    failure.value = ''
  }
  onBeforeUnmount(reset)

  const open = computed(() => [...planned.value?.clubs ?? [], ...planned.value?.swings ?? []].filter(label => label.choice === null).length)
  return { opened, planned, sent, progress, failure, busy, choices, open, start, plan, send, undo, reset, makeClub, stop: () => ask({ do: 'stop' }), clubs: computed(() => clubsInUse(record.bag)), rungs: computed(() => rungsInUse(record.bag)) }
}
