<script setup lang="ts">
import { habitText } from '#words/habits'
import type { RangeSession } from '~/features/session/useRangeSession'
import { useHabits } from '~/features/session/useHabits'

/** The coach's own lock-in habits, as far as they have come with the chosen stock shot. */
const props = defineProps<{ range: RangeSession }>()
const { cell } = props.range
const { marksOf } = useHabits(props.range)
const marks = computed(() => (cell.value ? marksOf(cell.value) : []))
</script>

<template>
  <ul v-if="marks.length > 0" class="flex flex-wrap gap-x-5 gap-y-1" aria-label="Your lock-in habits">
    <li
      v-for="mark in marks"
      :key="mark.habit"
      class="flex items-center gap-1.5"
      :class="mark.met ? 'font-bold text-success' : 'soft'"
    >
      <UIcon :name="mark.met ? 'i-lucide-lock' : 'i-lucide-lock-open'" class="shrink-0" />{{ habitText(mark) }}
    </li>
  </ul>
</template>
