<script setup lang="ts">
import { useShortcuts } from '~/ui/useShortcuts'
import { cellKey } from '#core/bag/bag'
import { Z_80 } from '#core/stats/normal'
import { readyText } from '#words/next'
import type { RangeSession } from '~/features/session/useRangeSession'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'

/** What to hit next, why, and how much is still to do. A key and a tap go there. */
const props = defineProps<{ range: RangeSession; compact?: boolean }>()
const { cell, inARow, proposal: first, ready, session, ballsLeft, leftOfBlock } = props.range
const { corrections } = useNumbers()
const { cellName } = useCellNames()
const { unit } = useDistance()

const here = computed(
  () => first.value !== null && cell.value !== undefined && cellKey(first.value) === cellKey(cell.value),
)
/** A block that has begun is finished first: a club that changes after every ball teaches nobody anything. */
const left = computed(() => (cell.value ? leftOfBlock(cell.value, inARow.value) : 0))
const title = computed(() => {
  if (here.value || left.value === 0) return 'Hit next'
  return left.value === null ? 'Then, when this block is done' : `Then, after ${left.value} more of these`
})
/** When the air itself is most of what is not known, more balls in it do not help. */
const windNote = computed(() => {
  const air = props.range.airNow.value
  const wanted = ready.value?.withinM
  if (!air || !wanted) return false
  const own = corrections.value.filter(
    one => one.sessionId === props.range.session.value?.id && one.fromMs === air.fromMs,
  )
  return own.some(one => one.neutralM === null || Z_80 * one.sdM >= wanted)
})
const ballsText = (balls: number) => `${balls} ${balls === 1 ? 'ball' : 'balls'}`
const go = () => first.value && props.range.choose(first.value)
const bucket = computed(() =>
  ballsLeft.value === null
    ? ''
    : ballsLeft.value === 0
      ? 'The bucket is empty.'
      : `${ballsText(ballsLeft.value)} left in the bucket.`,
)
/** Why nothing is proposed. */
const silent = computed(() => {
  const order = session.value?.plan.order
  if (ballsLeft.value === 0) return 'The bucket is empty: end the session, or take more balls.'
  if (order === 'free') return 'Free order: you choose.'
  if (!ready.value) return ''
  return order === 'teach'
    ? 'Nothing is left to hit: every number is written.'
    : 'The order is done: every stock shot is known well enough, or written.'
})
const inOneLine = computed(() => {
  if (!first.value) return silent.value || 'Working out what to hit next…'
  if (here.value) return 'This is what to hit now'
  return `${left.value === 0 ? 'Hit next' : 'Then'}: ${cellName(first.value)}, ${ballsText(first.value.balls)}`
})

/** The carry's field, while nothing is typed in it. */
const emptyField = () => {
  const field = document.querySelector<HTMLInputElement>('#carry')
  return field?.value === '' ? field : null
}
useShortcuts({ hitNext: () => go() }, { enabled: () => !props.compact, field: emptyField })
</script>

<template>
  <UButton
    v-if="compact"
    color="neutral"
    variant="outline"
    class="w-full justify-start"
    :disabled="!first || here"
    :icon="here ? 'i-lucide-check' : 'i-lucide-arrow-right'"
    @click="go"
  >
    <span class="min-w-0 text-start">
      <span class="block truncate">{{ inOneLine }}</span>
      <span v-if="first && bucket" class="soft block text-sm font-normal">{{ bucket }}</span>
    </span>
  </UButton>
  <section v-else-if="first && ready" class="raised border-(--ink)! p-4" aria-labelledby="next-title">
    <p id="next-title" class="soft flex items-center gap-2 text-sm">
      {{ title }} <UKbd value="n" class="max-md:hidden" />
    </p>
    <p class="text-xl leading-snug font-bold">{{ cellName(first) }}, {{ ballsText(first.balls) }}</p>
    <p class="mt-0.5">{{ [first.gain, first.why].filter(Boolean).join(' ') }}</p>
    <UButton v-if="!here" variant="outline" color="neutral" class="mt-2" icon="i-lucide-arrow-right" @click="go"
      >Take it</UButton
    >
    <p v-if="windNote" class="mt-2 border-l-[5px] border-(--weak) pl-3">
      In this wind no number of balls makes every number that sure: calm, or downwind, helps more than more of these.
    </p>
    <p
      class="mt-2 flex items-start gap-2 border-t border-default pt-2"
      :class="ready.goodEnough && 'font-bold text-success'"
    >
      <UIcon v-if="ready.goodEnough" name="i-lucide-check" class="mt-1 shrink-0" />{{
        [readyText(ready, unit), bucket].filter(Boolean).join(' ')
      }}
    </p>
  </section>
  <section v-else class="raised p-4" role="status">
    <p>{{ silent || 'Working out what to hit next…' }}</p>
    <p v-if="silent && ready" class="soft mt-1">{{ readyText(ready, unit) }}</p>
  </section>
</template>
