<script setup lang="ts">
import { cellKey, rungsInUse, type Club, type StockShot } from '#core/bag/bag'
import { remarksAt, type Remarks } from '#core/history/coach-remarks'
import type { CarryChart, ChartCell } from '#core/chart/chart-cell'
import { rungCue, rungName, type Rung } from '#core/swing/scale'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import ChartCarryCell from '~/features/chart/CarryCell.vue'
import GridClubSwingGrid from '~/ui/grid/ClubSwingGrid.vue'

/** The carry chart: swing lengths down, longest on top; clubs across, most loft first. */
const props = defineProps<{
  chart: CarryChart
  clubs: readonly Club[]
  caption: string
  atMs?: number
  totals?: ReadonlyMap<string, number>
}>()
defineEmits<{ open: [cell: ChartCell] }>()
const record = usePlayerRecord()
const { questions } = useNumbers()
const { remarksOf: saidNow } = useCellRemarks()
const saidThen = computed(() => (props.atMs === undefined ? undefined : remarksAt(record.words, props.atMs)))
const remarksOf = (cell: StockShot): Remarks =>
  saidThen.value ? (saidThen.value.get(cellKey(cell)) ?? {}) : saidNow(cell)
const narrow = useMediaQuery('(max-width: 639px)')
const rungs = computed(() => [...rungsInUse(record.bag)].reverse())
const byKey = computed(() => new Map(props.chart.map(cell => [cellKey(cell), cell])))
const asked = computed(() => new Set(props.atMs === undefined ? questions.value.map(cellKey) : []))
const cellAt = (clubId: string, rungId: string) => byKey.value.get(cellKey({ clubId, rungId }))!
/** What no ball of its own has shown is drawn in dashes. */
const cellClass = (club: Club, rung: Rung) => [
  'h-28 border border-default p-0 align-top',
  ['unhit', 'predicted'].includes(cellAt(club.id, rung.id).kind) && 'border-dashed!',
]

// One scale for all strips, so that a loose cell looks loose beside a tight one.
const LEAST_HALF_SPAN_M = 9
const halfSpanM = computed(() => {
  const reaches = props.chart.flatMap(cell =>
    cell.window80M && cell.carryM !== null ? [cell.window80M[1] - cell.carryM] : [],
  )
  return Math.max(LEAST_HALF_SPAN_M, ...reaches)
})
</script>

<template>
  <GridClubSwingGrid
    class="pb-1"
    :clubs="clubs"
    :swings="rungs"
    :caption="caption"
    table-class="w-full table-fixed"
    :min-rem="narrow ? 4.5 + clubs.length * 4.9 : 6 + clubs.length * 7.25"
    corner-class="sticky left-0 z-10 w-18 bg-default sm:w-32"
    club-class="px-2 pb-1.5 text-left align-bottom sm:px-3"
    swing-class="sticky left-0 z-10 bg-default pr-2 text-left"
    :cell-class="cellClass"
  >
    <template #club="{ club }">
      <span class="block text-xl leading-tight font-bold wrap-anywhere">{{ club.label }}</span>
      <span class="soft block truncate text-sm font-normal max-sm:hidden"
        >{{ club.name || ' ' }}{{ club.label === `${club.loftDeg}°` ? '' : ` ${club.loftDeg}°` }}</span
      >
    </template>
    <template #swing="{ swing }">
      <span class="block leading-tight font-bold wrap-anywhere sm:text-lg">{{ rungName(swing) }}</span>
      <span class="soft line-clamp-4 text-xs leading-tight font-normal sm:text-sm">{{ rungCue(swing) }}</span>
    </template>
    <template #cell="{ club, swing }">
      <ChartCarryCell
        :cell="cellAt(club.id, swing.id)"
        :name="`${club.label} ${rungName(swing)}`"
        :half-span-m="halfSpanM"
        :said="remarksOf(cellAt(club.id, swing.id))"
        :total-m="totals?.get(cellKey(cellAt(club.id, swing.id)))"
        :asked="asked.has(cellKey(cellAt(club.id, swing.id)))"
        @open="$emit('open', cellAt(club.id, swing.id))"
      />
    </template>
  </GridClubSwingGrid>
</template>
