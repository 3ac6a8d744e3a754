<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import type { ChartCell } from '#core/chart/chart-cell'
import { TRIM_FROM_BALLS } from '#core/chart/middle-of-the-pile'
import { doesCount } from '#core/shot/shot'
import type { ShotRecord } from '#shared/schemas/session'
import { METHOD_WORDS } from '#shared/choices'
import { correctionText } from '#words/air'
import { carrySumText } from '#words/carry-sum'
import { patternText } from '#words/believed'
import { pulledText } from '#words/pulled'
import { speedCallText } from '#words/speed-call'
import { totalText } from '#words/total'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'
import { daysAgo, shortDate } from '~/ui/dates'

/** What the balls of one stock shot say beside its number, a line each. */
const props = defineProps<{ cell: ChartCell; shots: ShotRecord[]; neutralM: Map<string, number>; asked: number }>()
const record = usePlayerRecord()
const account = useAccount()
const { unit, withUnit } = useDistance()
const { windText } = useAirUnits()
const { totals, corrections, speedCalls, sums } = useNumbers()
const counting = computed(() => props.shots.filter(doesCount))
/** The figure of a ball that the number beside it is made of. */
const carryOf = (shot: ShotRecord) => props.neutralM.get(shot.id) ?? shot.carryM

/** With its run, where that is read first. */
const total = computed(() => totalText(totals.value, props.cell, record.player?.thresholds.totalOn, unit.value))
/** Where the stock shot calls a club speed: its balls were taken to it. */
const speedWords = computed(() => {
  const call = speedCalls.value.find(one => cellKey(one) === cellKey(props.cell))
  return call && props.cell.carryM !== null ? speedCallText(call, props.cell.carryM, unit.value, account.speedUnit) : ''
})
const pulled = computed(() => pulledText(props.cell, unit.value, props.asked))
/** How the number came of what was typed, where it is not just that. */
const sum = computed(() => {
  const found = sums.value.find(one => cellKey(one) === cellKey(props.cell))
  // Where nothing was done to it, what pulls it there is said already.
  const isSaid = found?.parts.length === 0 && pulled.value !== ''
  return found && !isSaid && props.cell.carryM !== null ? carrySumText(found, props.cell.carryM, unit.value) : ''
})

/** Nobody reads less than this. */
const SAME_M = 0.05
const middleWords = computed(() => {
  const { middleM, carriesM } = props.cell
  if (middleM === null) return ''
  const trimmed = carriesM.length >= TRIM_FROM_BALLS ? ', without the longest and the shortest' : ''
  const corrected = counting.value.some(shot => Math.abs(carryOf(shot) - shot.carryM) > SAME_M)
  return `Plain middle of the pile${corrected ? ', in neutral air' : ''}: ${withUnit(middleM)}${trimmed}.`
})

/** What the air did, session by session, newest first. */
const airLines = computed(() =>
  corrections.value
    .filter(one => cellKey(one) === cellKey(props.cell))
    .sort((a, b) => b.fromMs - a.fromMs)
    .slice(0, 3)
    .map(one => `${shortDate(one.fromMs)}, ${correctionText(one, unit.value, windText)}.`),
)

const pattern = computed(() =>
  props.cell.carryM === null
    ? null
    : patternText(
        counting.value.flatMap(shot =>
          shot.readings?.sideM === undefined ? [] : [{ carryM: carryOf(shot), sideM: shot.readings.sideM }],
        ),
        props.cell.carryM,
        unit.value,
      ),
)
const middle = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1]!
/** Launch, spin and descent, where a device saw them: the middle ball of all that count. */
const launch = computed(() => {
  const of = (name: 'launchDeg' | 'spinRpm' | 'descentDeg') =>
    counting.value.flatMap(({ readings }) => (readings?.[name] === undefined ? [] : [readings[name]]))
  const [launches, spins, descents] = [of('launchDeg'), of('spinRpm'), of('descentDeg')]
  return [
    ...(launches.length > 0 ? [`launch ${Math.round(middle(launches))}°`] : []),
    ...(spins.length > 0 ? [`spin ${(Math.round(middle(spins) / 100) * 100).toLocaleString('en-GB')} rpm`] : []),
    ...(descents.length > 0 ? [`descent ${Math.round(middle(descents))}°`] : []),
  ].join(', ')
})
const taken = computed(() => {
  const methods = [...new Set(counting.value.map(shot => METHOD_WORDS[shot.method].toLowerCase()))]
  if (counting.value.length === 0) return ''
  return `By ${methods.join(' and ')}, last ${daysAgo(Math.max(...counting.value.map(shot => shot.hitAtMs)))}.`
})
</script>

<template>
  <p v-if="total" class="text-lg font-semibold">{{ total }}</p>
  <slot />
  <p v-if="pulled" class="font-semibold">{{ pulled }}</p>
  <p v-if="sum">{{ sum }}</p>
  <p v-if="speedWords">{{ speedWords }}</p>
  <p v-if="middleWords || taken" class="soft">{{ taken }} {{ middleWords }}</p>
  <p v-if="launch" class="soft">Middle ball: {{ launch }}.</p>
  <p v-if="pattern">{{ pattern }}</p>
  <p v-for="words in airLines" :key="words" class="soft">{{ words }}</p>
</template>
