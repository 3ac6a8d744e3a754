<script setup lang="ts">
import type { RangeTarget } from '#shared/schemas/range'
import { useDistance } from '~/ui/useDistance'

/** The targets of a range as a table, the nearest first: what its plan draws. */
const props = defineProps<{ targets: readonly RangeTarget[] }>()
const { typed, unit, to } = useDistance()
const TARGET_ICONS = {
  sign: 'i-lucide-signpost',
  green: 'i-lucide-flag',
  circle: 'i-lucide-circle-dot',
  flag: 'i-lucide-flag-triangle-right',
} as const
const sorted = computed(() => [...props.targets].sort((a, b) => a.distanceM - b.distanceM))
const isFlat = computed(() => sorted.value.every(({ heightM }) => Math.round(to(heightM)) === 0))
const direction = (rightDeg: number) =>
  rightDeg === 0 ? 'straight' : `${Math.abs(rightDeg)}° ${rightDeg > 0 ? 'right' : 'left'}`
const height = (heightM: number) => {
  const off = Math.round(to(heightM))
  return off === 0 ? 'level' : `${Math.abs(off)} ${off > 0 ? 'up' : 'down'}`
}
</script>

<template>
  <table class="w-full border-collapse text-left">
    <caption class="sr-only">
      Signs and targets, the nearest first
    </caption>
    <thead>
      <tr class="soft border-b border-default text-sm">
        <th class="py-1 font-normal">Target</th>
        <th class="px-2 text-right font-normal">{{ unit }}</th>
        <th class="px-2 font-normal">Direction</th>
        <th v-if="!isFlat" class="font-normal">Height, {{ unit }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="target in sorted" :key="target.id" class="border-b border-default">
        <th scope="row" class="py-1.5 font-semibold">
          <UIcon :name="TARGET_ICONS[target.kind]" class="soft mr-1 align-[-2px]" /> {{ target.name }}
          <span class="sr-only">({{ target.kind }})</span>
        </th>
        <td class="px-2 text-right text-lg font-bold">{{ typed(target.distanceM) }}</td>
        <td class="px-2">{{ direction(target.rightDeg) }}</td>
        <td v-if="!isFlat">{{ height(target.heightM) }}</td>
      </tr>
    </tbody>
  </table>
</template>
