<script setup lang="ts">
import MarksTallyMarks from '~/ui/marks/TallyMarks.vue'

/** A stock shot on the session's board: its number so far, its balls of this session, and whether it is locked in. */
const props = defineProps<{
  name: string
  struckOut: boolean
  balls: number
  leftOut: number
  lockedIn: boolean
  predicted: boolean
  /** The number is the coach's own. */
  written: boolean
  number: string | null
  chosen: boolean
}>()
defineEmits<{ choose: [] }>()
const look = computed(() => {
  if (props.written) return 'font-bold underline decoration-2 underline-offset-2'
  return props.predicted ? 'soft italic' : 'font-bold'
})
const description = computed(() => {
  const words = [props.written ? 'written' : props.predicted && 'predicted', props.lockedIn && 'locked in']
  return words.filter(Boolean).join(', ') || undefined
})
</script>

<template>
  <span v-if="struckOut" class="hatched soft flex h-14 items-center justify-center text-xs">not used</span>
  <button
    v-else
    type="button"
    class="relative flex h-14 w-full min-w-14 cursor-pointer flex-col justify-center bg-(--raised) px-2 text-left hover:bg-elevated"
    :class="chosen && 'outline-3! -outline-offset-1! outline-primary!'"
    :aria-pressed="chosen"
    :aria-label="name"
    :aria-description="description"
    @click="$emit('choose')"
  >
    <span v-if="number !== null" class="text-lg leading-tight" :class="look">{{ number }}</span>
    <span v-else class="soft text-lg leading-tight" aria-hidden="true">–</span>
    <MarksTallyMarks :balls="balls" :left-out="leftOut" />
    <UIcon v-if="lockedIn" name="i-lucide-lock" class="absolute top-1.5 right-1.5 size-3.5 text-success" />
  </button>
</template>
