<script setup lang="ts">
/** Balls as a coach counts them: four strokes, the fifth across. Past twenty a figure is quicker to read. */
const props = defineProps<{ balls: number; leftOut?: number }>()
/** Balls left out stand apart as open dots: at most three of them are drawn. */
const MOST_OUT = 3
const out = computed(() => Math.min(props.leftOut ?? 0, MOST_OUT))
const label = computed(() => {
  const counted = `${props.balls} ${props.balls === 1 ? 'ball' : 'balls'}`
  return props.leftOut ? `${counted}, ${props.leftOut} left out` : counted
})
const groups = computed(() => {
  const count = Math.min(props.balls, 20)
  return Array.from({ length: Math.ceil(count / 5) }, (_, i) => Math.min(5, count - i * 5))
})
const width = computed(() => groups.value.length * 21)
</script>

<template>
  <span class="inline-flex h-4 items-center" :aria-label="label" role="img">
    <span v-if="balls > 15" class="soft text-sm" aria-hidden="true">{{ balls }} balls</span>
    <svg v-else-if="balls > 0" :width="width" height="15" :viewBox="`0 0 ${width} 15`" aria-hidden="true">
      <g
        v-for="(n, g) in groups"
        :key="g"
        :transform="`translate(${g * 21} 0)`"
        stroke="var(--ink)"
        stroke-width="1.6"
        stroke-linecap="round"
      >
        <line v-for="i in Math.min(n, 4)" :key="i" :x1="i * 4 - 1.5" :x2="i * 4 - 1.5" y1="2" y2="13" />
        <line v-if="n === 5" x1="0.5" x2="16.5" y1="11.5" y2="3.5" />
      </g>
    </svg>
    <svg
      v-if="out > 0"
      class="ml-1"
      :width="out * 7"
      height="15"
      :viewBox="`0 0 ${out * 7} 15`"
      aria-hidden="true"
      fill="none"
      stroke="var(--soft-ink)"
    >
      <circle v-for="i in out" :key="i" :cx="i * 7 - 4" cy="9" r="2.2" />
    </svg>
  </span>
</template>
