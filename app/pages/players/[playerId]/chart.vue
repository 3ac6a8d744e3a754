<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { withWindow } from '#core/chart/carry-chart'
import { chartProgress } from '#core/chart/carry-numbers'

const { playerId, record } = usePlayerRoute()
const account = useAccount()
const { numbers } = useNumbers()
const chart = computed(() => numbers.value.map(withWindow))
const openedKey = ref<string>()
const opened = computed(() => chart.value.find(cell => cellKey(cell) === openedKey.value))

const progress = computed(() => chartProgress(numbers.value))
const line = computed(() => {
  const balls = chart.value.reduce((sum, cell) => sum + cell.balls, 0)
  const out = chart.value.reduce((sum, cell) => sum + cell.leftOut, 0)
  const first = Math.min(...record.shots.map(shot => shot.hitAtMs))
  if (balls + out === 0) return 'No balls yet.'
  return `${balls} balls since ${shortDate(first)}${out > 0 ? `, ${out} left out` : ''}, ${progress.value.known} of ${progress.value.inUse} known`
})
</script>

<template>
  <FrameStagePage title="Carry chart" :line="line">
    <template #actions>
      <UButton color="neutral" :variant="account.decimals === 1 ? 'solid' : 'outline'" :aria-pressed="account.decimals === 1" @click="account.decimals = account.decimals === 1 ? 0 : 1">One decimal</UButton>
      <UButton :to="`/api/players/${playerId}/shots.csv`" external download color="neutral" variant="outline" icon="i-lucide-download">Shots as CSV</UButton>
    </template>
    <FrameEmptyStep
      v-if="chart.length === 0" icon="i-lucide-backpack" words="The chart needs a bag." help="Clubs go across, swing lengths go down." action="To the bag" :to="`/players/${playerId}/bag`"
    />
    <template v-else>
      <ChartCarryGrid :chart="chart" @open="openedKey = cellKey($event)" />
      <div class="soft mt-3 space-y-0.5 text-sm">
        <p>The number for now is the middle of the pile: the mean without the longest and the shortest ball, from five balls on; the median with fewer.</p>
        <p>Beside it, from three balls on, where 8 clean balls in 10 lie. As measured: wind, warmth and height are not taken out. Figures in {{ account.unit === 'yd' ? 'yards' : 'metres' }}.</p>
      </div>
      <section v-if="progress.known === 0" class="raised mt-5 flex flex-wrap items-center justify-between gap-3 p-4">
        <p class="text-lg font-bold">No stock shot has a number yet.</p>
        <UButton size="lg" :to="`/players/${playerId}/session`">Hit the first balls</UButton>
      </section>
    </template>
    <ChartCellDialog v-if="opened" :open="true" :cell="opened" @update:open="openedKey = undefined" />
  </FrameStagePage>
</template>
