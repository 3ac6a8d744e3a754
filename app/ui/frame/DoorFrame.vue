<script setup lang="ts">
import { claimText } from '#words/door'

defineProps<{ title: string }>()
</script>

<template>
  <div class="grid flex-1 items-center gap-10 max-md:content-start md:grid-cols-2 md:gap-16">
    <section>
      <p class="text-5xl font-extrabold tracking-tight sm:text-6xl">uzzet<span class="text-primary">.</span></p>
      <p class="mt-5 max-w-md text-xl leading-snug sm:text-2xl">{{ claimText }}</p>
      <div class="mt-8 max-w-md max-md:hidden" aria-hidden="true">
        <svg viewBox="0 0 400 120" class="w-full">
          <g
            v-for="(lane, i) in [
              [
                [20, 70, 0],
                [110, 160, 0.5],
                [205, 262, 1],
              ],
              [
                [60, 112, 0],
                [160, 210, 0.5],
                [300, 372, 1],
              ],
            ]"
            :key="i"
          >
            <line x1="0" x2="400" :y1="32 + i * 56" :y2="32 + i * 56" stroke="var(--hairline)" stroke-width="1.5" />
            <rect
              v-for="([from, to, fill], j) in lane"
              :key="j"
              :x="from"
              :width="to! - from!"
              :y="20 + i * 56"
              height="24"
              rx="12"
              :fill="`color-mix(in srgb, var(--ink) ${fill! * 85}%, var(--raised))`"
              stroke="var(--ink)"
              stroke-width="1.5"
            />
          </g>
          <rect x="264" width="34" y="0" height="120" fill="var(--hole-tint)" />
          <path d="M264 0V120M298 0V120" stroke="var(--hole)" stroke-width="1.5" stroke-dasharray="2 3" />
        </svg>
      </div>
    </section>
    <section class="raised w-full max-w-md p-6 sm:p-8">
      <h1 class="mb-5 text-2xl font-bold">{{ title }}</h1>
      <slot />
    </section>
  </div>
</template>
