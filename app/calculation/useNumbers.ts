import { rungName } from '#core/swing/scale'
import type { StockShot } from '#core/bag/bag'
import { readChart } from '#core/calibration/calibration'
import { answered, openFlags } from '#core/gaps/answers'
import { raisedFlags } from '#core/gaps/flag'
import { stockShotName } from '#words/stock-shot'
import { useCalibration } from '~/calculation/calibration'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** What the shots of the open player say, piece by piece; empty until it has been worked out. */
export const useNumbers = createSharedComposable(() => {
  const calibration = useCalibration()
  const record = usePlayerRecord()
  /** Every flag that is said, with the coach's answer. */
  const flags = computed(() => answered(raisedFlags(calibration.result?.findings ?? []), record.answers, serverNowMs()))
  return {
    flags,
    /** Those that ask something of the coach, those that matter most first. */
    openFlags: computed(() => openFlags(flags.value)),
    cover: computed(() => calibration.result?.cover ?? null),
    /** Stretches of the cover that are not proven, and the balls that would settle each. */
    unproven: computed(() => calibration.result?.unproven ?? []),
    stillOpen: computed(() => calibration.result?.stillOpen ?? []),
    /** False until there is something to show. */
    known: computed(() => calibration.result !== null),
    /** As the balls have it, and as it is read: with the coach's written numbers. */
    chart: computed(() => calibration.result?.chart ?? []),
    readChart: computed(() => {
      const { result } = calibration
      if (!result) return []
      return record.player?.thresholds.asBalls ? result.chart : readChart(result)
    }),
    /** Each stock shot with its run, where total is read first; else empty. */
    totals: computed(() => calibration.result?.totals ?? []),
    /** As gaps go by it: by total, where that is read first. */
    gapsChart: computed(() => {
      const { result } = calibration
      if (!result || result.totals.length > 0) return result?.totals ?? []
      return record.player?.thresholds.asBalls ? result.chart : readChart(result)
    }),
    ladder: computed(() => calibration.result?.ladder ?? []),
    findings: computed(() => calibration.result?.findings ?? []),
    said: computed(() => raisedFlags(calibration.result?.findings ?? [])),
    next: computed(() => calibration.result?.next ?? []),
    ready: computed(() => calibration.result?.ready ?? null),
    retest: computed(() => calibration.result?.retest ?? null),
    retestDueMs: computed(() => calibration.result?.retestDueMs ?? null),
    air: computed(() => calibration.result?.air ?? 'as measured'),
    rangeBalls: computed(() => calibration.result?.rangeBalls ?? null),
    ownBallsHelp: computed(() => calibration.result?.ownBallsHelp ?? null),
    plus: computed(() => calibration.result?.plus ?? null),
    /** What was done to what was typed, stock shot by stock shot. */
    sums: computed(() => calibration.result?.sums ?? []),
    speedCalls: computed(() => calibration.result?.speedCalls ?? []),
    /** Targets that several stock shots were hit to in practice. */
    servedTargets: computed(() => calibration.servedTargets),
    corrections: computed(() => calibration.result?.corrections ?? []),
    questions: computed(() => calibration.result?.questions ?? []),
    /** Balls that count but cannot be worked out, and why. */
    setAside: computed(() => calibration.result?.setAside ?? []),
  }
})

/** What stock shots are called for the open player. */
export function useCellNames() {
  const record = usePlayerRecord()
  const clubs = computed(() => new Map(record.bag.clubs.map(club => [club.id, club.label])))
  const rungs = computed(() => new Map(record.bag.scale.rungs.map(rung => [rung.id, rungName(rung)])))
  return {
    clubLabel: (cell: StockShot) => clubs.value.get(cell.clubId) ?? 'a club no longer here',
    swingLabel: (cell: StockShot) => rungs.value.get(cell.rungId) ?? 'a swing no longer here',
    cellName: (cell: StockShot) =>
      stockShotName(clubs.value.get(cell.clubId) ?? '?', rungs.value.get(cell.rungId) ?? '?'),
  }
}
