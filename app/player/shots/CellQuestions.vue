<script setup lang="ts">
import type { Calibration } from '#core/calibration/calibration'
import type { ShotRecord } from '#shared/schemas/session'
import { insteadText, questionText } from '#words/questions'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'

/** Balls that stand out, each with why, and the coach's word about it. */
defineProps<{ asked: Calibration['questions'] }>()
/** It was another stock shot: the ball is opened, to be moved there. */
const emit = defineEmits<{ open: [shot: ShotRecord] }>()
const record = usePlayerRecord()
const { cellName } = useCellNames()
const { unit, typed } = useDistance()
const toast = useToast()

const POOR = {
  mishit: { label: 'Poor strike', fields: { strike: 'mishit' }, words: 'is a poor strike' },
  flyer: { label: 'Flyer', fields: { strike: 'flyer' }, words: 'is a flyer' },
  misread: { label: 'Misread', fields: { leftOut: 'misread' }, words: 'is a misread' },
} as const
const ballOf = (id: string) => record.records.find(shot => shot.id === id)

/** The coach's word about a ball that stands out; it can be taken back at once. */
async function answer(id: string, fields: Partial<ShotRecord>, words: string) {
  const { leftOut, strike, carryM } = ballOf(id)!
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
  <ul class="mt-3 space-y-2" aria-label="Balls that are asked about">
    <li
      v-for="question in asked"
      :key="question.shot"
      class="flex flex-wrap items-center gap-2 border-l-[5px] border-(--weak) pl-3"
    >
      <span class="min-w-0 flex-1 basis-64"
        >{{ questionText(question, unit) }}
        {{ insteadText(question, ballOf(question.shot)?.carryM ?? question.carryM, unit, cellName) }}</span
      >
      <UButton color="neutral" variant="outline" @click="answer(question.shot, { strike: 'clean' }, 'counts')"
        >It counts</UButton
      >
      <UButton
        color="neutral"
        variant="outline"
        @click="answer(question.shot, POOR[question.fault].fields, POOR[question.fault].words)"
        >{{ POOR[question.fault].label }}</UButton
      >
      <UButton
        v-if="ballOf(question.shot)"
        color="neutral"
        variant="outline"
        @click="emit('open', ballOf(question.shot)!)"
        >Another club or length</UButton
      >
    </li>
  </ul>
</template>
