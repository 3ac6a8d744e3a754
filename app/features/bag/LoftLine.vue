<script setup lang="ts">
import { loftSteps } from '#core/bag/loft-steps'
import type { DraftClub } from '~/player/bag-draft'
import { fieldNumber } from '~/player/bag-draft'

/** The clubs in a row by their lofts, a short blade each, and the steps between them: an uneven one is seen. */
const props = defineProps<{ clubs: DraftClub[] }>()

const WIDTH = 1000
const EDGE = 60
const BASE = 56
const BLADE = 44
/** Two labels closer than so many units stand one above the other. */
const CLOSE = 74

const lofted = computed(() =>
  props.clubs.flatMap(club => {
    const loftDeg = fieldNumber(club.loft)
    return typeof loftDeg === 'number' && loftDeg > 0 && loftDeg < 90
      ? [{ id: club.id, label: club.label || '?', name: club.name, loftDeg, retired: false }]
      : []
  }),
)
const span = computed(() => {
  const lofts = lofted.value.map(club => club.loftDeg)
  const from = Math.max(...lofts)
  return { from, over: Math.max(1, from - Math.min(...lofts)) }
})
const at = (loftDeg: number) => EDGE + ((span.value.from - loftDeg) / span.value.over) * (WIDTH - 2 * EDGE)

const marks = computed(() => {
  let low = false
  return lofted.value.map((club, i, all) => {
    const x = at(club.loftDeg)
    low = i > 0 && x - at(all[i - 1]!.loftDeg) < CLOSE && !low
    // The face lies back by its loft: the more of it, the flatter the line.
    const tilt = ((90 - club.loftDeg) * Math.PI) / 180
    return { ...club, x, low, tipX: x + BLADE * Math.cos(tilt), tipY: BASE - BLADE * Math.sin(tilt) }
  })
})
const steps = computed(() =>
  loftSteps({ clubs: lofted.value }).map(step => ({
    ...step,
    x: (at(step.from.loftDeg) + at(step.to.loftDeg)) / 2,
    room: at(step.to.loftDeg) - at(step.from.loftDeg),
    text: `${Number(step.degrees.toFixed(1))}°`,
  })),
)
const told = computed(() =>
  steps.value
    .map(({ from, to, text, is }) => `${from.label} to ${to.label} ${text}${is === 'even' ? '' : `, ${is}`}`)
    .join('; '),
)
</script>

<template>
  <figure v-if="marks.length > 1" class="m-0">
    <figcaption class="soft text-sm">Lofts, and the steps between them</figcaption>
    <svg :viewBox="`0 0 ${WIDTH} 104`" class="block w-full" role="img" :aria-label="`Steps of loft: ${told}`">
      <line :x1="0" :x2="WIDTH" :y1="BASE" :y2="BASE" stroke="var(--ink)" stroke-width="1.5" />
      <g v-for="mark in marks" :key="mark.id" fill="var(--ink)">
        <line
          :x1="mark.x"
          :y1="BASE"
          :x2="mark.tipX"
          :y2="mark.tipY"
          stroke="var(--ink)"
          stroke-width="3"
          stroke-linecap="round"
        />
        <circle :cx="mark.x" :cy="BASE" r="4.5" />
        <text :x="mark.x" :y="BASE + (mark.low ? 42 : 22)" text-anchor="middle" font-size="17" font-weight="700">
          {{ mark.label }}
        </text>
      </g>
      <template v-for="step in steps" :key="step.to.id">
        <text
          v-if="step.room > 30"
          :x="step.x + BLADE / 4"
          :y="BASE - 9"
          text-anchor="middle"
          font-size="14"
          :font-weight="step.is === 'even' ? 400 : 700"
          :fill="step.is === 'even' ? 'var(--soft-ink)' : step.is === 'wide' ? 'var(--hole)' : 'var(--overlap)'"
        >
          {{ step.text }}{{ step.is !== 'even' && step.room > 90 ? ` ${step.is}` : '' }}
        </text>
      </template>
    </svg>
  </figure>
</template>
