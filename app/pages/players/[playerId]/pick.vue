<script setup lang="ts">
import { usePlayerRoute } from '~/composables/usePlayerRoute'
import { usePublished } from '~/composables/usePublished'
import { dayText } from '#words/dates'
import FrameEmptyStep from '~/components/frame/EmptyStep.vue'
import FrameStagePage from '~/components/frame/StagePage.vue'
import PickStage from '~/components/pick/Stage.vue'

/** What the player is told on the course, at the coach's desk: from the published chart, as the player has it. */
const { playerId } = usePlayerRoute()
const { lines, newest, failure, load } = usePublished(playerId)
const line = computed(() =>
  newest.value
    ? `From the chart the player carries: no. ${newest.value.number}, ${dayText(newest.value.publishedAtMs)}.`
    : 'From the chart the player carries.',
)
</script>

<template>
  <FrameStagePage title="Pick" :line="line" tight>
    <p v-if="failure && !newest" role="alert" class="raised flex flex-wrap items-center gap-3 p-4">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <PickStage
      v-else-if="newest"
      :key="playerId"
      :chart="newest"
      :owner="playerId"
      style="--pick-bottom: var(--rail-height)"
    />
    <FrameEmptyStep
      v-else-if="lines"
      icon="i-lucide-flag"
      words="Nothing is published yet."
      help="Shots are picked from the numbers that the player carries: publish the chart first."
      action="To the published chart"
      :to="`/players/${playerId}/chart/published`"
    />
    <p v-else class="soft py-14 text-center" role="status">Opening the chart…</p>
  </FrameStagePage>
</template>
