<script setup lang="ts">
import { measuresToRest } from '#core/shot/measuring'
import type { Method } from '#core/shot/shot'
import { useShortcuts } from '~/ui/useShortcuts'
import { cellKey } from '#core/bag/bag'
import { rungSpeedMs } from '#core/swing/called-speed'
import { rungCue, rungName } from '#core/swing/scale'
import { calledOffM } from '#core/session/called'
import type { TypedBall } from '#core/shot/typed-ball'
import type { BallMark } from '#shared/marks'
import type { ShotRecord } from '#shared/schemas/session'
import { calledText } from '#words/called'
import { useCalling } from '~/features/session/useCalling'
import { useNamedByPick } from '~/features/session/useNamedByPick'
import { useDeskLine } from '~/features/session/useDeskLine'
import { useDesk } from '~/features/session/useDesk'
import { useClinic } from '~/player/useClinic'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { useRangeSession } from '~/features/session/useRangeSession'
import { useRanges } from '~/player/ranges/useRanges'
import { usePlayerRecord } from '~/offline/stores/record'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameSafetyNote from '~/ui/frame/SafetyNote.vue'
import SessionBalls from '~/features/session/Balls.vue'
import SessionBlockBar from '~/features/session/BlockBar.vue'
import SessionBoard from '~/features/session/Board.vue'
import SessionCallBar from '~/features/session/CallBar.vue'
import SessionCellPanel from '~/features/session/CellPanel.vue'
import SessionEntry from '~/features/session/Entry.vue'
import SessionEntryHead from '~/features/session/EntryHead.vue'
import SessionFacts from '~/features/session/Facts.vue'
import SessionHabits from '~/features/session/Habits.vue'
import SessionHitNext from '~/features/session/HitNext.vue'
import SessionLastBall from '~/features/session/LastBall.vue'
import SessionLastBalls from '~/features/session/LastBalls.vue'
import SessionNotes from '~/features/session/Notes.vue'
import SessionQuestion from '~/features/session/Question.vue'
import SessionSummary from '~/features/session/Summary.vue'
import SessionTee from '~/features/session/Tee.vue'
import SessionWayDialogs from '~/features/session/WayDialogs.vue'
import ShotsShotDialog from '~/player/shots/ShotDialog.vue'

/** The coach's desk on the range: the board, the entry, the pile, the balls. */
const props = defineProps<{ sessionId: string }>()
const record = usePlayerRecord()
const range = useRangeSession(props.sessionId)
const { session, balls, newestFirst, cell, chosen, canUndo, openQuestions, perhapsBefore, rungs } = range
const { cellName } = useCellNames()
const { gapsChart } = useNumbers()
const { typed: typedText, unit } = useDistance()
const desk = useDesk(range)
const { opened, said } = desk
const calling = useCalling(props.sessionId, range)
const { call } = calling
const { namedFor } = useNamedByPick(range)
const toast = useToast()
const ranges = useRanges()
onMounted(ranges.load)

const isPhone = useMediaQuery('(max-width: 1023px)')
/** On a phone the board lies behind the name of the stock shot, and goes when one is chosen. */
const boardOpen = ref(false)
const running = computed(() => session.value?.endedAtMs === null)
const clinic = useClinic()
const { live, line } = useDeskLine(props.sessionId, range, said)
const { device } = live
/** What the device sent last, as long as nothing newer was typed. */
const lastSent = computed(() =>
  device.value && newestFirst.value[0]?.method === 'monitor' ? newestFirst.value[0] : undefined,
)
// What is half typed survives a reload too.
const typed = useSessionStorage(`uzzet-typed-${props.sessionId}`, '')
const way = ref<string>()
const rungId = computed(() => cell.value?.rungId)
/** Lengths that the swing may really have had. */
const otherSwings = computed(() =>
  rungs.value.filter(({ id }) => id !== rungId.value).map(rung => ({ id: rung.id, name: rungName(rung) })),
)
const rung = computed(() => record.bag.scale.rungs.find(other => other.id === cell.value?.rungId))
/** A pile counts as its balls. */
const hitSoFar = computed(() => balls.value.reduce((sum, ball) => sum + ball.balls, 0))
const cue = computed(() => rung.value && rungCue(rung.value))
const calledMs = computed(() => rung.value && rungSpeedMs(rung.value, record.bag.scale.school))
/** The way in that goes with how the session measures. */
const WAYS: Partial<Record<Method, { id: string; label: string; icon: string }>> = {
  watch: { id: 'watch', label: 'Position', icon: 'i-lucide-locate' },
  guess: { id: 'sign', label: 'Sign…', icon: 'i-lucide-signpost' },
}
/** Other ways in than typing a carry; a pile always, the rest where the session measures so. */
const measuredBy = computed(() => session.value?.method)
const ways = computed(() => [
  ...[(measuredBy.value && WAYS[measuredBy.value]) ?? []].flat(),
  { id: 'pile', label: 'Pile…', icon: 'i-lucide-layers', key: 'p' },
])
/** What is typed first, as the player's numbers are read and as the session measures. */
const figure = computed(() => {
  const { method, plan } = session.value!
  if (measuresToRest(method)) return plan.measuredTo === 'rest' ? 'To where it lies' : 'Carry'
  return record.player?.thresholds.totalOn ? 'Total' : 'Carry'
})
/** The chosen stock shot's number, as it is read. */
const numberM = computed(
  () => gapsChart.value.find(one => cell.value && cellKey(one) === cellKey(cell.value))?.carryM ?? null,
)

watch(
  () => range.proposal.value && cellName(range.proposal.value),
  next => next && clinic.tellNext(record.playerId!, next),
  { immediate: true },
)

// The board is walked by arrow keys, from the carry's field too.
const carryField = () => document.querySelector<HTMLInputElement>('#carry')
const emptyField = () => (carryField()?.value === '' ? carryField() : null)
useShortcuts(
  {
    boardLeft: () => range.step(-1, 0),
    boardRight: () => range.step(1, 0),
    boardUp: () => range.step(0, -1),
    boardDown: () => range.step(0, 1),
  },
  { field: carryField, enabled: () => !opened.value },
)
useShortcuts({ shotBefore: () => desk.toShotBefore() }, { field: emptyField, enabled: () => !opened.value })

async function log(ball: TypedBall, what?: BallMark) {
  const called = calling.called.value
  const name = cellName(cell.value!)
  await desk.logMarked(ball, what, called)
  if (!called) return
  calling.hit()
  const title = calledText(called, name, calledOffM(called, ball.carryM), unit.value)
  // What Pick would have named comes after the ball: the player calls first.
  const named = await namedFor(called.targetM).catch((error: unknown) => (error as Error).message)
  toast.add({ title, ...(named && { description: `Pick: ${named}` }), duration: 6000 })
}
function chooseOnBoard() {
  boardOpen.value = false
  carryField()?.focus()
}
const open = (shot: ShotRecord) => {
  opened.value = { shot, leaveOutFirst: false }
}
</script>

<template>
  <FrameEmptyStep
    v-if="!session || session.plan.gone"
    icon="i-lucide-search-x"
    words="There is no such session."
    help="It may belong to another player, or was merged into another."
    action="To the sessions"
    :to="`/players/${record.playerId}/session`"
  />
  <FrameEmptyStep
    v-else-if="!cell || !chosen"
    icon="i-lucide-backpack"
    words="No stock shot is in use."
    help="No stock shot is in use, or the bag is empty."
    action="To the bag"
    :to="`/players/${record.playerId}/bag`"
  />
  <div
    v-else
    class="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,min(25rem,50%))_minmax(0,1fr)]"
    :class="running && 'max-md:pb-40'"
  >
    <p class="sr-only" role="status">{{ said }}</p>
    <SessionTee
      v-if="running && clinic.members.value.length > 0"
      class="max-lg:order-first lg:col-span-2"
      :session-id="sessionId"
    />
    <section class="min-w-0 space-y-3 max-lg:order-2" aria-labelledby="board-title">
      <h2 id="board-title" class="flex items-baseline gap-3 text-xl leading-none font-bold">
        The chart so far
        <span class="soft text-sm font-normal"
          >{{ hitSoFar }} {{ hitSoFar === 1 ? 'ball' : 'balls' }} this session</span
        >
      </h2>
      <SessionBoard v-if="!isPhone" :range="range" />
      <SessionHitNext v-if="running && !isPhone" :range="range" />
      <SessionBlockBar v-if="running" :range="range" />
      <SessionNotes v-if="running" :range="range" />
      <SessionFacts :range="range" :live="live" :line="line" />
      <SessionTee v-if="running && clinic.members.value.length === 0" :session-id="sessionId" />
      <FrameSafetyNote :pacing="session.method === 'paces'" />
    </section>
    <section class="min-w-0 space-y-3" aria-labelledby="cell-title">
      <SessionEntry
        v-if="running"
        v-model="typed"
        :swings="otherSwings"
        :next-ball="hitSoFar + 1"
        :can-undo="canUndo"
        :ways="ways"
        :figure="figure"
        :by-speed="calledMs !== undefined"
        @log="log"
        @mark="desk.mark"
        @undo="desk.undo()"
        @leave-out="desk.leaveOutLast"
        @before="desk.toShotBefore"
        @way="way = $event"
      >
        <SessionEntryHead
          v-model:board="boardOpen"
          v-model:call="call.on"
          :name="cellName(cell)"
          :cue="cue"
          :is-phone="isPhone"
          :last="newestFirst[0]"
          @open="open"
        />
        <SessionCallBar v-if="call.on" :calling="calling" :shot="cellName(cell)" :number-m="numberM" />
      </SessionEntry>
      <template v-else>
        <h2 id="cell-title" class="text-[1.75rem] leading-tight font-bold">
          {{ cellName(cell) }} <span v-if="cue" class="soft text-base font-normal">{{ cue }}</span>
        </h2>
        <SessionSummary :range="range" />
      </template>
      <SessionLastBall v-if="running && lastSent" :shot="lastSent" :place="balls.length" @open="open(lastSent)" />
      <SessionLastBalls
        v-if="running && newestFirst.length > 0"
        :balls="newestFirst"
        :most="isPhone ? 3 : 5"
        @open="open"
      />
      <SessionHitNext v-if="running && isPhone" compact :range="range" />
      <p
        v-if="perhapsBefore"
        class="raised flex flex-wrap items-center gap-3 border-l-[5px]! border-l-(--weak)! px-3 py-2"
      >
        <span class="min-w-0 flex-1"
          >{{ typedText(perhapsBefore.ball.carryM) }} {{ unit }} would be an ordinary
          {{ cellName(perhapsBefore.before) }}: the shot before?</span
        >
        <UButton size="sm" @click="desk.toShotBefore">Move it there</UButton>
      </p>
      <SessionQuestion
        v-for="question in openQuestions"
        :key="question.shot"
        :question="question"
        @settle="desk.settle(question, $event)"
        @club="
          desk.mend(question, () =>
            range.change([question.shot], { clubId: question.otherClub!.clubId }, 'the other club'),
          )
        "
        @unit="desk.mend(question, () => range.inOtherUnit(question))"
        @other="open(question.ball)"
      />
      <SessionCellPanel :cell="chosen" :session="session ?? undefined" @open="open" />
      <SessionHabits :range="range" />
    </section>
    <SessionBalls class="max-lg:order-3 lg:col-span-2" :range="range" @open="open" @undo="desk.undo" />
    <USlideover v-if="isPhone" v-model:open="boardOpen" side="top" title="Which stock shot?" :ui="{ body: 'p-3' }">
      <template #body><SessionBoard :range="range" @chosen="chooseOnBoard" /></template>
    </USlideover>
    <SessionWayDialogs v-model="way" :session="session" :name="cellName(cell)" @log="desk.log" />
    <ShotsShotDialog
      v-if="opened"
      :key="opened.shot.id"
      :open="true"
      :shot="opened.shot"
      :leave-out-first="opened.leaveOutFirst"
      @update:open="opened = undefined"
      @change="desk.change"
    />
  </div>
</template>
