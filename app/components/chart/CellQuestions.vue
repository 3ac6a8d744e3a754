<script setup lang="ts">
import type { Calibration } from '#core/calibration/calibration'
import type { ShotRecord } from '#shared/schemas/session'
import { insteadText, questionText } from '#words/questions'
import { useDistance } from '~/composables/useDistance'
import { useCellNames } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'

/** Balls that stand out, each with why, and the coach's word about it. */
defineProps<{ asked: Calibration['questions'] }>()
const record = usePlayerRecord()
const { cellName } = useCellNames()
const { unit, typed } = useDistance()
const toast = useToast()

/** The coach's word about a ball that stands out; it can be taken back at once. */
async function answer(id: string, fields: Partial<ShotRecord>, words: string) {
  const { leftOut, strike, carryM } = record.records.find(shot => shot.id === id)!
  await record.changeShot(id, fields)
  toast.add({
    title: `${typed(carryM)} ${unit.value} ${words}`,
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void record.changeShot(id, { leftOut, strike }),
      },
    ],
  })
}
</script>

<template>
  <ul class="mt-3 space-y-2">
    <li
      v-for="question in asked"
      :key="question.shot"
      class="flex flex-wrap items-center gap-2 border-l-[5px] border-(--weak) pl-3"
    >
      <span class="min-w-0 flex-1 basis-64"
        >{{ questionText(question, unit) }} It weighs little already.
        {{
          insteadText(
            question,
            record.records.find(shot => shot.id === question.shot)?.carryM ?? question.carryM,
            unit,
            cellName,
          )
        }}</span
      >
      <UButton
        color="neutral"
        variant="outline"
        @click="answer(question.shot, { leftOut: question.fault }, 'is left out')"
        >Leave out</UButton
      >
      <UButton color="neutral" variant="outline" @click="answer(question.shot, { strike: 'clean' }, 'counts')"
        >It counts</UButton
      >
    </li>
  </ul>
</template>
