import { cellKey, type StockShot } from '#core/bag/bag'
import { landingPatch, type LandedBall } from '#core/chart/landing'
import { neutralCarries } from '~/utils/neutral'
import { marksOf } from '#shared/marks'
import type { ShotRecord } from '#shared/session'
import { useCellNames, useNumbers } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'

/** More balls than these make a blot. */
const MOST_BALLS = 120

/** What a landing plan shows of stock shots and of their balls, in the air that their numbers are in. */
export function useLanding() {
  const record = usePlayerRecord()
  const { chart, readChart } = useNumbers()
  const { cellName } = useCellNames()
  const neutralM = computed(() => neutralCarries(chart.value, record.shots))

  function patchesOf(cells: readonly StockShot[]) {
    return cells.flatMap(at => {
      const cell = readChart.value.find(one => cellKey(one) === cellKey(at))
      const patch = cell && landingPatch(cell)
      return cell && patch ? [{ name: cellName(cell), patch, numberM: cell.carryM }] : []
    })
  }

  /** The newest balls first; a pile measured as one has no place of its own. */
  function ballsOf(which: (shot: ShotRecord) => boolean): LandedBall[] {
    const own = record.records
      .filter(shot => !shot.deleted && shot.balls === 1 && which(shot))
      .sort((a, b) => b.hitAtMs - a.hitAtMs)
    return own.slice(0, MOST_BALLS).map((shot, i) => ({
      id: shot.id,
      carryM: neutralM.value.get(shot.id) ?? shot.carryM,
      sideM: shot.readings?.sideM ?? null,
      counts: shot.leftOut === null,
      word: shot.leftOut ? `${shot.leftOut}, left out` : marksOf(shot).join(', '),
      newest: i === 0,
    }))
  }

  return { patchesOf, ballsOf }
}
