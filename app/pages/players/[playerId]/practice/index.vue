<script setup lang="ts">
import type { DrillSpec } from '#core/practice/drill-spec'
import { ballsOfGo } from '#shared/practice'
import { drillTexts } from '#words/practice'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useTurns } from '~/ui/useTurns'
import { useCalibration } from '~/calculation/calibration'
import { usePractice } from '~/offline/stores/practice'
import { newGo } from '~/player/new-go'
import { daysAgo } from '~/ui/dates'
import FrameAfterPaint from '~/ui/frame/AfterPaint.vue'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import PracticeDrills from '~/features/practice/Drills.vue'
import PracticeHomework from '~/features/practice/Homework.vue'
import PracticeLeastLiked from '~/features/practice/LeastLiked.vue'
import PracticePlan from '~/features/practice/Plan.vue'
import PracticeScores from '~/features/practice/Scores.vue'

/** What to practise, every drill, and what came of it so far. */
const { playerId } = usePlayerRoute()
const practice = usePractice()
const { known, readChart } = useNumbers()
const calibration = useCalibration()
const hasNumber = computed(() => readChart.value.some(cell => cell.carryM !== null))
/** What was practised says what the plan holds and what stands above it: nothing is drawn before it is there. */
const practised = computed(() => practice.of === playerId.value || practice.failure !== '')
const waits = computed(() => (!known.value && !calibration.failure) || !practised.value)
/** The plan, what stands under it, and the drills: drawn in one go they hold a slow phone up. */
const turn = useTurns(3, () => !waits.value)
const running = computed(() => practice.done.filter(({ endedAtMs }) => endedAtMs === null))
async function start(spec: DrillSpec, name = '') {
  const go = newGo(spec, name)
  await practice.putGo(go)
  await navigateTo(`/players/${playerId.value}/practice/${go.id}`)
}
</script>

<template>
  <FrameStagePage title="Practice" line="Aimed at what is weak, scored, and held against the first time.">
    <p v-if="practice.failure" role="alert" class="raised mb-4 flex flex-wrap items-center gap-3 p-4">
      {{ practice.failure }}
      <UButton size="sm" color="neutral" variant="outline" @click="practice.load()">Try again</UButton>
    </p>
    <FrameEmptyStep
      v-if="known && practised && !hasNumber"
      icon="i-lucide-target"
      words="The first numbers come first."
      help="Practice is aimed by the chart. What needs no number stands below."
      action="To the range session"
      :to="`/players/${playerId}/session`"
    />
    <div class="grid grid-cols-1 gap-x-8 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,min(24rem,50%))]">
      <!-- The plan goes above the drills by the numbers: neither stands before they are there. -->
      <FrameLinesSkeleton v-if="turn === 0" :rows="8" />
      <div v-else class="min-w-0 space-y-8">
        <!-- What is running is not known sooner than the plan: above it nothing would stand still. -->
        <section
          v-for="go in running"
          :key="go.id"
          class="raised flex flex-wrap items-center gap-x-6 gap-y-2 border-l-4! border-l-primary! px-5 py-3"
        >
          <div class="min-w-0 flex-1">
            <h2 class="text-xl font-bold">{{ go.name || drillTexts(go.spec.drill).title }}, running</h2>
            <p class="soft">
              {{ ballsOfGo(go).length }} {{ ballsOfGo(go).length === 1 ? 'ball' : 'balls' }}, begun
              {{ daysAgo(go.startedAtMs) }}
            </p>
          </div>
          <UButton size="xl" icon="i-lucide-play" :to="`/players/${playerId}/practice/${go.id}`">Go on</UButton>
        </section>
        <div v-if="hasNumber" class="space-y-3">
          <PracticePlan @start="start" />
          <PracticeLeastLiked v-if="turn > 1" />
        </div>
        <PracticeDrills v-if="turn > 2" @start="start" />
      </div>
      <!-- On a phone it stands under the drills, and comes after them: nothing is pushed down. -->
      <FrameLinesSkeleton v-if="!practised" :rows="6" class="max-lg:hidden" />
      <div v-else class="min-w-0 space-y-8" :class="turn < 3 && 'max-lg:hidden'">
        <PracticeHomework />
        <FrameAfterPaint :rows="6"><PracticeScores :player-id="playerId" /></FrameAfterPaint>
      </div>
    </div>
  </FrameStagePage>
</template>
