<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import FrameStagePage from '~/ui/frame/StagePage.vue'

/** Where the work goes on: the chart when there are balls, the range when there is a bag, else the bag. */
const { playerId, record } = usePlayerRoute()
/** Whoever has chosen a stage meanwhile goes there, and is not called back. */
let isLeft = false
onBeforeRouteLeave(() => {
  isLeft = true
})
watch(
  () => record.player,
  player => {
    if (isLeft || !player || player.id !== playerId.value) return
    const ready = clubsInUse(record.bag).length > 0 && rungsInUse(record.bag).length > 0
    const stage = record.shots.length > 0 ? 'chart' : ready ? 'session' : 'bag'
    void navigateTo(`/players/${playerId.value}/${stage}`, { replace: true })
  },
  { immediate: true },
)
</script>

<template>
  <FrameStagePage title="" />
</template>
