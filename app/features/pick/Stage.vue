<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import type { PublishedChart } from '#core/history/published'
import { COURSE_SCATTER } from '#core/pick/strokes'
import { stockShotName } from '#words/stock-shot'
import { courseScatterText } from '#words/pick'
import { dayText } from '#words/dates'
import { usePick, type PickSheet } from '~/features/pick/usePick'
import { usePicked } from '~/features/pick/usePicked'
import { useDistance } from '~/ui/useDistance'
import PickAnswer from '~/features/pick/Answer.vue'
import PickKept from '~/features/pick/Kept.vue'
import PickPlan from '~/features/pick/Plan.vue'
import PickSheets from '~/features/pick/Sheets.vue'
import MarksSideView from '~/ui/marks/SideView.vue'
import PickStrip from '~/features/pick/Strip.vue'
import PickTarget from '~/features/pick/Target.vue'
import { serverNowMs } from '~/offline/server-clock'

/** What to hit: the distance in, the shot out, with what its bad ball costs. From a published chart alone. */
const props = defineProps<{ chart: PublishedChart; owner: string }>()
const { unit } = useDistance()
const chart = computed(() => props.chart)
const desk = usePick(chart, unit, props.owner)
const { setting, opened, strip, complete, failure } = desk
const answer = usePicked(desk)
const { drawn } = answer
const USUAL_MIDDLE = 80
const middle = computed(() => {
  const range = opened.value?.range
  return range ? Math.round((range.from + range.to) / 2) : USUAL_MIDDLE
})
const other = computed(() => drawn.value.picks.find(one => one !== drawn.value.chosen))
const path = computed(() => {
  const key = drawn.value.chosen && cellKey(drawn.value.chosen)
  return opened.value?.paths.find(one => cellKey(one) === key)?.path
})
const names = computed(
  () => new Map(props.chart.cells.map(cell => [cellKey(cell), stockShotName(cell.club, cell.swing)])),
)
const trouble = computed(() => setting.value.trouble)
const scatter = computed(() => courseScatterText(props.chart.pick?.courseScatter ?? COURSE_SCATTER))
const otherwise = computed(() => `${scatter.value} ${due.value}`)
const due = computed(() =>
  props.chart.retestDueMs !== undefined && props.chart.retestDueMs < serverNowMs()
    ? `Its numbers were due for a test on ${dayText(props.chart.retestDueMs)}.`
    : '',
)
const MINUTE_MS = 60_000
const now = useNow({ interval: MINUTE_MS })
/** "wind 40 min old". */
const day = computed(() => {
  const { air, airAtMs, slopeM } = setting.value
  const still = desk.home.value && !setting.value.neutral ? 'usual air of the home course' : 'neutral air'
  if (!air) return slopeM === 0 ? still : `${still}, on a slope`
  const minutes = Math.max(0, Math.round((now.value.getTime() - (airAtMs ?? 0)) / MINUTE_MS))
  if (minutes < 2) return 'air just entered'
  return minutes < 120 ? `air ${minutes} min old` : `air ${Math.round(minutes / 60)} h old: enter it again`
})
const sheet = ref<PickSheet>()
</script>

<template>
  <div class="max-lg:pb-64">
    <p v-if="failure" role="alert" class="raised mb-3 flex flex-wrap items-center gap-3 p-3 font-semibold text-error">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="desk.again()">Try again</UButton>
    </p>
    <div class="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,min(26rem,50%))_minmax(0,1fr)]">
      <div class="flex flex-col gap-4 lg:sticky lg:top-16 lg:row-span-2 lg:self-start">
        <PickTarget
          :desk="desk"
          :shown="drawn"
          :day="day"
          :middle="middle"
          :folded="sheet !== undefined"
          @unfold="sheet = undefined"
          @today="sheet = sheet === 'today' ? undefined : 'today'"
        />
        <PickPlan
          v-if="drawn.chosen && drawn.targetM !== null"
          class="max-lg:hidden"
          :target-m="drawn.targetM"
          :pick="drawn.chosen"
          :other="other"
          :green="setting.green"
          :trouble="trouble"
        />
      </div>
      <PickAnswer :desk="desk" :answer="answer" :chart="chart" />
      <section class="min-w-0" aria-label="The hole and the day">
        <PickSheets v-model="sheet" :desk="desk" :otherwise="otherwise" />
        <PickKept class="mt-3" :owner="owner" :pick="drawn.chosen ?? null" :target-m="drawn.targetM" />
      </section>
      <div v-if="drawn.chosen && drawn.targetM !== null" class="space-y-4 lg:hidden">
        <PickPlan
          :target-m="drawn.targetM"
          :pick="drawn.chosen"
          :other="other"
          :green="setting.green"
          :trouble="trouble"
        />
      </div>
      <PickStrip
        v-if="opened?.range"
        class="lg:col-span-2"
        :stretches="strip"
        :range="opened.range"
        :at="drawn.at"
        :names="names"
        :complete="complete"
        @go="desk.toFlag"
      />
      <!-- Its room, so that nothing below it is pushed down. -->
      <div v-else-if="!opened && !failure" class="h-26 lg:col-span-2" aria-hidden="true" />
      <MarksSideView
        v-if="path && drawn.chosen && drawn.targetM !== null"
        class="lg:col-start-1"
        :path="path"
        :pitch-m="drawn.chosen.pitchM"
        :target-m="drawn.targetM"
        :over="setting.over"
        :under="setting.under"
        :name="stockShotName(drawn.chosen.club, drawn.chosen.swing)"
      />
      <slot />
    </div>
  </div>
</template>
