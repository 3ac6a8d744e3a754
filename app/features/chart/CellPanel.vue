<script setup lang="ts">
import { useShortcuts } from '~/ui/useShortcuts'
import { cellKey } from '#core/bag/bag'
import { plusMinusM, type ChartCell } from '#core/chart/chart-cell'
import { doesCount } from '#core/shot/shot'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { neutralCarries } from '~/player/neutral'
import ChartFromAbove from '~/features/chart/FromAbove.vue'
import ChartCellBalls from '~/features/chart/CellBalls.vue'
import ChartCellWords from '~/features/chart/CellWords.vue'
import MarksPileStrip from '~/ui/marks/PileStrip.vue'
import MarksTimeStrip from '~/ui/marks/TimeStrip.vue'
import ShotsCellQuestions from '~/player/shots/CellQuestions.vue'
import ShotsGoals from '~/player/shots/Goals.vue'
import ShotsMarked from '~/player/shots/Marked.vue'
import ShotsShotDialog from '~/player/shots/ShotDialog.vue'
import ShotsShotList from '~/player/shots/ShotList.vue'

/** All balls of one stock shot, and how its number came about. Arrow keys walk to its neighbours. */
const props = defineProps<{ cell: ChartCell }>()
const emit = defineEmits<{ walk: [clubs: number, rungs: number] }>()
const open = defineModel<boolean>('open', { required: true })
const record = usePlayerRecord()
const { cellName } = useCellNames()
const { doubt, text, unit, withUnit, typed } = useDistance()
const { chart, readChart, questions } = useNumbers()
/** As it is read: with the coach's written number, where there is one. */
const read = computed(() => readChart.value.find(one => cellKey(one) === cellKey(props.cell)) ?? props.cell)
/** What each ball came to in neutral air, where that is another figure. */
const neutralM = computed(() => neutralCarries(chart.value, record.shots))
const opened = shallowRef<ShotRecord>()

const shots = computed(() =>
  record.records
    .filter(shot => !shot.deleted && cellKey(shot) === cellKey(props.cell))
    .sort((a, b) => b.hitAtMs - a.hitAtMs),
)

/** A share as a coach says it. */
const inTen = (share: number) =>
  share >= 0.95 ? 'nearly all' : share < 0.05 ? 'next to nothing' : `${Math.max(1, Math.round(share * 10))} in 10`
const list = (words: string[]) =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

const how = computed(() => {
  const { kind, plain, balls, leansOn } = props.cell
  if (kind === 'struck-out') return 'Not used, says the bag: it is in no chart and on no ladder. Its balls are kept.'
  if (props.cell.carryM === null) return 'No ball counts yet.'
  if (plain) return `From its own ${balls === 1 ? 'ball' : `${balls} balls`} alone: longer clubs stand each by itself.`
  const { own, others, usual } = leansOn!
  const names = list(others.map(cellName))
  const rest =
    usual >= 0.05 ? `${names ? ', and' : ''} on what is usual for such lofts and swings (${inTen(usual)})` : ''
  if (balls === 0) return `Predicted. It leans ${names ? `on your ${names}` : ''}${rest}.`
  if (!names && !rest) return 'It stands on its own balls.'
  return `It leans on its own balls (${inTen(own)})${names ? `, on your ${names}` : ''}${rest}.`
})

const asked = computed(() => questions.value.filter(question => cellKey(question) === cellKey(props.cell)))
/** The figure of a ball that the number beside it is made of. */
const carryOf = (shot: ShotRecord) => neutralM.value.get(shot.id) ?? shot.carryM
/** In the order they were hit, in the same air as the number they stand beside. */
const inTime = computed(() =>
  [...shots.value].reverse().map(shot => ({
    id: shot.id,
    carryM: carryOf(shot),
    hitAtMs: shot.hitAtMs,
    sessionId: shot.sessionId,
    counts: doesCount(shot),
  })),
)
useShortcuts(
  {
    walkLeft: () => emit('walk', -1, 0),
    walkRight: () => emit('walk', 1, 0),
    walkUp: () => emit('walk', 0, 1),
    walkDown: () => emit('walk', 0, -1),
  },
  { inDialog: true },
)

/** A message's own button, such as Undo, is no reason to close the panel it speaks of. */
function stay(event: Event) {
  const { target } = (event as CustomEvent<{ originalEvent: Event }>).detail.originalEvent
  if ((target as HTMLElement).closest('[role="region"]')) event.preventDefault()
}

const askedM = computed(() => asked.value.map(question => question.carryM))
</script>

<template>
  <USlideover
    v-model:open="open"
    :modal="false"
    :overlay="false"
    :content="{ onInteractOutside: stay }"
    :title="cellName(cell)"
    :description="how"
    :ui="{ content: 'max-w-xl', header: 'h-auto min-h-16 shrink-0 py-3 pe-16', body: 'space-y-3' }"
  >
    <template #body>
      <p v-if="read.carryM !== null" class="flex flex-wrap items-baseline gap-x-4">
        <span v-if="read.written" class="text-6xl font-extrabold"
          ><span class="underline decoration-4 underline-offset-8">{{ typed(read.carryM) }}</span
          ><span class="soft ml-2 text-2xl font-semibold">{{ unit }}, written</span></span
        >
        <span
          v-else
          class="text-6xl"
          :class="cell.kind === 'predicted' ? 'soft font-semibold italic' : 'font-extrabold'"
          >{{ text(read.carryM)
          }}<span class="soft ml-2 text-2xl font-semibold not-italic"
            >± {{ doubt(plusMinusM(read)!) }} {{ unit }}</span
          ></span
        >
        <span v-if="read.written && cell.carryM !== null" class="soft text-lg"
          >the balls say {{ text(cell.carryM) }} ± {{ doubt(plusMinusM(cell)!) }} {{ unit }}</span
        >
        <span v-if="read.window80M" class="soft text-lg"
          >8 clean balls in 10 lie from {{ text(read.window80M[0]) }} to {{ withUnit(read.window80M[1]) }}</span
        >
      </p>
      <ChartCellBalls :cell="cell" :shots="shots" :neutral-m="neutralM" :asked="asked.length">
        <ChartCellWords :key="cellKey(cell)" :cell="cell" />
      </ChartCellBalls>
      <ShotsCellQuestions v-if="asked.length > 0" :asked="asked" @open="opened = $event" />
      <ShotsMarked :cell="cell" />
      <ShotsGoals v-if="cell.kind !== 'struck-out'" :key="`goals ${cellKey(cell)}`" :cell="cell" />
      <MarksPileStrip
        v-if="shots.length > 0"
        :carries-m="cell.carriesM"
        :left-out-m="cell.leftOutCarriesM"
        :asked-m="askedM"
        :centre-m="read.carryM"
        :window-m="read.window80M"
        :predicted="cell.kind === 'predicted' && !read.written"
      />
      <ChartFromAbove
        v-if="cell.kind !== 'struck-out' && cell.carryM !== null"
        :key="`above ${cellKey(cell)}`"
        :cell="cell"
      />
      <MarksTimeStrip v-if="inTime.length > 2" :balls="inTime" :centre-m="read.carryM" :window-m="read.window80M" />
      <ShotsShotList
        v-if="shots.length > 0"
        class="mt-3"
        :shots="shots"
        :neutral-m="neutralM"
        show-date
        hide-name
        @open="opened = $event"
      />
      <p v-else-if="cell.kind !== 'struck-out'" class="soft mt-2">
        No ball has been hit with it. A few in a range session make it a measured number.
      </p>
      <ShotsShotDialog
        v-if="opened"
        :key="opened.id"
        :open="true"
        :shot="opened"
        @update:open="opened = undefined"
        @change="record.changeShot(opened!.id, $event)"
      />
    </template>
    <template #footer>
      <UButton
        :to="cell.kind === 'struck-out' ? `/players/${record.playerId}/bag` : `/players/${record.playerId}/session`"
        >{{ cell.kind === 'struck-out' ? 'To the bag' : 'To the range' }}</UButton
      >
      <UButton color="neutral" variant="outline" @click="open = false">Close</UButton>
    </template>
  </USlideover>
</template>
