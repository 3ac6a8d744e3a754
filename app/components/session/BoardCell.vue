<script setup lang="ts">
import MarksTallyMarks from '~/components/marks/TallyMarks.vue'

/** A stock shot on the session's board: its number so far, its balls of this session, and whether it is locked in. */
defineProps<{
  name: string
  struckOut: boolean
  balls: number
  lockedIn: boolean
  predicted: boolean
  number: string | null
  chosen: boolean
}>()
defineEmits<{ choose: [] }>()
</script>

<template>
  <span v-if="struckOut" class="hatched soft flex h-14 items-center justify-center text-xs">not used</span>
  <button
    v-else
    type="button"
    class="relative flex h-14 w-full min-w-15 cursor-pointer flex-col justify-center bg-(--raised) px-2 text-left hover:bg-elevated"
    :class="chosen && 'outline-3! -outline-offset-1! outline-primary!'"
    :aria-pressed="chosen"
    :aria-label="name"
    :aria-description="predicted ? 'predicted' : lockedIn ? 'locked in' : undefined"
    @click="$emit('choose')"
  >
    <span v-if="number !== null" class="text-lg leading-tight" :class="predicted ? 'soft italic' : 'font-bold'">{{
      number
    }}</span>
    <span v-else class="soft text-lg leading-tight" aria-hidden="true">–</span>
    <MarksTallyMarks :balls="balls" />
    <UIcon v-if="lockedIn" name="i-lucide-lock" class="absolute top-1.5 right-1.5 size-3.5 text-success" />
  </button>
</template>
