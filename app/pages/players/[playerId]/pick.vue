<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { figureOf } from '#core/history/published'
import { newerText } from '#words/pick'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { usePublished } from '~/features/published/usePublished'
import { dayText } from '#words/dates'
import { useAccount } from '~/offline/stores/account'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import PickHabits from '~/features/pick/Habits.vue'
import PickStage from '~/features/pick/Stage.vue'

/** What the player is told on the course, at the coach's desk: from the published chart, as the player has it. */
const { playerId } = usePlayerRoute()
const account = useAccount()
const { lines, newest, failure, load } = usePublished(playerId)
const { readChart } = useNumbers()
const isPhone = useMediaQuery('(max-width: 767px)')
const habits = ref(false)
/** A newer record is a note to the coach, never a silent change on the course. */
const newer = computed(() => {
  if (!newest.value) return ''
  const now = new Map(readChart.value.map(cell => [cellKey(cell), cell.carryM]))
  const differ = newest.value.cells.filter(cell => {
    const carryM = now.get(cellKey(cell))
    return cell.carry && carryM != null && figureOf(carryM)[account.unit] !== cell.carry[account.unit]
  })
  return newerText(differ.length)
})
const line = computed(() =>
  newest.value
    ? `From the chart the player carries: no. ${newest.value.number}, ${dayText(newest.value.publishedAtMs)}.`
    : 'From the chart the player carries.',
)
</script>

<template>
  <FrameStagePage title="Pick" :line="isPhone ? undefined : line" tight>
    <template #actions
      ><UButton
        v-if="!isPhone"
        color="neutral"
        variant="outline"
        icon="i-lucide-sliders-horizontal"
        @click="habits = true"
        >How this player picks</UButton
      ></template
    >
    <PickHabits v-model:open="habits" />
    <p v-if="newer && !isPhone" class="mb-2 flex flex-wrap items-center gap-3 text-sm">
      <UIcon name="i-lucide-info" class="text-(--weak)" /><span>{{ newer }}</span>
      <NuxtLink :to="`/players/${playerId}/chart/published`" class="font-semibold underline">Publish it</NuxtLink>
    </p>
    <p v-if="failure && !newest" role="alert" class="raised flex flex-wrap items-center gap-3 p-4">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <PickStage
      v-else-if="newest"
      :key="playerId"
      :chart="newest"
      :owner="playerId"
      style="--pick-bottom: var(--rail-height)"
    >
      <section v-if="isPhone" class="space-y-2" aria-label="The chart">
        <p class="soft text-sm">{{ line }}</p>
        <p v-if="newer" class="text-sm">
          {{ newer }}
          <NuxtLink :to="`/players/${playerId}/chart/published`" class="font-semibold underline">Publish it</NuxtLink>
        </p>
        <UButton color="neutral" variant="outline" icon="i-lucide-sliders-horizontal" @click="habits = true"
          >How this player picks</UButton
        >
      </section>
    </PickStage>
    <FrameEmptyStep
      v-else-if="lines"
      icon="i-lucide-flag"
      words="Nothing is published yet."
      help="Shots are picked from the numbers that the player carries: publish the chart first."
      action="To the published chart"
      :to="`/players/${playerId}/chart/published`"
    />
    <FrameLinesSkeleton v-else :rows="8" label="The chart is being opened" />
  </FrameStagePage>
</template>
