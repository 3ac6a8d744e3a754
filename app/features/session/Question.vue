<script setup lang="ts">
import type { Question } from '#core/calibration/calibration'
import type { StockShot } from '#core/bag/bag'
import { insteadText, questionText, unitSlip } from '#words/questions'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'

/** A ball that stands out: it weighs little already, and the coach has the last word. */
const props = defineProps<{ question: StockShot & Question & { ball: ShotRecord } }>()
const emit = defineEmits<{ settle: [counts: boolean]; club: []; unit: []; other: [] }>()
const { typed, text, unit } = useDistance()
const titleId = useId()
const { cellName, clubLabel } = useCellNames()
const instead = computed(() => insteadText(props.question, props.question.ball.carryM, unit.value, cellName))
/** Metres read where yards were meant, or the other way round: only the way that this screen's unit allows. */
const slipped = computed(() => unitSlip(props.question, unit.value) !== undefined)
</script>

<template>
  <section class="raised border-l-[5px]! border-l-(--weak)! px-4 py-3" :aria-labelledby="titleId" role="status">
    <h3 :id="titleId" class="font-bold">
      {{ cellName(question) }}: {{ typed(question.ball.carryM) }} {{ unit }} stands out
    </h3>
    <p>{{ questionText(question, unit) }} {{ instead }}</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <UButton color="neutral" variant="outline" icon="i-lucide-circle-minus" @click="emit('settle', false)">{{
        question.fault === 'misread'
          ? 'Misread, leave it out'
          : question.fault === 'flyer'
            ? 'Flyer, leave it out'
            : 'Poor strike, leave it out'
      }}</UButton>
      <UButton color="neutral" variant="outline" icon="i-lucide-check" @click="emit('settle', true)">{{
        question.changed ? 'The swing has changed, they count' : 'It counts'
      }}</UButton>
      <UButton
        v-if="question.otherClub"
        color="neutral"
        variant="outline"
        icon="i-lucide-arrow-right"
        @click="emit('club')"
        >It was the {{ clubLabel(question.otherClub) }}</UButton
      >
      <UButton color="neutral" variant="outline" @click="emit('other')">Another club or length</UButton>
      <UButton v-if="slipped" color="neutral" variant="outline" icon="i-lucide-ruler" @click="emit('unit')">{{
        question.changed
          ? `They were in ${unit === 'yd' ? 'metres' : 'yards'}`
          : `It was ${text(question.ball.carryM)} ${unit === 'yd' ? 'm' : 'yd'}`
      }}</UButton>
    </div>
  </section>
</template>
