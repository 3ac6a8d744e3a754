<script setup lang="ts">
import {
  type AirDraft,
  GROUND_WORDS,
  JUDGED_WORDS,
  USUAL_AIR,
  airDraft,
  readAirDraft,
  windFromWords,
} from '~/player/air/air-draft'
import { HEIGHT_UNITS, TEMP_UNITS, WIND_UNITS } from '#core/units'
import type { Metar } from '#core/files/metar'
import { GROUNDS, WINDS_JUDGED } from '#shared/choices'
import { useAirUnits } from '~/player/air/useAirUnits'
import { api } from '~/offline/api'
import { useAccount } from '~/offline/stores/account'
import { typedNumber } from '~/ui/numbers'
import FrameWindFromBall from '~/player/air/WindFromBall.vue'

/** Temperature, wind by the clock, height, humidity and pressure; typed, or taken from a pasted METAR line. */
const draft = defineModel<AirDraft>({ required: true })
const props = defineProps<{ faults: Record<string, string>; bearingDeg?: number }>()
const account = useAccount()
const { units } = useAirUnits()

// The figures are turned, not the meaning: 14 °C becomes 57 °F.
watch(units, (now, before) => {
  const read = readAirDraft(draft.value, before, USUAL_AIR)
  if ('air' in read) draft.value = airDraft(read.air, now)
})

const windy = computed(() => typedNumber(draft.value.wind) > 0)
// A wind that blows is not calm, and none is: nobody need say it twice.
watch(windy, blows => {
  if (blows && draft.value.judged === 'calm') draft.value.judged = 'felt'
  if (!blows) draft.value.judged = 'calm'
})

const line = ref('')
/** Null until it is known whether the range has a weather station. */
const hasStation = ref<boolean | null>(null)
const stationBusy = ref(false)

/** The newest line of the range's weather station, into the field. */
async function askStation() {
  stationBusy.value = true
  metarFault.value = undefined
  try {
    const reply = await api('/api/weather')
    hasStation.value = reply.station
    if (reply.line) line.value = reply.line
    else metarFault.value = 'The weather station does not answer: type the air, or paste a line.'
  } catch (error) {
    metarFault.value = (error as Error).message
  } finally {
    stationBusy.value = false
  }
}
onMounted(async () => {
  // Without an answer there is no button: the air can be typed all the same.
  hasStation.value = await api('/api/weather').then(
    reply => reply.station,
    () => false,
  )
})
const bearing = useLocalStorage('uzzet-bearing', '')
if (props.bearingDeg !== undefined) bearing.value = String(Math.round(props.bearingDeg))
const metarFault = ref<string>()
const taken = ref('')

async function takeMetar() {
  metarFault.value = undefined
  taken.value = ''
  const { clockOf, readMetar } = await import('#core/files/metar')
  let metar: Metar
  try {
    metar = readMetar(line.value)
  } catch (error) {
    metarFault.value = (error as Error).message
    return
  }
  const typed = bearing.value.trim()
  const degrees = /^\d{1,3}$/.test(typed) ? Number(typed) : Number.NaN
  if (metar.windFromDeg !== null && !(degrees <= 360)) {
    metarFault.value =
      `The report's wind is from ${metar.windFromDeg}°: type ` +
      `where the target lies, 0 to 360°, north being 0 and east 90.`
    return
  }
  const read = readAirDraft(draft.value, units.value, USUAL_AIR)
  const was = 'air' in read ? read.air : USUAL_AIR
  draft.value = airDraft(
    {
      ...was,
      tempC: metar.tempC,
      humidity: metar.humidity ?? was.humidity,
      qnhPa: metar.qnhPa,
      wind: {
        speedMs: metar.windMs,
        clock: metar.windFromDeg === null ? 12 : clockOf(metar.windFromDeg, degrees),
        judged: 'report',
      },
    },
    units.value,
  )
  const turns = metar.windFromDeg === null && metar.windMs > 0
  const wind = turns ? '; its wind is variable: say where it comes from' : ''
  taken.value = `Taken from the report of ${metar.station}${wind}.`
}

const CLOCK = Array.from({ length: 12 }, (_, i) => (i === 0 ? 12 : i))
</script>

<template>
  <div class="space-y-3">
    <div class="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
      <UFormField label="Temperature" :error="faults.temp" help=" ">
        <div class="flex gap-1">
          <UInput v-model="draft.temp" inputmode="decimal" aria-label="Temperature" class="min-w-0 flex-1" /><USelect
            v-model="account.tempUnit"
            :items="[...TEMP_UNITS]"
            aria-label="Unit of temperature"
            class="w-20"
          />
        </div>
      </UFormField>
      <UFormField label="Wind" :error="faults.wind" help=" ">
        <div class="flex gap-1">
          <UInput v-model="draft.wind" inputmode="decimal" aria-label="Wind" class="min-w-0 flex-1" /><USelect
            v-model="account.windUnit"
            :items="Object.keys(WIND_UNITS)"
            aria-label="Unit of wind"
            class="w-24"
          />
        </div>
      </UFormField>
      <UFormField label="Judged by" help=" "
        ><USelect
          v-model="draft.judged"
          :items="WINDS_JUDGED.map(value => ({ value, label: JUDGED_WORDS[value] }))"
          class="w-full"
      /></UFormField>
    </div>
    <fieldset>
      <legend class="mb-1 text-sm font-semibold">
        {{ windy ? `It comes from: ${windFromWords(draft.clock)}` : 'No wind' }}
      </legend>
      <div class="grid grid-cols-6 gap-1 sm:grid-cols-12">
        <UButton
          v-for="hour in CLOCK"
          :key="hour"
          color="neutral"
          :variant="windy && draft.clock === hour ? 'solid' : 'outline'"
          :disabled="!windy"
          :aria-pressed="windy && draft.clock === hour"
          :aria-label="`${hour} o'clock, ${windFromWords(hour)}`"
          class="justify-center"
          @click="draft.clock = hour"
        >
          {{ hour }}
        </UButton>
      </div>
      <p class="soft mt-1 text-sm">12 is in the face, 3 from the right, 6 from behind.</p>
    </fieldset>
    <div class="grid grid-cols-2 gap-x-4 sm:grid-cols-4">
      <UFormField label="Altitude" :error="faults.altitude" help=" ">
        <div class="flex gap-1">
          <UInput v-model="draft.altitude" inputmode="decimal" aria-label="Altitude" class="min-w-0 flex-1" /><USelect
            v-model="account.heightUnit"
            :items="Object.keys(HEIGHT_UNITS)"
            aria-label="Unit of altitude"
            class="w-18"
          />
        </div>
      </UFormField>
      <UFormField label="Humidity, %" :error="faults.humidity" help=" "
        ><UInput v-model="draft.humidity" inputmode="decimal" class="w-full"
      /></UFormField>
      <UFormField label="Pressure, hPa" :error="faults.qnh" help="At sea level, or empty."
        ><UInput v-model="draft.qnh" inputmode="decimal" class="w-full"
      /></UFormField>
      <UFormField label="Ground" help=" "
        ><USelect
          v-model="draft.ground"
          :items="GROUNDS.map(value => ({ value, label: GROUND_WORDS[value] }))"
          class="w-full"
      /></UFormField>
    </div>
    <FrameWindFromBall v-model="draft" />
    <details>
      <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">
        From a weather report (METAR)
      </summary>
      <div class="grid gap-x-3 sm:grid-cols-[minmax(0,1fr)_9rem_auto] sm:items-start">
        <UFormField label="METAR line" :error="metarFault" :help="taken || ' '"
          ><UInput v-model="line" placeholder="EGXX 251120Z 24008KT 9999 12/07 Q1021" class="w-full"
        /></UFormField>
        <UFormField label="Target lies at, °" help=" "
          ><UInput v-model="bearing" inputmode="numeric" placeholder="0–360" class="w-full"
        /></UFormField>
        <UButton color="neutral" variant="outline" class="sm:mt-7" @click="takeMetar">Take it</UButton>
        <UButton
          v-if="hasStation"
          color="neutral"
          variant="outline"
          icon="i-lucide-radio-tower"
          :loading="stationBusy"
          class="justify-self-start sm:col-span-3"
          @click="askStation"
          >Ask the range's weather station</UButton
        >
      </div>
    </details>
  </div>
</template>
