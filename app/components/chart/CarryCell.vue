<script setup lang="ts">
import type { ChartCell } from '#core/chart/carry-chart'

/** One stock shot: the number, where one ball lies, the pile, how many balls. */
const props = defineProps<{ cell: ChartCell, name: string, halfSpanM: number }>()
defineEmits<{ open: [] }>()
const { text, unit } = useDistance()

const counts = computed(() => {
  const { balls, leftOut } = props.cell
  return `${balls} ${balls === 1 ? 'ball' : 'balls'}${leftOut > 0 ? `, ${leftOut} out` : ''}`
})
</script>

<template>
  <button v-if="cell.kind === 'struck-out'" type="button" class="hatched soft flex size-full cursor-pointer items-center justify-center" :aria-label="`${name}, not used`" @click="$emit('open')">
    <span class="bg-default px-1 text-sm sm:px-2">not used</span>
  </button>
  <button v-else-if="cell.carryM === null" type="button" class="soft flex size-full cursor-pointer flex-col justify-center px-2 sm:px-3 text-left hover:bg-elevated" :aria-label="`${name}, no number yet`" @click="$emit('open')">
    <span class="text-2xl leading-none" aria-hidden="true">–</span>
    <span class="mt-1 text-sm">{{ cell.leftOut > 0 ? `${cell.leftOut} left out` : 'no ball yet' }}</span>
  </button>
  <button v-else type="button" class="flex size-full cursor-pointer flex-col bg-(--raised) px-2 pt-1.5 pb-2 sm:px-3 text-left hover:bg-elevated" :aria-label="`${name}, ${text(cell.carryM)} ${unit}, ${counts}`" @click="$emit('open')">
    <span class="flex gap-x-2 max-sm:flex-col sm:items-baseline">
      <span class="text-[1.9rem] sm:text-[2.35rem] leading-none font-extrabold tracking-tight">{{ text(cell.carryM) }}</span>
      <span class="soft text-[0.8rem] leading-none whitespace-nowrap max-sm:mt-0.5 max-sm:min-h-3">{{ cell.window80M ? `${text(cell.window80M[0])}–${text(cell.window80M[1])}` : '' }}</span>
    </span>
    <MarksPileStrip small class="mt-1.5" :carries-m="cell.carriesM" :left-out-m="cell.leftOutCarriesM" :centre-m="cell.carryM" :window-m="cell.window80M" :half-span-m="halfSpanM" />
    <span class="soft mt-auto text-[0.8rem] leading-tight">{{ counts }}</span>
  </button>
</template>
