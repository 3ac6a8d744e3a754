<script setup lang="ts">
import { cellKey, isStruckOut } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { RangeSession } from '~/composables/useRangeSession'
import { useDistance } from '~/composables/useDistance'
import { useHabits } from '~/composables/useHabits'
import { useNumbers } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'
import GridClubSwingGrid from '~/components/grid/ClubSwingGrid.vue'
import SessionBoardCell from '~/components/session/BoardCell.vue'

const props = defineProps<{ range: RangeSession }>()
const record = usePlayerRecord()
const { gapsChart } = useNumbers()
const { text, typed } = useDistance()
const { clubs, rungs, cell, balls } = props.range
const { lockedIn } = useHabits(props.range)

const byKey = computed(() => new Map(gapsChart.value.map(number => [cellKey(number), number])))
const inSession = computed(() => {
  const counts = new Map<string, number>()
  for (const ball of balls.value) counts.set(cellKey(ball), (counts.get(cellKey(ball)) ?? 0) + ball.balls)
  return counts
})
const lines = computed(() =>
  rungs.value.map(rung => ({
    id: rung.id,
    name: rungName(rung),
    cells: new Map(
      clubs.value.map(club => {
        const at = { clubId: club.id, rungId: rung.id }
        const number = byKey.value.get(cellKey(at))
        return [
          club.id,
          {
            name: `${club.label} ${rungName(rung)}`,
            struckOut: isStruckOut(record.bag, at),
            balls: inSession.value.get(cellKey(at)) ?? 0,
            lockedIn: lockedIn(at),
            predicted: number?.kind === 'predicted',
            written: number?.written === true,
            number: number?.carryM == null ? null : (number.written ? typed : text)(number.carryM),
          },
        ]
      }),
    ),
  })),
)
const totalOn = computed(() => record.player?.thresholds.totalOn)
const chosenKey = computed(() => cell.value && cellKey(cell.value))
</script>

<template>
  <GridClubSwingGrid
    :clubs="clubs"
    :swings="lines"
    arrows-elsewhere
    :caption="`The chart so far${totalOn ? ', by total' : ''}: choose a stock shot`"
    table-class="w-full"
    corner-class="w-14"
    club-class="min-w-15 px-2 py-1 text-left font-bold whitespace-nowrap"
    swing-class="max-w-24 truncate pr-2 text-left text-[0.95rem] font-bold"
    :cell-class="() => 'border border-default p-0'"
  >
    <template #club="{ club }">{{ club.label }}</template>
    <template #swing="{ swing }">{{ swing.name }}</template>
    <template #cell="{ club, swing }">
      <SessionBoardCell
        v-bind="swing.cells.get(club.id)!"
        :chosen="chosenKey === cellKey({ clubId: club.id, rungId: swing.id })"
        @choose="range.choose({ clubId: club.id, rungId: swing.id })"
      />
    </template>
  </GridClubSwingGrid>
</template>
