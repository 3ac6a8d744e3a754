<script setup lang="ts">
import { WITHIN_M } from '#core/chart/calibration'
import { FLAG_RULES } from '#core/gaps/flags'
import { THRESHOLD_MAX_M, THRESHOLD_MIN_M, WITHIN_MAX_M, WITHIN_MIN_M } from '#core/limits'
import { distanceText, fromUnit } from '#core/units'
import type { Player, Thresholds } from '#shared/player'

/** When a step is too wide and a pair too close, and how surely a number is wanted, for this player. */
const record = usePlayerRecord()
const { unit, withUnit } = useDistance()
const busy = ref(false)
const typed = reactive<Record<string, string>>({})
const errors = reactive<Record<string, string | undefined>>({})
const failure = ref<string>()

type Figure = Exclude<keyof Thresholds, 'asMeasured' | 'totalOn'>
interface Row { option: Figure, label: string, usualM: number, leastM: number, mostM: number }
const rows: Row[] = [
  ...FLAG_RULES.flatMap(({ meta: { threshold }, defaults }): Row[] => threshold
    ? [{ option: threshold.option as Figure, label: threshold.label, usualM: defaults[threshold.option]!, leastM: THRESHOLD_MIN_M, mostM: THRESHOLD_MAX_M }]
    : []),
  { option: 'withinM', label: 'Known within ±', usualM: WITHIN_M, leastM: WITHIN_MIN_M, mostM: WITHIN_MAX_M },
]
const valueM = (row: Row) => record.player?.thresholds[row.option] ?? row.usualM
watch([unit, () => record.player?.thresholds], () => {
  for (const row of rows) typed[row.option] = String(Number(distanceText(valueM(row), unit.value, 1)))
}, { immediate: true })

async function save() {
  const thresholds: Thresholds = { ...record.player!.thresholds }
  for (const row of rows) {
    const text = typed[row.option]!.trim().replace(',', '.')
    const metres = fromUnit(Number(text), unit.value)
    const bad = text === '' || !(metres >= row.leastM - 1e-9 && metres <= row.mostM + 1e-9)
    errors[row.option] = bad ? `"${typed[row.option]}" is not possible: ${withUnit(row.leastM)} to ${withUnit(row.mostM)} is allowed.` : undefined
    // An untouched figure keeps its exact value, whatever unit it is shown in.
    if (text !== String(Number(distanceText(valueM(row), unit.value, 1)))) thresholds[row.option] = Math.min(row.mostM, Math.max(row.leastM, metres))
  }
  if (rows.some(row => errors[row.option])) return
  await send(thresholds)
}

async function send(thresholds: Thresholds) {
  busy.value = true
  failure.value = undefined
  try {
    record.player = await api<Player>(`/api/players/${record.playerId}`, { method: 'PATCH', body: { version: record.player!.version, thresholds } })
  } catch (error) {
    failure.value = (error as Error).message
    // The figures typed stay; only the version is brought up to date, so that saving again goes through.
    if (error instanceof Refused && error.status === 409) record.player = { ...(error.current as Player) }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="raised p-4" novalidate @submit.prevent="save">
    <h2 class="text-lg font-bold">What is a flag, and what is known?</h2>
    <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
    <div class="mt-2 grid gap-x-4 sm:grid-cols-3">
      <UFormField v-for="row in rows" :key="row.option" :label="`${row.label}, ${unit}`" :error="errors[row.option]" :help="`Usually ${withUnit(row.usualM)}.`">
        <UInput v-model="typed[row.option]" inputmode="decimal" class="w-full" />
      </UFormField>
    </div>
    <div class="mt-1 flex gap-2">
      <UButton type="submit" :loading="busy">Use these</UButton>
      <UButton v-if="rows.some(row => record.player?.thresholds[row.option] !== undefined)" color="neutral" variant="outline" :disabled="busy" @click="send(record.player!.thresholds.asMeasured ? { asMeasured: true } : {})">Back to usual</UButton>
    </div>
  </form>
</template>
