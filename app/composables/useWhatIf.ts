import type { Finding } from '#core/gaps/flag'
import { lineOf } from '#core/gaps/line'
import { asItIs, type SearchLimits, type WhatIf } from '#core/what-if/thought-of'
import type { Remedy } from '#core/what-if/remedies'
import type { Scene } from '#core/what-if/scene'
import type { Progress, SearchResult } from '#core/what-if/search'
import { calibrationOptions, flagOptions, newestMethod } from '#shared/calibration-input'
import { toSession } from '#shared/session'
import type { WhatIfAnswer, WhatIfAsk } from '~/workers/what-if-protocol'

/** Bags that are only thought of, worked out in a worker of their own; it is opened when it is first asked, and closed with the page. */
export function useWhatIf() {
  const record = usePlayerRecord()
  const { unit } = useDistance()
  const today = shallowRef<Scene | null>(null)
  const scene = shallowRef<Scene | null>(null)
  /** What it is held against: a kept bag, or today's while this is null. */
  const besideScene = shallowRef<Scene | null>(null)
  const newRungs = shallowRef<{ id: string, label: string, fraction: number }[]>([])
  const remedies = shallowRef<Remedy[] | null>(null)
  const progress = shallowRef<Progress | null>(null)
  const found = shallowRef<(SearchResult & { seconds: number }) | null>(null)
  const failure = ref<string | null>(null)
  let worker: Worker | undefined
  let turn = 0
  /** The last turn of each kind: answers to earlier ones are late. */
  const last: Record<string, number> = {}
  let pageDone: { resolve: (scene: Scene) => void, reject: (error: Error) => void } | undefined

  function take(answer: WhatIfAnswer): void {
    if (answer.did === 'fail') {
      if (answer.turn === last.page) return pageDone?.reject(new Error(answer.reason))
      failure.value = answer.reason
      progress.value = null
      return
    }
    if (answer.turn < (last[answer.did === 'progress' ? 'search' : answer.did] ?? 0)) return
    if (answer.did === 'open') [today.value, newRungs.value] = [answer.today, answer.newRungs]
    else if (answer.did === 'scene') scene.value = answer.scene
    else if (answer.did === 'beside') besideScene.value = answer.scene
    else if (answer.did === 'page') pageDone?.resolve(answer.scene)
    else if (answer.did === 'help') remedies.value = answer.remedies
    else if (answer.did === 'progress') progress.value = answer.progress
    else {
      found.value = { ...answer.result, seconds: answer.seconds }
      progress.value = null
    }
  }

  type Rest<T> = T extends { turn: number } ? Omit<T, 'turn'> : never
  function tell(ask: Rest<WhatIfAsk>): void {
    failure.value = null
    last[ask.do] = ++turn
    worker!.postMessage({ ...ask, turn })
  }

  /** The player as they are now; again whenever something about them changes. */
  function open(): void {
    const { player, bag, sessions, shots, words, published, academyThresholds, answers } = record
    if (!player) return
    if (!worker) {
      worker = new Worker(new URL('../workers/what-if.worker.ts', import.meta.url), { type: 'module' })
      worker.addEventListener('message', ({ data }: MessageEvent<WhatIfAnswer>) => take(data))
      worker.addEventListener('error', (event) => { failure.value = event.message || 'The part that thinks bags through could not be started.' })
    }
    const options = calibrationOptions(player.thresholds, newestMethod(sessions), { academyThresholds: toRaw(academyThresholds), words: toRaw(words), published: toRaw(published) })
    const flags = flagOptions(player.thresholds, academyThresholds)
    tell({
      do: 'open', options, player: { bag: toRaw(bag), level: player.level, sessions: sessions.map(toSession), shots: [...shots], nowMs: serverNowMs() },
      judging: { flags, withinM: options.withinM, lineM: lineOf(flags, player.level), unit: unit.value, answers: toRaw(answers) },
    })
  }

  function look(whatIf: WhatIf): void {
    if (!worker) open()
    tell({ do: 'scene', whatIf: toRaw(whatIf) })
  }
  function lookBeside(whatIf: WhatIf | null): void {
    if (whatIf) tell({ do: 'beside', whatIf: toRaw(whatIf) })
    else besideScene.value = null
  }
  /** A bag worked out for itself, to be handed over: what is on the screen stays. */
  function workOut(whatIf: WhatIf): Promise<Scene> {
    return new Promise((resolve, reject) => {
      pageDone = { resolve, reject }
      tell({ do: 'page', whatIf: toRaw(whatIf) })
    })
  }
  function help(finding: Finding): void {
    remedies.value = null
    open()
    tell({ do: 'help', finding: toRaw(finding) })
  }
  function search(limits: SearchLimits): void {
    found.value = null
    progress.value = { looked: 0, of: 0 }
    tell({ do: 'search', limits: { ...limits, dear: [...limits.dear] } })
  }
  const stop = () => worker?.postMessage({ do: 'stop' } satisfies WhatIfAsk)

  onScopeDispose(() => worker?.terminate())
  return { today, scene, beside: computed(() => besideScene.value ?? today.value), newRungs, remedies, progress, found, failure, open, look, lookBeside, workOut, help, search, stop, asIs: () => asItIs(record.bag) }
}
