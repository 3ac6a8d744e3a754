<script setup lang="ts">
import { WITHIN_M } from '#core/chart/within'
import { FLAG_RULES, USUAL_THRESHOLDS } from '#core/gaps/flags'
import type { ThresholdName } from '#core/gaps/flag'
import { thresholdText } from '#words/flags'
import { LINE_OF_LEVEL } from '#core/gaps/line'
import { THRESHOLD_LIMITS, WITHIN_MAX_M, WITHIN_MIN_M } from '#core/limits'
import { distanceText, fromUnit } from '#core/units'
import { LEVEL_WORDS } from '#shared/choices'
import type { AcademyThresholds, Thresholds } from '#shared/schemas/player'
import type { Player } from '#shared/player'
import { Refused, api } from '~/offline/api'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'

/** What is a flag, and what is known: for this player, or for all players of the academy. */
const record = usePlayerRecord()
const { unit } = useDistance()
const busy = ref(false)
const whose = ref<'player' | 'academy'>('player')
const typed = reactive<Record<string, string>>({})
const errors = reactive<Record<string, string | undefined>>({})
const failure = ref<string>()

type Figure = ThresholdName | 'withinM'
interface Row {
  option: Figure
  label: string
  why: string
  usual: number
  least: number
  most: number
}
const level = computed(() => record.player?.level ?? 'unknown')
const whoseLevel = computed(() =>
  level.value === 'unknown'
    ? 'a player whose level is not known'
    : `this level (${LEVEL_WORDS[level.value].toLowerCase()})`,
)
const rows = computed<Row[]>(() => [
  {
    option: 'leaveM',
    label: 'Acceptable leave',
    why: `For ${whoseLevel.value}, about what well-known numbers leave at 90.`,
    usual: LINE_OF_LEVEL[level.value],
    least: THRESHOLD_LIMITS.leaveM[0],
    most: THRESHOLD_LIMITS.leaveM[1],
  },
  {
    option: 'withinM',
    label: 'Known within ±',
    why: 'About half of a usual step between stock shots.',
    usual: WITHIN_M,
    least: WITHIN_MIN_M,
    most: WITHIN_MAX_M,
  },
  ...FLAG_RULES.flatMap(({ meta }): Row[] =>
    (meta.thresholds ?? []).map(option => ({
      option,
      ...thresholdText(meta.id, option),
      usual: USUAL_THRESHOLDS[option]!,
      least: THRESHOLD_LIMITS[option][0],
      most: THRESHOLD_LIMITS[option][1],
    })),
  ),
])
const isLength = (option: Figure) => option.endsWith('M')
const UNITS: readonly [ending: string, unit: string][] = [
  ['Deg', '°'],
  ['Percent', '% of the carry'],
  ['Days', 'days'],
  ['', 'balls'],
]
const unitOf = (option: Figure) =>
  isLength(option) ? unit.value : UNITS.find(([ending]) => option.endsWith(ending))![1]
/** What is counted says so itself. */
const labelOf = ({ label, option }: Row) => (unitOf(option) === 'balls' ? label : `${label}, ${unitOf(option)}`)
const shown = (option: Figure, value: number) =>
  String(Number(isLength(option) ? distanceText(value, unit.value, 1) : value.toFixed(1)))
const held = computed<AcademyThresholds>(() =>
  whose.value === 'player' ? (record.player?.thresholds ?? {}) : record.academyThresholds,
)
/** What holds when nothing is set here: the academy's, for a player. */
const otherwise = (row: Row) =>
  (whose.value === 'player' ? record.academyThresholds[row.option] : undefined) ?? row.usual
const helpOf = (row: Row) => {
  const ofAcademy = whose.value === 'player' && record.academyThresholds[row.option] !== undefined
  return `${ofAcademy ? "The academy's" : 'Usually'} ${shown(row.option, otherwise(row))}. ${row.why}`
}
const valueOf = (row: Row) => held.value[row.option] ?? otherwise(row)
/** What each field was given: one that reads otherwise is being typed in, and no answer writes over it. */
const given: Partial<Record<Figure, string>> = {}
function fill(all: boolean) {
  for (const row of rows.value) {
    const { option } = row
    const text = shown(option, valueOf(row))
    if (all || typed[option] === given[option]) {
      typed[option] = text
      errors[option] = undefined
    }
    given[option] = text
  }
}
watch([unit, whose], () => fill(true), { immediate: true })
watch([held, rows], () => fill(false))

async function save() {
  const next: AcademyThresholds = { ...held.value }
  for (const row of rows.value) {
    const text = typed[row.option]!.trim().replace(',', '.')
    const value = isLength(row.option) ? fromUnit(Number(text), unit.value) : Number(text)
    const bad = text === '' || !(value >= row.least - 1e-9 && value <= row.most + 1e-9)
    errors[row.option] = bad
      ? `"${typed[row.option]}" is not possible: ${shown(row.option, row.least)} ` +
        `to ${shown(row.option, row.most)} ${unitOf(row.option)} is allowed.`
      : undefined
    // An untouched figure keeps its exact value, whatever unit it is shown in.
    if (text !== shown(row.option, valueOf(row))) next[row.option] = Math.min(row.most, Math.max(row.least, value))
  }
  if (rows.value.some(row => errors[row.option])) return
  await send(next)
}

async function send(figures: AcademyThresholds) {
  busy.value = true
  failure.value = undefined
  try {
    if (whose.value === 'academy') {
      await api('/api/academy', { method: 'PATCH', body: { thresholds: figures } })
      record.academyThresholds = figures
    } else {
      const thresholds: Thresholds = figures
      record.player = await api('/api/players/:playerId', {
        params: { playerId: record.playerId },
        method: 'PATCH',
        body: { version: record.player!.version, thresholds },
      })
    }
  } catch (error) {
    failure.value = (error as Error).message
    // The figures typed stay; only the version is brought up to date, so that saving again goes through.
    if (error instanceof Refused && error.status === 409) record.player = { ...(error.current as Player) }
  } finally {
    busy.value = false
  }
}

/** Figures of flags alone: totals first, air and what is counted are set elsewhere. */
async function usual() {
  const names = new Set<string>(rows.value.map(row => row.option))
  await send(Object.fromEntries(Object.entries(held.value).filter(([name]) => !names.has(name))))
  if (!failure.value) fill(true)
}
</script>

<template>
  <form class="raised p-4" novalidate @submit.prevent="save">
    <h2 class="text-lg font-bold">What is a flag, and what is known?</h2>
    <URadioGroup
      v-model="whose"
      orientation="horizontal"
      class="mt-1"
      :items="[
        { value: 'player', label: 'For this player' },
        { value: 'academy', label: 'For all players of the academy' },
      ]"
    />
    <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
    <div class="mt-3 grid gap-x-4 gap-y-3 sm:grid-cols-2">
      <UFormField
        v-for="row in rows"
        :key="row.option"
        :label="labelOf(row)"
        :error="errors[row.option]"
        :help="helpOf(row)"
      >
        <UInput v-model="typed[row.option]" inputmode="decimal" class="w-full" />
      </UFormField>
    </div>
    <div class="mt-3 flex flex-wrap gap-2">
      <UButton type="submit" :loading="busy">Use these</UButton>
      <UButton
        v-if="rows.some(row => held[row.option] !== undefined)"
        color="neutral"
        variant="outline"
        :disabled="busy"
        @click="usual"
        >{{
          whose === 'player' && Object.keys(record.academyThresholds).length > 0
            ? "Back to the academy's"
            : 'Back to usual'
        }}</UButton
      >
    </div>
  </form>
</template>
