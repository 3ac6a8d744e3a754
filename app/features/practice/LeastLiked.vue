<script setup lang="ts">
import { CARRY_LIMITS } from '#core/limits'
import { scoreOf } from '#core/practice/score'
import { leastLikedText } from '#words/practice'
import { leavesAt } from '#core/practice/leaves-at'
import { useDistance } from '~/ui/useDistance'
import { usePractice } from '~/offline/stores/practice'
import { useThresholds } from '~/player/useThresholds'
import { usePlayerRecord } from '~/offline/stores/record'
import { ballsOfGo } from '#shared/practice'
import { typedNumber } from '~/ui/numbers'
import { pageMemo } from '~/ui/page-memo'

/** The yardage that the player likes least, and whether the record says that it really is the worst. */
const record = usePlayerRecord()
const { changeThresholds } = useThresholds()
const practice = usePractice()
const { unit, unitWord, from, text } = useDistance()
const toast = useToast()
const known = computed(() => record.player?.thresholds.leastLikedM)
const typed = ref(known.value === undefined ? '' : text(known.value))
watch(known, metres => {
  typed.value = metres === undefined ? '' : text(metres)
})
const fault = computed(() => {
  const { min, max } = CARRY_LIMITS[unit.value]
  const value = typedNumber(typed.value)
  return typed.value === '' || (value >= min && value <= max)
    ? ''
    : `"${typed.value}" is not possible: ${min} to ${max} ${unit.value}.`
})
async function save() {
  const leastLikedM = typed.value === '' ? undefined : from(typedNumber(typed.value))
  if (fault.value || leastLikedM === known.value) return
  try {
    await changeThresholds({ leastLikedM })
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
  }
}
const says = computed(() => {
  if (known.value === undefined) return ''
  const judged = practice.done.flatMap(go => scoreOf(go.spec, ballsOfGo(go), pageMemo).judged)
  return leastLikedText(known.value, leavesAt(judged), unit.value)
})
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <label class="flex items-center gap-2"
      ><span>Liked least</span
      ><UInput
        v-model="typed"
        inputmode="decimal"
        :aria-label="`The yardage liked least, ${unitWord}`"
        class="w-18"
        @blur="save"
        @keydown.enter="save"
      />{{ unit }}</label
    >
    <span v-if="fault" role="alert" class="font-semibold text-error">{{ fault }}</span>
    <span v-else-if="says" class="soft text-sm">{{ says }}</span>
  </div>
</template>
