<script setup lang="ts">
import { doesCount } from '#core/shot/shot'
import { marksOf } from '#shared/marks'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { useSpeedCalls } from '~/player/useSpeedCalls'

/** The newest balls in one line, the last one first; a tap opens one. */
const props = defineProps<{ balls: readonly ShotRecord[]; most: number }>()
defineEmits<{ open: [shot: ShotRecord] }>()
const { typed, unit } = useDistance()
const { cellName } = useCellNames()
const { missText } = useSpeedCalls()
const shown = computed(() =>
  props.balls.slice(0, props.most).map(ball => {
    const marks = ball.leftOut ? [ball.leftOut] : marksOf(ball)
    const seen = [...marks, missText(ball)].filter(Boolean)
    return { ball, marks: seen.join(', '), name: cellName(ball) }
  }),
)
</script>

<template>
  <ol class="flex min-h-12 gap-1.5 overflow-hidden" aria-label="The last balls, newest first">
    <li v-for="({ ball, marks, name }, i) in shown" :key="ball.id" class="min-w-0 flex-1">
      <button
        type="button"
        class="raised flex h-12 w-full cursor-pointer flex-col justify-center px-2 text-left leading-tight hover:bg-elevated"
        :class="i === 0 && 'border-b-4! border-b-primary!'"
        :aria-label="`${typed(ball.carryM)} ${unit}, ${name}${marks ? `, ${marks}` : ''}`"
        @click="$emit('open', ball)"
      >
        <span class="font-bold" :class="!doesCount(ball) && 'soft line-through'"
          >{{ typed(ball.carryM)
          }}<span v-if="ball.balls > 1" class="soft ml-1 text-xs font-normal">× {{ ball.balls }}</span></span
        >
        <span class="soft truncate text-xs">{{ marks || name }}</span>
      </button>
    </li>
  </ol>
</template>
