<script setup lang="ts">
import { loftSteps } from '#core/bag/loft-steps'
import type { DraftClub } from '~/player/bag-draft'
import { fieldNumber } from '~/player/bag-draft'

/** The clubs on a phone: one line each, with the step of loft to the next one. */
const props = defineProps<{ clubs: DraftClub[]; faulty: ReadonlySet<string> }>()
defineEmits<{ edit: [id: string, place: HTMLElement] }>()

const steps = computed(() => {
  const lofted = props.clubs.flatMap(({ id, label, name, loft }) => {
    const loftDeg = fieldNumber(loft)
    return typeof loftDeg === 'number' ? [{ id, label, name, loftDeg, retired: false }] : []
  })
  return new Map(loftSteps({ clubs: lofted }).map(step => [step.from.id, step]))
})
const loftText = (club: DraftClub) => (club.label === `${club.loft}°` ? '' : `${club.loft}°`)
</script>

<template>
  <ul class="raised divide-y divide-default">
    <li v-for="club in clubs" :key="club.id" class="relative">
      <button
        type="button"
        class="flex min-h-11 w-full cursor-pointer items-center gap-3 px-3 text-left"
        :data-club="club.id"
        :aria-label="`Change ${club.label || 'this club'}`"
        @click="$emit('edit', club.id, $event.currentTarget as HTMLElement)"
      >
        <strong class="min-w-14 text-lg">{{ club.label || '?' }}</strong>
        <UIcon v-if="faulty.has(club.id)" name="i-lucide-circle-alert" class="text-error" />
        <span class="soft min-w-0 flex-1 truncate">{{ [club.name, loftText(club)].filter(Boolean).join(', ') }}</span>
        <span
          v-if="steps.get(club.id)"
          class="text-sm"
          :class="{
            'soft': steps.get(club.id)!.is === 'even',
            'font-bold text-(--hole)': steps.get(club.id)!.is === 'wide',
            'font-bold text-(--overlap)': steps.get(club.id)!.is === 'narrow',
          }"
          >{{ Number(steps.get(club.id)!.degrees.toFixed(1)) }}°
          {{ steps.get(club.id)!.is === 'even' ? 'to the next' : steps.get(club.id)!.is }}</span
        >
      </button>
    </li>
  </ul>
</template>
