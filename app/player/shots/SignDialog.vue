<script setup lang="ts">
import { CARRY_MAX_M, CARRY_MIN_M } from '#core/limits'
import type { TypedBall } from '#core/shot/typed-ball'
import type { SessionPlan, ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useRanges } from '~/player/ranges/useRanges'
import { typedNumber } from '~/ui/numbers'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'

/** A guess against a sign: so far past it, or so far short. Coarse, and weighted so. */
const props = defineProps<{ name: string; plan: SessionPlan }>()
const emit = defineEmits<{ log: [ball: TypedBall, more: Partial<ShotRecord>] }>()
const open = defineModel<boolean>('open', { required: true })
const { ranges, rangeOf } = useRanges()
const { unit, from, typed, withUnit } = useDistance()

const range = computed(() => rangeOf(props.plan.rangeId) ?? (ranges.value.length === 1 ? ranges.value[0] : undefined))
const signs = computed(() => [...(range.value?.targets ?? [])].sort((a, b) => a.distanceM - b.distanceM))
const signId = ref<string>()
const sign = computed(() => signs.value.find(other => other.id === signId.value))
const off = ref('0')
const fault = ref('')
const offM = computed(() => from(typedNumber(off.value === '' ? '0' : off.value)))
const carryM = computed(() => (sign.value ? sign.value.distanceM + offM.value : undefined))

function nudge(by: number) {
  off.value = String((Number.isNaN(typedNumber(off.value)) ? 0 : typedNumber(off.value)) + by)
}

function faultOf(): string {
  if (!sign.value) return 'Which sign was it?'
  if (Number.isNaN(offM.value) || Math.abs(offM.value) > 100)
    return `"${off.value}" is not possible: −100 to 100 ${unit.value}.`
  const isCarry = carryM.value! >= CARRY_MIN_M && carryM.value! <= CARRY_MAX_M
  return isCarry ? '' : `${withUnit(carryM.value!)} is not a possible carry.`
}

function save() {
  fault.value = faultOf()
  if (fault.value) return
  const { id, name, distanceM } = sign.value!
  emit(
    'log',
    { carryM: carryM.value! },
    { method: 'guess', taken: { sign: { id, name, distanceM }, offM: offM.value } },
  )
  open.value = false
}
</script>

<template>
  <UModal
    v-model:open="open"
    title="Guess against a sign"
    :description="`${name}. Where did it pitch, beside the nearest sign?`"
  >
    <template #body>
      <FrameEmptyStep
        v-if="signs.length === 0"
        icon="i-lucide-signpost"
        words="No signs are known here."
        help="Laser the signs of the range once: guesses are made against them from then on."
        action="To the ranges"
        to="/ranges"
      />
      <template v-else>
        <div class="mb-4 flex flex-wrap gap-2" role="group" aria-label="Signs">
          <UButton
            v-for="target in signs"
            :key="target.id"
            size="lg"
            color="neutral"
            :variant="signId === target.id ? 'solid' : 'outline'"
            :aria-pressed="signId === target.id"
            @click="signId = target.id"
          >
            {{ target.name }} <span class="soft text-sm">{{ typed(target.distanceM) }} {{ unit }}</span>
          </UButton>
        </div>
        <div class="flex flex-wrap items-end gap-3">
          <UFormField :label="`Past it, ${unit}; short is −`"
            ><UInput v-model="off" inputmode="text" class="w-28" size="xl" @keydown.enter.prevent="save"
          /></UFormField>
          <div class="flex gap-1.5">
            <UButton v-for="by in [-10, -5, 5, 10]" :key="by" color="neutral" variant="outline" @click="nudge(by)">{{
              by > 0 ? `+${by}` : `−${-by}`
            }}</UButton>
          </div>
        </div>
        <p class="mt-3 min-h-12" role="status">
          <span v-if="fault" class="font-semibold text-error">{{ fault }}</span
          ><template v-else-if="carryM !== undefined && !Number.isNaN(carryM)"
            ><span class="text-5xl font-extrabold">{{ typed(carryM) }}</span>
            <span class="soft text-xl">{{ unit }}, a guess</span></template
          >
        </p>
      </template>
    </template>
    <template #footer>
      <UButton :disabled="signs.length === 0" @click="save">Log it</UButton>
      <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
    </template>
  </UModal>
</template>
