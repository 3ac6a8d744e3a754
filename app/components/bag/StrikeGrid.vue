<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { BagEditor } from '~/composables/useBagDraft'
import GridClubSwingGrid from '~/components/grid/ClubSwingGrid.vue'

const props = defineProps<{ editor: BagEditor }>()
const draft = props.editor.draft
const clubs = computed(() =>
  draft.value.clubs.filter(club => !club.retired).sort((a, b) => Number(b.loft) - Number(a.loft)),
)
const rungs = computed(() => draft.value.rungs.filter(rung => !rung.retired).reverse())
const out = computed(() => new Set(draft.value.struckOut.map(cellKey)))
const isOut = (club: { id: string }, rung: { id: string }) =>
  out.value.has(cellKey({ clubId: club.id, rungId: rung.id }))
</script>

<template>
  <section aria-labelledby="strike-title">
    <h2 id="strike-title" class="text-xl font-bold">Shots not used</h2>
    <p class="soft mb-3">
      Tap a stock shot that the player should not hit on purpose, such as the full lob wedge. It leaves the chart, its
      balls stay.
    </p>
    <GridClubSwingGrid
      :clubs="clubs"
      :swings="rungs"
      caption="Shots not used: swing lengths down, clubs across"
      table-class="raised text-center"
      club-class="min-w-16 px-2 py-2 font-bold"
      swing-class="px-3 text-left font-bold whitespace-nowrap"
      :cell-class="() => 'border border-default p-0'"
    >
      <template #club="{ club }">{{ club.label || '?' }}</template>
      <template #swing="{ swing }">{{ swing.label ? rungName(swing) : '?' }}</template>
      <template #cell="{ club, swing }">
        <button
          type="button"
          class="flex h-11 w-full min-w-16 cursor-pointer items-center justify-center hover:bg-elevated"
          :class="isOut(club, swing) && 'hatched'"
          :aria-pressed="isOut(club, swing)"
          :aria-label="`${club.label} ${rungName(swing)} not used`"
          @click="editor.toggleStruckOut(club.id, swing.id)"
        >
          <UIcon v-if="isOut(club, swing)" name="i-lucide-x" class="size-5" />
          <UIcon v-else name="i-lucide-dot" class="soft size-5" />
        </button>
      </template>
    </GridClubSwingGrid>
  </section>
</template>
