<script setup lang="ts">
import { useDistance } from '~/ui/useDistance'

/**
 * Where the balls of one stock shot pitched, along the line of flight. Counting balls are full, left-out ones open;
 * the last one is darkest; the bar is the number, the patch the 8-in-10 window.
 */
const props = withDefaults(
  defineProps<{
    carriesM: readonly number[]
    leftOutM?: readonly number[]
    centreM?: number | null
    windowM?: [number, number] | null
    /** Those of the carries that stand out and wait for the coach's word. */
    askedM?: readonly number[]
    /** No ball of it counts: the window is drawn open. */
    predicted?: boolean
    /** Without an axis, for a cell of the chart. */
    small?: boolean
    /** Half of the stretch shown round the number, so that strips side by side compare. */
    halfSpanM?: number
  }>(),
  { leftOutM: () => [], centreM: null, windowM: null, askedM: () => [], halfSpanM: undefined },
)

const { to, text, withUnit, unit } = useDistance()
const box = useTemplateRef('box')
const { width } = useElementSize(box)
const w = computed(() => Math.max(80, width.value || (props.small ? 110 : 560)))
const h = computed(() => (props.small ? 20 : 118))
const lineY = computed(() => (props.small ? 10 : 68))
const inset = computed(() => (props.small ? 6 : 26))

const LEAST_HALF_SPAN_M = 5.5

// Hundreds of dots are a blot and slow the page: a strip shows the newest, the number takes all.
const MOST_DOTS_SMALL = 40
const MOST_DOTS = 60
const dots = computed(() =>
  props.carriesM.slice(props.small ? -MOST_DOTS_SMALL : -MOST_DOTS).filter(m => !props.askedM.includes(m)),
)
const openDots = computed(() => props.leftOutM.slice(props.small ? -MOST_DOTS_SMALL / 4 : -MOST_DOTS))

const domain = computed<[number, number]>(() => {
  const all = [...props.carriesM, ...props.leftOutM, ...(props.windowM ?? [])]
  const centre = props.centreM ?? (all.length > 0 ? (Math.min(...all) + Math.max(...all)) / 2 : 0)
  const half = props.halfSpanM ?? Math.max(LEAST_HALF_SPAN_M, ...all.map(m => Math.abs(m - centre))) * 1.08
  return [centre - half, centre + half]
})
const x = (m: number) => {
  const [low, high] = domain.value
  return Math.min(w.value - 3, Math.max(3, inset.value + ((m - low) / (high - low)) * (w.value - 2 * inset.value)))
}

const empty = computed(() => props.carriesM.length + props.leftOutM.length === 0)

const ticks = computed(() => {
  if (props.small || (empty.value && props.centreM === null)) return []
  const [low, high] = domain.value.map(to) as [number, number]
  const long = [1, 2, 5, 10, 20, 50].find(step => ((high - low) / step) * 46 < w.value) ?? 100
  const short = long >= 5 ? long / 5 : 1
  const list: { at: number; label: string | null }[] = []
  for (let v = Math.ceil(low / short) * short; v <= high; v += short) {
    const onLong = Math.abs(v / long - Math.round(v / long)) < 1e-6
    list.push({
      at: inset.value + ((v - low) / (high - low)) * (w.value - 2 * inset.value),
      label: onLong ? String(Math.round(v)) : null,
    })
  }
  return list
})

const label = computed(() => {
  if (props.carriesM.length === 0)
    return props.predicted
      ? `Predicted ${withUnit(props.centreM ?? 0)}`
      : props.leftOutM.length > 0
        ? 'No ball counts'
        : 'No balls yet'
  const spread = props.windowM ? `, 8 in 10 from ${withUnit(props.windowM[0])} to ${withUnit(props.windowM[1])}` : ''
  const [least, most] = [Math.min(...props.carriesM), Math.max(...props.carriesM)].map(withUnit)
  return `${props.carriesM.length} carries from ${least} to ${most}, number ${withUnit(props.centreM ?? 0)}${spread}`
})
</script>

<template>
  <div ref="box" class="w-full">
    <svg :width="w" :height="h" :viewBox="`0 0 ${w} ${h}`" role="img" :aria-label="label" class="block max-w-full">
      <rect
        v-if="windowM"
        :x="x(windowM[0])"
        :width="Math.max(2, x(windowM[1]) - x(windowM[0]))"
        :y="lineY - (small ? 7 : 30)"
        :height="small ? 14 : 48"
        :rx="small ? 7 : 16"
        :fill="predicted ? 'none' : 'var(--window-tint)'"
        :stroke="predicted ? 'var(--soft-ink)' : 'var(--sound)'"
        :stroke-opacity="predicted ? 1 : 0.35"
        :stroke-dasharray="predicted ? '3 2.5' : undefined"
      />
      <line v-if="small" :x1="0" :x2="w" :y1="lineY" :y2="lineY" stroke="var(--hairline)" stroke-width="1.5" />
      <g v-for="tick in ticks" :key="tick.at">
        <line
          :x1="tick.at"
          :x2="tick.at"
          :y1="tick.label === null ? 88 : 84"
          y2="93"
          stroke="var(--soft-ink)"
          :stroke-opacity="tick.label === null ? 0.5 : 1"
        />
        <text
          v-if="tick.label !== null"
          :x="tick.at"
          y="110"
          text-anchor="middle"
          font-size="14"
          fill="var(--soft-ink)"
        >
          {{ tick.label }}
        </text>
      </g>
      <circle
        v-for="(m, i) in openDots"
        :key="`out${i}`"
        :cx="x(m)"
        :cy="lineY"
        :r="small ? 3 : 8"
        fill="none"
        stroke="var(--soft-ink)"
        :stroke-width="small ? 1.2 : 2"
        :stroke-dasharray="small ? '2 1.5' : '4 3'"
      />
      <g v-for="(m, i) in askedM" :key="`asked${i}`">
        <circle
          :cx="x(m)"
          :cy="lineY"
          :r="small ? 3 : 8"
          fill="none"
          stroke="var(--weak)"
          :stroke-width="small ? 1.4 : 2"
          :stroke-dasharray="small ? '2 1.5' : '4 3'"
        />
        <text
          v-if="!small"
          :x="x(m)"
          :y="lineY + 5"
          text-anchor="middle"
          font-size="13"
          font-weight="700"
          fill="var(--weak)"
        >
          ?
        </text>
      </g>
      <circle
        v-for="(m, i) in dots"
        :key="i"
        :cx="x(m)"
        :cy="lineY"
        :r="small ? 3 : 8"
        fill="var(--ink)"
        :fill-opacity="i === dots.length - 1 ? 1 : 0.68"
        stroke="var(--raised)"
        :stroke-width="small ? 0.6 : 2"
      />
      <text
        v-if="empty && !small && centreM === null"
        :x="w / 2"
        y="64"
        text-anchor="middle"
        font-size="16"
        fill="var(--soft-ink)"
      >
        No balls yet
      </text>
      <template v-if="centreM !== null">
        <line
          :x1="x(centreM)"
          :x2="x(centreM)"
          :y1="small ? 2 : 30"
          :y2="small ? 18 : 93"
          stroke="var(--ui-primary)"
          :stroke-width="small ? 2 : 3"
        />
        <text
          v-if="!small"
          :x="x(centreM)"
          y="22"
          text-anchor="middle"
          font-size="19"
          font-weight="800"
          fill="var(--ui-primary)"
        >
          {{ text(centreM) }}
          <tspan dx="4" font-size="13" font-weight="600">{{ unit }}</tspan>
        </text>
      </template>
    </svg>
  </div>
</template>
