<script setup lang="ts">
/** Sets of three and four wedges as they are commonly bought, each drawn as its fan of lofts. */
defineEmits<{ choose: [lofts: string[]]; one: [] }>()

const SETS = [
  ['46', '50', '54'],
  ['46', '51', '56'],
  ['46', '52', '58'],
  ['46', '50', '54', '58'],
  ['45', '50', '55', '60'],
  ['42', '48', '54', '60'],
]
const sets = SETS.map(lofts => ({
  lofts,
  degrees: Number(lofts[1]) - Number(lofts[0]),
  title: lofts.map(loft => `${loft}°`).join(', '),
  blades: lofts.map(loft => {
    const tilt = ((90 - Number(loft)) * Math.PI) / 180
    return { x: 6 + 42 * Math.cos(tilt), y: 44 - 42 * Math.sin(tilt) }
  }),
}))
</script>

<template>
  <section class="raised p-5" aria-labelledby="start-title">
    <h2 id="start-title" class="text-xl font-bold">Which wedges does the player carry?</h2>
    <p class="soft mb-4">One club is enough to begin; every loft can be changed later.</p>
    <div class="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
      <button
        v-for="set in sets"
        :key="set.title"
        type="button"
        class="flex cursor-pointer items-center gap-3 rounded-md border border-default px-3 py-2 text-left hover:border-(--ink)"
        @click="$emit('choose', set.lofts)"
      >
        <svg viewBox="0 0 52 50" class="w-12 shrink-0" aria-hidden="true">
          <line x1="2" y1="45" x2="50" y2="45" stroke="var(--soft-ink)" />
          <g stroke="var(--ink)" stroke-width="2" stroke-linecap="round">
            <line v-for="blade in set.blades" :key="blade.x" x1="6" y1="44" :x2="blade.x" :y2="blade.y" />
          </g>
        </svg>
        <span
          ><span class="block text-lg leading-tight font-bold">{{ set.title }}</span>
          <span class="soft block text-sm">{{ set.degrees }}° apart</span></span
        >
      </button>
    </div>
    <UButton class="mt-4" color="neutral" variant="outline" icon="i-lucide-plus" @click="$emit('one')"
      >Start with one club</UButton
    >
  </section>
</template>
