<script setup lang="ts">
import { cellKey, isStruckOut, type StockShot } from '#core/bag/bag'
import { CARRY_LIMITS } from '#core/limits'
import { useCellRemarks } from '~/composables/useCellRemarks'
import { useDistance } from '~/composables/useDistance'
import { useCellNames, useNumbers } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'
import { typedNumber } from '~/utils/numbers'

/** What the player believes of one stock shot, typed and kept as soon as the field is left. */
const props = defineProps<{ cell: StockShot }>()
const record = usePlayerRecord()
const { text, typed, unit, from } = useDistance()
const { chart } = useNumbers()
const { cellName } = useCellNames()
const { remarksOf, say } = useCellRemarks()
const draft = ref<string>()
const fault = ref('')
const believed = computed(() => remarksOf(props.cell).believed)
const kept = computed(() => (believed.value ? typed(believed.value.carryM!) : ''))
const measured = computed(() => chart.value.find(cell => cellKey(cell) === cellKey(props.cell)))

function faultOf(typedText: string): string {
  if (typedText.trim() === '') return 'A belief is kept for ever: write another number in its place.'
  const value = typedNumber(typedText)
  const { min, max } = CARRY_LIMITS[unit.value]
  if (value >= min && value <= max) return ''
  return `"${typedText}" is not possible: ${min} to ${max} ${unit.value} is allowed.`
}

async function save() {
  if (draft.value === undefined) return
  const written = draft.value.trim()
  if (written === kept.value) {
    draft.value = undefined
    fault.value = ''
    return
  }
  fault.value = faultOf(draft.value)
  if (fault.value) return
  await say(props.cell, 'believed', from(typedNumber(written)), '', `${written} ${unit.value} believed`)
  draft.value = undefined
}
</script>

<template>
  <span v-if="isStruckOut(record.bag, cell)" class="soft flex h-11 w-20 items-center text-sm">not used</span>
  <template v-else>
    <UInput
      :model-value="draft ?? kept"
      inputmode="decimal"
      class="w-20"
      :aria-label="`${cellName(cell)}, believed`"
      :color="fault ? 'error' : undefined"
      :highlight="!!fault"
      @update:model-value="draft = String($event)"
      @blur="save"
      @keydown.enter="save"
    />
    <span v-if="fault" role="alert" class="block w-28 text-xs text-error">{{ fault }}</span>
    <span v-else-if="measured?.balls" class="soft block text-xs">measured {{ text(measured.carryM!) }}</span>
  </template>
</template>
