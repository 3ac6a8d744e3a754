<script setup lang="ts">
import { cellKey, isStruckOut } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { RangeSession } from '~/composables/useRangeSession'

const props = defineProps<{ range: RangeSession }>()
const record = usePlayerRecord()
const { chart } = useNumbers()
const { text } = useDistance()
const { clubs, rungs, cell, balls } = props.range

const byKey = computed(() => new Map(chart.value.map(number => [cellKey(number), number])))
const inSession = computed(() => {
  const counts = new Map<string, number>()
  for (const ball of balls.value) counts.set(cellKey(ball), (counts.get(cellKey(ball)) ?? 0) + ball.balls)
  return counts
})
const chosenKey = computed(() => cell.value && cellKey(cell.value))
const at = (clubId: string, rungId: string) => ({ clubId, rungId })
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
        <tr v-for="rung in rungs" :key="rung.id">
          <th scope="row" class="max-w-24 truncate pr-2 text-left text-[0.95rem] font-bold">{{ rungName(rung) }}</th>
          <td v-for="club in clubs" :key="club.id" class="border border-default p-0">
            <span v-if="isStruckOut(record.bag, at(club.id, rung.id))" class="hatched soft flex h-14 items-center justify-center text-xs">not used</span>
            <button
              v-else type="button" class="flex h-14 w-full min-w-15 cursor-pointer flex-col justify-center bg-(--raised) px-2 text-left hover:bg-elevated"
              :class="chosenKey === cellKey(at(club.id, rung.id)) && 'outline-3! -outline-offset-1! outline-primary!'"
              :aria-pressed="chosenKey === cellKey(at(club.id, rung.id))" :aria-label="`${club.label} ${rungName(rung)}`" :aria-description="byKey.get(cellKey(at(club.id, rung.id)))?.kind === 'predicted' ? 'predicted' : undefined"
              @click="range.choose(at(club.id, rung.id))"
            >
              <span v-if="byKey.get(cellKey(at(club.id, rung.id)))?.carryM != null" class="text-lg leading-tight" :class="byKey.get(cellKey(at(club.id, rung.id)))!.kind === 'predicted' ? 'soft italic' : 'font-bold'">{{ text(byKey.get(cellKey(at(club.id, rung.id)))!.carryM!) }}</span>
              <span v-else class="soft text-lg leading-tight" aria-hidden="true">–</span>
              <MarksTallyMarks :balls="inSession.get(cellKey(at(club.id, rung.id))) ?? 0" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
