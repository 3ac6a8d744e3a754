<script setup lang="ts">
import { LIE_NAMES } from '#core/pick/lies'
import { FIRMNESS_MS2, type Firmness } from '#core/flight/run-out'
import { fromHeight, toHeight } from '#core/units'
import type { PickSetting } from '~/features/pick/usePick'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useAccount } from '~/offline/stores/account'
import { USUAL_AIR, airDraft, readAirDraft, type AirReading } from '~/player/air/air-draft'
import { clockLooking, readCompass, windFromDeg } from '~/features/pick/compass'
import { serverNowMs } from '~/offline/server-clock'
import { typedNumber } from '~/ui/numbers'
import { later } from '~/ui/later'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** Today's air, the slope, the ground and the lie: entered once, kept with its age. */
const setting = defineModel<PickSetting>({ required: true })
const props = defineProps<{ home: AirReading | null }>()
const account = useAccount()
const { units, airText } = useAirUnits()
const LazyAirFields = later(() => import('~/player/air/AirFields.vue'))

const draft = ref(airDraft(setting.value.air ?? props.home ?? USUAL_AIR, units.value))
const showAir = ref(false)
const read = computed(() => readAirDraft(draft.value, units.value, setting.value.air ?? USUAL_AIR))
const faults = computed(() => ('faults' in read.value ? read.value.faults : {}))
function takeAir(): void {
  if (!('air' in read.value)) return
  setting.value = { ...setting.value, air: read.value.air, airAtMs: serverNowMs(), windFromDeg: null, neutral: false }
  showAir.value = false
}
const neutral = () => {
  setting.value = { ...setting.value, air: null, airAtMs: null, windFromDeg: null, neutral: true }
  draft.value = airDraft(USUAL_AIR, units.value)
}
const backHome = () => {
  setting.value = { ...setting.value, air: null, airAtMs: null, windFromDeg: null, neutral: false }
  draft.value = airDraft(props.home ?? USUAL_AIR, units.value)
}
const says = computed(() => {
  const { air, neutral: isNeutral } = setting.value
  if (air) return airText(air)
  if (props.home && !isNeutral) return `Usual air of the home course: ${airText(props.home)}.`
  return 'Neutral air: calm, 20 °C, sea level.'
})

/** Pointed at the flag, the wind keeps where it comes from: on another hole it blows from another side. */
const compassFault = ref('')
const compassSays = ref('')
async function pointed() {
  const { air, windFromDeg: known } = setting.value
  if (!air) return
  compassFault.value = compassSays.value = ''
  try {
    const looking = await readCompass()
    const fromDeg = known ?? windFromDeg(air.wind.clock, looking)
    const clock = clockLooking(fromDeg, looking)
    setting.value = { ...setting.value, windFromDeg: fromDeg, air: { ...air, wind: { ...air.wind, clock } } }
    draft.value = airDraft(setting.value.air!, units.value)
    compassSays.value =
      known === null ? 'The wind is kept by the compass: point again on the next hole.' : 'The wind is turned.'
  } catch (error) {
    compassFault.value = (error as Error).message
  }
}
const MOST_SLOPE_M = 60
const slope = ref(String(Math.round(toHeight(setting.value.slopeM, account.heightUnit))))
const slopeFault = computed(() => {
  const most = Math.round(toHeight(MOST_SLOPE_M, account.heightUnit))
  const metres = fromHeight(typedNumber(slope.value), account.heightUnit)
  return Math.abs(metres) <= MOST_SLOPE_M ? '' : `Type −${most} to ${most} ${account.heightUnit}; down is negative.`
})
watch(slope, () => {
  if (!slopeFault.value)
    setting.value = { ...setting.value, slopeM: fromHeight(typedNumber(slope.value), account.heightUnit) }
})
const grounds = (Object.keys(FIRMNESS_MS2) as Firmness[]).map(value => ({ value, label: `${value} ground` }))
const lies = LIE_NAMES.map(value => ({ value, label: value }))
</script>

<template>
  <div class="space-y-3">
    <div class="flex flex-wrap items-end gap-3">
      <UFormField label="Ground"
        ><FramePlainSelect
          label="Ground"
          :model-value="setting.firmness"
          :items="grounds"
          class="w-40"
          @update:model-value="setting = { ...setting, firmness: $event as Firmness }"
      /></UFormField>
      <UFormField label="Lie"
        ><FramePlainSelect
          label="Lie"
          :model-value="setting.lie"
          :items="lies"
          class="w-40"
          @update:model-value="setting = { ...setting, lie: $event as PickSetting['lie'] }"
      /></UFormField>
      <UFormField :label="`Up (+) or down (−), ${account.heightUnit}`" :error="slopeFault || undefined"
        ><UInput v-model="slope" inputmode="text" class="w-28"
      /></UFormField>
    </div>
    <div class="flex flex-wrap items-center gap-2">
      <p class="min-w-0 flex-1">{{ says }}</p>
      <UButton
        v-if="setting.air && setting.air.wind.speedMs > 0"
        color="neutral"
        variant="outline"
        icon="i-lucide-compass"
        @click="pointed"
        >Point at the flag</UButton
      >
      <UButton v-if="home && (setting.air || setting.neutral)" color="neutral" variant="outline" @click="backHome"
        >Home course’s air</UButton
      >
      <UButton v-if="setting.air || (home && !setting.neutral)" color="neutral" variant="outline" @click="neutral"
        >Neutral air</UButton
      >
      <UButton color="neutral" variant="outline" :aria-expanded="showAir" @click="showAir = !showAir">{{
        setting.air ? 'Change the air' : 'Enter the air'
      }}</UButton>
    </div>
    <p v-if="compassFault" role="alert" class="font-semibold text-error">{{ compassFault }}</p>
    <p v-else-if="compassSays" role="status" class="text-sm">{{ compassSays }}</p>
    <template v-if="showAir">
      <LazyAirFields v-model="draft" :faults="faults" />
      <UButton :disabled="!('air' in read)" @click="takeAir">Take this air</UButton>
    </template>
  </div>
</template>
