<script setup lang="ts">
import { measuresToRest } from '#core/shot/measuring'
import type { Method } from '#core/shot/shot'
import { useShortcuts } from '~/composables/useShortcuts'
import { cellKey } from '#core/bag/bag'
import { BALLS_AT_ONCE } from '#core/calibration/calibration'
import { rungCue, rungName } from '#core/swing/scale'
import type { TypedBall } from '#core/shot/typed-ball'
import { markFields, type BallMark } from '#shared/marks'
import { markNames } from '#words/marks'
import type { ShotRecord } from '#shared/session'
import { useClinic } from '~/composables/useClinic'
import { useDistance } from '~/composables/useDistance'
import { useLiveDevice } from '~/composables/useLiveDevice'
import { useLiveLine } from '~/composables/useLiveLine'
import { useCellNames } from '~/composables/useNumbers'
import { useRangeSession } from '~/composables/useRangeSession'
import { useRanges } from '~/composables/useRanges'
import { useVoice } from '~/composables/useVoice'
import { useOutbox } from '~/stores/outbox'
import { usePlayerRecord } from '~/stores/record'
import FrameEmptyStep from '~/components/frame/EmptyStep.vue'
import FrameSafetyNote from '~/components/frame/SafetyNote.vue'
import SessionArrows from '~/components/session/Arrows.vue'
import SessionBalls from '~/components/session/Balls.vue'
import SessionBoard from '~/components/session/Board.vue'
import SessionCellPanel from '~/components/session/CellPanel.vue'
import SessionEntry from '~/components/session/Entry.vue'
import SessionFacts from '~/components/session/Facts.vue'
import SessionHabits from '~/components/session/Habits.vue'
import SessionHitNext from '~/components/session/HitNext.vue'
import SessionLastBall from '~/components/session/LastBall.vue'
import SessionNotes from '~/components/session/Notes.vue'
import SessionPileDialog from '~/components/session/PileDialog.vue'
import SessionQuestion from '~/components/session/Question.vue'
import SessionSignDialog from '~/components/session/SignDialog.vue'
import SessionSummary from '~/components/session/Summary.vue'
import SessionTee from '~/components/session/Tee.vue'
import SessionWatchDialog from '~/components/session/WatchDialog.vue'
import ShotsShotDialog from '~/components/shots/ShotDialog.vue'

/** The coach's desk on the range: the board, the entry, the pile, the balls. */
const props = defineProps<{ sessionId: string }>()
const record = usePlayerRecord()
const range = useRangeSession(props.sessionId)
const { session, balls, newestFirst, cell, chosen, canUndo, question, rungs } = range
const { cellName, swingLabel } = useCellNames()
const { typed: typedText, unit } = useDistance()
const toast = useToast()
const ranges = useRanges()
onMounted(ranges.load)

const running = computed(() => session.value?.endedAtMs === null)
const clinic = useClinic()
const live = useLiveDevice(props.sessionId, range)
const { device } = live
const { say } = useVoice()
const outbox = useOutbox()
/** Made on this screen and not sent yet: the server has no line for it. */
const unknown = computed(() =>
  outbox.mine.some(
    ({ entry }) => entry.kind === 'session' && entry.record.id === props.sessionId && entry.record.version === 1,
  ),
)
const line = useLiveLine(
  () =>
    running.value && !unknown.value ? `/api/players/${record.playerId}/sessions/${props.sessionId}/live` : undefined,
  message => {
    const own = live.heard(message)
    const fresh = range.hear(message, own)
    const shot = own ? fresh.at(-1) : undefined
    if (!shot) return
    clinic.hitBy(record.playerId!)
    said.value = `${typedText(shot.carryM)} ${unit.value}, ${cellName(shot)}, from the device`
    // What comes after this ball, when the block is done.
    const next = range.proposal.value
    const onward =
      next && cellKey(next) !== cellKey(shot) && range.inARow.value >= BALLS_AT_ONCE ? `. Next: ${cellName(next)}` : ''
    say(`${typedText(shot.carryM)}${onward}`)
  },
  () => void record.open(record.playerId!),
)
/** What the device sent last, as long as nothing newer was typed. */
const lastSent = computed(() =>
  device.value && newestFirst.value[0]?.method === 'monitor' ? newestFirst.value[0] : undefined,
)
// What is half typed survives a reload too.
const typed = useSessionStorage(`uzzet-typed-${props.sessionId}`, '')
const opened = shallowRef<{ shot: ShotRecord; leaveOutFirst: boolean }>()
const said = ref('')
const way = ref<string>()
/** Lengths that the swing may really have had. */
const otherSwings = computed(() =>
  rungs.value.filter(({ id }) => id !== cell.value?.rungId).map(rung => ({ id: rung.id, name: rungName(rung) })),
)
const cue = computed(() => {
  const rung = record.bag.scale.rungs.find(other => other.id === cell.value?.rungId)
  return rung && rungCue(rung)
})
/** The way in that goes with how the session measures. */
const WAYS: Partial<Record<Method, { id: string; label: string; icon: string }>> = {
  watch: { id: 'watch', label: 'Position', icon: 'i-lucide-locate' },
  guess: { id: 'sign', label: 'Sign…', icon: 'i-lucide-signpost' },
}
/** Other ways in than typing a carry; a pile always, the rest where the session measures so. */
const ways = computed(() => [
  ...[(session.value && WAYS[session.value.method]) ?? []].flat(),
  { id: 'pile', label: 'Pile…', icon: 'i-lucide-layers', key: 'p' },
])

/** What is typed first, as the player's numbers are read and as the session measures. */
const figure = computed(() => {
  const { method, plan } = session.value!
  if (measuresToRest(method)) return plan.measuredTo === 'rest' ? 'To where it lies' : 'Carry'
  return record.player?.thresholds.totalOn ? 'Total' : 'Carry'
})

// The board is walked by arrow keys, from the carry's field too.
const carryField = () => document.querySelector<HTMLElement>('#carry')
useShortcuts(
  {
    boardLeft: () => range.step(-1, 0),
    boardRight: () => range.step(1, 0),
    boardUp: () => range.step(0, -1),
    boardDown: () => range.step(0, 1),
  },
  { field: carryField, enabled: () => !opened.value },
)

async function log(ball: TypedBall, more: Partial<ShotRecord> = {}) {
  const n = balls.value.length + 1
  said.value = `Ball ${n}, ${typedText(ball.carryM)} ${unit.value}, logged with ${cellName(cell.value!)}`
  await range.log(ball, more)
  clinic.hitBy(record.playerId!)
}

/** A word about the ball before. */
async function mark(what: BallMark) {
  const newest = newestFirst.value[0]
  if (!newest) return
  const word =
    typeof what === 'string' ? markNames[what]! : `Swung ${swingLabel({ ...newest, rungId: what.swungRungId })}`
  const done = await range.change([newest.id], markFields(what, newest), `the mark "${word.toLowerCase()}"`)
  said.value = `${typedText(newest.carryM)} ${unit.value}: ${word}`
  toast.add({
    title: `${typedText(newest.carryM)} ${unit.value}: ${word.toLowerCase()}`,
    duration: 4000,
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo(done) }],
  })
}

async function undo(which?: Parameters<typeof range.undo>[0]) {
  const what = await range.undo(which)
  if (what) said.value = `Taken back: ${what}`
  toast.add(
    what
      ? { title: `Taken back: ${what}`, icon: 'i-lucide-undo-2', duration: 3000 }
      : { title: 'Nothing to take back', duration: 3000 },
  )
}

function leaveOutLast() {
  const newest = newestFirst.value.find(shot => shot.leftOut === null)
  if (newest) opened.value = { shot: newest, leaveOutFirst: true }
}

async function change(fields: Partial<ShotRecord>, words: string) {
  await range.change([opened.value!.shot.id], fields, words)
  said.value = `Done: ${words}`
}

/** It was another ball than it was taken for. */
async function mend(how: () => ReturnType<typeof range.change>) {
  const { shot } = question.value!
  const done = await how()
  const now = record.records.find(other => other.id === shot)!
  said.value = `${typedText(now.carryM)} ${unit.value}, ${cellName(now)}`
  toast.add({
    title: said.value,
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo(done) }],
  })
}

async function settle(counts: boolean) {
  const { shot } = question.value!
  const done = await range.settle(question.value!, counts)
  said.value = counts ? 'It counts' : 'Left out'
  const ball = record.records.find(other => other.id === shot)
  toast.add({
    title: `${typedText(ball!.carryM)} ${unit.value} ${counts ? 'counts' : 'is left out'}`,
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo(done) }],
  })
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
    help="Every cell of the grid is struck out or the bag is empty."
    action="To the bag"
    :to="`/players/${record.playerId}/bag`"
  />
  <div v-else class="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
    <p class="sr-only" role="status">{{ said }}</p>
    <SessionTee
      v-if="running && clinic.members.value.length > 0"
      class="max-lg:order-first lg:col-span-2"
      :session-id="sessionId"
    />
    <section class="min-w-0 max-lg:order-2" aria-labelledby="board-title">
      <h2 id="board-title" class="mb-1 flex items-baseline gap-3 text-xl font-bold">
        The chart so far
        <span class="soft text-sm font-normal"
          >{{ balls.length }} {{ balls.length === 1 ? 'ball' : 'balls' }} this session</span
        >
      </h2>
      <SessionBoard :range="range" />
      <SessionHitNext v-if="running" class="mt-4" :range="range" />
      <SessionNotes v-if="running" class="mt-4" :range="range" />
      <SessionFacts class="mt-3" :range="range" :live="live" :line="line" />
      <SessionTee v-if="running && clinic.members.value.length === 0" class="mt-3" :session-id="sessionId" />
      <FrameSafetyNote class="mt-4" :pacing="session.method === 'paces'" />
    </section>
    <section class="min-w-0 space-y-4" aria-labelledby="cell-title">
      <h2 id="cell-title" class="flex flex-wrap items-baseline gap-x-3 text-[2rem] leading-tight font-bold">
        {{ cellName(cell) }} <span v-if="cue" class="soft text-base font-normal">{{ cue }}</span>
      </h2>
      <SessionArrows class="lg:hidden" @step="range.step" />
      <SessionHitNext v-if="running" compact class="lg:hidden" :range="range" />
      <SessionLastBall
        v-if="running && lastSent"
        :shot="lastSent"
        :place="balls.length"
        @open="opened = { shot: lastSent, leaveOutFirst: false }"
      />
      <SessionEntry
        v-if="running"
        v-model="typed"
        :swings="otherSwings"
        :next-ball="balls.length + 1"
        :can-undo="canUndo"
        :ways="ways"
        :figure="figure"
        @log="
          (ball, what) => log(ball, what ? markFields(what, { rungId: cell!.rungId, leftOut: null, taken: null }) : {})
        "
        @mark="mark"
        @undo="undo()"
        @leave-out="leaveOutLast"
        @way="way = $event"
      />
      <SessionSummary v-else :range="range" />
      <SessionQuestion
        v-if="question"
        :question="question"
        @settle="settle"
        @club="mend(() => range.change([question!.shot], { clubId: question!.otherClub!.clubId }, 'the other club'))"
        @unit="mend(() => range.inOtherUnit(question!))"
      />
      <SessionCellPanel :cell="chosen" />
      <SessionHabits :range="range" />
    </section>
    <SessionBalls
      class="max-lg:order-3 lg:col-span-2"
      :range="range"
      @open="opened = { shot: $event, leaveOutFirst: false }"
      @undo="undo"
    />
    <SessionPileDialog
      v-if="way === 'pile'"
      open
      :method="session.method"
      :plan="session.plan"
      :name="cellName(cell)"
      @update:open="way = undefined"
      @log="log"
    />
    <SessionWatchDialog
      v-if="way === 'watch'"
      open
      :plan="session.plan"
      :name="cellName(cell)"
      :session-id="sessionId"
      @update:open="way = undefined"
      @log="log"
    />
    <SessionSignDialog
      v-if="way === 'sign'"
      open
      :plan="session.plan"
      :name="cellName(cell)"
      @update:open="way = undefined"
      @log="log"
    />
    <ShotsShotDialog
      v-if="opened"
      :key="opened.shot.id"
      :open="true"
      :shot="opened.shot"
      :leave-out-first="opened.leaveOutFirst"
      @update:open="opened = undefined"
      @change="change"
    />
  </div>
</template>
