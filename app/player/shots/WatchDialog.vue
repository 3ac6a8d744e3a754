<script setup lang="ts">
import { CARRY_MAX_M, CARRY_MIN_M } from '#core/limits'
import { fixErrorM, placesApartM, WORST_FIX_SHARE } from '#core/shot/measuring'
import type { TypedBall } from '#core/shot/typed-ball'
import type { SessionPlan, ShotRecord } from '#shared/schemas/session'
import { takeFix, type Fix } from '~/player/shots/useFix'
import { useDistance } from '~/ui/useDistance'
import FrameSafetyNote from '~/ui/frame/SafetyNote.vue'

/** From where it was hit to where the ball lies, by this device's own position. */
const props = defineProps<{ name: string; plan: SessionPlan; sessionId: string }>()
const emit = defineEmits<{ log: [ball: TypedBall, more: Partial<ShotRecord>] }>()
const open = defineModel<boolean>('open', { required: true })
const { withUnit, unit, typed } = useDistance()
// The tee is stood on once; it is kept for the next ball, and over a reload.
const start = useSessionStorage<Fix | null>(`uzzet-tee-${props.sessionId}`, null, {
  serializer: { read: text => JSON.parse(text) as Fix | null, write: JSON.stringify },
})
const end = shallowRef<Fix>()
const busy = ref<'start' | 'end'>()
const fault = ref('')

async function take(which: 'start' | 'end') {
  busy.value = which
  fault.value = ''
  try {
    const fix = await takeFix()
    if (which === 'start') start.value = fix
    else end.value = fix
  } catch (error) {
    fault.value = (error as Error).message
  } finally {
    busy.value = undefined
  }
}

const measured = computed(() => {
  if (!start.value || !end.value) return undefined
  const distanceM = placesApartM(start.value, end.value)
  return { distanceM, errorM: fixErrorM(start.value.accuracyM, end.value.accuracyM) }
})
/** Why it cannot be taken; empty when it can. */
const refused = computed(() => {
  if (!measured.value) return ''
  const { distanceM, errorM } = measured.value
  if (distanceM < CARRY_MIN_M || distanceM > CARRY_MAX_M)
    return `${withUnit(distanceM)} from the tee is no shot: take the other place again.`
  if (errorM > WORST_FIX_SHARE * distanceM)
    return (
      `The fix is good to ± ${withUnit(errorM)} and the shot is ${withUnit(distanceM)} long: it would tell nothing. ` +
      'Wait for a better fix, or pace it.'
    )
  return ''
})

function save() {
  const { distanceM, errorM } = measured.value!
  emit(
    'log',
    { carryM: distanceM },
    { method: 'watch', taken: { ...(props.plan.measuredTo === 'rest' && { lies: props.plan.firmness }), errorM } },
  )
  end.value = undefined
  open.value = false
}
const accuracy = (fix: Fix) => `good to ${typed(fix.accuracyM)} ${unit.value}`
</script>

<template>
  <UModal
    v-model:open="open"
    title="Start to ball, by position"
    :description="`${name}. Take the tee once, then stand beside the ball.`"
  >
    <template #body>
      <FrameSafetyNote pacing class="mb-4" />
      <ol class="space-y-3">
        <li class="flex flex-wrap items-center gap-3">
          <UButton
            :color="start ? 'neutral' : 'primary'"
            :variant="start ? 'outline' : 'solid'"
            icon="i-lucide-map-pin"
            :loading="busy === 'start'"
            :disabled="busy !== undefined"
            @click="take('start')"
            >{{ start ? 'Take the tee again' : 'I stand on the tee' }}</UButton
          >
          <span v-if="start" class="soft">Tee known, {{ accuracy(start) }}</span>
        </li>
        <li class="flex flex-wrap items-center gap-3">
          <UButton
            :variant="end ? 'outline' : 'solid'"
            :color="end ? 'neutral' : 'primary'"
            icon="i-lucide-locate"
            :loading="busy === 'end'"
            :disabled="!start || busy !== undefined"
            @click="take('end')"
            >I stand beside the ball</UButton
          >
          <span v-if="end" class="soft">Ball known, {{ accuracy(end) }}</span>
        </li>
      </ol>
      <p class="mt-4 min-h-12" role="status">
        <span v-if="fault || refused" class="font-semibold text-error">{{ fault || refused }}</span>
        <template v-else-if="measured"
          ><span class="text-5xl font-extrabold">{{ typed(measured.distanceM) }}</span>
          <span class="soft text-xl">{{ unit }} ± {{ withUnit(measured.errorM) }}</span></template
        >
        <span v-else-if="busy" class="soft">Waiting for a good fix, 12 s at most…</span>
      </p>
    </template>
    <template #footer>
      <UButton :disabled="!measured || refused !== ''" @click="save">Log it</UButton>
      <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
    </template>
  </UModal>
</template>
