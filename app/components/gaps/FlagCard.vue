<script setup lang="ts">
import type { Finding } from '#core/gaps/flag'
import { flagRule } from '#core/gaps/flags'
import { flagWords } from '#shared/flag-words'

/** One flag: what, how surely, why with the figures, what to do. */
const props = defineProps<{ finding: Finding }>()
const { unit } = useDistance()
const { cellName, clubLabel } = useCellNames()
const words = computed(() => flagWords(props.finding, { cell: cellName, club: clubLabel }, unit.value))
const LOOKS = {
  hole: { icon: 'i-lucide-diamond', colour: 'var(--hole)' },
  overlap: { icon: 'i-lucide-arrow-left-right', colour: 'var(--overlap)' },
  weak: { icon: 'i-lucide-triangle-alert', colour: 'var(--weak)' },
} as const
const look = computed(() => LOOKS[flagRule(props.finding.flag).meta.kind])
</script>

<template>
  <article class="raised border-l-[5px]! px-4 py-3" :class="finding.sureness !== 'sure' && 'border-dashed!'" :style="{ borderLeftColor: look.colour }">
    <h3 class="flex flex-wrap items-center gap-x-2 text-lg leading-snug font-bold">
      <UIcon :name="look.icon" class="shrink-0" :style="{ color: look.colour }" /> {{ words.title }}
      <span class="soft ml-auto text-sm font-semibold">{{ words.odds }}</span>
    </h3>
    <p class="mt-0.5">{{ words.why }}</p>
    <ul class="soft mt-1.5 space-y-0.5">
      <li v-for="remedy in words.remedies" :key="remedy" class="flex gap-2"><UIcon name="i-lucide-corner-down-right" class="mt-1 shrink-0" />{{ remedy }}</li>
    </ul>
  </article>
</template>
