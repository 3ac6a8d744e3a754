<script setup lang="ts">
import { METHOD_WORDS, type ShotRecord } from '#shared/session'

/** The coach's desk on the range: the board, the entry, the pile, the balls. */
const props = defineProps<{ sessionId: string }>()
const record = usePlayerRecord()
const range = useRangeSession(props.sessionId)
const { session, balls, newestFirst, cell, chosen, canUndo, question, airNow } = range
const { airText } = useAirUnits()
const airOpen = ref(false)
const { cellName } = useCellNames()
const { typed: typedText, unit } = useDistance()
const toast = useToast()

// What is half typed survives a reload too.
const typed = useSessionStorage(`uzzet-typed-${props.sessionId}`, '')
const opened = shallowRef<{ shot: ShotRecord, leaveOutFirst: boolean }>()
const said = ref('')
// Hundreds of rows make every ball slow to appear; the newest are what one looks for.
const FIRST_BALLS = 60
const allBalls = ref(false)
const listed = computed(() => allBalls.value ? newestFirst.value : newestFirst.value.slice(0, FIRST_BALLS))
// For thumbs: the board lies below on a phone. Clubs lie from most loft to least, the longest swing on top.
const ARROWS: { label: string, icon: string, step: [number, number] }[] = [
  { label: 'Club with more loft', icon: 'i-lucide-arrow-left', step: [-1, 0] }, { label: 'Club with less loft', icon: 'i-lucide-arrow-right', step: [1, 0] },
  { label: 'Longer swing', icon: 'i-lucide-arrow-up', step: [0, -1] }, { label: 'Shorter swing', icon: 'i-lucide-arrow-down', step: [0, 1] },
]
const cue = computed(() => record.bag.scale.rungs.find(rung => rung.id === cell.value?.rungId)?.cue)
const running = computed(() => session.value?.endedAtMs === null)

function keys(event: KeyboardEvent) {
  const steps: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
  const step = steps[event.key]
  const target = event.target as HTMLElement
  if (!step || event.altKey || event.ctrlKey || event.metaKey || opened.value || target.closest('[role="dialog"], [role="menu"], [role="listbox"]')) return
  event.preventDefault()
  range.step(...step)
}
useEventListener('keydown', keys)

async function log(carryM: number) {
  const n = balls.value.length + 1
  said.value = `Ball ${n}, ${typedText(carryM)} ${unit.value}, logged with ${cellName(cell.value!)}`
  await range.log(carryM)
}

async function undo(which?: Parameters<typeof range.undo>[0]) {
  const what = await range.undo(which)
  if (what) said.value = `Taken back: ${what}`
  toast.add(what ? { title: `Taken back: ${what}`, icon: 'i-lucide-undo-2', duration: 3000 } : { title: 'Nothing to take back', duration: 3000 })
}

function leaveOutLast() {
  const newest = newestFirst.value.find(shot => shot.leftOut === null)
  if (newest) opened.value = { shot: newest, leaveOutFirst: true }
}

async function change(fields: Partial<ShotRecord>, words: string) {
  await range.change([opened.value!.shot.id], fields, words)
  said.value = `Done: ${words}`
}

async function settle(counts: boolean) {
  const { shot } = question.value!
  const done = await range.settle(question.value!, counts)
  said.value = counts ? 'It counts' : 'Left out'
  const ball = record.records.find(other => other.id === shot)
  toast.add({ title: `${typedText(ball!.carryM)} ${unit.value} ${counts ? 'counts' : 'is left out'}`, actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo(done) }] })
}

async function end() {
  await range.end()
  toast.add({ title: 'Session ended', actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void range.goOn() }] })
}
</script>

<template>
  <FrameEmptyStep v-if="!session" icon="i-lucide-search-x" words="There is no such session." help="It may belong to another player." action="To the sessions" :to="`/players/${record.playerId}/session`" />
  <FrameEmptyStep v-else-if="!cell || !chosen" icon="i-lucide-backpack" words="No stock shot is in use." help="Every cell of the grid is struck out or the bag is empty." action="To the bag" :to="`/players/${record.playerId}/bag`" />
  <div v-else class="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
    <p class="sr-only" role="status">{{ said }}</p>
    <section class="min-w-0 max-lg:order-2" aria-labelledby="board-title">
      <h2 id="board-title" class="mb-1 flex items-baseline gap-3 text-xl font-bold">The chart so far <span class="soft text-sm font-normal">{{ balls.length }} {{ balls.length === 1 ? 'ball' : 'balls' }} this session</span></h2>
      <SessionBoard :range="range" />
      <SessionHitNext v-if="running" class="mt-4" :range="range" />
      <p class="soft mt-3 text-sm">{{ METHOD_WORDS[session.method] }}, {{ session.ball }} ball, {{ session.surface }}, since {{ clockTime(session.startedAtMs) }}<template v-if="daysAgo(session.startedAtMs) !== 'today'">, {{ shortDate(session.startedAtMs) }}</template></p>
      <p class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
        <span><span class="soft">Air: </span>{{ airNow ? airText(airNow) : 'not taken' }}</span>
        <UButton color="neutral" variant="outline" size="sm" icon="i-lucide-wind" @click="airOpen = true">{{ airNow ? 'It has changed' : 'Take the air' }}</UButton>
      </p>
      <SessionAirDialog v-if="airOpen" v-model:open="airOpen" :air="airNow" :running="balls.length > 0" @save="range.setAir" @none="range.setAir(null, 'start')" />
      <FrameSafetyNote class="mt-4" :pacing="session.method === 'paces'" />
    </section>
    <section class="min-w-0 space-y-4" aria-labelledby="cell-title">
      <h2 id="cell-title" class="flex flex-wrap items-baseline gap-x-3 text-[2rem] leading-tight font-bold">{{ cellName(cell) }} <span v-if="cue" class="soft text-base font-normal">{{ cue }}</span></h2>
      <div class="grid grid-cols-4 gap-1.5 lg:hidden" role="group" aria-label="Next stock shot">
        <UButton v-for="arrow in ARROWS" :key="arrow.label" color="neutral" variant="outline" :icon="arrow.icon" :aria-label="arrow.label" class="justify-center" @click="range.step(...arrow.step)" />
      </div>
      <SessionHitNext v-if="running" compact class="lg:hidden" :range="range" />
      <SessionEntry v-if="running" v-model="typed" :next-ball="balls.length + 1" :can-undo="canUndo" @log="log" @undo="undo()" @leave-out="leaveOutLast" />
      <p v-else class="raised flex flex-wrap items-center gap-3 p-4">This session ended {{ daysAgo(session.endedAtMs!) }}. <UButton variant="outline" @click="range.goOn()">Go on with it</UButton></p>
      <SessionQuestion v-if="question" :question="question" @settle="settle" />
      <SessionCellPanel :cell="chosen" />
    </section>
    <section class="min-w-0 max-lg:order-3 lg:col-span-2" aria-labelledby="balls-title">
      <div class="mb-1 flex flex-wrap items-center justify-between gap-2">
        <h2 id="balls-title" class="text-xl font-bold">Balls, newest first</h2>
        <UButton v-if="running" color="neutral" variant="outline" icon="i-lucide-square" @click="end">End the session</UButton>
      </div>
      <div v-if="newestFirst.length > 0" class="raised max-h-96 overflow-y-auto px-2">
        <ShotsShotList :shots="listed" @open="opened = { shot: $event, leaveOutFirst: false }" />
      </div>
      <UButton v-if="newestFirst.length > FIRST_BALLS" color="neutral" variant="outline" class="mt-2" :aria-expanded="allBalls" @click="allBalls = !allBalls">{{ allBalls ? 'Show the newest' : `Show all ${newestFirst.length} balls` }}</UButton>
      <p v-if="newestFirst.length === 0" class="soft">None yet. Type what the first ball carried and press Enter.</p>
    </section>
    <ShotsShotDialog v-if="opened" :key="opened.shot.id" :open="true" :shot="opened.shot" :leave-out-first="opened.leaveOutFirst" @update:open="opened = undefined" @change="change" />
  </div>
</template>
