<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import type { ChartCell } from '#core/chart/carry-chart'
import { TRIM_FROM_BALLS } from '#core/chart/middle-of-the-pile'
import type { ShotRecord } from '#shared/session'

/** All balls of one stock shot, and how its number came about. */
const props = defineProps<{ cell: ChartCell }>()
const open = defineModel<boolean>('open', { required: true })
const record = usePlayerRecord()
const { cellName } = useCellNames()
const { text, unit, withUnit } = useDistance()
const opened = shallowRef<ShotRecord>()

const shots = computed(() => record.records
  .filter(shot => !shot.deleted && cellKey(shot) === cellKey(props.cell))
  .sort((a, b) => b.hitAtMs - a.hitAtMs))

const how = computed(() => {
  const n = props.cell.carriesM.length
  if (props.cell.kind === 'struck-out') return 'Struck out in the bag: it is in no chart and on no ladder. Its balls are kept.'
  if (n === 0) return 'No ball counts yet.'
  if (n < TRIM_FROM_BALLS) return `The number is the median of ${n === 1 ? 'one ball' : `${n} balls`}.`
  return `The number is the mean of ${n} balls without the longest and the shortest.`
})
</script>

<template>
  <UModal v-model:open="open" :title="cellName(cell)" :description="how" :ui="{ content: 'max-w-2xl' }">
    <template #body>
      <p v-if="cell.carryM !== null" class="mb-2 flex flex-wrap items-baseline gap-x-4">
        <span class="text-6xl font-extrabold">{{ text(cell.carryM) }}<span class="soft ml-1 text-2xl font-semibold">{{ unit }}</span></span>
        <span v-if="cell.window80M" class="soft text-lg">8 clean balls in 10 lie from {{ text(cell.window80M[0]) }} to {{ withUnit(cell.window80M[1]) }}</span>
      </p>
      <MarksPileStrip v-if="shots.length > 0" :carries-m="cell.carriesM" :left-out-m="cell.leftOutCarriesM" :centre-m="cell.carryM" :window-m="cell.window80M" />
      <ShotsShotList v-if="shots.length > 0" class="mt-3" :shots="shots" show-date hide-name @open="opened = $event" />
      <p v-else-if="cell.kind !== 'struck-out'" class="soft">Hit a few balls with it in a range session.</p>
      <ShotsShotDialog v-if="opened" :key="opened.id" :open="true" :shot="opened" @update:open="opened = undefined" @change="record.changeShot(opened!.id, $event)" />
    </template>
    <template #footer>
      <UButton :to="cell.kind === 'struck-out' ? `/players/${record.playerId}/bag` : `/players/${record.playerId}/session`">{{ cell.kind === 'struck-out' ? 'To the bag' : 'To the range' }}</UButton>
      <UButton color="neutral" variant="outline" @click="open = false">Close</UButton>
    </template>
  </UModal>
</template>
