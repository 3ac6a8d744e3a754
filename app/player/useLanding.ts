import { cellKey, type StockShot } from '#core/bag/bag'
import { doesCount } from '#core/shot/shot'
import { landingPatch, type LandedBall } from '#core/chart/landing'
import { neutralCarries } from '~/player/neutral'
import { marksOf } from '#shared/marks'
import { sidePath, type SidePath } from '#core/corrections/side-path'
import { targetsOnLine, type TargetOnLine } from '#core/session/targets-on-line'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { useRanges } from '~/player/ranges/useRanges'
import { usePlayerRecord } from '~/offline/stores/record'

/** More balls than these make a blot. */
const MOST_BALLS = 120

/** What a landing plan shows of stock shots and of their balls, in the air that their numbers are in. */
export function useLanding() {
  const record = usePlayerRecord()
  const { chart, readChart } = useNumbers()
  const { cellName } = useCellNames()
  const { rangeOf, targetOf } = useRanges()
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
      counts: doesCount(shot),
      word: shot.leftOut ? `${shot.leftOut}, left out` : marksOf(shot).join(', '),
      newest: i === 0,
    }))
  }

  /** Targets of the range that a session was hit on, along its line. */
  function targetsOf(session: SessionRecord | undefined): TargetOnLine[] {
    const { rangeId, targetId } = session?.plan ?? { rangeId: null, targetId: null }
    return targetsOnLine(rangeOf(rangeId)?.targets ?? [], targetOf(rangeId, targetId)?.rightDeg ?? 0)
  }

  /** The flight of a stock shot from the side; null where no launch was read. */
  function sideOf(at: StockShot): SidePath | null {
    const own = record.records.filter(
      shot => !shot.deleted && doesCount(shot) && cellKey(shot) === cellKey(at) && shot.readings,
    )
    return sidePath(own.map(({ readings }) => readings!))
  }

  return { patchesOf, ballsOf, targetsOf, sideOf }
}
