<script setup lang="ts">
import type { PublishedChart } from '#core/history/published'
import type { DistanceUnit } from '#core/units'
import { cellOf } from '#core/history/hand-over'
import GridClubSwingGrid from '~/ui/grid/ClubSwingGrid.vue'
import PublishedGridCell from '~/features/published/GridCell.vue'

/** A published chart as it was published: nothing in it moves any more. */
const props = defineProps<{ chart: PublishedChart; unit: DistanceUnit; chosen?: string; pick?: boolean }>()
defineEmits<{ choose: [clubId: string, rungId: string] }>()
const at = computed(() => cellOf(props.chart))
const caption = computed(() => {
  const unit = props.unit === 'yd' ? 'yards' : 'metres'
  return `Published carry chart ${props.chart.number}: swing lengths down, clubs across, in ${unit}`
})

function cellClass(club: { id: string }, swing: { id: string }) {
  const cell = at.value(club.id, swing.id)
  return ['h-14 border border-default p-0', cell?.carry ? 'bg-(--raised)' : cell?.kind === 'struck-out' && 'hatched']
}
</script>

<template>
  <GridClubSwingGrid
    class="pb-1"
    :clubs="chart.clubs"
    :swings="chart.swings"
    :caption="caption"
    table-class="w-full table-fixed"
    :min-rem="3.2 + chart.clubs.length * 3.4"
    corner-class="sticky left-0 z-10 w-14 bg-default sm:w-28"
    club-class="px-1.5 pb-1 text-left align-bottom leading-tight font-bold wrap-anywhere sm:text-lg"
    swing-class="sticky left-0 z-10 bg-default pr-2 text-left leading-tight font-bold wrap-anywhere"
    :cell-class="cellClass"
  >
    <template #club="{ club }">{{ club.label }}</template>
    <template #swing="{ swing }">{{ swing.label }}</template>
    <template #cell="{ club, swing }">
      <PublishedGridCell
        :by-total="chart.totalOn !== undefined"
        :cell="at(club.id, swing.id)"
        :unit="unit"
        :name="`${club.label} ${swing.label}`"
        :pick="pick"
        :chosen="chosen === `${club.id}/${swing.id}`"
        @choose="$emit('choose', club.id, swing.id)"
      />
    </template>
  </GridClubSwingGrid>
</template>
