<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { ORDERS } from '#core/session/order'
import { METHODS } from '#core/shot/shot'
import { ownBallsFirstText } from '#words/air'
import { mostAsked } from '#core/rounds/asks'
import { orderTexts } from '#words/next'
import { orderByNeedText } from '#words/rounds'
import { playedOf } from '#shared/rounds'
import { retestFirstText } from '#words/retest'
import { BUCKET_MAX } from '#shared/limits'
import { METHOD_WORDS, USUAL_PLAN } from '#shared/choices'
import type { SessionRecord } from '#shared/schemas/session'
import { type AirReading, USUAL_AIR } from '~/player/air/air-draft'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { useRanges } from '~/player/ranges/useRanges'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'
import { useRounds } from '~/offline/stores/rounds'
import { serverNowMs } from '~/offline/server-clock'
import { settleOf, settleSum } from '~/player/settle'
import { setupChoices } from '~/features/session/setup-choices'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import FrameSafetyNote from '~/ui/frame/SafetyNote.vue'
import SessionAirDialog from '~/features/session/AirDialog.vue'

/** How the numbers are taken today. Remembered from the last session: one tap starts the same again. */
const emit = defineEmits<{ start: [session: SessionRecord] }>()
const record = usePlayerRecord()
const { ranges, rangeOf, load } = useRanges()
const last = record.sessions.findLast(session => !session.plan.gone)
// Today's air is still there when another session begins within the hours; the place stays for longer.
const STILL_HOLDS_MS = 4 * 3_600_000
const lastAir = record.sessions.findLast(session => session.air.length > 0)?.air.at(-1)
const air = shallowRef<AirReading | null>(lastAir && serverNowMs() - lastAir.fromMs < STILL_HOLDS_MS ? lastAir : null)
const airOpen = ref(false)
const { airText } = useAirUnits()
const { typed, unit } = useDistance()
const { cellName } = useCellNames()
const route = useRoute()
/** What is open in Gaps and is to be settled; or what tells the loss of range balls. */
const settle = settleOf(route.query, record.bag)
const setup = reactive({
  method: last?.method ?? 'monitor',
  ball: settle?.why === 'own-balls' ? 'own' : (last?.ball ?? 'own'),
  surface: last?.surface ?? 'grass',
})
const account = useAccount()
const plan = reactive({
  ...USUAL_PLAN,
  ...last?.plan,
  told: null,
  block: account.settings.block ?? last?.plan.block ?? USUAL_PLAN.block,
  name: '',
  warmUp: false,
  settle,
  gone: false,
})
const bucket = ref(plan.bucket === null ? '' : String(plan.bucket))
const fault = ref('')
onMounted(load)

const METHOD_ICONS = {
  monitor: 'i-lucide-radar',
  laser: 'i-lucide-crosshair',
  paces: 'i-lucide-footprints',
  watch: 'i-lucide-watch',
  guess: 'i-lucide-signpost',
} as const
const choices = setupChoices(setup, plan)
const NO_RANGE = 'none'
const rangeItems = computed(() => [
  { value: NO_RANGE, label: 'No range chosen' },
  ...ranges.value.map(range => ({ value: range.id, label: range.name })),
])
const rangeId = computed({
  get: () => (rangeOf(plan.rangeId) ? plan.rangeId! : NO_RANGE),
  set: (value: string) => {
    plan.rangeId = value === NO_RANGE ? null : value
    plan.targetId = null
    const range = rangeOf(plan.rangeId)
    if (range) plan.firmness = range.firmness
  },
})
const targetItems = computed(() => [
  { value: NO_RANGE, label: 'none' },
  ...(rangeOf(plan.rangeId)?.targets ?? []).map(target => ({
    value: target.id,
    label: `${target.name}, ${typed(target.distanceM)} ${unit.value}`,
  })),
])
const targetId = computed({
  get: () => plan.targetId ?? NO_RANGE,
  set: (value: string) => {
    plan.targetId = value === NO_RANGE ? null : value
  },
})
/** What rounds ask for most, where what to hit next goes by it. */
const rounds = useRounds()
const askedLine = computed(() => {
  if (plan.order !== 'teach' || record.player?.thresholds.alikeNeed) return ''
  return orderByNeedText(mostAsked(playedOf(rounds.standing), unit.value), unit.value)
})
const orders = ORDERS.map(value => ({ value, label: orderTexts[value].name }))

function start() {
  const balls = bucket.value.trim() === '' ? null : Number(bucket.value)
  if (balls !== null && !(Number.isInteger(balls) && balls >= 1 && balls <= BUCKET_MAX)) {
    fault.value = `"${bucket.value}" balls are not possible: 1 to ${BUCKET_MAX}, or empty.`
    return
  }
  const now = serverNowMs()
  const taken = air.value && !plan.indoors ? [{ ...air.value, fromMs: now }] : []
  emit('start', {
    id: newId(),
    startedAtMs: now,
    endedAtMs: null,
    ...setup,
    air: taken,
    // What the page watches cannot be kept on the device; what it watches over can.
    plan: { ...toRaw(plan), bucket: balls },
    version: 1,
  })
}
const usualAir = computed(() => {
  const range = rangeOf(plan.rangeId)
  return (
    air.value ??
    (lastAir || range
      ? { ...USUAL_AIR, altitudeM: range?.altitudeM ?? lastAir!.altitudeM, ground: lastAir?.ground ?? USUAL_AIR.ground }
      : null)
  )
})
</script>

<template>
  <section class="raised space-y-4 p-5" aria-labelledby="setup-title">
    <h2 id="setup-title" class="text-xl font-bold">New session</h2>
    <fieldset>
      <legend class="soft mb-1 text-sm">How is the carry measured?</legend>
      <div class="grid grid-cols-2 gap-2 sm:grid-cols-5">
        <UButton
          v-for="method in METHODS"
          :key="method"
          :icon="METHOD_ICONS[method]"
          color="neutral"
          :variant="setup.method === method ? 'solid' : 'outline'"
          :aria-pressed="setup.method === method"
          class="justify-center"
          @click="setup.method = method"
        >
          {{ METHOD_WORDS[method] }}
        </UButton>
      </div>
    </fieldset>
    <div class="flex flex-wrap gap-x-8 gap-y-4">
      <fieldset v-for="choice in choices" :key="choice.legend">
        <legend class="soft mb-1 text-sm">{{ choice.legend }}</legend>
        <div class="flex flex-wrap gap-2">
          <UButton
            v-for="option in choice.options"
            :key="String(option.value)"
            color="neutral"
            :variant="choice.value === option.value ? 'solid' : 'outline'"
            :aria-pressed="choice.value === option.value"
            @click="choice.choose(option.value as never)"
          >
            {{ option.label }}
          </UButton>
        </div>
      </fieldset>
    </div>
    <div class="grid gap-x-4 gap-y-3 sm:grid-cols-2 lg:grid-cols-4">
      <UFormField label="Order of work"
        ><FramePlainSelect v-model="plan.order" label="Order of work" :items="orders" class="w-full"
      /></UFormField>
      <UFormField label="Balls in the bucket" :error="fault || undefined"
        ><UInput v-model="bucket" inputmode="numeric" placeholder="no end" class="w-full"
      /></UFormField>
      <UFormField label="Range"
        ><div class="flex gap-2">
          <FramePlainSelect v-model="rangeId" label="Range" :items="rangeItems" class="min-w-0 flex-1" /><UButton
            to="/ranges"
            color="neutral"
            variant="outline"
            icon="i-lucide-signpost"
            aria-label="Ranges and their signs"
          /></div
      ></UFormField>
      <UFormField v-if="plan.rangeId" label="Target"
        ><FramePlainSelect v-model="targetId" label="Target" :items="targetItems" class="w-full"
      /></UFormField>
    </div>
    <div v-if="!plan.indoors" class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p><span class="soft">Air: </span>{{ air ? airText(air) : 'not taken, the numbers stay as measured' }}</p>
      <UButton color="neutral" variant="outline" icon="i-lucide-wind" @click="airOpen = true">{{
        air ? 'Change the air' : 'Take the air'
      }}</UButton>
    </div>
    <p v-else class="soft">
      Indoors no wind has touched the ball: the numbers stay as measured. A mat forgives a heavy strike that grass would
      not.
    </p>
    <SessionAirDialog
      v-if="airOpen"
      v-model:open="airOpen"
      :air="usualAir"
      :plan="plan"
      @save="air = $event"
      @none="air = null"
    />
    <p v-if="setup.ball === 'range'" class="soft">
      Range balls fly shorter than the balls you play, by 5 % or so: it is taken out, and makes the numbers less sure.
      Take serious numbers with the ball you play.
    </p>
    <UCheckbox v-model="plan.warmUp" label="Begin with a warm-up: its balls are kept apart until I say it counts" />
    <p v-if="settle" class="border-l-[5px] border-(--ink) pl-3">
      {{
        settle.why === 'retest'
          ? retestFirstText(settleSum(settle))
          : settle.why === 'own-balls'
            ? ownBallsFirstText(settleSum(settle))
            : `First what is open: ${settle.balls} balls with ${settle.shots.map(cellName).join(' and ')}.`
      }}
    </p>
    <p v-else-if="askedLine" class="soft">{{ askedLine }}</p>
    <FrameSafetyNote :pacing="setup.method === 'paces' || setup.method === 'watch'" />
    <UButton
      size="xl"
      icon="i-lucide-play"
      class="justify-center max-md:sticky max-md:bottom-[calc(var(--rail-height)+0.5rem)] max-md:w-full"
      @click="start"
      >Start the session</UButton
    >
  </section>
</template>
