<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { servedAt } from '#core/chart/served-best'
import type { PublishedChart } from '#core/history/published'
import type { PickedShot } from '#core/pick/picked'
import { lieText, nearerText, servedText, unservedText, wayText, whyText } from '#words/pick'
import { stockShotName } from '#words/stock-shot'
import type { PickDesk } from '~/features/pick/usePick'
import type { PickAnswer } from '~/features/pick/usePicked'
import { useDistance } from '~/ui/useDistance'
import PickCandidate from '~/features/pick/Candidate.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'

/** What to hit: the two or three best stock shots, and why the first. */
const props = defineProps<{
  desk: PickDesk
  answer: PickAnswer
  chart: Pick<PublishedChart, 'flyerShare' | 'served' | 'cells'>
}>()
const { unit } = useDistance()
const { setting, at, opened } = props.desk
const { picked, isOld, first, drawn } = props.answer
const listed = computed(() => (first.value ? [first.value, ...drawn.value.picks.slice(1)] : []))
const isTie = (i: number) => i > 0 && i < (drawn.value.picked?.ties ?? 0)
/** What is told of each: of the first one a frame after its name. */
const told = (one: PickedShot, i: number) => (i === 0 ? (drawn.value.picks[0] ?? one) : one)
const unserved = computed(() => (picked.value ? unservedText(picked.value, unit.value) : ''))
const why = computed(() => (drawn.value.picked ? whyText(drawn.value.picked, unit.value) : ''))
const nearer = computed(() => {
  const { picked: shown, picks } = drawn.value
  const one = shown?.nearerBadBall == null ? undefined : picks[shown.nearerBadBall]
  return one && picks[0] ? nearerText(picks[0], one, unit.value) : ''
})
const lie = computed(() => lieText(setting.value.lie, props.chart.flyerShare))
const served = computed(() => {
  const { targetM } = drawn.value
  const found = targetM === null ? undefined : servedAt(props.chart.served ?? [], targetM)
  if (!found) return ''
  const names = new Map(props.chart.cells.map(cell => [cellKey(cell), stockShotName(cell.club, cell.swing)]))
  return servedText(found, shot => names.get(cellKey(shot)) ?? '', unit.value)
})
const grounded = computed(() => opened.value?.grounded.map(one => stockShotName(one.club, one.swing)).join(', ') ?? '')
</script>

<template>
  <section aria-label="What to hit" class="min-w-0 [contain:layout_style]" :aria-busy="at !== null && isOld">
    <p v-if="at === null" class="raised p-5 text-lg">
      <b>How far is it?</b> <span class="soft">Type the distance to the flag; the shot stands here.</span>
    </p>
    <div v-else-if="picked" class="raised divide-y divide-default" :class="isOld && 'opacity-60'">
      <p v-if="unserved" class="border-l-4 border-l-(--weak-fill) px-4 py-2 font-semibold">{{ unserved }}</p>
      <PickCandidate
        v-for="(one, i) in listed"
        :key="i"
        :pick="one"
        :told="told(one, i)"
        :trouble="drawn.trouble"
        :first="i === 0"
        :tie="isTie(i)"
        :way="drawn.picked ? wayText(drawn.picked, i) : ''"
        :nearer-bad-ball="drawn.picked?.nearerBadBall === i"
        :chosen="drawn.chosen === told(one, i)"
        @choose="answer.choose"
      />
      <p class="px-4 py-2 text-sm"><b>{{ why }}</b> {{ nearer }}</p>
    </div>
    <div v-else class="raised h-72 overflow-hidden p-5"><FrameLinesSkeleton :rows="5" /></div>
    <p v-if="served" class="mt-2 text-sm">{{ served }}</p>
    <p v-if="lie" class="mt-2 flex gap-2 text-sm">
      <UIcon name="i-lucide-circle-alert" class="mt-0.5 shrink-0 text-(--weak)" /> {{ lie }}
    </p>
    <p v-if="grounded" class="mt-2 text-sm">No flight of {{ grounded }} gets anywhere in this air: left aside.</p>
  </section>
</template>
