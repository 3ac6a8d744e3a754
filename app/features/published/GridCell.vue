<script setup lang="ts">
import type { PublishedCell } from '#core/history/published'
import type { DistanceUnit } from '#core/units'
import { readFigure } from '#core/history/hand-over'

/** One stock shot of a published chart; where it may be chosen it is a button. */
const props = defineProps<{
  cell?: PublishedCell
  unit: DistanceUnit
  name: string
  /** The chart is read by total; a stock shot whose run is not known has its carry. */
  byTotal?: boolean
  pick?: boolean
  chosen?: boolean
}>()
defineEmits<{ choose: [] }>()
const KIND_WORDS = {
  'measured': '',
  'written': 'written',
  'predicted': 'predicted',
  'struck-out': 'not used',
  'unhit': 'no number',
} as const
const FIGURE_CLASSES = {
  'measured': 'font-extrabold',
  'written': 'font-extrabold underline decoration-2 underline-offset-4',
  'predicted': 'soft italic',
  'struck-out': '',
  'unhit': '',
} as const
const kind = computed(() => props.cell?.kind ?? 'unhit')
const choosable = computed(() => props.pick && kind.value !== 'struck-out')
/** What stands below the figure: the carry where the figure is a total, else how sure it is, else its kind. */
const below = computed(() => {
  if (!props.cell?.carry) return KIND_WORDS[kind.value]
  if (props.cell.total) return `carry ${props.cell.carry[props.unit]}`
  if (props.byTotal) return 'its carry'
  return props.cell.plusMinus ? `± ${props.cell.plusMinus[props.unit]}` : KIND_WORDS[kind.value]
})
</script>

<template>
  <component
    :is="choosable ? 'button' : 'div'"
    :type="pick ? 'button' : undefined"
    class="flex size-full flex-col justify-center px-1.5 text-left leading-none"
    :class="[pick && 'cursor-pointer hover:bg-elevated', chosen && 'outline-3 -outline-offset-2 outline-primary']"
    :aria-label="pick ? name : undefined"
    :aria-pressed="pick ? chosen : undefined"
    @click="pick && $emit('choose')"
  >
    <template v-if="cell?.carry">
      <span class="text-2xl" :class="FIGURE_CLASSES[kind]">{{ readFigure(cell, unit) }}</span>
      <span class="soft mt-1 truncate text-xs">{{ below }}</span>
    </template>
    <span v-else class="soft text-xs"><span class="bg-default px-0.5">{{ below }}</span></span>
  </component>
</template>
