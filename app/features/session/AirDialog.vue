<script setup lang="ts">
import type { SessionPlan } from '#shared/schemas/session'
import { type AirReading, USUAL_AIR, airDraft, readAirDraft } from '~/player/air/air-draft'
import { useAirUnits } from '~/player/air/useAirUnits'
import { useRanges } from '~/player/ranges/useRanges'
import FrameAirFields from '~/player/air/AirFields.vue'

/** The air of a session: from now on, or back to its start. What was measured stays as it was measured. */
const props = defineProps<{
  air: AirReading | null
  running?: boolean
  plan?: Pick<SessionPlan, 'rangeId' | 'targetId'>
}>()
const emit = defineEmits<{ save: [air: AirReading, from: 'now' | 'start']; none: [] }>()
const open = defineModel<boolean>('open', { required: true })
const { units } = useAirUnits()
const was = props.air ?? USUAL_AIR
const { rangeOf, targetOf } = useRanges()
/** Where the target lies by the compass, when range and target tell: a report's wind turns with it. */
const bearingDeg = computed(() => {
  const range = rangeOf(props.plan?.rangeId ?? null)
  if (!range || range.bearingDeg === null) return undefined
  return (range.bearingDeg + (targetOf(range.id, props.plan!.targetId)?.rightDeg ?? 0) + 360) % 360
})
const draft = ref(airDraft(was, units.value))
const faults = ref<Record<string, string>>({})

function save(from: 'now' | 'start') {
  const read = readAirDraft(draft.value, units.value, was)
  faults.value = 'faults' in read ? read.faults : {}
  if ('faults' in read) return
  emit('save', read.air, from)
  open.value = false
}

function none() {
  emit('none')
  open.value = false
}
</script>

<template>
  <UModal
    v-model:open="open"
    title="The air"
    description="Numbers are kept as they would be in calm air, 20 °C, at sea level."
    :ui="{ content: 'max-w-3xl', footer: 'flex-wrap' }"
  >
    <template #body><FrameAirFields v-model="draft" :faults="faults" :bearing-deg="bearingDeg" /></template>
    <template #footer>
      <UButton v-if="running" @click="save('now')">From now on</UButton>
      <UButton
        :color="running ? 'neutral' : 'primary'"
        :variant="running ? 'outline' : 'solid'"
        @click="save('start')"
        >{{ running ? 'Since the start' : 'Use this air' }}</UButton
      >
      <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
      <span class="flex-1 max-sm:hidden" />
      <UButton v-if="air" color="neutral" variant="ghost" @click="none">Do not correct for air</UButton>
    </template>
  </UModal>
</template>
