<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { plusMinusM } from '#core/chart/chart-cell'
import { doesCount } from '#core/shot/shot'
import { calledOffM, sumCalled } from '#core/session/called'
import { calledSumText, plusWorthText } from '#words/called'
import { stillOpenText } from '#words/flags'
import { nextText } from '#words/next'
import { taughtLines } from '#words/taught'
import { lastedText, oddBallsText } from '#words/sessions'
import type { Learned } from '#core/history/learned'
import type { RangeSession } from '~/features/session/useRangeSession'
import { useTaught } from '~/features/session/useTaught'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import ShotsOwnBallsHelp from '~/player/shots/OwnBallsHelp.vue'
import SessionCalledTable from '~/features/session/CalledTable.vue'
import { TOLD_LINE } from '#shared/limits'
import { clockTime, daysAgo } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'

/** What an ended session taught, and what to begin with next time. */
const props = defineProps<{ range: RangeSession }>()
const record = usePlayerRecord()
const { session, balls, ballsUsed } = props.range
const { next, plus, ready, stillOpen } = useNumbers()
const { cellName, clubLabel } = useCellNames()
const { doubt, limit, text, unit } = useDistance()

const { taughtBy } = useTaught()
let turn = 0
const learned = shallowRef<Learned>()
const failure = ref('')
watch(
  () => [session.value!.id, balls.value] as const,
  async () => {
    const own = ++turn
    try {
      const found = await taughtBy(session.value!)
      // A later look at other balls is the one that counts.
      if (own !== turn) return
      learned.value = found
      failure.value = ''
    } catch (error) {
      if (own === turn) failure.value = (error as Error).message
    }
  },
  { immediate: true },
)

const hit = computed(() => [...new Map(balls.value.map(ball => [cellKey(ball), ball])).values()])
/** What the numbers read like and too few balls tell, with the balls that would decide each. */
const open = computed(() =>
  stillOpen.value.map(one => stillOpenText(one, { cell: cellName, club: clubLabel }, unit.value)),
)
const calledSum = computed(() => {
  const offs = balls.value.flatMap(ball =>
    ball.taken?.called && doesCount(ball) ? [calledOffM(ball.taken.called, ball.carryM)] : [],
  )
  const sum = ready.value && sumCalled(offs, ready.value.withinM)
  return sum ? calledSumText(sum, ready.value!.withinM, unit.value) : ''
})
/** What a plus comes to for this player, where called balls tell it. */
const plusWords = computed(() => (plus.value ? plusWorthText(plus.value, unit.value) : ''))
/** What came later may have moved a number since. */
const then = computed(() =>
  record.sessions.some(one => one.startedAtMs > session.value!.startedAtMs && !one.plan.gone) ? ' then' : '',
)
const odd = computed(() => oddBallsText(balls.value))
const number = (cell: { carryM: number | null }) => text(cell.carryM!)
const first = computed(() => next.value[0])
/** What the player's phone is told, and whether it was: as it was worded then. */
const told = computed(() => session.value!.plan.told)
const lines = computed(() =>
  learned.value
    ? taughtLines(
        { balls: ballsUsed.value, shots: hit.value.length, learned: learned.value, first: first.value },
        cellName,
        unit.value,
      ).map(line => line.slice(0, TOLD_LINE))
    : [],
)
const send = () => props.range.plan({ told: { atMs: serverNowMs(), lines: lines.value } }, 'what was sent of it')
const takeBack = () => props.range.plan({ told: null }, 'taking back what was sent of it')
// The button that ends a session lies below its balls: what was learned comes into view.
const top = useTemplateRef('top')
onMounted(() => top.value!.getBoundingClientRect().top < 70 && top.value!.scrollIntoView())
</script>

<template>
  <section ref="top" class="raised scroll-mt-20 space-y-3 p-4" aria-labelledby="summary-title">
    <h3 id="summary-title" class="text-xl font-bold">Session ended {{ daysAgo(session!.endedAtMs!) }}</h3>
    <p>
      {{ ballsUsed }} {{ ballsUsed === 1 ? 'ball' : 'balls' }} in
      {{ lastedText(session!.startedAtMs, session!.endedAtMs!) }}, {{ hit.length }} stock
      {{ hit.length === 1 ? 'shot' : 'shots' }}.<template v-if="odd"> Odd ones: {{ odd }}.</template>
    </p>
    <p v-if="failure" class="font-semibold text-error">{{ failure }}</p>
    <template v-else-if="learned && ready">
      <p v-if="learned.fresh.length > 0">
        <b>New numbers{{ then }}: </b
        >{{ learned.fresh.map(cell => `${cellName(cell)} ${number(cell)} ± ${doubt(plusMinusM(cell)!)}`).join('; ') }}
        {{ unit }}.
      </p>
      <p v-if="learned.moved.length > 0">
        <b>Not what was expected{{ then }}: </b
        >{{
          learned.moved
            .map(
              ({ cell, wasM, wasHalfM }) => `${cellName(cell)} ${number(cell)}, was ${text(wasM)} ± ${doubt(wasHalfM)}`,
            )
            .join('; ')
        }}
        {{ unit }}.
      </p>
      <p v-if="learned.loose.length > 0">
        <b>Not known to ± {{ limit(ready!.withinM) }}{{ then }}: </b
        >{{ learned.loose.map(cell => `${cellName(cell)} ± ${doubt(plusMinusM(cell)!)}`).join('; ') }}.
      </p>
      <p v-if="learned.fresh.length + learned.moved.length + learned.loose.length === 0 && hit.length > 0">
        <b>Nothing new:</b> every number hit is where it was expected, and known well enough.
      </p>
      <p v-if="calledSum">{{ calledSum }} {{ plusWords }}</p>
      <SessionCalledTable :shots="balls" :session="range" />
      <template v-if="open.length > 0">
        <p class="mb-0"><b>Still open:</b></p>
        <ul class="list-disc pl-6">
          <li v-for="words in open" :key="words">{{ words }}</li>
        </ul>
      </template>
      <ShotsOwnBallsHelp />
      <p v-if="first"><b>Begin next time with</b> {{ cellName(first) }}. {{ nextText(first, cellName) }}</p>
    </template>
    <p v-else class="soft" role="status">Working out what was learned…</p>
    <p v-if="told" class="border-l-4 border-l-(--sound) pl-3 text-sm">
      On the player’s link since {{ clockTime(told.atMs) }}, {{ daysAgo(told.atMs) }}: {{ told.lines.join(' ') }}
    </p>
    <div class="flex flex-wrap gap-2">
      <UButton variant="outline" icon="i-lucide-play" @click="range.goOn()">Go on with it</UButton>
      <UButton
        v-if="!told"
        color="neutral"
        variant="outline"
        icon="i-lucide-smartphone"
        :disabled="lines.length === 0"
        @click="send"
        >Send to the player’s link</UButton
      >
      <UButton v-else color="neutral" variant="outline" icon="i-lucide-undo-2" @click="takeBack"
        >Take it off the link</UButton
      >
    </div>
  </section>
</template>
