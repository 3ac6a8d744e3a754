<script setup lang="ts">
import type { JudgedBall } from '#core/practice/judge'
import type { DrillSpec, DrillTask } from '#core/practice/drill-spec'
import { withinOf } from '#core/practice/judge'
import { ringsOf } from '#core/practice/rings'
import type { Memo } from '#core/memo'

/** The target seen from above: its rings, or what is near enough, and where this go's balls ended about it. */
const props = defineProps<{
  spec: DrillSpec
  task: DrillTask
  balls: readonly JudgedBall[]
  /** The newest one, if it was about this target. */
  last: JudgedBall | null
  memo: Memo
  label: string
}>()
const SIZE = 200
const MIDDLE = SIZE / 2
const rings = computed(() => {
  const { spec, task, memo } = props
  if (task.targetM === undefined) return []
  if (spec.score === 'points') {
    const dimensions = spec.measure === 'length' ? ('length' as const) : ('both' as const)
    return ringsOf(spec.level, task.targetM, dimensions, memo)
  }
  const within = withinOf(spec, task, memo)
  return Number.isFinite(within) ? [within, 2 * within, 3 * within] : []
})
const reach = computed(() =>
  Math.max(
    1,
    ...rings.value,
    ...props.balls.map(({ leaveM }) => Math.min(leaveM ?? 0, 2.2 * (rings.value.at(-1) ?? 1))),
  ),
)
const scale = computed(() => (MIDDLE - 10) / reach.value)
const edge = (v: number) => Math.min(SIZE - 6, Math.max(6, v))
const at = ({ offM, sideM }: JudgedBall) => ({
  cx: edge(MIDDLE + (sideM ?? 0) * scale.value),
  cy: edge(MIDDLE - (offM ?? 0) * scale.value),
})
const dots = computed(() => props.balls.filter(({ offM }) => offM !== null))
</script>

<template>
  <svg
    :viewBox="`0 0 ${SIZE} ${SIZE}`"
    role="img"
    :aria-label="label"
    class="mx-auto block w-full max-w-[11rem] lg:max-w-[22rem]"
  >
    <circle
      v-for="(radius, i) in [...rings].reverse()"
      :key="i"
      :cx="MIDDLE"
      :cy="MIDDLE"
      :r="radius * scale"
      fill="var(--ui-success)"
      :fill-opacity="i === rings.length - 1 ? 0.3 : 0.07"
      stroke="var(--hairline)"
    />
    <line :x1="MIDDLE" :x2="MIDDLE" y1="0" :y2="SIZE" stroke="var(--soft-ink)" stroke-dasharray="2 4" />
    <circle
      v-for="one in dots"
      :key="one.ball.id"
      v-bind="at(one)"
      :r="one.ball.id === last?.ball.id ? 6 : 4.5"
      :fill="one.ball.apart ? 'none' : one.ball.id === last?.ball.id ? 'var(--ui-primary)' : 'var(--ink)'"
      :stroke="one.ball.apart ? 'var(--ink)' : 'var(--raised)'"
      stroke-width="1.5"
    />
  </svg>
</template>
