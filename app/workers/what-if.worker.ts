import { calibrate } from '#core/chart/calibrate'
import { layOut, type Layout } from '#core/what-if/layout'
import { remediesFor } from '#core/what-if/remedies'
import { ownTargets, sceneOf, type Judging, type Scene } from '#core/what-if/scene'
import { searchBags } from '#core/what-if/search'
import { asItIs } from '#core/what-if/thought-of'
import type { WhatIfAnswer, WhatIfAsk } from './what-if-protocol'

/** Thinks bags through, so that the page stays quick; a search tells how far it is and can be stopped. */
let open: { layout: Layout, judging: Judging, today: Scene } | undefined
let stopped = false
const post = (answer: WhatIfAnswer) => self.postMessage(answer)
/** Lets a message in: a stop is only heard between two lots of bags. */
const breathe = () => new Promise<void>(resolve => setTimeout(resolve, 0))

async function take(ask: Exclude<WhatIfAsk, { do: 'stop' }>): Promise<void> {
  const { turn } = ask
  if (ask.do === 'open') {
    const { player, chart } = calibrate(ask.player, ask.options)
    const layout = layOut(player)
    const judging: Judging = { ...ask.judging, plain: chart.filter(cell => cell.plain), targetsM: ownTargets(chart, ask.judging.unit) }
    const today = sceneOf(layout, asItIs(player.bag), judging)
    open = { layout, judging, today }
    post({ did: 'open', turn, today, newRungs: layout.newRungs.map(({ id, label, fraction }) => ({ id, label, fraction: fraction! })) })
    return
  }
  if (!open) throw new Error('no player was opened')
  const { layout, judging, today } = open
  if (ask.do === 'scene' || ask.do === 'beside' || ask.do === 'page') post({ did: ask.do, turn, scene: sceneOf(layout, ask.whatIf, judging) })
  else if (ask.do === 'help') post({ did: 'help', turn, remedies: remediesFor(layout, today, ask.finding, judging) })
  else {
    stopped = false
    const from = performance.now()
    const result = await searchBags(layout, ask.limits, judging.targetsM, async (progress) => {
      post({ did: 'progress', turn, progress })
      await breathe()
      return stopped
    })
    post({ did: 'search', turn, result, seconds: (performance.now() - from) / 1000 })
  }
}

self.addEventListener('message', ({ data }: MessageEvent<WhatIfAsk>) => {
  if (data.do === 'stop') {
    stopped = true
    return
  }
  take(data).catch((error: unknown) => {
    console.error('what if:', error)
    post({ did: 'fail', turn: data.turn, reason: (error as Error).message })
  })
})
