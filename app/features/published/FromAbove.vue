<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { metresOf, type PublishedChart } from '#core/history/published'
import { publishedPatch } from '#core/history/published-patch'
import { stockShotName } from '#words/stock-shot'
import MarksLandingPlan from '~/ui/marks/LandingPlan.vue'

/** Published stock shots seen from above: the patch alone, as it was published; another one laid over it. */
const props = defineProps<{ chart: PublishedChart }>()
const NONE = 'none'
const shots = computed(() =>
  props.chart.cells.flatMap(cell => {
    const patch = publishedPatch(cell)
    if (!patch) return []
    const key = cellKey(cell)
    return [{ key, name: stockShotName(cell.club, cell.swing), patch, numberM: metresOf(cell.carry!) }]
  }),
)
const items = computed(() => shots.value.map(({ key, name }) => ({ value: key, label: name })))
const picked = ref('')
const shot = computed(() => shots.value.find(({ key }) => key === picked.value) ?? shots.value[0])
const over = ref(NONE)
const overItems = computed(() => [
  { value: NONE, label: 'nothing over it' },
  ...items.value.filter(({ value }) => value !== shot.value?.key),
])
const patches = computed(() =>
  [shot.value, shots.value.find(({ key }) => key === over.value)].flatMap(one => one ?? []),
)
</script>

<template>
  <details v-if="shot" class="raised px-3 py-1">
    <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">Landing plan</summary>
    <div class="mb-2 flex flex-wrap gap-2">
      <USelect
        :model-value="shot.key"
        :items="items"
        aria-label="Stock shot"
        class="min-w-40 flex-1"
        @update:model-value="picked = String($event)"
      />
      <USelect v-model="over" :items="overItems" aria-label="Laid over it" class="min-w-40 flex-1" />
    </div>
    <MarksLandingPlan :patches="patches" :balls="[]" />
    <p class="soft pb-1 text-sm">In the patch land 8 clean balls in 10, as it was published.</p>
  </details>
</template>
