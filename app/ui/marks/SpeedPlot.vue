<script setup lang="ts">
import type { SpeedCurve } from '~/ui/marks/speed-curve'
import { useDistance } from '~/ui/useDistance'

/** Carry over club speed for one club: its balls, its line, and where 8 balls in 10 land. */
const props = defineProps<{ club: SpeedCurve; speedOf: (mph: number) => number; speedUnit: string; name: string }>()
const { to, unit } = useDistance()
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const H = 260
const [LEFT, TOP, BOTTOM, RIGHT] = [44, 14, 34, 12]
const STEPS = 24
const MOST = 400
const w = computed(() => Math.max(240, width.value || 520))
const line = computed(() =>
  Array.from({ length: STEPS + 1 }, (_, i) => {
    const mph = props.club.fromMph + ((props.club.toMph - props.club.fromMph) * i) / STEPS
    return { mph, ...props.club.at(mph) }
  }),
)
const balls = computed(() => props.club.balls.slice(-MOST))
const range = computed(() => {
  const carries = [...balls.value.map(ball => ball.carryM), ...line.value.flatMap(point => point.window80M)].map(to)
  const span = Math.max(1, props.club.toMph - props.club.fromMph)
  return {
    low: Math.min(...carries),
    high: Math.max(...carries),
    from: props.speedOf(props.club.fromMph - 0.04 * span),
    till: props.speedOf(props.club.toMph + 0.04 * span),
  }
})
const x = (mph: number) =>
  LEFT + ((props.speedOf(mph) - range.value.from) / (range.value.till - range.value.from)) * (w.value - LEFT - RIGHT)
const yOf = (value: number) =>
  TOP + ((range.value.high - value) / (range.value.high - range.value.low)) * (H - TOP - BOTTOM)
const y = (m: number) => yOf(to(m))
const ticks = (low: number, high: number, most: number) => {
  const step = [1, 2, 5, 10, 20, 50].find(s => (high - low) / s <= most) ?? 100
  return Array.from(
    { length: Math.max(0, Math.floor(high / step) - Math.ceil(low / step) + 1) },
    (_, i) => (Math.ceil(low / step) + i) * step,
  )
}
const band = computed(() =>
  [
    ...line.value.map(point => `${x(point.mph)},${y(point.window80M[1])}`),
    ...[...line.value].reverse().map(point => `${x(point.mph)},${y(point.window80M[0])}`),
  ].join(' '),
)
</script>

<template>
  <div ref="box">
    <svg
      :width="w"
      :height="H"
      role="img"
      :aria-label="`Carry of ${name} over club speed, ${balls.length} balls; the table beside it says the same`"
      class="block max-w-full"
    >
      <polygon :points="band" fill="var(--window-tint)" />
      <g v-for="value in ticks(range.low, range.high, 6)" :key="`y${value}`">
        <line :x1="LEFT" :x2="w - RIGHT" :y1="yOf(value)" :y2="yOf(value)" stroke="var(--hairline)" />
        <text :x="LEFT - 8" :y="yOf(value) + 4" text-anchor="end" font-size="13" fill="var(--soft-ink)">
          {{ value }}
        </text>
      </g>
      <g v-for="value in ticks(range.from, range.till, 7)" :key="`x${value}`">
        <text
          :x="LEFT + ((value - range.from) / (range.till - range.from)) * (w - LEFT - RIGHT)"
          :y="H - 14"
          text-anchor="middle"
          font-size="13"
          fill="var(--soft-ink)"
        >
          {{ value }}
        </text>
      </g>
      <text :x="w - RIGHT" :y="H - 3" text-anchor="end" font-size="12" fill="var(--soft-ink)">
        club speed, {{ speedUnit }}
      </text>
      <text :x="LEFT" y="10" font-size="12" fill="var(--soft-ink)">carry, {{ unit }}</text>
      <circle
        v-for="(ball, i) in balls"
        :key="i"
        :cx="x(ball.speedMph)"
        :cy="y(ball.carryM)"
        r="3.5"
        fill="var(--ink)"
        fill-opacity="0.55"
      />
      <polyline
        :points="line.map(point => `${x(point.mph)},${y(point.carryM)}`).join(' ')"
        fill="none"
        stroke="var(--ui-primary)"
        stroke-width="2.5"
      />
    </svg>
  </div>
</template>
