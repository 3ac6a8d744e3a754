<script setup lang="ts">
import type { ChartCell } from '#core/chart/carry-chart'
import { TRIM_FROM_BALLS } from '#core/chart/middle-of-the-pile'
import { WINDOW_FROM_BALLS } from '#core/chart/next-ball-window'

/** The pile of the chosen stock shot, its number and where one ball lies. */
const props = defineProps<{ cell: ChartCell }>()
const { text, unit } = useDistance()
const method = computed(() => props.cell.carriesM.length >= TRIM_FROM_BALLS ? 'middle of the pile, without the longest and shortest' : 'middle of the pile')
</script>

<template>
  <div>
    <div class="raised px-3 pt-3 pb-1">
      <MarksPileStrip :carries-m="cell.carriesM" :left-out-m="cell.leftOutCarriesM" :centre-m="cell.carryM" :window-m="cell.window80M" />
    </div>
    <dl class="mt-4 grid grid-cols-2 gap-x-6 sm:grid-cols-[auto_1fr]">
      <div>
        <dt class="soft text-sm">Number</dt>
        <dd class="text-5xl leading-tight font-extrabold">{{ cell.carryM === null ? '–' : text(cell.carryM) }}<span class="soft ml-1 text-xl font-semibold">{{ unit }}</span></dd>
        <dd class="soft text-sm">{{ cell.carryM === null ? 'no ball counts yet' : method }}</dd>
      </div>
      <div>
        <dt class="soft text-sm">One ball lies, 8 in 10</dt>
        <dd v-if="cell.window80M" class="text-2xl leading-[2.9rem] font-bold">{{ text(cell.window80M[0]) }} to {{ text(cell.window80M[1]) }} {{ unit }}</dd>
        <dd v-else class="leading-[2.9rem]">{{ WINDOW_FROM_BALLS - cell.carriesM.length }} more {{ WINDOW_FROM_BALLS - cell.carriesM.length === 1 ? 'ball tells' : 'balls tell' }}</dd>
        <dd class="soft text-sm">{{ cell.balls }} {{ cell.balls === 1 ? 'ball counts' : 'balls count' }}<template v-if="cell.leftOut > 0">, {{ cell.leftOut }} left out</template></dd>
      </div>
    </dl>
  </div>
</template>
