<script setup lang="ts">
import { cellKey, isStruckOut, type StockShot } from '#core/bag/bag'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { typedCarry } from '~/ui/typed-carry'

/** What the player believes of one stock shot, typed and kept as soon as the field is left. */
const props = defineProps<{ cell: StockShot }>()
const record = usePlayerRecord()
const { text, believed: asTyped, unit } = useDistance()
const { chart } = useNumbers()
const { cellName } = useCellNames()
const { remarksOf, say } = useCellRemarks()
const draft = ref<string>()
const fault = ref('')
const kept = computed(() => {
  const { believed } = remarksOf(props.cell)
  return believed ? asTyped(believed) : ''
})
const measured = computed(() => chart.value.find(cell => cellKey(cell) === cellKey(props.cell)))

async function save() {
  if (draft.value === undefined) return
  const written = draft.value.trim()
  if (written === kept.value) {
    draft.value = undefined
    fault.value = ''
    return
  }
  if (written === '') return void (fault.value = 'A belief is kept for ever: write another number in its place.')
  const carry = typedCarry(written, unit.value, true)
  fault.value = carry.ok ? '' : carry.fault
  if (!carry.ok) return
  await say(props.cell, 'believed', carry.metres, '', `${written} ${unit.value} believed`)
  draft.value = undefined
}
</script>

<template>
  <span v-if="isStruckOut(record.bag, cell)" class="soft flex h-11 w-24 items-center text-sm">not used</span>
  <template v-else>
    <UInput
      :model-value="draft ?? kept"
      class="w-24"
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
