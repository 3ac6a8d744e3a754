<script setup lang="ts">
import type { DistanceUnit } from '#core/units'
import { useAccount } from '~/offline/stores/account'

const account = useAccount()
const toast = useToast()
const units: { value: DistanceUnit; label: string; word: string }[] = [
  { value: 'yd', label: 'yd', word: 'Yards' },
  { value: 'm', label: 'm', word: 'Metres' },
]

async function choose(unit: DistanceUnit) {
  if (unit === account.unit) return
  // The figures change at once; only remembering it for other devices needs the server.
  await account
    .setUnit(unit)
    .catch((error: Error) =>
      toast.add({ title: 'The unit is kept on this device only', description: error.message, color: 'warning' }),
    )
}
</script>

<template>
  <div role="group" aria-label="Unit of distance" class="raised flex shrink-0 overflow-hidden">
    <button
      v-for="unit in units"
      :key="unit.value"
      type="button"
      :aria-pressed="account.unit === unit.value"
      :aria-label="unit.word"
      :title="unit.word"
      class="min-h-[42px] min-w-10 cursor-pointer px-2 sm:min-w-11 text-base"
      :class="account.unit === unit.value ? 'bg-(--ink) font-bold text-(--ui-bg)' : 'soft hover:bg-elevated'"
      @click="choose(unit.value)"
    >
      {{ unit.label }}
    </button>
  </div>
</template>
