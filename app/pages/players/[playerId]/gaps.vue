<script setup lang="ts">
import { withWindow } from '#core/chart/carry-chart'

const { playerId } = usePlayerRoute()
const { numbers, ladder, findings } = useNumbers()
const { withUnit } = useDistance()
const chart = computed(() => numbers.value.map(withWindow))
const asTable = ref(false)

// Steps come first; a grid that interleaves has many pairs, and nobody reads forty cards.
const FIRST = 6
const all = ref(false)
const shown = computed(() => all.value ? findings.value : findings.value.slice(0, FIRST))

const bare = computed(() => chart.value.some(cell => cell.kind === 'measured' && cell.window80M === null))
const line = computed(() => {
  const [first, last] = [ladder.value[0], ladder.value.at(-1)]
  if (!first || !last) return 'No stock shot has a number yet.'
  return `${ladder.value.length} stock shots from ${withUnit(first.carryM)} to ${withUnit(last.carryM)}. A bar is where 8 clean balls in 10 land; the fuller the mark, the longer the swing.${bare.value ? ' A ring has too few balls to tell.' : ''}`
})
</script>

<template>
  <FrameStagePage title="Gaps" :line="line">
    <template #actions>
      <UButton v-if="ladder.length > 1" color="neutral" variant="outline" :icon="asTable ? 'i-lucide-chart-no-axes-gantt' : 'i-lucide-table'" :aria-pressed="asTable" @click="asTable = !asTable">
        {{ asTable ? 'As lanes' : 'As a table' }}
      </UButton>
    </template>
    <FrameEmptyStep
      v-if="ladder.length < 2" icon="i-lucide-ruler" :words="ladder.length === 0 ? 'Gaps need numbers.' : 'One number has no gaps.'" help="Hit a few balls with two stock shots or more, and the steps between them stand here."
      action="To the range" :to="`/players/${playerId}/session`"
    />
    <div v-else class="space-y-6">
      <GapsLanesTable v-if="asTable" :ladder="ladder" :chart="chart" />
      <LazyGapsLanesChart v-else :chart="chart" :findings="findings" />
      <section aria-labelledby="flags-title">
        <h2 id="flags-title" class="mb-2 text-xl font-bold">{{ findings.length === 0 ? 'No flags' : `${findings.length} ${findings.length === 1 ? 'flag' : 'flags'}` }}</h2>
        <div v-if="findings.length > 0" class="grid grid-cols-1 gap-3 lg:grid-cols-2">
          <GapsFlagCard v-for="(finding, i) in shown" :key="i" :finding="finding" />
        </div>
        <UButton v-if="findings.length > FIRST" color="neutral" variant="outline" class="mt-3" :aria-expanded="all" @click="all = !all">{{ all ? 'Show fewer' : `Show all ${findings.length} flags` }}</UButton>
        <p v-if="findings.length === 0" class="raised flex items-center gap-2 p-4"><UIcon name="i-lucide-check" class="size-5 text-success" /> No step is too wide and no two numbers are too close, as far as it is measured.</p>
      </section>
      <div class="grid grid-cols-1 items-start gap-6 lg:grid-cols-2">
        <section aria-labelledby="ladder-title">
          <h2 id="ladder-title" class="mb-2 text-xl font-bold">The ladder</h2>
          <GapsLadderStrip :ladder="ladder" :findings="findings" />
        </section>
        <GapsThresholds />
      </div>
    </div>
  </FrameStagePage>
</template>
