<script setup lang="ts">
import { CARRY_MAX_M } from '#core/limits'
import type { TARGET_KINDS } from '#shared/choices'
import { useDistance } from '~/ui/useDistance'
import { distanceAndDirection, placeOf, rangePlanFrame } from '~/features/ranges/range-plan'

/** A range from above: its signs and targets where they stand from the bay, and balls over it. */
interface Target {
  id: string
  name: string
  kind: (typeof TARGET_KINDS)[number]
  distanceM: number
  heightM: number
  rightDeg: number
}
const props = defineProps<{
  name: string
  targets: readonly Target[]
  /** Where the middle of the range looks, degrees from north; null where nobody said. */
  bearingDeg: number | null
  balls?: readonly { alongM: number; sideM: number }[]
  /** Targets can be dragged, or moved with the arrow keys. */
  movable?: boolean
}>()
const emit = defineEmits<{ move: [id: string, distanceM: number, rightDeg: number] }>()
const { to, from, whole, unit } = useDistance()

const held = ref<string>()
const live = computed(() => rangePlanFrame([...props.targets.map(placeOf), ...(props.balls ?? [])]))
// While something is dragged the ground under it stays where it is.
const still = shallowRef<typeof live.value>()
const frame = computed(() => still.value ?? live.value)
const x = (sideM: number) => frame.value.bayX + sideM * frame.value.scale
const y = (alongM: number) => frame.value.bayY - alongM * frame.value.scale

const svg = useTemplateRef<SVGSVGElement>('svg')
const { width: shownPx } = useElementSize(svg)
const LARGEST = 1.7
/** On a phone the plan shrinks and its words do not. */
const bigger = computed(() =>
  shownPx.value > 0 ? Math.min(LARGEST, Math.max(1, frame.value.width / shownPx.value)) : 1,
)

const arcs = computed(() => {
  const far = to(frame.value.farM)
  const step = far > 220 ? 50 : 25
  return Array.from({ length: Math.floor(far / step) }, (_, i) => (i + 1) * step)
})
/** An arc about the bay: 35 degrees either way, or as far as the plan is wide. */
const EDGE = 34
function arcOf(distance: number) {
  const { bayX, bayY, scale } = frame.value
  const r = from(distance) * scale
  const dx = Math.min(r * 0.57, bayX - EDGE)
  const top = bayY - Math.sqrt(r * r - dx * dx)
  return { left: bayX - dx, top, path: `M${bayX - dx},${top} A${r},${r} 0 0 1 ${bayX + dx},${top}` }
}

const placed = computed(() => {
  const all = props.targets
    .map(target => ({ ...target, ...placeOf(target) }))
    .sort((a, b) => b.alongM - a.alongM)
    .map(target => ({ ...target, x: x(target.sideM), y: y(target.alongM) }))
  // Words stand to the right of what they name, or to the left where another's words are.
  const taken: { y: number; left: boolean }[] = []
  return all.map(target => {
    const isFree = (left: boolean) =>
      !taken.some(one => one.left === left && Math.abs(one.y - target.y) < 20 * bigger.value)
    const wanted = target.x > frame.value.bayX * 1.35
    const left = isFree(wanted) ? wanted : isFree(!wanted) ? !wanted : wanted
    taken.push({ y: target.y, left })
    return { ...target, left }
  })
})
function heightText(heightM: number): string {
  const height = Math.round(to(heightM))
  return height === 0 ? '' : `, ${Math.abs(height)} ${height > 0 ? 'up' : 'down'}`
}
const directionText = (rightDeg: number) =>
  Math.round(rightDeg) === 0 ? 'straight' : `${Math.abs(Math.round(rightDeg))}° ${rightDeg > 0 ? 'right' : 'left'}`
const spoken = (target: Target) =>
  `${target.name || 'no name yet'}, ${whole(target.distanceM)} ${unit.value}, ${directionText(target.rightDeg)}` +
  heightText(target.heightM)

function move(id: string, distanceM: number, rightDeg: number) {
  const least = from(1)
  emit('move', id, Math.min(CARRY_MAX_M, Math.max(least, distanceM)), Math.min(80, Math.max(-80, rightDeg)))
}
function hold(event: PointerEvent, id: string) {
  if (!props.movable) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  still.value = live.value
  held.value = id
}
function drag(event: PointerEvent, id: string) {
  if (held.value !== id) return
  const matrix = svg.value?.getScreenCTM()?.inverse()
  if (!matrix) return
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
  const { distanceM, rightDeg } = distanceAndDirection(frame.value, point.x, point.y)
  // A finger knows no decimals: whole yards or metres, whole degrees.
  move(id, from(Math.round(to(distanceM))), Math.round(rightDeg))
}
function letGo() {
  held.value = undefined
  still.value = undefined
}
const ARROWS: Record<string, [along: number, right: number]> = {
  ArrowUp: [1, 0],
  ArrowDown: [-1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}
function step(event: KeyboardEvent, { id, distanceM, rightDeg }: Target) {
  const arrow = ARROWS[event.key]
  if (!props.movable || !arrow) return
  event.preventDefault()
  const far = event.shiftKey ? 5 : 1
  move(id, from(Math.round(to(distanceM)) + arrow[0] * far), Math.round(rightDeg) + arrow[1] * far)
}
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${frame.width} ${frame.height}`"
    class="block w-full"
    :role="movable ? 'group' : 'img'"
    :aria-label="`${name} from above, ${unit}: ${placed.map(spoken).join('; ')}`"
  >
    <g fill="none" stroke="var(--hairline)">
      <path v-for="arc in arcs" :key="arc" :d="arcOf(arc).path" />
      <line :x1="frame.bayX" :x2="frame.bayX" :y1="frame.bayY" y2="8" stroke-dasharray="2 5" />
    </g>
    <g fill="var(--soft-ink)" :font-size="11 * bigger">
      <text v-for="arc in arcs" :key="arc" :x="arcOf(arc).left - 5" :y="arcOf(arc).top + 4" text-anchor="end">
        {{ arc }}
      </text>
    </g>
    <g v-if="balls" fill="var(--ink)" fill-opacity="0.35">
      <circle v-for="(ball, i) in balls" :key="i" :cx="x(ball.sideM)" :cy="y(ball.alongM)" r="2.6" />
    </g>
    <g v-if="bearingDeg !== null" :transform="`translate(${frame.width - 26},30) rotate(${-bearingDeg})`">
      <path d="M0,-15 L5,9 L0,5 L-5,9 Z" fill="var(--ink)" />
      <text y="-18" text-anchor="middle" :font-size="11 * bigger" font-weight="700" fill="var(--ink)">N</text>
    </g>
    <g :transform="`translate(${frame.bayX},${frame.bayY})`">
      <line x1="-26" x2="26" y1="6" y2="6" stroke="var(--ink)" stroke-width="4" stroke-linecap="round" />
      <circle r="3.5" fill="var(--ink)" />
      <text :y="13 + 11 * bigger" text-anchor="middle" :font-size="11 * bigger" fill="var(--soft-ink)">bay</text>
    </g>
    <!-- A target is taken hold of, or moved with the arrow keys; the same figures are typed beside it. -->
    <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
    <g
      v-for="target in placed"
      :key="target.id"
      :transform="`translate(${target.x},${target.y})`"
      :tabindex="movable ? 0 : undefined"
      :role="movable ? 'button' : undefined"
      :aria-label="movable ? `Move ${spoken(target)}` : undefined"
      :class="movable && 'range-target cursor-grab touch-none'"
      @pointerdown="hold($event, target.id)"
      @pointermove="drag($event, target.id)"
      @pointerup="letGo"
      @pointercancel="letGo"
      @keydown="step($event, target)"
    >
      <!-- eslint-enable vuejs-accessibility/no-static-element-interactions -->
      <circle v-if="movable" r="22" fill="transparent" />
      <template v-if="target.kind === 'green'">
        <ellipse rx="15" ry="9" fill="var(--window-tint)" stroke="var(--sound)" stroke-width="1.5" />
        <path d="M0,0 V-16 L9,-12.5 L0,-9" fill="var(--sound)" stroke="var(--sound)" />
      </template>
      <path
        v-else-if="target.kind === 'flag'"
        d="M0,0 V-17 L10,-13 L0,-9"
        fill="var(--ink)"
        stroke="var(--ink)"
        stroke-width="1.5"
      />
      <template v-else-if="target.kind === 'circle'">
        <circle r="9" fill="var(--ui-bg)" stroke="var(--ink)" stroke-width="1.8" />
        <circle r="2" fill="var(--ink)" />
      </template>
      <template v-else>
        <path d="M0,0 V-9" stroke="var(--ink)" stroke-width="2" />
        <rect
          x="-11"
          y="-19"
          width="22"
          height="11"
          rx="1.5"
          fill="var(--raised)"
          stroke="var(--ink)"
          stroke-width="1.6"
        />
      </template>
      <text
        :x="target.left ? -18 : 18"
        y="0"
        :text-anchor="target.left ? 'end' : 'start'"
        fill="var(--ink)"
        stroke="var(--raised)"
        stroke-width="4"
        stroke-linejoin="round"
        paint-order="stroke"
      >
        <tspan :font-size="15 * bigger" font-weight="700">{{ whole(target.distanceM) }}</tspan>
        <tspan :font-size="12 * bigger" dx="4">{{ target.name }}{{ heightText(target.heightM) }}</tspan>
      </text>
    </g>
  </svg>
</template>

<style scoped>
.range-target:focus-visible {
  outline: 2px solid var(--ink);
  outline-offset: 2px;
}
</style>
