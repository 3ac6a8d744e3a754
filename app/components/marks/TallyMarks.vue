<script setup lang="ts">
/** Balls as a coach counts them: four strokes, the fifth across. Past twenty a figure is quicker to read. */
const props = defineProps<{ balls: number }>()
const groups = computed(() => {
  const count = Math.min(props.balls, 20)
  return Array.from({ length: Math.ceil(count / 5) }, (_, i) => Math.min(5, count - i * 5))
})
const width = computed(() => groups.value.length * 21)
</script>

<template>
  <span class="inline-flex h-4 items-center" :aria-label="`${balls} ${balls === 1 ? 'ball' : 'balls'}`" role="img">
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
  </span>
</template>
