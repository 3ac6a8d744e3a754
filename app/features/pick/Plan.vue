<script setup lang="ts">
import { GREEN_RADIUS_M } from '#core/pick/strokes'
import type { Green, Trouble } from '#core/pick/around'
import type { PickedShot } from '#core/pick/picked'
import { pickName, sideText, troubleText } from '#words/pick'
import { useDistance } from '~/ui/useDistance'

/** The flag seen from above, to scale: the green, trouble as drawn, and where 8 balls in 10 of a shot stop. */
const props = defineProps<{
  targetM: number
  pick: PickedShot
  other?: PickedShot
  green: Green | null
  trouble: readonly Trouble[]
}>()
const { to, from, unit } = useDistance()

const WIDTH = 420
const HEIGHT = 400
const MIDDLE = { x: WIDTH / 2 + 14, y: HEIGHT / 2 }
/** Ellipse that 8 in 10 of a normal pattern lie in: χ² with two degrees of freedom. */
const ELLIPSE = Math.sqrt(-2 * Math.log(0.2))
const drawn = computed(
  () =>
    props.green ?? {
      shortM: GREEN_RADIUS_M,
      longM: GREEN_RADIUS_M,
      leftM: GREEN_RADIUS_M,
      rightM: GREEN_RADIUS_M,
    },
)
const reach = computed(() =>
  Math.max(
    14,
    ...[props.pick, ...(props.other ? [props.other] : [])].map(({ patch }) =>
      Math.max(Math.abs(patch.pastM) + ELLIPSE * patch.longSdM, Math.abs(patch.rightM) + ELLIPSE * patch.sideSdM),
    ),
    ...props.trouble.map(one => one.fromM + 3),
    drawn.value.shortM + 2,
  ),
)
const scale = computed(() => (HEIGHT / 2 - 12) / reach.value)
const x = (rightM: number) => MIDDLE.x + rightM * scale.value
const y = (pastM: number) => MIDDLE.y - pastM * scale.value
/** A green that is not round: four quarters of ellipses. */
const greenPath = computed(() => {
  const { shortM, longM, leftM, rightM } = drawn.value
  const [s, l, w, e] = [shortM, longM, leftM, rightM].map(m => m * scale.value)
  return (
    `M${MIDDLE.x - w!} ${MIDDLE.y}A${w} ${l} 0 0 1 ${MIDDLE.x} ${MIDDLE.y - l!}` +
    `A${e} ${l} 0 0 1 ${MIDDLE.x + e!} ${MIDDLE.y}A${e} ${s} 0 0 1 ${MIDDLE.x} ${MIDDLE.y + s!}` +
    `A${w} ${s} 0 0 1 ${MIDDLE.x - w!} ${MIDDLE.y}Z`
  )
})
const FAR = 200
const bands = computed(() =>
  props.trouble.map(one => {
    const until = Math.min(one.toM ?? FAR, FAR)
    const [a, b] = [one.fromM, until]
    const box = {
      short: [x(-FAR), y(-a), 2 * FAR * scale.value, (b - a) * scale.value],
      long: [x(-FAR), y(b), 2 * FAR * scale.value, (b - a) * scale.value],
      left: [x(-b), y(FAR), (b - a) * scale.value, 2 * FAR * scale.value],
      right: [x(a), y(FAR), (b - a) * scale.value, 2 * FAR * scale.value],
    }[one.side] as [number, number, number, number]
    const sign = one.side === 'short' || one.side === 'left' ? -1 : 1
    const upright = one.side === 'short' || one.side === 'long'
    return {
      key: `${one.side} ${one.fromM}`,
      box,
      text: troubleText(one, unit.value),
      at: upright
        ? { x: x(0) + 8, y: y(sign * a) + (sign > 0 ? -6 : 16), anchor: 'start' }
        : { x: x(sign * a) + sign * 5, y: 20, anchor: sign > 0 ? 'start' : 'end' },
    }
  }),
)
const STEPS = [2, 5, 10, 20]
const ticks = computed(() => {
  const [low, high] = [to(props.targetM - reach.value), to(props.targetM + reach.value)]
  const step = STEPS.find(one => (high - low) / one <= 8) ?? 50
  const first = Math.max(0, Math.ceil(low / step) * step)
  return Array.from({ length: Math.max(0, Math.floor((high - first) / step) + 1) }, (_, i) => first + i * step)
})
const ellipse = (pick: PickedShot) => ({
  cx: x(pick.patch.rightM),
  cy: y(pick.patch.pastM),
  rx: ELLIPSE * pick.patch.sideSdM * scale.value,
  ry: ELLIPSE * pick.patch.longSdM * scale.value,
})
const label = computed(
  () => `${pickName(props.pick)} from above: 8 clean balls in 10 stop in the patch; its figures stand beside it.`,
)
</script>

<template>
  <div>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="label" class="block w-full max-w-[24rem]">
      <g v-for="value in ticks" :key="value">
        <line
          x1="34"
          :x2="WIDTH"
          :y1="y(from(value) - targetM)"
          :y2="y(from(value) - targetM)"
          stroke="var(--hairline)"
        />
        <text x="28" :y="y(from(value) - targetM) + 4" text-anchor="end" font-size="13" fill="var(--soft-ink)">
          {{ value }}
        </text>
      </g>
      <path
        :d="greenPath"
        fill="var(--ui-success)"
        fill-opacity="0.12"
        stroke="var(--ui-success)"
        :stroke-dasharray="green ? undefined : '2 4'"
      />
      <g v-for="band in bands" :key="band.key">
        <rect
          :x="band.box[0]"
          :y="band.box[1]"
          :width="band.box[2]"
          :height="band.box[3]"
          fill="var(--overlap)"
          fill-opacity="0.2"
        />
        <text :x="band.at.x" :y="band.at.y" :text-anchor="band.at.anchor" font-size="13" fill="var(--ink)">
          {{ band.text }}
        </text>
      </g>
      <line :x1="x(0)" :x2="x(0)" y1="0" :y2="HEIGHT" stroke="var(--soft-ink)" stroke-dasharray="2 5" />
      <ellipse v-if="other" v-bind="ellipse(other)" fill="none" stroke="var(--ink)" stroke-dasharray="4 4" />
      <ellipse v-bind="ellipse(pick)" fill="var(--ink)" fill-opacity="0.16" stroke="var(--ink)" stroke-width="2" />
      <path
        v-if="Math.abs(pick.aimRightM) > 0.5"
        :d="`M${x(pick.aimRightM)} ${HEIGHT - 2}v-18`"
        stroke="var(--ui-primary)"
        stroke-width="3"
      />
      <path
        :d="`M${x(0)} ${y(0)}v-26l16 7l-16 7`"
        fill="var(--ui-primary)"
        stroke="var(--ui-primary)"
        stroke-width="2"
      />
    </svg>
    <p v-if="sideText(pick)" class="soft text-sm">{{ sideText(pick) }}</p>
  </div>
</template>
