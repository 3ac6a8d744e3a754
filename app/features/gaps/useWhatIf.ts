import type { Finding } from '#core/gaps/flag'
import { lineOf } from '#core/gaps/line'
import { asItIs, type SearchLimits, type WhatIf } from '#core/what-if/thought-of'
import type { Remedy } from '#core/what-if/remedies'
import type { Scene } from '#core/what-if/scene'
import type { Progress, SearchResult } from '#core/what-if/search'
import { calibrationOptions, flagOptions, newestMethod, playerFacts } from '#shared/calibration-input'
import type { DistanceUnit } from '#core/units'
import { toSession } from '#shared/session'
import { proxy, type Remote } from 'comlink'
import type { WhatIfApi } from '~/calculation/workers/what-if.worker'
import { workerClient } from '~/calculation/worker-client'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** The player as they are now, as a worker takes it; null while there is none. */
function askOfNow(record: ReturnType<typeof usePlayerRecord>, unit: DistanceUnit) {
  const { player, bag, sessions, shots, words, published, academyThresholds, answers } = record
  if (!player) return null
  const beside = { academyThresholds: toRaw(academyThresholds), words: toRaw(words), published: toRaw(published) }
  const options = calibrationOptions(player.thresholds, newestMethod(sessions), beside)
  const flags = flagOptions(player.thresholds, academyThresholds)
  const { withinM } = options
  const judging = { flags, withinM, lineM: lineOf(flags, player.level), unit, answers: toRaw(answers) }
  const shown = {
    ...playerFacts(player),
    bag: toRaw(bag),
    sessions: sessions.map(toSession),
    shots: [...shots],
    nowMs: serverNowMs(),
  }
  return { player: shown, options, judging }
}

interface NewRung {
  id: string
  label: string
  fraction: number
}

const start = () =>
  new Worker(new URL('../../calculation/workers/what-if.worker.ts', import.meta.url), { type: 'module' })

type Ask = <T>(work: (api: Remote<WhatIfApi>) => Promise<T>) => Promise<T>
type Tell = <T>(kind: string, work: (api: Remote<WhatIfApi>) => Promise<T>, take: (answer: T) => void) => Promise<void>

/**
 * Asks, and takes the answer unless the same was asked again meanwhile.
 * @param failed told null before each, and what went wrong
 */
function teller(ask: Ask, failed: (message: string | null) => void): Tell {
  /** The last asked of each kind: answers to earlier ones are late. */
  const last = new Map<string, number>()
  return async (kind, work, take) => {
    failed(null)
    const turn = (last.get(kind) ?? 0) + 1
    last.set(kind, turn)
    try {
      const answer = await ask(work)
      if (turn === last.get(kind)) take(answer)
    } catch (error) {
      console.error('what if:', error)
      failed((error as Error).message)
    }
  }
}

/** The best bag within limits, looked for as long as it takes. */
function bagSearch(tell: Tell) {
  const progress = shallowRef<Progress | null>(null)
  const found = shallowRef<(SearchResult & { seconds: number }) | null>(null)
  let searches = 0

  function giveUp(): void {
    searches++
    progress.value = null
  }
  function search(limits: SearchLimits): void {
    found.value = null
    progress.value = { looked: 0, of: 0 }
    const mine = ++searches
    // How far it is goes another way than the answer, and may come after it.
    const tellProgress = proxy((now: Progress) => {
      if (mine === searches) progress.value = now
    })
    const take = (answer: SearchResult & { seconds: number }) => {
      giveUp()
      found.value = answer
    }
    void tell('search', api => api.search({ ...limits, dear: [...limits.dear] }, tellProgress), take)
  }
  return { progress, found, search, giveUp }
}

/**
 * Bags that are only thought of, worked out in a worker of their own; it is opened when it is first asked, and closed
 * with the page.
 */
export function useWhatIf() {
  const record = usePlayerRecord()
  const { unit } = useDistance()
  const today = shallowRef<Scene | null>(null)
  const scene = shallowRef<Scene | null>(null)
  /** What it is held against: a kept bag, or today's while this is null. */
  const besideScene = shallowRef<Scene | null>(null)
  const newRungs = shallowRef<NewRung[]>([])
  const remedies = shallowRef<Remedy[] | null>(null)
  const failure = ref<string | null>(null)
  const { ask, end } = workerClient<WhatIfApi>(start, 'The part that thinks bags through')
  const tell = teller(ask, message => {
    failure.value = message
    if (message !== null) bags.giveUp()
  })
  const bags = bagSearch(tell)
  let isOpen = false

  const into =
    <T>(place: Ref<T>) =>
    (answer: T) =>
      void (place.value = answer)

  /** The player as they are now; again whenever something about them changes. */
  function open(): void {
    const now = askOfNow(record, unit.value)
    if (!now) return
    isOpen = true
    const take = (answer: { today: Scene; newRungs: NewRung[] }) => {
      today.value = answer.today
      newRungs.value = answer.newRungs
    }
    void tell('open', api => api.open(now), take)
  }

  function look(whatIf: WhatIf): void {
    if (!isOpen) open()
    void tell('scene', api => api.scene(toRaw(whatIf)), into(scene))
  }

  function lookBeside(whatIf: WhatIf | null): void {
    if (whatIf) void tell('beside', api => api.scene(toRaw(whatIf)), into(besideScene))
    else besideScene.value = null
  }

  /** A bag worked out for itself, to be handed over: what is on the screen stays. */
  const workOut = (whatIf: WhatIf): Promise<Scene> => ask(api => api.scene(toRaw(whatIf)))

  function help(finding: Finding): void {
    remedies.value = null
    open()
    void tell('help', api => api.help(toRaw(finding)), into(remedies))
  }

  onScopeDispose(end)
  return {
    today,
    scene,
    beside: computed(() => besideScene.value ?? today.value),
    newRungs,
    remedies,
    progress: bags.progress,
    found: bags.found,
    failure,
    open,
    look,
    lookBeside,
    workOut,
    help,
    search: bags.search,
    stop: () => ask(api => api.stop()),
    asIs: () => asItIs(record.bag),
  }
}
