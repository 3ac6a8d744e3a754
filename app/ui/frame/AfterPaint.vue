<script setup lang="ts">
import { useTurns } from '~/ui/useTurns'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'

/** What stands in it takes its time to work out: it comes when all that is beside it is painted, part by part. */
const { parts = 1 } = defineProps<{
  rows: number
  /** Of how many parts it is: the slot is told how many have come. */
  parts?: number
  /** On a phone it keeps a screen's room, so that what follows moves where nobody sees it. */
  phoneFull?: boolean
}>()
const painted = ref(false)
const come = useTurns(parts, () => painted.value)
onMounted(() =>
  requestAnimationFrame(() =>
    setTimeout(() => {
      painted.value = true
    }),
  ),
)
</script>

<template>
  <FrameLinesSkeleton v-if="come === 0" :rows="rows" :class="phoneFull && 'max-lg:min-h-dvh'" />
  <div v-else class="space-y-8" :class="phoneFull && come < parts && 'max-lg:min-h-dvh'"><slot :come="come" /></div>
</template>
