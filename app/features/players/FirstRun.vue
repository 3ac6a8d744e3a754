<script setup lang="ts">
import { useDistance } from '~/ui/useDistance'
import { swingSolidity } from '~/ui/marks/swing-fill'
import MarksSwingFigure from '~/ui/marks/SwingFigure.vue'

/** An empty academy: the three steps to the first number, and a picture of what becomes of them. */
defineEmits<{ add: [] }>()
const { unit } = useDistance()

const STEPS = [
  { title: 'A player', words: 'A name is enough.' },
  { title: 'The bag', words: 'A set of wedges, and how the player tells one length of swing from another.' },
  {
    title: 'The first ball',
    words: 'Type its carry, or let a monitor or a file do it. Every ball tells of all the others.',
  },
]
// Invented numbers of an invented player, in yards or metres alike: it is a picture.
const LANES = [
  { club: '58°', at: [46, 63, 74, 85] },
  { club: '52°', at: [54, 76, 90, 103] },
  { club: '46°', at: [62, 88, 104, 119] },
]
const FROM = 40
const PX = 4.3
const x = (carry: number) => 46 + (carry - FROM) * PX
const TICKS = [40, 60, 80, 100, 120]
</script>

<template>
  <section
    class="grid items-center gap-8 py-6 lg:grid-cols-[min(22rem,50%)_minmax(0,1fr)]"
    aria-labelledby="first-title"
  >
    <div>
      <h2 id="first-title" class="text-2xl font-bold">No players yet.</h2>
      <ol class="mt-4 space-y-4">
        <li v-for="(step, i) in STEPS" :key="step.title" class="flex gap-4">
          <span
            class="flex size-9 shrink-0 items-center justify-center rounded-full border-2 border-(--ink) text-lg font-bold"
            :class="i === 0 && 'bg-(--ink) text-(--ui-bg)'"
            aria-hidden="true"
            >{{ i + 1 }}</span
          >
          <span
            ><strong class="block text-lg leading-tight">{{ step.title }}</strong
            ><span class="soft">{{ step.words }}</span></span
          >
        </li>
      </ol>
      <UButton size="xl" class="mt-6" icon="i-lucide-plus" @click="$emit('add')">Add a player</UButton>
    </div>
    <figure class="raised m-0 p-4">
      <svg viewBox="0 0 420 190" class="block w-full" aria-hidden="true">
        <g font-size="11" fill="var(--soft-ink)" text-anchor="middle">
          <template v-for="tick in TICKS" :key="tick">
            <line :x1="x(tick)" :x2="x(tick)" y1="14" y2="160" stroke="var(--hairline)" />
            <text :x="x(tick)" y="176">{{ tick }}</text>
          </template>
        </g>
        <rect :x="x(105.5)" :width="12 * PX" y="14" height="146" fill="var(--hole-tint)" />
        <text :x="x(111.5)" y="10" font-size="11" font-weight="700" fill="var(--hole)" text-anchor="middle">hole</text>
        <g v-for="(lane, row) in LANES" :key="lane.club">
          <text x="4" :y="46 + row * 46" font-size="17" font-weight="700" fill="var(--ink)">{{ lane.club }}</text>
          <line :x1="x(FROM)" :x2="x(124)" :y1="40 + row * 46" :y2="40 + row * 46" stroke="var(--hairline)" />
          <g v-for="(carry, i) in lane.at" :key="carry">
            <circle
              :cx="x(carry)"
              :cy="40 + row * 46"
              r="8"
              fill="var(--raised)"
              stroke="var(--ink)"
              stroke-width="2"
            />
            <circle
              :cx="x(carry)"
              :cy="40 + row * 46"
              r="8"
              fill="var(--ink)"
              :fill-opacity="swingSolidity(i, lane.at.length)"
            />
            <text :x="x(carry)" :y="40 + row * 46 - 12" font-size="12" text-anchor="middle" fill="var(--ink)">
              {{ carry }}
            </text>
          </g>
        </g>
      </svg>
      <figcaption class="soft mt-2 flex items-center gap-3 text-sm">
        <MarksSwingFigure :pose="{ kind: 'arm', degrees: 90 }" :solidity="0.4" class="w-9" />
        <span
          >What it becomes after some thirty balls: how far each wedge carries with each length of swing, in {{ unit }},
          and where a yardage is missing.</span
        >
      </figcaption>
    </figure>
  </section>
</template>
