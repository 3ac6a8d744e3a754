<script setup lang="ts">
import { type AirReading, USUAL_AIR, airDraft, readAirDraft } from '~/player/air/air-draft'
import { playsLike, windThere } from '#core/flight/neutral'
import type { Ladder } from '#core/gaps/ladder'
import { windThereText } from '#words/air'
import { nearestText } from '#words/nearest'
import { todayOfAir } from '#core/flight/session-air'
import { CARRY_LIMITS } from '#core/limits'
import { fromHeight, toHeight } from '#core/units'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'
import { typedNumber } from '~/ui/numbers'
import FrameAirFields from '~/player/air/AirFields.vue'

/** What a target plays like in today's air and up or down a slope, in parts. */
const open = defineModel<boolean>('open', { required: true })
const record = usePlayerRecord()
const account = useAccount()
const { unit, unitWord, whole, from } = useDistance()
const { units, airText, windText } = useAirUnits()
const { ladder } = useNumbers()
const { cellName } = useCellNames()
const kept = useLocalStorage<{ air: AirReading; target: string; slope: string }>(
  'uzzet-plays-like',
  { air: USUAL_AIR, target: '', slope: '0' },
  { serializer: { read: text => JSON.parse(text), write: value => JSON.stringify(value) } },
)

/** The newest air that was taken with the open player. */
const sessionAir = computed<AirReading | null>(() => {
  const newest = record.sessions
    .filter(session => session.air.length > 0)
    .sort((a, b) => b.startedAtMs - a.startedAtMs)[0]
  return newest?.air.at(-1) ?? null
})
const target = ref(kept.value.target)
const slope = ref(kept.value.slope)
const was = ref(kept.value.air)
const draft = ref(airDraft(was.value, units.value))
const showAir = ref(false)

function takeSession() {
  was.value = sessionAir.value!
  draft.value = airDraft(was.value, units.value)
}

const read = computed(() => readAirDraft(draft.value, units.value, was.value))
const faults = computed(() => ('faults' in read.value ? read.value.faults : {}))
const slopeFault = computed(() =>
  Math.abs(fromHeight(typedNumber(slope.value), account.heightUnit)) <= 60
    ? undefined
    : `Type −${Math.round(toHeight(60, account.heightUnit))} to ` +
      `${Math.round(toHeight(60, account.heightUnit))} ${account.heightUnit}; down is negative.`,
)
const targetFault = computed(() => {
  const { min, max } = CARRY_LIMITS[unit.value]
  const value = typedNumber(target.value)
  return target.value.trim() === '' || (value >= min && value <= max)
    ? undefined
    : `"${target.value}" is not possible: ${min} to ${max} ${unit.value}.`
})
const targetM = computed(() =>
  target.value.trim() === '' || targetFault.value ? null : from(typedNumber(target.value)),
)

const result = computed(() => {
  if (targetM.value === null || slopeFault.value || !('air' in read.value)) return null
  const today = todayOfAir({ ...read.value.air, fromMs: 0 })
  return (
    playsLike(targetM.value, { ...today, targetHeightM: fromHeight(typedNumber(slope.value), account.heightUnit) }) ??
    'no'
  )
})
const parts = computed(() => {
  if (!result.value || result.value === 'no') return []
  const { windM, airM, slopeM } = result.value
  return [
    { what: 'wind', metres: windM },
    { what: 'warmth, height and damp', metres: airM },
    { what: 'slope', metres: slopeM },
  ]
})
const wind = computed(() => {
  if (!result.value || result.value === 'no' || targetM.value === null || !('air' in read.value)) return ''
  const today = todayOfAir({ ...read.value.air, fromMs: 0 }).wind
  const there = windThere(targetM.value, today)
  return windThereText(there, today.speedMs, targetM.value + result.value.windM, unit.value, windText)
})
/** Of the open player's own ladder, as it is read; nothing where no number is near. */
const NEAR_M = 15
const nearest = computed(() => {
  if (!result.value || result.value === 'no') return ''
  const { carryM } = result.value
  const shot = ladder.value.reduce<Ladder[number] | null>(
    (best, one) => (!best || Math.abs(one.carryM - carryM) < Math.abs(best.carryM - carryM) ? one : best),
    null,
  )
  if (!shot || Math.abs(shot.carryM - carryM) > NEAR_M) return ''
  return nearestText(cellName(shot), shot.carryM, carryM, unit.value)
})
const signed = (metres: number) =>
  `${Number(whole(metres)) === 0 ? '' : metres < 0 ? '−' : '+'}${whole(Math.abs(metres))} ${unit.value}`

watch([target, slope, read], () => {
  if ('air' in read.value) kept.value = { air: read.value.air, target: target.value, slope: slope.value }
})
</script>

<template>
  <UModal
    v-model:open="open"
    title="Plays like"
    description="What to hit in neutral air to get there today."
    :ui="{ content: 'max-w-3xl' }"
  >
    <template #body>
      <div class="grid grid-cols-2 items-start gap-x-4 sm:grid-cols-[10rem_12rem_1fr]">
        <UFormField :label="`Target, ${unitWord}`" :error="targetFault" help=" "
          ><UInput v-model="target" inputmode="decimal" autofocus size="xl" class="w-full text-2xl font-bold"
        /></UFormField>
        <UFormField :label="`Up (+) or down (−), ${account.heightUnit}`" :error="slopeFault" help=" "
          ><UInput v-model="slope" inputmode="text" size="xl" class="w-full"
        /></UFormField>
        <div class="max-sm:col-span-2" role="status">
          <p class="soft text-sm">Plays like</p>
          <p class="text-6xl leading-tight font-extrabold">
            {{ result && result !== 'no' ? whole(result.carryM) : '–'
            }}<span class="soft ml-1 text-2xl font-semibold">{{ unit }}</span>
          </p>
          <p class="min-h-6 font-semibold">{{ nearest }}</p>
        </div>
      </div>
      <p v-if="result === 'no'" class="font-semibold text-error" role="alert">
        No such shot gets there: into that wind, or so far up, the longest iron falls short.
      </p>
      <dl class="soft flex min-h-7 flex-wrap gap-x-5">
        <div v-for="part in parts" :key="part.what" class="flex gap-1.5">
          <dt>{{ part.what }}</dt>
          <dd class="font-semibold text-default">{{ signed(part.metres) }}</dd>
        </div>
      </dl>
      <p class="soft min-h-6 text-sm">{{ wind }}</p>
      <div class="mt-3 flex flex-wrap items-center gap-2 border-t border-default pt-3">
        <p class="min-w-0 flex-1 max-sm:basis-full">
          {{ 'air' in read ? airText(read.air) : 'The air is not complete.' }}
        </p>
        <UButton v-if="sessionAir" color="neutral" variant="outline" @click="takeSession"
          >Air of the last session</UButton
        >
        <UButton color="neutral" variant="outline" :aria-expanded="showAir" @click="showAir = !showAir">{{
          showAir ? 'Hide the air' : 'Change the air'
        }}</UButton>
      </div>
      <FrameAirFields v-if="showAir || 'faults' in read" v-model="draft" class="mt-3" :faults="faults" />
      <p class="soft mt-3 text-sm">
        For the club that is usual at the distance it plays. A steep wedge loses more to a headwind than a flat iron;
        the nearest number is the player's own, in neutral air.
      </p>
    </template>
    <template #footer><UButton color="neutral" variant="outline" @click="open = false">Close</UButton></template>
  </UModal>
</template>
