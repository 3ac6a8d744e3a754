<script setup lang="ts">
import { windFromPitch } from '#core/flight/wind-from-pitch'
import { todayOfAir } from '#core/flight/session-air'
import { DELIVERY_LOFT_DEG } from '#core/flight/deliver'
import { measuringErrorM } from '#core/shot/measuring'
import { CARRY_LIMITS } from '#core/limits'
import { windAlongText } from '#words/air'
import { type AirDraft, USUAL_AIR, readAirDraft } from '~/player/air/air-draft'
import { toWind } from '#core/units'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'
import { typedNumber } from '~/ui/numbers'

/** The wind along the line, from one ball: what the monitor read for calm air, and where it pitched. */
const draft = defineModel<AirDraft>({ required: true })
const record = usePlayerRecord()
const { unit, unitWord, from } = useDistance()
const { units, windText } = useAirUnits()
const clubs = computed(() =>
  record.bag.clubs
    .filter(club => !club.retired && club.loftDeg >= DELIVERY_LOFT_DEG[0])
    .map(club => ({ value: club.id, label: club.label })),
)
const clubId = ref(clubs.value.at(-1)?.value)
const read = ref('')
const pitched = ref('')
const fault = ref<string>()
const taken = ref('')

function distanceFault(text: string, what: string): string | undefined {
  const { min, max } = CARRY_LIMITS[unit.value]
  const value = typedNumber(text)
  if (value >= min && value <= max) return undefined
  return `${what} ${text.trim() === '' ? 'is missing' : `"${text}" is not possible`}: ${min} to ${max} ${unit.value}.`
}

function take() {
  taken.value = ''
  fault.value = distanceFault(read.value, 'What was read') ?? distanceFault(pitched.value, 'Where it pitched')
  const air = readAirDraft({ ...draft.value, wind: '0' }, units.value, USUAL_AIR)
  if ('faults' in air) fault.value ??= 'Put the air right first: temperature, altitude, humidity, pressure.'
  if (fault.value || 'faults' in air) return
  const [readM, pitchedM] = [from(typedNumber(read.value)), from(typedNumber(pitched.value))]
  const found = windFromPitch(
    {
      readM,
      pitchedM,
      loftDeg: record.bag.clubs.find(club => club.id === clubId.value)?.loftDeg,
      errorM: Math.hypot(measuringErrorM('monitor', readM), measuringErrorM('laser', pitchedM)),
    },
    todayOfAir({ ...air.air, fromMs: 0 }),
  )
  if (!found) {
    fault.value = 'No wind short of a gale makes that of such a shot: look at both numbers and the club.'
    return
  }
  const wind = toWind(Math.abs(found.headMs), units.value.wind).toFixed(1)
  const clock = found.headMs >= 0 ? 12 : 6
  draft.value = { ...draft.value, wind, clock, judged: 'pitched', fromBall: { wind, clock, sdMs: found.sdMs } }
  taken.value = windAlongText(found, windText)
}
</script>

<template>
  <details>
    <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">
      From one ball: what the monitor read, where it pitched
    </summary>
    <div class="grid grid-cols-2 items-start gap-x-3 sm:grid-cols-[10rem_8rem_8rem_auto]">
      <UFormField v-if="clubs.length > 0" label="Club" help=" " class="max-sm:col-span-2"
        ><USelect v-model="clubId" :items="clubs" class="w-full"
      /></UFormField>
      <UFormField :label="`Read, ${unitWord}`" help=" "
        ><UInput v-model="read" inputmode="decimal" class="w-full"
      /></UFormField>
      <UFormField :label="`Pitched, ${unitWord}`" help=" "
        ><UInput v-model="pitched" inputmode="decimal" class="w-full"
      /></UFormField>
      <UButton color="neutral" variant="outline" class="justify-self-start sm:mt-7" @click="take">Set the wind</UButton>
    </div>
    <p v-if="fault" class="font-semibold text-error" role="alert">{{ fault }}</p>
    <p v-else class="soft min-h-6 text-sm" role="status">
      {{ taken || 'For a monitor that works out the carry for calm air. It gives the wind along the line only.' }}
    </p>
  </details>
</template>
