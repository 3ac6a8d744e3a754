<script setup lang="ts">
import type { Trouble } from '#core/pick/around'
import type { PickedShot } from '#core/pick/picked'
import { TROUBLE_TEXTS } from '#words/pick'
import { Z_80 } from '#core/stats/quantiles'

/** Along the line to the flag, to scale: where 8 clean balls in 10 stop, and trouble short and long of it. */
const props = defineProps<{ pick: PickedShot; trouble: readonly Trouble[]; tall?: boolean }>()
const WIDTH = 340
const REACH_M = 22
const x = (pastM: number) => WIDTH / 2 + (Math.max(-REACH_M, Math.min(REACH_M, pastM)) / REACH_M) * (WIDTH / 2)
const height = computed(() => (props.tall ? 44 : 22))
const half = computed(() => Z_80 * props.pick.patch.longSdM)
const bands = computed(() =>
  props.trouble
    .filter(({ side }) => side === 'short' || side === 'long')
    .map(one => {
      const sign = one.side === 'short' ? -1 : 1
      const [a, b] = [x(sign * one.fromM), x(sign * Math.min(one.toM ?? REACH_M, REACH_M))]
      return { from: Math.min(a, b), width: Math.abs(a - b), side: one.side }
    })
    .filter(({ width }) => width > 0),
)
const from = computed(() => x(props.pick.patch.pastM - half.value))
const to = computed(() => x(props.pick.patch.pastM + half.value))
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${height}`"
    class="block w-full max-w-[26rem]"
    :style="{ maxHeight: `${height}px` }"
    aria-hidden="true"
  >
    <g v-for="band in bands" :key="`${band.side} ${band.from}`">
      <rect :x="band.from" y="2" :width="band.width" :height="height - 4" fill="var(--overlap)" fill-opacity="0.25" />
      <text v-if="tall && band.width > 40" :x="band.from + 5" :y="height / 2 + 4" font-size="12" fill="var(--soft-ink)">
        {{ TROUBLE_TEXTS.word }}
      </text>
    </g>
    <line x1="0" :x2="WIDTH" :y1="height / 2" :y2="height / 2" stroke="var(--hairline)" />
    <rect
      :x="from"
      :y="tall ? 6 : 4"
      :width="Math.max(2, to - from)"
      :height="height - (tall ? 12 : 8)"
      :rx="(height - 12) / 2"
      fill="var(--ink)"
      fill-opacity="0.22"
      stroke="var(--ink)"
      stroke-width="1.5"
    />
    <line :x1="x(0)" :x2="x(0)" y1="1" :y2="height - 1" stroke="var(--ui-primary)" stroke-width="3" />
  </svg>
</template>
