<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import { useLanding } from '~/player/useLanding'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import MarksSideOfShot from '~/ui/marks/SideOfShot.vue'
import MarksLandingPlan from '~/ui/marks/LandingPlan.vue'
import { shortDate } from '~/ui/dates'

/** A stock shot seen from above: all its balls, those of one session, of its club, or of all; another laid over it. */
const props = defineProps<{ cell: StockShot }>()
const record = usePlayerRecord()
const { chart } = useNumbers()
const { cellName, clubLabel } = useCellNames()
const { patchesOf, ballsOf, targetsOf, sideOf } = useLanding()

const which = ref('shot')
const NONE = 'none'
const over = ref(NONE)
const sessions = computed(() => {
  const ids = new Set(record.records.filter(shot => cellKey(shot) === cellKey(props.cell)).map(shot => shot.sessionId))
  return record.sessions.filter(one => ids.has(one.id)).sort((a, b) => b.startedAtMs - a.startedAtMs)
})
const whichItems = computed(() => [
  { value: 'shot', label: 'All its balls' },
  ...sessions.value.map(one => ({ value: one.id, label: `Those of ${shortDate(one.startedAtMs)}` })),
  { value: 'club', label: `All with the ${clubLabel(props.cell)}` },
  { value: 'all', label: 'All balls' },
])
const others = computed(() => [
  { value: NONE, label: 'nothing over it' },
  ...chart.value
    .filter(one => one.carryM !== null && one.window80M && cellKey(one) !== cellKey(props.cell))
    .map(one => ({ value: cellKey(one), label: cellName(one) })),
])
const cells = computed((): StockShot[] => {
  if (which.value === 'club')
    return chart.value.filter(one => one.clubId === props.cell.clubId && one.kind === 'measured')
  if (which.value === 'all') return chart.value.filter(one => one.kind === 'measured')
  const other = chart.value.find(one => cellKey(one) === over.value)
  return other ? [props.cell, other] : [props.cell]
})
const patches = computed(() => patchesOf(cells.value))
const balls = computed(() =>
  ballsOf(shot => {
    if (which.value === 'all') return true
    if (which.value === 'club') return shot.clubId === props.cell.clubId
    const own = cells.value.some(one => cellKey(one) === cellKey(shot))
    return own && (which.value === 'shot' || shot.sessionId === which.value)
  }),
)
const targets = computed(() => targetsOf(sessions.value.find(({ id }) => id === which.value)))
const side = computed(() => sideOf(props.cell))
const one = computed(() => which.value !== 'club' && which.value !== 'all')
</script>

<template>
  <details class="raised px-3 py-1">
    <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">Landing plan</summary>
    <div class="mb-2 flex flex-wrap gap-2">
      <USelect v-model="which" :items="whichItems" aria-label="Which balls" class="min-w-40 flex-1" />
      <USelect v-if="one" v-model="over" :items="others" aria-label="Laid over it" class="min-w-40 flex-1" />
    </div>
    <MarksLandingPlan :patches="patches" :balls="balls" :targets="targets" />
    <p class="soft pb-1 text-sm">
      In the patch land 8 clean balls in 10, the number's own doubt included. The newest ball is the red one.
    </p>
    <MarksSideOfShot v-if="side" :side="side" :name="cellName(cell)" />
  </details>
</template>
