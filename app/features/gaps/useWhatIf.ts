import type { Finding } from '#core/gaps/flag'
import { lineOf } from '#core/gaps/line'
import { asItIs, type SearchLimits, type WhatIf } from '#core/what-if/thought-of'
import type { Remedy } from '#core/what-if/remedies'
import type { Scene } from '#core/what-if/scene'
import type { Progress, SearchResult } from '#core/what-if/search'
import { calibrationOptions, flagOptions, newestMethod, playerFacts } from '#shared/calibration-input'
import { toSession } from '#shared/session'
import { proxy, type Remote } from 'comlink'
import type { WhatIfApi } from '~/calculation/workers/what-if.worker'
import { workerClient } from '~/calculation/worker-client'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

interface NewRung {
  id: string
  label: string
  fraction: number
}

const start = () =>
  new Worker(new URL('../../calculation/workers/what-if.worker.ts', import.meta.url), { type: 'module' })

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
  const progress = shallowRef<Progress | null>(null)
  const found = shallowRef<(SearchResult & { seconds: number }) | null>(null)
  const failure = ref<string | null>(null)
  const { ask, end } = workerClient<WhatIfApi>(start, 'The part that thinks bags through')
  /** The last asked of each kind: answers to earlier ones are late. */
  const last = new Map<string, number>()
  let isOpen = false

  /** Asks, and takes the answer unless the same was asked again meanwhile. */
  async function tell<T>(kind: string, work: (api: Remote<WhatIfApi>) => Promise<T>, take: (answer: T) => void) {
    failure.value = null
    const turn = (last.get(kind) ?? 0) + 1
    last.set(kind, turn)
    try {
      const answer = await ask(work)
      if (turn === last.get(kind)) take(answer)
    } catch (error) {
      console.error('what if:', error)
      failure.value = (error as Error).message
      searches++
      progress.value = null
    }
  }

  /** The player as they are now; again whenever something about them changes. */
  function open(): void {
    const { player, bag, sessions, shots, words, published, academyThresholds, answers } = record
    if (!player) return
    isOpen = true
    const beside = { academyThresholds: toRaw(academyThresholds), words: toRaw(words), published: toRaw(published) }
    const options = calibrationOptions(player.thresholds, newestMethod(sessions), beside)
    const flags = flagOptions(player.thresholds, academyThresholds)
    const { withinM } = options
    const judging = { flags, withinM, lineM: lineOf(flags, player.level), unit: unit.value, answers: toRaw(answers) }
    const nowMs = serverNowMs()
    const facts = playerFacts(player)
    const shown = { ...facts, bag: toRaw(bag), sessions: sessions.map(toSession), shots: [...shots], nowMs }
    const take = (answer: { today: Scene; newRungs: NewRung[] }) => {
      today.value = answer.today
      newRungs.value = answer.newRungs
    }
    void tell('open', api => api.open({ player: shown, options, judging }), take)
  }

  function look(whatIf: WhatIf): void {
    if (!isOpen) open()
    void tell(
      'scene',
      api => api.scene(toRaw(whatIf)),
      answer => {
        scene.value = answer
      },
    )
  }

  function lookBeside(whatIf: WhatIf | null): void {
    if (whatIf)
      void tell(
        'beside',
        api => api.scene(toRaw(whatIf)),
        answer => {
          besideScene.value = answer
        },
      )
    else besideScene.value = null
  }

  /** A bag worked out for itself, to be handed over: what is on the screen stays. */
  const workOut = (whatIf: WhatIf): Promise<Scene> => ask(api => api.scene(toRaw(whatIf)))

  function help(finding: Finding): void {
    remedies.value = null
    open()
    void tell(
      'help',
      api => api.help(toRaw(finding)),
      answer => {
        remedies.value = answer
      },
    )
  }

  let searches = 0

  function search(limits: SearchLimits): void {
    found.value = null
    progress.value = { looked: 0, of: 0 }
    const mine = ++searches
    // How far it is goes another way than the answer, and may come after it.
    const tellProgress = proxy((now: Progress) => {
      if (mine === searches) progress.value = now
    })
    const take = (answer: SearchResult & { seconds: number }) => {
      searches++
      found.value = answer
      progress.value = null
    }
    void tell('search', api => api.search({ ...limits, dear: [...limits.dear] }, tellProgress), take)
  }
  const stop = () => ask(api => api.stop())

  onScopeDispose(end)
  return {
    today,
    scene,
    beside: computed(() => besideScene.value ?? today.value),
    newRungs,
    remedies,
    progress,
    found,
    failure,
    open,
    look,
    lookBeside,
    workOut,
    help,
    search,
    stop,
    asIs: () => asItIs(record.bag),
  }
}
