<script setup lang="ts">
import type { Question } from '#core/chart/calibration'
import type { StockShot } from '#core/bag/bag'
import { questionWords } from '#shared/next-words'
import type { ShotRecord } from '#shared/session'

/** A ball that stands out: it weighs little already, and the coach has the last word. */
defineProps<{ question: StockShot & Question & { ball: ShotRecord } }>()
defineEmits<{ settle: [counts: boolean] }>()
const { typed, unit } = useDistance()
const { cellName } = useCellNames()
</script>

<template>
  <section class="raised border-l-[5px]! border-l-(--weak)! px-4 py-3" aria-labelledby="question-title" role="status">
    <h3 id="question-title" class="font-bold">{{ cellName(question) }}: {{ typed(question.ball.carryM) }} {{ unit }} stands out</h3>
    <p>{{ questionWords(question, unit) }} It weighs little in the number already.</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <UButton color="neutral" variant="outline" icon="i-lucide-circle-minus" @click="$emit('settle', false)">{{ question.fault === 'misread' ? 'Misread, leave it out' : question.fault === 'flyer' ? 'Flyer, leave it out' : 'Poor strike, leave it out' }}</UButton>
      <UButton color="neutral" variant="outline" icon="i-lucide-check" @click="$emit('settle', true)">{{ question.changed ? 'The swing has changed, they count' : 'It counts' }}</UButton>
    </div>
  </section>
</template>
