<script setup lang="ts">
import type { PublishedChart } from '#core/chart/published'
import type { DistanceUnit } from '#core/units'
import { cellOf, readFigure } from '#shared/hand-over'

/** A published chart as it was published: nothing in it moves any more. */
const props = defineProps<{ chart: PublishedChart, unit: DistanceUnit, chosen?: string, pick?: boolean }>()
defineEmits<{ choose: [clubId: string, rungId: string] }>()
const at = computed(() => cellOf(props.chart))
const KIND_WORDS = { 'measured': '', 'written': 'written', 'predicted': 'predicted', 'struck-out': 'not used', 'unhit': 'no number' } as const
</script>

<template>
  <div class="overflow-x-auto pb-1">
    <table class="w-full table-fixed border-collapse" :style="{ minWidth: `${3.2 + chart.clubs.length * 3.4}rem` }">
      <caption class="sr-only">Published carry chart {{ chart.number }}: swing lengths down, clubs across, in {{ unit === 'yd' ? 'yards' : 'metres' }}</caption>
      <thead>
        <tr>
          <td class="sticky left-0 z-10 w-14 bg-default sm:w-28" />
          <th v-for="club in chart.clubs" :key="club.id" scope="col" class="truncate px-1.5 pb-1 text-left font-bold sm:text-lg">{{ club.label }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="swing in chart.swings" :key="swing.id">
          <th scope="row" class="sticky left-0 z-10 truncate bg-default pr-2 text-left font-bold">{{ swing.label }}</th>
          <td v-for="club in chart.clubs" :key="club.id" class="h-14 border border-default p-0" :class="at(club.id, swing.id)?.carry ? 'bg-(--raised)' : at(club.id, swing.id)?.kind === 'struck-out' && 'hatched'">
            <component
              :is="pick && at(club.id, swing.id)?.kind !== 'struck-out' ? 'button' : 'div'" :type="pick ? 'button' : undefined" class="flex size-full flex-col justify-center px-1.5 text-left leading-none"
              :class="[pick && 'cursor-pointer hover:bg-elevated', chosen === `${club.id}/${swing.id}` && 'outline-3 -outline-offset-2 outline-primary']"
              :aria-label="pick ? `${club.label} ${swing.label}` : undefined" :aria-pressed="pick ? chosen === `${club.id}/${swing.id}` : undefined" @click="pick && $emit('choose', club.id, swing.id)"
            >
              <template v-if="at(club.id, swing.id)?.carry">
                <span class="text-2xl" :class="at(club.id, swing.id)!.kind === 'predicted' ? 'soft italic' : at(club.id, swing.id)!.kind === 'written' ? 'font-extrabold underline decoration-2 underline-offset-4' : 'font-extrabold'">{{ readFigure(at(club.id, swing.id)!, unit) }}</span>
                <span class="soft mt-1 truncate text-xs">{{ at(club.id, swing.id)!.total ? `carry ${at(club.id, swing.id)!.carry![unit]}` : at(club.id, swing.id)!.plusMinus ? `± ${at(club.id, swing.id)!.plusMinus![unit]}` : KIND_WORDS[at(club.id, swing.id)!.kind] }}</span>
              </template>
              <span v-else class="soft text-xs"><span class="bg-default px-0.5">{{ KIND_WORDS[at(club.id, swing.id)?.kind ?? 'unhit'] }}</span></span>
            </component>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
