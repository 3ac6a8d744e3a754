import { carryNumbers } from '#core/chart/carry-numbers'
import { findFlags } from '#core/gaps/flags'
import { buildLadder } from '#core/gaps/ladder'
import { rungName } from '#core/swing/scale'
import type { StockShot } from '#core/bag/bag'
import { flagOptions } from '#shared/flag-options'
import { stockShotName } from '#shared/flag-words'

/** From shots to flags, each step once, for the open player. */
export const useNumbers = createSharedComposable(() => {
  const record = usePlayerRecord()
  const numbers = computed(() => carryNumbers(record.bag, record.shots))
  const ladder = computed(() => buildLadder(numbers.value))
  const findings = computed(() => findFlags(ladder.value, flagOptions(record.player?.thresholds)))
  return { numbers, ladder, findings }
})

/** What stock shots are called for the open player. */
export function useCellNames() {
  const record = usePlayerRecord()
  const clubs = computed(() => new Map(record.bag.clubs.map(club => [club.id, club.label])))
  const rungs = computed(() => new Map(record.bag.scale.rungs.map(rung => [rung.id, rungName(rung)])))
  return {
    clubLabel: (cell: StockShot) => clubs.value.get(cell.clubId) ?? 'a club no longer here',
    swingLabel: (cell: StockShot) => rungs.value.get(cell.rungId) ?? 'a swing no longer here',
    cellName: (cell: StockShot) => stockShotName(clubs.value.get(cell.clubId) ?? '?', rungs.value.get(cell.rungId) ?? '?'),
  }
}
