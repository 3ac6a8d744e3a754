<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import { CARRY_MAX_M, CARRY_MIN_M } from '#core/limits'
import type { Scene } from '#core/what-if/scene'
import type { WhatIf } from '#core/what-if/thought-of'
import { useDistance } from '~/ui/useDistance'

/** The stock shots of a thought-of bag: strike one out, use it again, or move its number. */
const props = defineProps<{ scene: Scene; nameOf: (cell: StockShot) => string }>()
const bag = defineModel<WhatIf>({ required: true })
const { text, to, from, unit, withUnit } = useDistance()
const rows = computed(() =>
  [...props.scene.chart].filter(cell => !cell.plain && cell.carryM !== null).sort((a, b) => a.carryM! - b.carryM!),
)
const movedOf = (cell: StockShot) => bag.value.moved.find(one => cellKey(one) === cellKey(cell))
const isStruck = (cell: StockShot) => bag.value.struckOut.some(one => cellKey(one) === cellKey(cell))
const plain = ({ clubId, rungId }: StockShot) => ({ clubId, rungId })
const change = (more: Partial<WhatIf>) => {
  bag.value = { ...bag.value, ...more }
}
const strike = (cell: StockShot) =>
  change({
    struckOut: isStruck(cell)
      ? bag.value.struckOut.filter(one => cellKey(one) !== cellKey(cell))
      : [...bag.value.struckOut, plain(cell)],
  })
const others = (cell: StockShot) => bag.value.moved.filter(one => cellKey(one) !== cellKey(cell))
const failure = ref('')
function move(cell: StockShot, typed: string) {
  const value = Number(typed.trim().replace(',', '.'))
  failure.value = ''
  if (typed.trim() === '') return change({ moved: others(cell) })
  const carryM = from(value)
  if (!(carryM >= CARRY_MIN_M && carryM <= CARRY_MAX_M)) {
    const allowed = `${withUnit(CARRY_MIN_M)} to ${withUnit(CARRY_MAX_M)}`
    failure.value = `"${typed}" is not possible for ${props.nameOf(cell)}: ${allowed} is allowed.`
    return
  }
  change({ moved: [...others(cell), { ...plain(cell), carryM }] })
}
</script>

<template>
  <details class="raised p-4">
    <summary class="cursor-pointer text-lg font-bold">Stock shots: stop using, use again, or move a number</summary>
    <p v-if="failure" role="alert" class="mt-1 font-semibold text-error">{{ failure }}</p>
    <ul class="mt-2 grid gap-x-8 sm:grid-cols-2">
      <li v-for="cell in rows" :key="cellKey(cell)" class="flex items-center gap-2 border-b border-default py-1">
        <span class="min-w-0 flex-1 truncate font-semibold" :class="isStruck(cell) && 'soft line-through'">{{
          nameOf(cell)
        }}</span>
        <UInput
          :model-value="movedOf(cell) ? String(Math.round(to(movedOf(cell)!.carryM) * 10) / 10) : ''"
          :placeholder="text(cell.carryM!)"
          inputmode="decimal"
          :aria-label="`${nameOf(cell)} moved to, ${unit}`"
          class="w-20"
          @change="move(cell, ($event.target as HTMLInputElement).value)"
        />
        <UButton
          size="sm"
          color="neutral"
          variant="ghost"
          class="w-24 justify-center"
          :aria-pressed="isStruck(cell)"
          @click="strike(cell)"
          >{{ isStruck(cell) ? 'Use again' : 'Stop using' }}</UButton
        >
      </li>
    </ul>
  </details>
</template>
