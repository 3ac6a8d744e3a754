<script setup lang="ts">
import { useShortcuts } from '~/ui/useShortcuts'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useTurns } from '~/ui/useTurns'
import FrameWorkRail from '~/player/frame/WorkRail.vue'

const route = useRoute()
const { playerId, record } = usePlayerRoute()
const turn = useTurns(1, () => true)
const to = (stage: string) => () => navigateTo(`/players/${playerId.value}/${stage}`)

// Opened once for all stages, and brought up to date behind the page at each change of stage.
watch(
  () => route.path,
  () => {
    if (playerId.value) void record.begin(playerId.value)
  },
  { immediate: true },
)

useShortcuts({
  goBag: to('bag'),
  goSession: to('session'),
  goChart: to('chart'),
  goGaps: to('gaps'),
  goPick: to('pick'),
  goPlayers: () => navigateTo('/players'),
})
</script>

<template>
  <div class="flex min-h-0 flex-1 max-md:flex-col max-md:pb-20">
    <FrameWorkRail />
    <div class="min-w-0 flex-1">
      <NuxtPage v-if="turn > 0" />
    </div>
  </div>
</template>
