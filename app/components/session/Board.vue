<script setup lang="ts">
import { cellKey, isStruckOut } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { RangeSession } from '~/composables/useRangeSession'

const props = defineProps<{ range: RangeSession }>()
const record = usePlayerRecord()
const { chart } = useNumbers()
const { text } = useDistance()
const { clubs, rungs, cell, balls } = props.range
const { lockedIn } = useHabits(props.range)

const byKey = computed(() => new Map(chart.value.map(number => [cellKey(number), number])))
const inSession = computed(() => {
  const counts = new Map<string, number>()
  for (const ball of balls.value) counts.set(cellKey(ball), (counts.get(cellKey(ball)) ?? 0) + ball.balls)
  return counts
})
const lines = computed(() => rungs.value.map(rung => ({
  id: rung.id, name: rungName(rung),
  cells: clubs.value.map((club) => {
    const at = { clubId: club.id, rungId: rung.id }
    const number = byKey.value.get(cellKey(at))
    return {
      at, key: cellKey(at), name: `${club.label} ${rungName(rung)}`, struckOut: isStruckOut(record.bag, at), balls: inSession.value.get(cellKey(at)) ?? 0, lockedIn: lockedIn(at),
      predicted: number?.kind === 'predicted', number: number?.carryM == null ? null : text(number.carryM),
    }
  }),
})))
const chosenKey = computed(() => cell.value && cellKey(cell.value))
</script>

<template>
  <div class="overflow-x-auto">
    <table class="w-full border-collapse" aria-label="The chart so far: choose a stock shot">
      <thead>
        <tr>
          <td class="w-14" />
          <th v-for="club in clubs" :key="club.id" scope="col" class="min-w-15 px-2 py-1 text-left font-bold whitespace-nowrap">{{ club.label }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.id">
          <th scope="row" class="max-w-24 truncate pr-2 text-left text-[0.95rem] font-bold">{{ line.name }}</th>
          <td v-for="one in line.cells" :key="one.key" class="border border-default p-0">
            <span v-if="one.struckOut" class="hatched soft flex h-14 items-center justify-center text-xs">not used</span>
            <button
              v-else type="button" class="relative flex h-14 w-full min-w-15 cursor-pointer flex-col justify-center bg-(--raised) px-2 text-left hover:bg-elevated" :class="chosenKey === one.key && 'outline-3! -outline-offset-1! outline-primary!'"
              :aria-pressed="chosenKey === one.key" :aria-label="one.name" :aria-description="one.predicted ? 'predicted' : one.lockedIn ? 'locked in' : undefined" @click="range.choose(one.at)"
            >
              <span v-if="one.number !== null" class="text-lg leading-tight" :class="one.predicted ? 'soft italic' : 'font-bold'">{{ one.number }}</span>
              <span v-else class="soft text-lg leading-tight" aria-hidden="true">–</span>
              <MarksTallyMarks :balls="one.balls" />
              <UIcon v-if="one.lockedIn" name="i-lucide-lock" class="absolute top-1.5 right-1.5 size-3.5 text-success" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
