import { expose } from 'comlink'
import { calibrate } from '#core/calibration/calibrate'
import { readChart, type CalibrationOptions } from '#core/calibration/calibration'
import type { Finding } from '#core/gaps/flag'
import { remarksAt, writtenNumbers } from '#core/history/coach-remarks'
import { newMemo } from '#core/memo'
import type { PlayerShots } from '#core/shot/player-shots'
import { layOut, type Layout } from '#core/what-if/layout'
import { remediesFor } from '#core/what-if/remedies'
import { ownTargets, sceneOf, type Judging, type Scene } from '#core/what-if/scene'
import { searchBags, type Progress, type SearchResult } from '#core/what-if/search'
import { asItIs, type SearchLimits, type WhatIf } from '#core/what-if/thought-of'
import { nextTask } from '~/ui/next-task'

/** Thinks bags through, so that the page stays quick; a search tells how far it is and can be stopped. */
let player: { layout: Layout; judging: Judging; today: Scene } | undefined
let stopped = false
const memo = newMemo()

function opened() {
  if (!player) throw new Error('no player was opened')
  return player
}

interface OpenAsk {
  player: PlayerShots
  options: CalibrationOptions
  judging: Omit<Judging, 'plain' | 'targetsM'>
}

const api = {
  /** The player that all else is about; again whenever something about them changes. */
  open(ask: OpenAsk): { today: Scene; newRungs: { id: string; label: string; fraction: number }[] } {
    const calibrated = calibrate(ask.player, ask.options, undefined, memo)
    const { player: record } = calibrated
    const numbers = writtenNumbers(ask.options.asBalls ? new Map() : remarksAt(ask.options.words ?? [], record.nowMs))
    const { asBalls, aimedStraight, totalOn } = ask.options
    const byCarry = asBalls ? calibrated.chart : readChart(calibrated)
    const chart = totalOn ? calibrated.totals : byCarry
    const layout = layOut(record, memo, { aimedStraight, numbers, totalOn })
    const targetsM = ownTargets(chart, ask.judging.unit)
    const judging: Judging = { ...ask.judging, plain: chart.filter(cell => cell.plain), targetsM }
    const today = sceneOf(layout, asItIs(record.bag), judging)
    player = { layout, judging, today }
    return { today, newRungs: layout.newRungs.map(({ id, label, fraction }) => ({ id, label, fraction: fraction! })) }
  },

  scene(whatIf: WhatIf): Scene {
    const { layout, judging } = opened()
    return sceneOf(layout, whatIf, judging)
  },

  help(finding: Finding) {
    const { layout, today, judging } = opened()
    return remediesFor(layout, today, finding, judging)
  },

  async search(limits: SearchLimits, tell: (progress: Progress) => void): Promise<SearchResult & { seconds: number }> {
    const { layout, judging } = opened()
    stopped = false
    const from = performance.now()
    const result = await searchBags(layout, limits, judging.targetsM, async progress => {
      tell(progress)
      // A stop is only heard between two lots of bags.
      await nextTask()
      return stopped
    })
    return { ...result, seconds: (performance.now() - from) / 1000 }
  },

  stop(): void {
    stopped = true
  },
}

export type WhatIfApi = typeof api
expose(api)
