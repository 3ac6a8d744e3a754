<script setup lang="ts">
/**
 * One step over the board by a thumb, where the board lies below. Of its own, since nothing that a ball changes is in
 * it.
 */
const emit = defineEmits<{ step: [right: number, down: number] }>()
// Clubs lie from most loft to least, the longest swing on top.
const ARROWS: { label: string; icon: string; step: [number, number] }[] = [
  { label: 'Club with more loft', icon: 'i-lucide-arrow-left', step: [-1, 0] },
  { label: 'Club with less loft', icon: 'i-lucide-arrow-right', step: [1, 0] },
  { label: 'Longer swing', icon: 'i-lucide-arrow-up', step: [0, -1] },
  { label: 'Shorter swing', icon: 'i-lucide-arrow-down', step: [0, 1] },
]
</script>

<template>
  <div class="grid grid-cols-4 gap-1.5" role="group" aria-label="Next stock shot">
    <UButton
      v-for="arrow in ARROWS"
      :key="arrow.label"
      color="neutral"
      variant="outline"
      :icon="arrow.icon"
      :aria-label="arrow.label"
      class="justify-center"
      @click="emit('step', ...arrow.step)"
    />
  </div>
</template>
