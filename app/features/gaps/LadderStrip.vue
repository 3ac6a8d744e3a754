<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import type { Finding } from '#core/gaps/flag'
import { flagRule, subjectOf } from '#core/gaps/flags'
import type { Ladder } from '#core/gaps/ladder'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'

/** The ladder: stock shots in order of carry, each with the step up to it. Steps that are flagged say so. */
const props = defineProps<{ ladder: Ladder; findings: readonly Finding[] }>()
const { doubt, text, unit, step: stepUp } = useDistance()
const { cellName } = useCellNames()

/** What is said of the step that ends at this stock shot. */
const marks = computed(() => {
  const map = new Map<string, 'wide' | 'close'>()
  const pairs = props.findings.filter(finding => subjectOf(finding) === 'step' && finding.sureness !== 'open')
  for (const [i, step] of props.ladder.entries()) {
    const below = props.ladder[i - 1]
    const found =
      below && pairs.find(({ cells }) => cellKey(cells[0]!) === cellKey(below) && cellKey(cells[1]!) === cellKey(step))
    if (found) map.set(cellKey(step), flagRule(found.flag).meta.kind === 'hole' ? 'wide' : 'close')
  }
  return map
})
</script>

<template>
  <ol class="raised divide-y divide-default">
    <li v-for="(step, i) in ladder" :key="cellKey(step)" class="flex items-center gap-3 px-3 py-1 sm:px-4">
      <span
        class="w-11 shrink-0 text-right text-xl"
        :class="[
          step.predicted ? 'soft font-semibold italic' : 'font-extrabold',
          step.written && 'underline decoration-2 underline-offset-4',
        ]"
        >{{ text(step.carryM) }}</span
      >
      <span class="soft w-6 text-sm">{{ unit }}</span>
      <span class="min-w-0 flex-1 leading-tight font-semibold"
        >{{ cellName(step) }}<span v-if="step.predicted" class="soft text-sm font-normal">, predicted</span
        ><span v-else-if="step.written" class="soft text-sm font-normal">, written</span></span
      >
      <span v-if="marks.get(cellKey(step)) === 'wide'" class="flex items-center gap-1 font-bold text-(--hole)"
        ><UIcon name="i-lucide-diamond" /> wide</span
      >
      <span v-else-if="marks.get(cellKey(step)) === 'close'" class="flex items-center gap-1 font-bold text-(--overlap)"
        ><UIcon name="i-lucide-arrow-left-right" /> overlap</span
      >
      <span class="soft shrink-0 text-right"
        >{{ i === 0 ? 'shortest' : `+${stepUp(ladder[i - 1]!.carryM, step.carryM)}`
        }}<span v-if="step.stepPlusMinusM !== null" class="text-sm">
          ± {{ doubt(step.stepPlusMinusM) }} {{ unit }}</span
        ></span
      >
    </li>
  </ol>
</template>
