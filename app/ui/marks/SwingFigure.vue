<script setup lang="ts">
import type { SwingPose } from '~/ui/marks/swing-figure'

/** A swing length as a small figure seen from the front: how far back the arm goes, or how hard it is hit. */
const props = defineProps<{
  pose: SwingPose
  /** Outline for the shortest of the scale, 0, to filled for the longest, 1. */
  solidity: number
  leftHanded?: boolean
}>()

const SHOULDER = { x: 29, y: 19 }
const ARM = 19
const hand = computed(() => {
  const radians = ((props.pose.kind === 'arm' ? props.pose.degrees : 0) * Math.PI) / 180
  return { x: SHOULDER.x - ARM * Math.sin(radians), y: SHOULDER.y + ARM * Math.cos(radians) }
})
/** From hanging to where the hands stop: the way they went. */
const way = computed(() => {
  const { x, y } = hand.value
  return `M${SHOULDER.x},${SHOULDER.y + ARM} A${ARM},${ARM} 0 0 1 ${x.toFixed(2)},${y.toFixed(2)}`
})
const DIAL = { x: 24, y: 36, r: 18 }
const needle = computed(() => {
  const turn = Math.PI * (props.pose.kind === 'dial' ? props.pose.share : 0)
  return { x: DIAL.x - (DIAL.r - 4) * Math.cos(turn), y: DIAL.y - (DIAL.r - 4) * Math.sin(turn) }
})
</script>

<template>
  <svg viewBox="0 -5 48 61" class="shrink-0" aria-hidden="true" :class="leftHanded && '-scale-x-100'">
    <g fill="none" stroke="currentColor" stroke-width="2" stroke-linecap="round" stroke-linejoin="round">
      <template v-if="pose.kind === 'arm'">
        <path :d="way" stroke="var(--soft-ink)" stroke-width="1" stroke-dasharray="1 3" />
        <circle cx="31" cy="10" r="5.5" />
        <path d="M30,16 L29,35 M29,35 L23,53 M29,35 L36,53" />
        <line :x1="SHOULDER.x" :y1="SHOULDER.y" :x2="hand.x" :y2="hand.y" />
        <circle :cx="hand.x" :cy="hand.y" r="4.5" fill="var(--raised)" />
        <circle :cx="hand.x" :cy="hand.y" r="4.5" fill="currentColor" stroke="none" :fill-opacity="solidity" />
      </template>
      <template v-else>
        <path :d="`M${DIAL.x - DIAL.r},${DIAL.y} A${DIAL.r},${DIAL.r} 0 0 1 ${DIAL.x + DIAL.r},${DIAL.y}`" />
        <line :x1="DIAL.x" :y1="DIAL.y" :x2="needle.x" :y2="needle.y" />
        <circle :cx="DIAL.x" :cy="DIAL.y" r="4.5" fill="var(--raised)" />
        <circle :cx="DIAL.x" :cy="DIAL.y" r="4.5" fill="currentColor" stroke="none" :fill-opacity="solidity" />
      </template>
    </g>
  </svg>
</template>
