<script setup lang="ts">
import type { TracePoint } from '#core/flight/fly'
import type { Height } from '#core/pick/picked'
import { apexText } from '#words/readings'
import { useDistance } from '~/ui/useDistance'

/** The flight from the side, to scale, against what it must clear or stay under. */
const props = defineProps<{
  path: readonly TracePoint[]
  pitchM: number
  targetM: number
  over: readonly Height[]
  under: readonly Height[]
  name: string
}>()
const { text, unit, withUnit } = useDistance()
const WIDTH = 420
const MARGIN = 18
const farM = computed(() =>
  Math.max(props.pitchM, props.targetM, ...[...props.over, ...props.under].map(one => one.atM)),
)
const times = computed(() => props.pitchM / (props.path.at(-1)?.alongM ?? props.pitchM))
const scale = computed(() => (WIDTH - 2 * MARGIN) / farM.value)
const apexM = computed(() => Math.max(1, ...props.path.map(point => point.heightM)) * times.value)
const highest = computed(() => Math.max(apexM.value, ...[...props.over, ...props.under].map(one => one.heightM)))
const height = computed(() => Math.min(240, highest.value * scale.value + 44))
const base = computed(() => height.value - 20)
const x = (alongM: number) => MARGIN + alongM * scale.value
const y = (heightM: number) => base.value - heightM * scale.value
const line = computed(() =>
  props.path.map(point => `${x(point.alongM * times.value)},${y(point.heightM * times.value)}`).join(' '),
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${height}`"
    role="img"
    :aria-label="`${name} from the side: pitches at ${withUnit(pitchM)}, ${apexText(apexM, unit)} high`"
    class="block w-full max-w-[30rem]"
  >
    <line :x1="MARGIN" :x2="WIDTH - MARGIN" :y1="base" :y2="base" stroke="var(--ink)" />
    <g v-for="(one, i) in over" :key="`over ${i}`">
      <line :x1="x(one.atM)" :x2="x(one.atM)" :y1="base" :y2="y(one.heightM)" stroke="var(--weak)" stroke-width="5" />
    </g>
    <g v-for="(one, i) in under" :key="`under ${i}`">
      <line
        :x1="x(one.atM)"
        :x2="x(one.atM)"
        y1="4"
        :y2="y(one.heightM)"
        stroke="var(--weak)"
        stroke-width="5"
        stroke-dasharray="6 4"
      />
    </g>
    <polyline :points="line" fill="none" stroke="var(--ink)" stroke-width="2.5" />
    <line :x1="x(targetM)" :x2="x(targetM)" :y1="base" :y2="base - 18" stroke="var(--ui-primary)" stroke-width="3" />
    <text :x="x(pitchM)" :y="height - 5" text-anchor="middle" font-size="13" fill="var(--soft-ink)">
      {{ text(pitchM) }}
    </text>
  </svg>
</template>
