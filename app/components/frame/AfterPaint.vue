<script setup lang="ts">
import FrameLinesSkeleton from '~/components/frame/LinesSkeleton.vue'

/** What stands in it takes its time to work out: it comes when all that is beside it is painted. */
defineProps<{
  rows: number
  /** On a phone it keeps a screen's room, so that what follows moves where nobody sees it. */
  phoneFull?: boolean
}>()
const painted = ref(false)
onMounted(() =>
  requestAnimationFrame(() =>
    setTimeout(() => {
      painted.value = true
    }),
  ),
)
</script>

<template>
  <slot v-if="painted" />
  <FrameLinesSkeleton v-else :rows="rows" :class="phoneFull && 'max-lg:min-h-dvh'" />
</template>
