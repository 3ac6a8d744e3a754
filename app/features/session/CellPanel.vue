<script setup lang="ts">
import { isWithin } from '#core/units'
import { cellKey } from '#core/bag/bag'
import { newestCorrection } from '#core/corrections/air-correction'
import { correctionText } from '#words/air'
import { carrySumText } from '#words/carry-sum'
import { pulledText } from '#words/pulled'
import { totalText } from '#words/total'
import { plusMinusM, type ChartCell } from '#core/chart/chart-cell'
import type { SessionRecord, ShotRecord } from '#shared/schemas/session'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { useLanding } from '~/player/useLanding'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { shortDate } from '~/ui/dates'
import { usePlayerRecord } from '~/offline/stores/record'
import MarksLandingPlan from '~/ui/marks/LandingPlan.vue'
import MarksSideOfShot from '~/ui/marks/SideOfShot.vue'
import MarksPileStrip from '~/ui/marks/PileStrip.vue'
import ShotsCellQuestions from '~/player/shots/CellQuestions.vue'
import ShotsGoals from '~/player/shots/Goals.vue'
import ShotsMarked from '~/player/shots/Marked.vue'
import ShotsSetAside from '~/player/shots/SetAside.vue'

/** The pile of the chosen stock shot, its number and where one ball lies. */
const props = defineProps<{ cell: ChartCell; session?: SessionRecord }>()
const record = usePlayerRecord()
const { doubt, limit, text, typed, unit } = useDistance()
const { known, readChart, totals, questions, corrections, ready, sums } = useNumbers()
const emit = defineEmits<{ open: [shot: ShotRecord] }>()
/** As it is read: with the coach's written number, where there is one. */
const read = computed(() => readChart.value.find(one => cellKey(one) === cellKey(props.cell)) ?? props.cell)
/** With its run, where that is read first. */
const total = computed(() => totalText(totals.value, props.cell, record.player?.thresholds.totalOn, unit.value))
const askedHere = computed(() => questions.value.filter(question => cellKey(question) === cellKey(props.cell)))
const askedM = computed(() => askedHere.value.map(question => question.carryM))
/** Those of this session are asked about beside its balls; those of earlier ones here. */
const askedBefore = computed(() =>
  askedHere.value.filter(({ shot }) => record.records.find(one => one.id === shot)?.sessionId !== props.session?.id),
)
const { windText } = useAirUnits()
const airLine = computed(() => {
  const found = newestCorrection(corrections.value, props.cell)
  return found && `${shortDate(found.fromMs)}, ${correctionText(found, unit.value, windText)}.`
})
const { say } = useCellRemarks()
/** The coach's word: it is closed, and proposed no more. */
function write() {
  const { carryM } = read.value
  if (carryM !== null) void say(props.cell, 'written', carryM, '', `written as ${text(carryM)} ${unit.value}`)
}
const { patchesOf, ballsOf, targetsOf, sideOf } = useLanding()
/** Seen from above as long as it is wanted: the last ball lands on it. */
const above = useLocalStorage('uzzet-from-above', false)
const hasSides = computed(() => props.cell.sideWindow80M !== undefined)
const targets = computed(() => targetsOf(props.session))
const side = computed(() => (above.value ? sideOf(props.cell) : null))
const { cellName } = useCellNames()
const landed = computed(() => ballsOf(shot => cellKey(shot) === cellKey(props.cell)))
/** Whether this number may be written down. */
const enough = computed(() => {
  const half = plusMinusM(props.cell)
  return half === null || !ready.value ? null : isWithin(half, ready.value.withinM)
})
const method = computed(() => {
  if (!known.value) return 'being worked out'
  const { cell } = props
  if (read.value.written)
    return cell.carryM === null
      ? 'written'
      : `written; the balls say ${text(cell.carryM)} ± ${doubt(plusMinusM(cell)!)}`
  if (cell.carryM === null) return 'no ball counts yet'
  if (cell.kind === 'predicted') return 'predicted from the others'
  const sum = sums.value.find(one => cellKey(one) === cellKey(cell))
  return (
    pulledText(cell, unit.value, askedHere.value.length) ||
    (sum && sum.parts.length > 0 && carrySumText(sum, cell.carryM, unit.value)) ||
    'from its balls and the other shots'
  )
})
</script>

<template>
  <div>
    <div class="raised px-3 pt-3 pb-1">
      <MarksPileStrip
        :carries-m="cell.carriesM"
        :left-out-m="cell.leftOutCarriesM"
        :asked-m="askedM"
        :centre-m="read.carryM"
        :window-m="read.window80M"
        :predicted="cell.kind === 'predicted' && !read.written"
      />
    </div>
    <details
      v-if="hasSides"
      class="raised mt-2 px-3 py-1"
      :open="above"
      @toggle="above = ($event.target as HTMLDetailsElement).open"
    >
      <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">Landing plan</summary>
      <MarksLandingPlan v-if="above" :patches="patchesOf([cell])" :balls="landed" :targets="targets" />
      <MarksSideOfShot v-if="side" :side="side" :name="cellName(cell)" />
    </details>
    <p v-if="airLine" class="soft mt-2">{{ airLine }}</p>
    <ShotsSetAside class="mt-2" />
    <ShotsCellQuestions v-if="askedBefore.length > 0" :asked="askedBefore" @open="emit('open', $event)" />
    <ShotsMarked :cell="cell" class="mt-2" />
    <ShotsGoals :key="cellKey(cell)" :cell="cell" class="mt-1" />
    <dl class="mt-4 grid grid-cols-2 gap-x-6 gap-y-2 sm:grid-cols-[auto_auto_1fr]">
      <div>
        <dt class="soft text-sm">Number</dt>
        <dd
          class="text-5xl leading-tight whitespace-nowrap"
          :class="[
            cell.kind === 'predicted' && !read.written ? 'soft font-semibold italic' : 'font-extrabold',
            read.written && 'underline decoration-4 underline-offset-8',
          ]"
        >
          {{ read.carryM === null ? '–' : read.written ? typed(read.carryM) : text(read.carryM)
          }}<span class="soft ml-2 inline-block text-xl font-semibold not-italic"
            >{{ !read.written && cell.certainty80M ? `± ${doubt(plusMinusM(cell)!)} ` : '' }}{{ unit }}</span
          >
        </dd>
        <dd v-if="total" class="font-semibold">{{ total }}</dd>
        <dd class="soft text-sm">{{ method }}</dd>
      </div>
      <div>
        <dt class="soft text-sm">One clean ball lies, 8 in 10</dt>
        <dd class="text-2xl leading-[2.9rem] font-bold">
          {{ read.window80M ? `${text(read.window80M[0])} to ${text(read.window80M[1])} ${unit}` : '–' }}
        </dd>
        <dd class="soft text-sm">
          {{ cell.balls }} {{ cell.balls === 1 ? 'ball counts' : 'balls count'
          }}<template v-if="cell.leftOut > 0">, {{ cell.leftOut }} left out</template>
        </dd>
      </div>
      <div v-if="ready && !cell.plain">
        <dt class="soft text-sm">Enough?</dt>
        <dd class="text-lg leading-snug" :class="enough && 'font-bold text-success'">
          <template v-if="enough"><UIcon name="i-lucide-check" /> Good enough to write down</template
          ><template v-else>Not yet: ± {{ limit(ready.withinM) }} is wanted</template>
        </dd>
        <dd v-if="read.carryM !== null && !read.written">
          <UButton size="sm" color="neutral" variant="outline" class="mt-1" @click="write">That's the number</UButton>
        </dd>
      </div>
    </dl>
  </div>
</template>
