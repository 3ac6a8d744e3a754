<script setup lang="ts">
import { cellKey, rungsInUse, type Club, type StockShot } from '#core/bag/bag'
import { saidAt, type Said } from '#core/chart/coach-word'
import type { CarryChart, ChartCell } from '#core/chart/chart-cell'
import { rungCue, rungName } from '#core/swing/scale'

/** The carry chart: swing lengths down, longest on top; clubs across, most loft first. */
const props = defineProps<{ chart: CarryChart, clubs: readonly Club[], caption: string, atMs?: number, totals?: ReadonlyMap<string, number> }>()
defineEmits<{ open: [cell: ChartCell] }>()
const record = usePlayerRecord()
const { questions } = useNumbers()
const { saidOf: saidNow } = useCellWords()
const saidThen = computed(() => props.atMs === undefined ? undefined : saidAt(record.words, props.atMs))
const saidOf = (cell: StockShot): Said => saidThen.value ? saidThen.value.get(cellKey(cell)) ?? {} : saidNow(cell)
const narrow = useMediaQuery('(max-width: 639px)')
const rungs = computed(() => [...rungsInUse(record.bag)].reverse())
const byKey = computed(() => new Map(props.chart.map(cell => [cellKey(cell), cell])))
const asked = computed(() => new Set(props.atMs === undefined ? questions.value.map(cellKey) : []))
const cellAt = (clubId: string, rungId: string) => byKey.value.get(cellKey({ clubId, rungId }))!

// One scale for all strips, so that a loose cell looks loose beside a tight one.
const LEAST_HALF_SPAN_M = 9
const halfSpanM = computed(() => {
  const reaches = props.chart.flatMap(cell => cell.window80M && cell.carryM !== null ? [cell.window80M[1] - cell.carryM] : [])
  return Math.max(LEAST_HALF_SPAN_M, ...reaches)
})
</script>

<template>
  <div class="overflow-x-auto pb-1">
    <table class="w-full table-fixed border-collapse" :style="{ minWidth: `${narrow ? 4.5 + clubs.length * 4.9 : 6 + clubs.length * 7.25}rem` }">
      <caption class="sr-only">{{ caption }}</caption>
      <thead>
        <tr>
          <td class="sticky left-0 z-10 w-18 bg-default sm:w-32" />
          <th v-for="club in clubs" :key="club.id" scope="col" class="px-2 pb-1.5 text-left align-bottom sm:px-3">
            <span class="block truncate text-xl font-bold">{{ club.label }}</span>
            <span class="soft block truncate text-sm font-normal max-sm:hidden">{{ club.name || ' ' }}{{ club.label === `${club.loftDeg}°` ? '' : ` ${club.loftDeg}°` }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="rung in rungs" :key="rung.id">
          <th scope="row" class="sticky left-0 z-10 bg-default pr-2 text-left">
            <span class="block truncate font-bold sm:text-lg">{{ rungName(rung) }}</span>
            <span class="soft line-clamp-2 text-xs leading-tight font-normal sm:text-sm">{{ rungCue(rung) }}</span>
          </th>
          <td v-for="club in clubs" :key="club.id" class="h-28 border border-default p-0 align-top" :class="{ 'border-dashed!': cellAt(club.id, rung.id).kind === 'unhit' || cellAt(club.id, rung.id).kind === 'predicted' }">
            <ChartCarryCell :cell="cellAt(club.id, rung.id)" :name="`${club.label} ${rungName(rung)}`" :half-span-m="halfSpanM" :said="saidOf(cellAt(club.id, rung.id))" :total-m="totals?.get(cellKey(cellAt(club.id, rung.id)))" :asked="asked.has(cellKey(cellAt(club.id, rung.id)))" @open="$emit('open', cellAt(club.id, rung.id))" />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
