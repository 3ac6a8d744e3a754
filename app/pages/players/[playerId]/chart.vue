<script setup lang="ts">
import { cellKey, clubsInUse, isGridClub } from '#core/bag/bag'
import { chartProgress } from '#core/chart/chart-cell'
import { rangeBallWords } from '#shared/air-words'
import type { Player } from '#shared/player'
import { nextWords, readyWords } from '#shared/next-words'

const { playerId, record } = usePlayerRoute()
const account = useAccount()
const { chart, known, next, ready, retestDueMs, air, rangeBalls } = useNumbers()
const toast = useToast()
const { cellName } = useCellNames()
const { unit } = useDistance()
const openedKey = ref<string>()
const opened = computed(() => chart.value.find(cell => cellKey(cell) === openedKey.value))

const hasGrid = computed(() => clubsInUse(record.bag).length > 0 && record.bag.scale.rungs.some(rung => !rung.retired))
const clubs = computed(() => {
  const used = clubsInUse(record.bag)
  return { grid: used.filter(isGridClub), others: used.filter(club => !isGridClub(club)) }
})
/** Whether any session says what its air was. */
const airTaken = computed(() => record.sessions.some(session => session.air.length > 0 || session.ball === 'range'))

async function switchAir() {
  const { asMeasured, ...rest } = record.player!.thresholds
  try {
    record.player = await api<Player>(`/api/players/${playerId.value}`, { method: 'PATCH', body: { version: record.player!.version, thresholds: asMeasured ? rest : { ...rest, asMeasured: true } } })
  } catch (error) {
    toast.add({ title: 'The air could not be switched', description: (error as Error).message, color: 'error' })
    if (error instanceof Refused && error.status === 409) record.player = { ...(error.current as Player) }
  }
}

const hit = computed(() => chartProgress(chart.value).hit)
const anyBall = computed(() => chart.value.some(cell => cell.balls > 0))
const line = computed(() => {
  if (!known.value) return ''
  const balls = chart.value.reduce((sum, cell) => sum + cell.balls, 0)
  const out = chart.value.reduce((sum, cell) => sum + cell.leftOut, 0)
  const first = Math.min(...record.shots.map(shot => shot.hitAtMs))
  if (balls + out === 0) return 'No balls yet.'
  const how = air.value === 'neutral' ? 'Neutral air' : 'As measured'
  return `${how}, ${balls} balls since ${shortDate(first)}${out > 0 ? `, ${out} left out` : ''}`
})
</script>

<template>
  <FrameStagePage title="Carry chart">
    <template #line>{{ line }}&nbsp;</template>
    <template #actions>
      <UButton v-if="airTaken" color="neutral" :variant="air === 'neutral' ? 'solid' : 'outline'" :aria-pressed="air === 'neutral'" icon="i-lucide-wind" @click="switchAir">Neutral air</UButton>
      <UButton color="neutral" :variant="account.decimals === 1 ? 'solid' : 'outline'" :aria-pressed="account.decimals === 1" @click="account.decimals = account.decimals === 1 ? 0 : 1">One decimal</UButton>
      <UButton :to="`/api/players/${playerId}/shots.csv`" external download color="neutral" variant="outline" icon="i-lucide-download"><span>Shots<span class="max-sm:sr-only"> as CSV</span></span></UButton>
      <UButton :to="`/api/players/${playerId}/chart.json`" external download color="neutral" variant="outline" icon="i-lucide-download"><span>Chart<span class="max-sm:sr-only"> file</span></span></UButton>
    </template>
    <FrameEmptyStep
      v-if="!hasGrid" icon="i-lucide-backpack" words="The chart needs a bag." help="Clubs go across, swing lengths go down." action="To the bag" :to="`/players/${playerId}/bag`"
    />
    <FrameNumbersGate v-else>
      <ChartCarryGrid v-if="clubs.grid.length > 0" :chart="chart" :clubs="clubs.grid" caption="Carry chart: swing lengths down, clubs across" @open="openedKey = cellKey($event)" />
      <section v-if="!anyBall" class="raised mt-5 flex flex-wrap items-center justify-between gap-3 p-4">
        <p class="text-lg font-bold">No stock shot has a number yet. The first few balls fill the whole chart, roughly at first.</p>
        <UButton size="lg" :to="`/players/${playerId}/session`">Hit the first balls</UButton>
      </section>
      <div v-else-if="hit > 0" class="mt-5 grid grid-cols-1 gap-4 lg:grid-cols-2">
        <section v-if="next[0]" class="raised border-(--ink)! p-4" aria-labelledby="next-title">
          <h2 id="next-title" class="soft text-sm">Hit next</h2>
          <p class="text-xl leading-snug font-bold">{{ cellName(next[0]) }}, {{ next[0].balls }} balls</p>
          <p class="mt-0.5">{{ nextWords(next[0], cellName) }}<template v-if="next.length > 1"> Then {{ next.slice(1).map(cellName).join(', ') }}.</template></p>
          <UButton class="mt-3" variant="outline" :to="`/players/${playerId}/session`">To the range</UButton>
        </section>
        <section v-if="ready" class="raised p-4" aria-labelledby="ready-title">
          <h2 id="ready-title" class="soft text-sm">How far it has come</h2>
          <p class="text-xl leading-snug font-bold" :class="ready.goodEnough && 'text-success'"><UIcon v-if="ready.goodEnough" name="i-lucide-check" /> {{ readyWords(ready, unit) }}</p>
          <p v-if="retestDueMs !== null" class="mt-0.5">{{ retestDueMs < Date.now() ? `A retest has been due since ${shortDate(retestDueMs)}: by now the numbers may have moved.` : `Retest by ${shortDate(retestDueMs)}: by then the numbers may have moved.` }}</p>
        </section>
      </div>
      <section v-if="clubs.others.length > 0" class="mt-8" aria-labelledby="others-title">
        <h2 id="others-title" class="text-xl font-bold">Longer clubs</h2>
        <p class="soft mb-2">Each stock shot by itself: below 40° one club tells little about another.</p>
        <ChartCarryGrid :chart="chart" :clubs="clubs.others" caption="Longer clubs: swing lengths down, clubs across" @open="openedKey = cellKey($event)" />
      </section>
      <div v-if="anyBall" class="soft mt-4 space-y-0.5 text-sm">
        <p v-if="rangeBalls">{{ rangeBallWords(rangeBalls) }}</p>
        <p>± is how sure the number is: 8 times in 10 it is off by no more. The patch under it is where 8 clean balls in 10 lie, the number's own doubt included.</p>
        <p>In italics: predicted, no ball of it has been hit. Every number leans on the other balls too, and a poor strike weighs little; tap one to see. {{ air === 'neutral' ? 'Neutral air: 20 °C, calm, at sea level; sessions without air count as they were measured.' : airTaken ? 'As measured: neither air nor range balls are taken out.' : 'As measured: take the air in a session, and wind, warmth and height are taken out.' }}</p>
      </div>
    </FrameNumbersGate>
    <ChartCellDialog v-if="opened" :open="true" :cell="opened" @update:open="openedKey = undefined" />
  </FrameStagePage>
</template>
