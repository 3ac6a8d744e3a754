<script setup lang="ts">
import { combineWays } from '#core/shot/measuring'
import type { Method } from '#core/shot/shot'
import type { TypedBall } from '#core/shot/typed-ball'
import { FIRMNESSES } from '#shared/choices'
import type { SessionPlan, ShotRecord } from '#shared/schemas/session'
import { readPile, type PileFaults, type PileForm } from '~/features/session/pile-form'
import { useDistance } from '~/ui/useDistance'
import { useAccount } from '~/offline/stores/account'
import FrameSafetyNote from '~/ui/frame/SafetyNote.vue'

/**
 * A pile measured as one: by laser, by paces, or by both. What lies is not what pitched; its ends tell how it
 * scatters.
 */
const props = defineProps<{ method: Method; plan: SessionPlan; name: string }>()
const emit = defineEmits<{ log: [ball: TypedBall, more: Partial<ShotRecord>] }>()
const open = defineModel<boolean>('open', { required: true })
const account = useAccount()
const toast = useToast()
const { unit, from, typed, withUnit } = useDistance()

const form = reactive<PileForm>({
  balls: '',
  mishits: '',
  laser: '',
  steps: '',
  pace: account.account?.paceM ? typed(account.account.paceM) : '',
  front: '',
  back: '',
  width: '',
  marks: props.plan.measuredTo === 'pitch',
  firmness: props.plan.firmness,
})
const faults = ref<PileFaults>({})
const both = computed(() => form.laser.trim() !== '' && form.steps.trim() !== '')

/** What both ways make together, before it is logged. */
const together = computed(() => {
  const [laser, steps, pace] = [form.laser, form.steps, form.pace].map(text => Number(text.trim().replace(',', '.')))
  if (!both.value || ![laser, steps, pace].every(value => value! > 0)) return ''
  const { distanceM, errorM } = combineWays([
    { method: 'laser', distanceM: from(laser!) },
    { method: 'paces', distanceM: steps! * from(pace!) },
  ])
  return `Together ${withUnit(distanceM)}, ± ${withUnit(errorM)}. Both are kept.`
})

async function save() {
  const found = readPile(form, unit.value)
  faults.value = 'faults' in found ? found.faults : {}
  if ('faults' in found) return
  emit('log', found.ball, found.more)
  open.value = false
  const { paceM } = found.more.taken!
  if (paceM === undefined || paceM === account.account?.paceM) return
  try {
    await account.setPace(paceM)
  } catch (error) {
    toast.add({
      title: 'Your pace is not kept for the next pile yet',
      description: (error as Error).message,
      color: 'warning',
    })
  }
}
const grounds = FIRMNESSES.map(value => ({ value, label: value }))
</script>

<template>
  <UModal
    v-model:open="open"
    title="A pile measured as one"
    :description="`${name}. Measure to the middle of the group: leave the front and the back ball out of sight.`"
    :ui="{ content: 'max-w-2xl' }"
  >
    <template #body>
      <FrameSafetyNote pacing class="mb-4" />
      <form id="pile-form" class="grid grid-cols-2 gap-x-4 sm:grid-cols-4" novalidate @submit.prevent="save">
        <UFormField label="Balls in the pile" :error="faults.balls" help=" "
          ><UInput v-model="form.balls" autofocus inputmode="numeric" class="w-full"
        /></UFormField>
        <UFormField label="Mishits left out" :error="faults.mishits" help="not in the pile"
          ><UInput v-model="form.mishits" inputmode="numeric" class="w-full"
        /></UFormField>
        <span class="col-span-2 max-sm:hidden" />
        <UFormField :label="`Laser, ${unit}`" :error="faults.laser" help="or"
          ><UInput v-model="form.laser" inputmode="decimal" class="w-full"
        /></UFormField>
        <UFormField label="Steps" :error="faults.steps" help="or both"
          ><UInput v-model="form.steps" inputmode="numeric" class="w-full"
        /></UFormField>
        <UFormField :label="`One pace, ${unit}`" :error="faults.pace" help="kept for you"
          ><UInput v-model="form.pace" inputmode="decimal" class="w-full"
        /></UFormField>
        <p class="soft self-center text-sm">{{ together }}</p>
        <UFormField :label="`Front ball, ${unit}`" :error="faults.front" help="if wanted"
          ><UInput v-model="form.front" inputmode="decimal" class="w-full"
        /></UFormField>
        <UFormField :label="`Back ball, ${unit}`" :error="faults.back" help="if wanted"
          ><UInput v-model="form.back" inputmode="decimal" class="w-full"
        /></UFormField>
        <UFormField :label="`Width, ${unit}`" :error="faults.width" help="side to side"
          ><UInput v-model="form.width" inputmode="decimal" class="w-full"
        /></UFormField>
        <span class="max-sm:hidden" />
        <UFormField label="Measured to" help=" " class="col-span-2">
          <div class="flex gap-2">
            <UButton
              color="neutral"
              :variant="form.marks ? 'outline' : 'solid'"
              :aria-pressed="!form.marks"
              @click="form.marks = false"
              >where they lie</UButton
            >
            <UButton
              color="neutral"
              :variant="form.marks ? 'solid' : 'outline'"
              :aria-pressed="form.marks"
              @click="form.marks = true"
              >pitch marks</UButton
            >
          </div>
        </UFormField>
        <UFormField v-if="!form.marks" label="Ground" help="the run is taken out"
          ><USelect v-model="form.firmness" :items="grounds" class="w-full"
        /></UFormField>
      </form>
    </template>
    <template #footer>
      <UButton type="submit" form="pile-form">Log the pile</UButton>
      <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
    </template>
  </UModal>
</template>
