<script setup lang="ts">
import { cellKey, clubsInUse, gridCells, isGridClub, rungsInUse, type StockShot } from '#core/bag/bag'
import { chartProgress, type CarryChart } from '#core/chart/chart-cell'
import type { Firmness } from '#core/flight/run-out'
import type { Player } from '#shared/player'
import type { Thresholds } from '#shared/schemas/player'
import { nextText, readyText } from '#words/next'
import { markedText, retestDueText } from '#words/retest'
import { Refused, api } from '~/offline/api'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useChartMenu } from '~/features/chart/useChartMenu'
import { useTotals } from '~/features/chart/useTotals'
import { shortDate } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'
import ChartCarryGrid from '~/features/chart/CarryGrid.vue'
import ChartPastDay from '~/features/chart/PastDay.vue'
import ChartCellPanel from '~/features/chart/CellPanel.vue'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameNumbersGate from '~/ui/frame/NumbersGate.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import ShotsOwnBallsHelp from '~/player/shots/OwnBallsHelp.vue'
import ShotsSetAside from '~/player/shots/SetAside.vue'

const { playerId, record } = usePlayerRoute()
const { chart, known, next, ready, retest, retestDueMs, air, ownBallsHelp } = useNumbers()
const toast = useToast()
const { cellName } = useCellNames()
const { unit } = useDistance()
const route = useRoute()
/** The opened stock shot has its own address, so that it can be linked and gone back from. */
const opened = computed(() => (asOf.value ? undefined : chart.value.find(cell => cellKey(cell) === route.query.cell)))
function openCell(cell?: StockShot) {
  const { cell: _, ...rest } = route.query
  void navigateTo({ query: cell ? { ...rest, cell: cellKey(cell) } : rest }, { replace: !!opened.value && !!cell })
}
function walk(clubs: number, rungs: number) {
  const cells = gridCells(record.bag)
  const clubIds = clubsInUse(record.bag).map(club => club.id)
  const rungIds = rungsInUse(record.bag).map(rung => rung.id)
  const clubId = clubIds[clubIds.indexOf(opened.value!.clubId) + clubs]
  const rungId = rungIds[rungIds.indexOf(opened.value!.rungId) + rungs]
  const to = cells.find(cell => cell.clubId === clubId && cell.rungId === rungId)
  if (to) openCell(to)
}

const hasGrid = computed(() => clubsInUse(record.bag).length > 0 && record.bag.scale.rungs.some(rung => !rung.retired))
const clubs = computed(() => {
  const used = clubsInUse(record.bag)
  return { grid: used.filter(isGridClub), others: used.filter(club => !isGridClub(club)) }
})
/** Whether any session says what its air was. */
const airTaken = computed(() => record.sessions.some(session => session.air.length > 0 || session.ball === 'range'))

async function setThresholds(thresholds: Thresholds, failed: string) {
  try {
    record.player = await api('/api/players/:playerId', {
      params: { playerId: playerId.value },
      method: 'PATCH',
      body: { version: record.player!.version, thresholds },
    })
  } catch (error) {
    toast.add({ title: failed, description: (error as Error).message, color: 'error' })
    if (error instanceof Refused && error.status === 409) record.player = { ...(error.current as Player) }
  }
}

function switchAir() {
  const { asMeasured, ...rest } = record.player!.thresholds
  return setThresholds(asMeasured ? rest : { ...rest, asMeasured: true }, 'The air could not be switched')
}

/** The chart as it stood at the end of a past day is another picture; null for today. */
const asOf = computed(() =>
  typeof route.query.asOf === 'string' && /^\d{4}-\d\d-\d\d$/.test(route.query.asOf) ? route.query.asOf : null,
)
const past = shallowRef<CarryChart>()
const shown = computed(() => (asOf.value ? (past.value ?? []) : chart.value))
const goTo = (day: string | undefined) => navigateTo({ query: day ? { asOf: day } : {} })

/** What comes after the first, each said once. */
const after = computed(() =>
  [...new Set(next.value.slice(1).map(cellName))].filter(name => name !== cellName(next.value[0]!)),
)
const totalOn = computed(() => record.player?.thresholds.totalOn)
const totals = useTotals(
  () => shown.value,
  () => totalOn.value,
)
function showTotal(firmness: Firmness | undefined) {
  const { totalOn: _, ...rest } = record.player!.thresholds
  return setThresholds(firmness ? { ...rest, totalOn: firmness } : rest, 'Carry and total could not be switched')
}

const more = useChartMenu({ shown, totalOn, goTo, showTotal })

const hit = computed(() => chartProgress(chart.value).hit)
const anyBall = computed(() => chart.value.some(cell => cell.balls > 0))
const line = computed(() => {
  if (!known.value || asOf.value) return ''
  const balls = chart.value.reduce((sum, cell) => sum + cell.balls, 0)
  const out = chart.value.reduce((sum, cell) => sum + cell.leftOut, 0)
  const first = Math.min(...record.shots.map(shot => shot.hitAtMs))
  if (balls + out === 0) return 'No balls yet.'
  const how = air.value === 'neutral' ? 'Neutral air' : 'As measured'
  return (
    `${how}, ${balls} ${balls === 1 ? 'ball' : 'balls'} since ` +
    `${shortDate(first)}${out > 0 ? `, ${out} left out` : ''}`
  )
})
/** What was changed last, while no retest is due for it. */
const newestMark = computed(() => {
  const marks = record.player?.thresholds.changes ?? []
  const newest = marks.reduce<(typeof marks)[number] | null>(
    (last, one) => (last && last.atMs >= one.atMs ? last : one),
    null,
  )
  return newest && retest.value?.why === 'time' ? markedText(newest.kind, shortDate(newest.atMs)) : ''
})
const retestDue = computed(() =>
  retest.value && retestDueMs.value !== null
    ? retestDueText(retest.value, shortDate(retestDueMs.value), retestDueMs.value <= serverNowMs())
    : '',
)
</script>

<template>
  <FrameStagePage title="Carry chart">
    <template #line>{{ line }}&nbsp;</template>
    <template #actions>
      <USwitch
        v-if="airTaken"
        :model-value="record.player?.thresholds.asMeasured !== true"
        label="Neutral air"
        class="min-h-11 items-center"
        @update:model-value="switchAir"
      />
      <UButton
        :to="`/players/${playerId}/chart/believed`"
        color="neutral"
        variant="outline"
        icon="i-lucide-message-circle"
        >Believed</UButton
      >
      <UButton
        :to="`/players/${playerId}/chart/compare`"
        color="neutral"
        variant="outline"
        icon="i-lucide-git-compare-arrows"
        >What moved</UButton
      >
      <UButton :to="`/players/${playerId}/chart/published`" icon="i-lucide-stamp">Publish</UButton>
      <UDropdownMenu :items="more"
        ><UButton color="neutral" variant="outline" icon="i-lucide-ellipsis" aria-label="More about this chart"
      /></UDropdownMenu>
    </template>
    <FrameEmptyStep
      v-if="!hasGrid"
      icon="i-lucide-backpack"
      words="The chart needs a bag."
      help="Clubs go across, swing lengths go down."
      action="To the bag"
      :to="`/players/${playerId}/bag`"
    />
    <ChartPastDay v-else-if="asOf" v-model:chart="past" :day="asOf" :clubs="clubs.grid" @go="goTo" />
    <FrameNumbersGate v-else>
      <p v-if="totalOn" class="raised mb-3 flex flex-wrap items-center gap-3 px-4 py-2">
        <span
          >Total first, on {{ totalOn }} ground: carry and run, each run known to about half of itself. Carry stands
          below it.</span
        >
        <UButton size="sm" color="neutral" variant="outline" @click="showTotal(undefined)">Carry first</UButton>
      </p>
      <ChartCarryGrid
        v-if="clubs.grid.length > 0"
        :chart="chart"
        :clubs="clubs.grid"
        :totals="totals"
        caption="Carry chart: swing lengths down, clubs across"
        @open="openCell"
      />
      <ShotsSetAside class="mt-4" />
      <section v-if="!anyBall" class="raised mt-5 flex flex-wrap items-center justify-between gap-3 p-4">
        <p class="text-lg font-bold">
          No stock shot has a number yet. The first few balls fill the whole chart, roughly at first.
        </p>
        <UButton size="lg" :to="`/players/${playerId}/session`">Hit the first balls</UButton>
      </section>
      <div v-else-if="hit > 0" class="mt-5 grid grid-cols-1 gap-4 lg:grid-cols-2">
        <section v-if="next[0]" class="raised border-(--ink)! p-4" aria-labelledby="next-title">
          <h2 id="next-title" class="soft text-sm">Hit next</h2>
          <p class="text-xl leading-snug font-bold">{{ cellName(next[0]) }}, {{ next[0].balls }} balls</p>
          <p class="mt-0.5">
            {{ nextText(next[0], cellName) }}<template v-if="after.length > 0"> Then {{ after.join(', ') }}.</template>
          </p>
          <UButton class="mt-3" variant="outline" :to="`/players/${playerId}/session`">To the range</UButton>
        </section>
        <section v-if="ready" class="raised p-4" aria-labelledby="ready-title">
          <h2 id="ready-title" class="soft text-sm">How far it has come</h2>
          <p class="text-xl leading-snug font-bold" :class="ready.goodEnough && 'text-success'">
            <UIcon v-if="ready.goodEnough" name="i-lucide-check" /> {{ readyText(ready, unit, ownBallsHelp !== null) }}
          </p>
          <p v-if="retestDue" class="mt-0.5">
            {{ retestDue }}
            <NuxtLink class="underline" :to="`/players/${playerId}/rounds#retest-title`">Which balls</NuxtLink>
          </p>
          <p v-if="newestMark" class="mt-0.5">{{ newestMark }}</p>
          <ShotsOwnBallsHelp class="mt-2" />
        </section>
      </div>
      <section v-if="clubs.others.length > 0" class="mt-8" aria-labelledby="others-title">
        <h2 id="others-title" class="text-xl font-bold">Longer clubs</h2>
        <p class="soft mb-2">Each stock shot by itself: below 33° one club tells little about another.</p>
        <ChartCarryGrid
          :chart="chart"
          :clubs="clubs.others"
          caption="Longer clubs: swing lengths down, clubs across"
          @open="openCell"
        />
      </section>
      <div v-if="anyBall" class="soft mt-4 space-y-0.5 text-sm">
        <p>
          ± is how sure the number is: 8 times in 10 it is off by no more. The patch under it is where 8 clean balls in
          10 lie, the number's own doubt included.
        </p>
        <p>
          In italics: predicted, no ball of it has been hit. Every number leans on the other balls too, and a poor
          strike weighs little; tap one to see.
          {{
            air === 'neutral'
              ? 'Neutral air: 20 °C, calm, at sea level, level, your own ball; sessions without air count as measured.'
              : airTaken
                ? 'As measured: neither air nor range balls are taken out.'
                : 'As measured: take the air in a session, and wind, warmth and height are taken out.'
          }}
        </p>
      </div>
    </FrameNumbersGate>
    <ChartCellPanel v-if="opened" :open="true" :cell="opened" @walk="walk" @update:open="openCell()" />
  </FrameStagePage>
</template>
