<script setup lang="ts">
import { measuresToRest } from '#core/shot/measuring'
import { CARRY_AIRS } from '#core/shot/carry-air'
import { carryAirTexts } from '#words/air'
import type { RangeTarget } from '#shared/schemas/range'
import { heightText } from '#words/readings'
import { METHOD_WORDS } from '#shared/choices'
import type { RangeSession } from '~/features/session/useRangeSession'
import type { useLiveDevice } from '~/player/frame/useLiveDevice'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useDistance } from '~/ui/useDistance'
import { useRanges } from '~/player/ranges/useRanges'
import { useVoice } from '~/features/session/useVoice'
import { clockTime, daysAgo, shortDate } from '~/ui/dates'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import SessionAirDialog from '~/features/session/AirDialog.vue'
import FrameDevice from '~/player/frame/Device.vue'

/** How this session goes about it: what was set at its start, and what may change in it. */
const props = defineProps<{
  range: RangeSession
  live: ReturnType<typeof useLiveDevice>
  line: 'OPEN' | 'CONNECTING' | 'CLOSED'
}>()
const { session, balls, airNow, plan, aimAt, undo } = props.range
const { airText } = useAirUnits()
const { typed, unit, whole } = useDistance()
const { rangeOf, targetOf } = useRanges()
const voice = useVoice()
const airOpen = ref(false)
const running = computed(() => session.value!.endedAtMs === null)
/** Said of a monitor, since it may come to be known later. */
const carryAirs = CARRY_AIRS.map(value => ({ value, label: carryAirTexts[value] }))
const carryAir = computed({
  get: () => session.value!.plan.carryAir,
  set: value => void plan({ carryAir: value }, 'what its carries are'),
})
const where = ({ name, distanceM, heightM }: RangeTarget) =>
  [
    name,
    `${typed(distanceM)} ${unit.value}`,
    ...(whole(Math.abs(heightM)) === '0' ? [] : [heightText(heightM, unit.value)]),
  ].join(', ')
const place = computed(() => {
  const { rangeId, targetId } = session.value!.plan
  const target = targetOf(rangeId, targetId)
  return [rangeOf(rangeId)?.name, target && `to ${where(target)}`].filter(Boolean).join(', ')
})
const targets = computed(() => rangeOf(session.value!.plan.rangeId)?.targets ?? [])
const NO_TARGET = 'none'
const targetItems = computed(() => [
  { value: NO_TARGET, label: 'no target' },
  ...targets.value.map(target => ({ value: target.id, label: where(target) })),
])
const target = computed({ get: () => session.value!.plan.targetId ?? NO_TARGET, set: value => void aim(value) })
const toast = useToast()

async function aim(id: string) {
  const { rangeId, targetId } = session.value!.plan
  const before = airNow.value
  const done = await aimAt(targets.value.find(other => other.id === id) ?? null, targetOf(rangeId, targetId) ?? null)
  const turned = airNow.value !== before && airNow.value
  toast.add({
    title: turned ? `New line: wind from ${turned.wind.clock} o'clock now` : 'New target',
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo(done) }],
  })
}
const facts = computed(() => {
  const {
    method,
    ball,
    surface,
    startedAtMs,
    plan: { indoors, measuredTo, firmness },
  } = session.value!
  const to = measuresToRest(method)
    ? [measuredTo === 'rest' ? `to where it lies, ${firmness} ground` : 'to the pitch mark']
    : []
  const since = daysAgo(startedAtMs) === 'today' ? '' : `, ${shortDate(startedAtMs)}`
  return [
    METHOD_WORDS[method],
    ...to,
    `${ball} ball`,
    surface,
    ...(indoors ? ['indoors'] : []),
    `since ${clockTime(startedAtMs)}${since}`,
  ].join(', ')
})
</script>

<template>
  <div>
    <p class="soft text-sm">{{ facts }}</p>
    <p v-if="place && !(running && targets.length > 0)" class="soft text-sm">{{ place }}</p>
    <label v-if="running && targets.length > 0" class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1"
      ><span class="soft">Target: </span
      ><FramePlainSelect v-model="target" :items="targetItems" label="Target" class="min-w-56"
    /></label>
    <p v-if="!session!.plan.indoors" class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1">
      <span><span class="soft">Air: </span>{{ airNow ? airText(airNow) : 'not taken' }}</span>
      <UButton color="neutral" variant="outline" size="sm" icon="i-lucide-wind" @click="airOpen = true">{{
        airNow ? 'It has changed' : 'Take the air'
      }}</UButton>
    </p>
    <FrameDevice v-if="running" class="mt-2" :live="live" :line="line" />
    <label
      v-if="session!.method === 'monitor' && !session!.plan.indoors"
      class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-1"
      ><span class="soft">Its carries are: </span
      ><FramePlainSelect v-model="carryAir" :items="carryAirs" label="Its carries are" class="min-w-56"
    /></label>
    <UCheckbox
      v-if="running && voice.able && live.device.value"
      v-model="voice.on.value"
      label="Say carries aloud"
      class="mt-2"
    />
    <SessionAirDialog
      v-if="airOpen"
      v-model:open="airOpen"
      :air="airNow"
      :running="balls.length > 0"
      :plan="session!.plan"
      @save="range.setAir"
      @none="range.setAir(null, 'start')"
    />
  </div>
</template>
