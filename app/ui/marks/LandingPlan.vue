<script setup lang="ts">
import { planSpan, type LandedBall, type LandingPatch } from '#core/chart/landing'
import type { TargetOnLine } from '#core/session/targets-on-line'
import { useDistance } from '~/ui/useDistance'
import MarksLandingTable from '~/ui/marks/LandingTable.vue'

/**
 * Where balls pitched, seen from above and to scale: distance up the page, side across, the target line in the middle.
 * Balls that are left out are rings, flyers diamonds; the newest ball is the red one.
 */
const props = defineProps<{
  patches: readonly { name: string; patch: LandingPatch; numberM: number | null }[]
  balls: readonly LandedBall[]
  /** Of the range, where its balls were hit; those beyond the plan stay away. */
  targets?: readonly TargetOnLine[]
}>()
/** A table of the same figures instead. */
const table = ref(false)
const { to, from, text, unitWord } = useDistance()

const WIDTH = 360
const MARGIN = { left: 34, right: 10, top: 22, bottom: 10 }
const MOST_HEIGHT = 520
const span = computed(() =>
  planSpan(
    props.patches.map(({ patch }) => patch),
    props.balls,
  ),
)
/** One scale both ways: a yard across is a yard along. */
const scale = computed(() => {
  const { nearM, farM, sideM } = span.value
  return Math.min((WIDTH - MARGIN.left - MARGIN.right) / (2 * sideM), (MOST_HEIGHT - MARGIN.top) / (farM - nearM))
})
const height = computed(() => (span.value.farM - span.value.nearM) * scale.value + MARGIN.top + MARGIN.bottom)
const middle = (WIDTH + MARGIN.left - MARGIN.right) / 2
const x = (sideM: number) => middle + sideM * scale.value
const y = (carryM: number) => MARGIN.top + (span.value.farM - carryM) * scale.value

const STEPS = [1, 2, 5, 10, 20, 50]
const ticks = computed(() => {
  const [near, far] = [to(span.value.nearM), to(span.value.farM)]
  const step = STEPS.find(one => (far - near) / one <= 8) ?? 100
  const first = Math.ceil(near / step) * step
  return Array.from({ length: Math.floor((far - first) / step) + 1 }, (_, i) => first + i * step)
})
const sides = computed(() => {
  const most = to(span.value.sideM)
  const step = STEPS.find(one => most / one <= 3) ?? 50
  return Array.from({ length: Math.floor(most / step) }, (_, i) => (i + 1) * step).flatMap(at => [-at, at])
})
const shownTargets = computed(() => {
  const { nearM, farM, sideM } = span.value
  return (props.targets ?? []).filter(one => one.alongM >= nearM && one.alongM <= farM && Math.abs(one.sideM) <= sideM)
})
const anySide = computed(
  () => props.balls.some(({ sideM }) => sideM !== null) || props.patches.some(({ patch }) => patch.acrossM !== null),
)
const label = computed(
  () =>
    `From above, ${unitWord.value}: ${props.patches.map(({ name }) => name).join(' and ')}, ` +
    `${props.balls.length} ${props.balls.length === 1 ? 'ball' : 'balls'}. The same figures are in the table.`,
)
const diamond = (ball: LandedBall) => {
  const [cx, cy] = [x(ball.sideM ?? 0), y(ball.carryM)]
  return `M${cx} ${cy - 6}L${cx + 6} ${cy}L${cx} ${cy + 6}L${cx - 6} ${cy}Z`
}
</script>

<template>
  <div>
    <MarksLandingTable v-if="table" :patches="patches" :balls="balls" :targets="shownTargets" />
    <svg
      v-else
      :viewBox="`0 0 ${WIDTH} ${height}`"
      class="mx-auto block w-full"
      :style="{ maxWidth: `${WIDTH + 60}px`, maxHeight: '34rem' }"
      role="img"
      :aria-label="label"
    >
      <g fill="none" stroke="var(--hairline)">
        <line
          v-for="tick in ticks"
          :key="tick"
          :x1="MARGIN.left"
          :x2="WIDTH - MARGIN.right"
          :y1="y(from(tick))"
          :y2="y(from(tick))"
        />
        <line
          v-for="side in sides"
          :key="side"
          :x1="x(from(side))"
          :x2="x(from(side))"
          :y1="MARGIN.top"
          :y2="height - MARGIN.bottom"
          stroke-dasharray="2 5"
        />
      </g>
      <g fill="var(--soft-ink)" font-size="12">
        <text v-for="tick in ticks" :key="tick" :x="MARGIN.left - 6" :y="y(from(tick)) + 4" text-anchor="end">
          {{ tick }}
        </text>
        <text :x="middle" y="13" text-anchor="middle">target line</text>
        <template v-if="anySide">
          <text v-for="side in sides" :key="side" :x="x(from(side))" y="13" text-anchor="middle">
            {{ Math.abs(side) }}
          </text>
        </template>
      </g>
      <line
        :x1="middle"
        :x2="middle"
        :y1="MARGIN.top - 4"
        :y2="height - MARGIN.bottom"
        stroke="var(--ink)"
        stroke-width="1.5"
      />
      <g v-for="one in shownTargets" :key="one.name">
        <path
          :d="`M${x(one.sideM)} ${y(one.alongM)}v-15h9l-3 4l3 4h-9`"
          fill="none"
          stroke="var(--soft-ink)"
          stroke-width="1.5"
        />
        <text :x="x(one.sideM) - 5" :y="y(one.alongM) - 5" text-anchor="end" font-size="12" fill="var(--soft-ink)">
          {{ one.name }}
        </text>
      </g>
      <g v-for="({ name, patch, numberM }, i) in patches" :key="name">
        <ellipse
          v-if="patch.acrossM !== null"
          :cx="x(patch.sideM)"
          :cy="y(patch.carryM)"
          :rx="patch.acrossM * scale"
          :ry="patch.alongM * scale"
          :fill="i === 0 ? 'var(--window-tint)' : 'none'"
          :stroke="i === 0 ? 'var(--sound)' : 'var(--ink)'"
          :stroke-dasharray="i === 0 ? undefined : '5 4'"
          stroke-width="1.5"
        />
        <line
          v-else
          :x1="middle"
          :x2="middle"
          :y1="y(patch.carryM - patch.alongM)"
          :y2="y(patch.carryM + patch.alongM)"
          stroke="var(--sound)"
          stroke-width="9"
          stroke-opacity="0.35"
        />
        <template v-if="numberM !== null">
          <line
            :x1="middle - 18"
            :x2="middle + 18"
            :y1="y(numberM)"
            :y2="y(numberM)"
            stroke="var(--hole)"
            stroke-width="3"
          />
          <text
            :x="middle - 23"
            :y="y(numberM) + 5"
            text-anchor="end"
            font-size="15"
            font-weight="800"
            fill="var(--hole)"
          >
            {{ text(numberM) }}
          </text>
        </template>
      </g>
      <g v-for="ball in balls" :key="ball.id">
        <path
          v-if="ball.word.includes('flyer')"
          :d="diamond(ball)"
          fill="none"
          stroke="var(--weak)"
          stroke-width="1.8"
        />
        <circle
          v-else
          :cx="x(ball.sideM ?? 0)"
          :cy="y(ball.carryM)"
          :r="ball.newest ? 6.5 : 5"
          :fill="ball.counts ? (ball.newest ? 'var(--hole)' : 'var(--ink)') : 'none'"
          :fill-opacity="ball.newest ? 1 : 0.8"
          :stroke="ball.counts ? 'var(--raised)' : 'var(--soft-ink)'"
          :stroke-dasharray="ball.counts ? undefined : '3 2'"
          stroke-width="1.5"
        />
        <text
          v-if="ball.word !== ''"
          :x="x(ball.sideM ?? 0) + 9"
          :y="y(ball.carryM) + 4"
          font-size="11"
          fill="var(--soft-ink)"
        >
          {{ ball.word }}
        </text>
      </g>
    </svg>
    <button
      type="button"
      class="soft mx-auto flex min-h-9 cursor-pointer items-center text-sm underline print:hidden"
      :aria-pressed="table"
      @click="table = !table"
    >
      {{ table ? 'As a plan' : 'As a table' }}
    </button>
    <p v-if="!anySide && !table" class="soft text-center text-sm">
      {{
        balls.length > 0
          ? 'No side was measured: the balls stand on the line, by their length alone.'
          : 'No side was measured: it is known along the line alone.'
      }}
    </p>
  </div>
</template>
