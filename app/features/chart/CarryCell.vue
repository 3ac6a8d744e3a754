<script setup lang="ts">
import { plusMinusM, type ChartCell } from '#core/chart/chart-cell'
import { CONTRADICTED, OFF_BY_M, oddsOff, type Remarks } from '#core/history/coach-remarks'
import { useDistance } from '~/ui/useDistance'
import MarksPileStrip from '~/ui/marks/PileStrip.vue'

/** One stock shot: the number, how sure it is, the pile, how many balls. */
const props = defineProps<{
  cell: ChartCell
  name: string
  halfSpanM: number
  asked: boolean
  said: Remarks
  totalM?: number
}>()
defineEmits<{ open: [] }>()
const { doubt, text, typed, unit } = useDistance()

const predicted = computed(() => props.cell.kind === 'predicted')
const counts = computed(() => {
  if (props.totalM !== undefined)
    return `carry ${written.value !== null ? `${typed(written.value)} written` : measured.value}`
  const { balls, leftOut } = props.cell
  const out = leftOut > 0 ? `, ${leftOut} out` : ''
  return predicted.value ? `predicted${out}` : `${balls} ${balls === 1 ? 'ball' : 'balls'}${out}`
})
const measured = computed(() =>
  props.cell.carryM === null ? '' : `${text(props.cell.carryM)} ± ${doubt(plusMinusM(props.cell)!)}`,
)
const written = computed(() => props.said.written?.carryM ?? null)
const sure = computed(() =>
  props.totalM !== undefined
    ? 'total'
    : written.value !== null
      ? 'written'
      : props.cell.certainty80M && `± ${doubt(plusMinusM(props.cell)!)}`,
)
/** The number that is read: the coach's own where one is written. */
const number = computed(() =>
  props.totalM !== undefined
    ? text(props.totalM)
    : written.value !== null
      ? typed(written.value)
      : text(props.cell.carryM!),
)
const contradicted = computed(
  () => written.value !== null && (oddsOff(props.cell, written.value, OFF_BY_M) ?? 0) >= CONTRADICTED,
)
/** The whole cell for who does not see it. */
const readOut = computed(() => {
  const beside = written.value !== null && measured.value ? `measured ${measured.value}, ` : ''
  const asks = props.asked ? ', a ball stands out' : ''
  const against = contradicted.value ? ', contradicted by the balls' : ''
  return `${props.name}, ${number.value} ${sure.value} ${unit.value}, ${beside}${counts.value}${against}${asks}`
})
</script>

<template>
  <button
    v-if="cell.kind === 'struck-out'"
    type="button"
    class="hatched soft flex size-full cursor-pointer items-center justify-center"
    :aria-label="`${name}, not used`"
    @click="$emit('open')"
  >
    <span class="bg-default px-1 text-sm sm:px-2">not used</span>
  </button>
  <button
    v-else-if="cell.carryM === null && written === null"
    type="button"
    class="soft flex size-full cursor-pointer flex-col justify-center px-2 sm:px-3 text-left hover:bg-elevated"
    :aria-label="`${name}, no number yet`"
    @click="$emit('open')"
  >
    <span class="text-2xl leading-none" aria-hidden="true">–</span>
    <span class="mt-1 text-sm">{{ cell.leftOut > 0 ? `${cell.leftOut} left out` : 'no ball yet' }}</span>
  </button>
  <button
    v-else
    type="button"
    class="flex size-full cursor-pointer flex-col px-2 pt-1.5 pb-2 sm:px-3 text-left hover:bg-elevated"
    :class="!predicted && 'bg-(--raised)'"
    :aria-label="readOut"
    @click="$emit('open')"
  >
    <span class="flex gap-x-2 max-sm:flex-col sm:items-baseline">
      <span
        class="text-[1.9rem] sm:text-[2.35rem] leading-none tracking-tight"
        :class="
          written !== null
            ? 'font-extrabold underline decoration-[3px] underline-offset-4'
            : predicted
              ? 'soft font-medium italic'
              : 'font-extrabold'
        "
        >{{ number }}</span
      >
      <span class="soft leading-none whitespace-nowrap max-sm:mt-0.5">{{ sure }}</span>
    </span>
    <MarksPileStrip
      small
      class="mt-1.5"
      :carries-m="cell.carriesM"
      :left-out-m="cell.leftOutCarriesM"
      :centre-m="cell.carryM"
      :window-m="cell.window80M"
      :half-span-m="halfSpanM"
      :predicted="predicted"
    />
    <span
      v-if="contradicted"
      class="mt-auto flex items-center gap-1 text-[0.8rem] leading-tight font-bold text-(--weak)"
      ><UIcon name="i-lucide-circle-alert" class="shrink-0" />balls say {{ text(cell.carryM!) }}</span
    >
    <span
      v-else-if="written !== null && cell.carryM !== null && totalM === undefined"
      class="soft mt-auto text-[0.8rem] leading-tight"
      >{{ predicted ? 'predicted' : 'balls say' }} {{ text(cell.carryM) }}</span
    >
    <span v-else-if="asked" class="mt-auto text-[0.8rem] leading-tight font-bold text-(--weak)"
      ><UIcon name="i-lucide-circle-help" class="mr-1 align-[-0.15em]" />{{ counts }}</span
    >
    <span v-else class="soft mt-auto text-[0.8rem] leading-tight">{{ counts }}</span>
  </button>
</template>
