<script setup lang="ts">
import { useDistance } from '~/ui/useDistance'
import { shortDate } from '~/ui/dates'

/**
 * The balls of one stock shot in the order they were hit, session by session: full ones count, open ones are left
 * out.
 */
const props = defineProps<{
  balls: readonly { id: string; carryM: number; hitAtMs: number; sessionId: string; counts: boolean }[]
  centreM: number | null
  windowM: [number, number] | null
}>()
const { to, text, unit } = useDistance()
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const MOST = 300
const H = 150
const TOP = 12
const BOTTOM = 26
const LEFT = 30
const w = computed(() => Math.max(200, width.value || 420))
const shown = computed(() => props.balls.slice(-MOST))
const domain = computed<[number, number]>(() => {
  const all = [...shown.value.map(ball => ball.carryM), ...(props.windowM ?? [])]
  const [low, high] = [Math.min(...all), Math.max(...all)]
  const pad = Math.max(1, (high - low) * 0.08)
  return [low - pad, high + pad]
})
const y = (m: number) => TOP + ((domain.value[1] - m) / (domain.value[1] - domain.value[0])) * (H - TOP - BOTTOM)
const x = (i: number) => LEFT + ((i + 0.5) * (w.value - LEFT - 8)) / shown.value.length
const ticks = computed(() => {
  const [low, high] = domain.value.map(to) as [number, number]
  const step = [1, 2, 5, 10, 20, 50].find(s => (high - low) / s <= 5) ?? 100
  return Array.from(
    { length: Math.floor(high / step) - Math.ceil(low / step) + 1 },
    (_, i) => (Math.ceil(low / step) + i) * step,
  )
})
const yOf = (value: number) => {
  const [low, high] = domain.value.map(to) as [number, number]
  return TOP + ((high - value) / (high - low)) * (H - TOP - BOTTOM)
}
/** Where a session begins, with its day where there is room for it. */
const starts = computed(() => {
  let last = -Infinity
  return shown.value.flatMap((ball, i) => {
    if (i > 0 && shown.value[i - 1]!.sessionId === ball.sessionId) return []
    const at = x(i) - (x(1) - x(0)) / 2
    const label = at - last >= 52 ? shortDate(ball.hitAtMs) : ''
    if (label) last = at
    return [{ at, label }]
  })
})
const label = computed(
  () =>
    `${shown.value.length} balls in time, number ` +
    `${props.centreM === null ? 'not known' : `${text(props.centreM)} ${unit.value}`}; the list below says the same`,
)
</script>

<template>
  <div ref="box">
    <svg :width="w" :height="H" role="img" :aria-label="label" class="block max-w-full">
      <rect
        v-if="windowM"
        :x="LEFT"
        :y="y(windowM[1])"
        :width="w - LEFT"
        :height="Math.max(1, y(windowM[0]) - y(windowM[1]))"
        fill="var(--window-tint)"
      />
      <line
        v-if="centreM !== null"
        :x1="LEFT"
        :x2="w"
        :y1="y(centreM)"
        :y2="y(centreM)"
        stroke="var(--ui-primary)"
        stroke-width="2"
      />
      <g v-for="value in ticks" :key="value">
        <line :x1="LEFT - 5" :x2="LEFT" :y1="yOf(value)" :y2="yOf(value)" stroke="var(--soft-ink)" />
        <text :x="LEFT - 8" :y="yOf(value) + 4" text-anchor="end" font-size="12" fill="var(--soft-ink)">
          {{ value }}
        </text>
      </g>
      <g v-for="start in starts" :key="start.at">
        <line :x1="start.at" :x2="start.at" :y1="TOP" :y2="H - BOTTOM" stroke="var(--hairline)" />
        <text :x="start.at + 3" :y="H - 8" font-size="12" fill="var(--soft-ink)">{{ start.label }}</text>
      </g>
      <circle
        v-for="(ball, i) in shown"
        :key="ball.id"
        :cx="x(i)"
        :cy="y(ball.carryM)"
        r="4"
        :fill="ball.counts ? 'var(--ink)' : 'none'"
        stroke="var(--ink)"
        :stroke-width="ball.counts ? 0 : 1.5"
      />
    </svg>
  </div>
</template>
