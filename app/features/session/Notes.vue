<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import { runText, swungText } from '#words/sessions'
import type { RangeSession } from '~/features/session/useRangeSession'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'

/** What the last balls say about the swing, the face and the device. */
const props = defineProps<{ range: RangeSession }>()
const { newestFirst, cell } = props.range
const record = usePlayerRecord()
const { questions } = useNumbers()

const swung = computed(() => {
  const rung = record.bag.scale.rungs.find(other => other.id === cell.value?.rungId)
  return rung
    ? swungText(
        { id: rung.id, name: rungName(rung) },
        newestFirst.value,
        record.bag.scale.rungs.map(other => other.id),
      )
    : null
})
const run = computed(() => {
  const asked = new Map(questions.value.filter(one => one.launch).map(one => [one.shot, one.launch!.look]))
  return runText(
    newestFirst.value.map(
      ball => asked.get(ball.id) ?? (ball.leftOut === 'misread' || ball.leftOut === 'flyer' ? ball.leftOut : null),
    ),
  )
})
/** Balls of the chosen stock shot that a pile's width tells the grouping of. */
const grouping = computed(
  () =>
    newestFirst.value.find(
      ball => ball.taken?.widthM !== undefined && cell.value && cellKey(ball) === cellKey(cell.value),
    )?.taken?.widthM,
)
const { withUnit } = useDistance()
const notes = computed(() =>
  [
    run.value,
    swung.value,
    grouping.value === undefined ? null : `Grouping of the last pile: ${withUnit(grouping.value)} side to side.`,
  ].filter(words => words !== null),
)
</script>

<template>
  <ul v-if="notes.length > 0" class="space-y-2" aria-label="What the last balls say">
    <li v-for="words in notes" :key="words" class="border-l-[5px] border-(--weak-fill) pl-3">{{ words }}</li>
  </ul>
</template>
