<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import type { BagEditor } from '~/features/bag/useBagDraft'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { typedCarry } from '~/ui/typed-carry'

/** One stock shot of the bag: what the player believes it carries, and whether it is used at all. */
const props = defineProps<{ cell: StockShot; name: string; notUsed: boolean; editor: BagEditor; startWith?: string }>()
const emit = defineEmits<{ done: [] }>()
const { believed: asTyped, unit } = useDistance()
const { remarksOf } = useCellRemarks()
const saved = computed(() => remarksOf(props.cell).believed)
const first = computed(() => remarksOf(props.cell).believedFirst)
const typedHere = computed(() => props.editor.draft.value.believed[cellKey(props.cell)])
const shown = computed(() => {
  const belief = typedHere.value ?? saved.value
  return belief ? asTyped(belief) : ''
})
const text = ref(props.startWith ?? shown.value)
const fault = ref('')

/** Keeps what was typed. @returns false with the fault shown when it is no carry */
function keep(): boolean {
  fault.value = ''
  if (props.notUsed || text.value.trim() === shown.value) return true
  if (text.value.trim() === '') {
    if (saved.value) fault.value = 'What was believed is kept: write another number in its place.'
    else props.editor.forgetBelieved(props.cell)
    return !fault.value
  }
  const carry = typedCarry(text.value.trim(), unit.value, true)
  if (!carry.ok) {
    fault.value = carry.fault
    return false
  }
  const [carryM, carryToM] = Array.isArray(carry.metres) ? carry.metres : [carry.metres]
  props.editor.setBelieved(props.cell, { carryM: carryM!, ...(carryToM !== undefined && { carryToM }) })
  return true
}
function enter() {
  if (keep()) emit('done')
}
function toggle() {
  props.editor.toggleStruckOut(props.cell.clubId, props.cell.rungId)
  emit('done')
}
/** The popover would mark the whole text: what was begun on the cell is gone on with instead. */
const root = useTemplateRef('root')
onMounted(() => {
  const input = root.value?.querySelector('input')
  if (!input) return root.value?.querySelector('button')?.focus()
  input.focus()
  if (props.startWith === undefined) input.select()
})
/** A digit that came to the cell before the field had the focus. */
function add(digit: string) {
  text.value += digit
}
defineExpose({ keep, add })
</script>

<template>
  <div ref="root" class="w-64">
    <p class="text-lg font-bold">{{ name }}</p>
    <template v-if="notUsed">
      <p class="soft mb-3">Not used: it is not in the chart; its balls are kept.</p>
      <UButton icon="i-lucide-undo-2" @click="toggle">Use it again</UButton>
    </template>
    <template v-else>
      <UFormField
        :label="`Believed, ${unit}`"
        :error="fault || undefined"
        :help="
          first && typedHere === undefined ? `First said: ${asTyped(first)} ${unit}` : 'A number, or a span: 85 to 92'
        "
      >
        <UInput v-model="text" class="w-36" :aria-label="`${name}, believed`" @keydown.enter.prevent="enter" />
      </UFormField>
      <div class="mt-2 flex flex-wrap gap-2">
        <UButton @click="enter">Done</UButton>
        <UButton color="neutral" variant="outline" icon="i-lucide-ban" @click="toggle">Not used</UButton>
      </div>
    </template>
  </div>
</template>
