<!-- Keys on the glass are as large as they need be at any size of text: measured in pixels. -->
<script setup lang="ts">
import { CALLS, type Call, type DrillSpec } from '#core/practice/drill-spec'
import type { TypedUnits } from '#core/shot/typed-ball'
import { useShortcuts } from '~/ui/useShortcuts'
import { readSeenBall, type SeenBall } from '~/player/seen-ball'

/** What came of a ball: figures by keyboard or by the keys on the glass, or one tap where only the eye knows. */
const props = defineProps<{
  spec: DrillSpec
  units: TypedUnits
  nextBall: number
  canUndo: boolean
  blocked?: boolean
}>()
const emit = defineEmits<{ log: [ball: SeenBall]; undo: [] }>()
const typed = defineModel<string>('typed', { required: true })
const call = ref<Call>()
const fault = ref('')
watch(typed, () => {
  fault.value = ''
})
const measure = computed(() => props.spec.measure)
const byEyeOnly = computed(() => measure.value === 'curve')
/** One tap is a score too, where in or out is what is asked. */
const byTap = computed(
  () =>
    (props.spec.score === 'share' || props.spec.score === 'balls') &&
    measure.value !== 'curve' &&
    measure.value !== 'call',
)
const CURVES = [
  { value: -2, label: 'Far left' },
  { value: -1, label: 'Left' },
  { value: 0, label: 'Straight' },
  { value: 1, label: 'Right' },
  { value: 2, label: 'Far right' },
]
const FIGURES: Record<string, string> = {
  side: 'Off the line',
  speed: 'Club speed',
  launch: 'Launch',
}
const what = computed(() => {
  const { distance, speed } = props.units
  const unit = measure.value === 'speed' ? speed : measure.value === 'launch' ? 'degrees' : distance
  return `${FIGURES[measure.value] ?? (props.spec.toRest ? 'Where it stops' : 'Carry')}, ${unit}`
})
const withSide = computed(() => ['leave', 'side', 'call'].includes(measure.value))

function submit() {
  if (byEyeOnly.value || props.blocked) return
  const read = readSeenBall(typed.value, measure.value, props.units)
  if ('fault' in read) {
    fault.value = typed.value.trim() === '' ? 'Type what came of it first.' : read.fault
    return
  }
  if (measure.value === 'call' && !call.value) {
    fault.value = 'First say what you felt: short, good or long.'
    return
  }
  emit('log', { ...read, ...(call.value && { call: call.value }) })
  typed.value = ''
  call.value = undefined
}
const tap = (seen: SeenBall) => {
  if (!props.blocked) emit('log', seen)
}
const MOST = 24
function press(key: string) {
  if (key === '⌫') typed.value = typed.value.replace(/\s?\S$/, '')
  else if (key === '<' || key === '>') {
    // Beside the line alone the letter stands behind its figure.
    if (measure.value === 'side') typed.value = typed.value.replace(/[<>]/g, '') + key
    else if (typed.value !== '') typed.value = `${typed.value.replace(/\s[<>]?$/, '')} ${key}`
  } else if (typed.value.length < MOST) typed.value += key
}
const DIGITS = ['1', '2', '3', '4', '5', '⌫', '6', '7', '8', '9', '0', '.'] as const
const field = useTemplateRef('field')
const narrow = useMediaQuery('(max-width: 1023px)')
const whenEmpty = (act: () => void) => () => (typed.value === '' ? act() : false)
useShortcuts(
  {
    goBall: ({ target }) =>
      target === field.value || (target as HTMLElement).closest('button, a, [role=combobox]') ? false : submit(),
    goUndo: whenEmpty(() => emit('undo')),
    goIn: whenEmpty(() => (byTap.value ? tap({ good: true }) : undefined)),
    goOut: whenEmpty(() => (byTap.value ? tap({ good: false }) : undefined)),
  },
  { field: () => field.value },
)
onMounted(() => {
  if (!narrow.value) field.value?.focus()
})
</script>

<template>
  <form
    novalidate
    class="max-lg:fixed max-lg:inset-x-0 max-lg:bottom-(--go-bottom,0px) max-lg:mb-0! max-lg:z-20 max-lg:border-t max-lg:border-(--ink) max-lg:bg-(--raised) max-lg:px-4 max-lg:pt-2 max-lg:pb-3"
    @submit.prevent="submit"
  >
    <div v-if="measure === 'call'" class="mb-2 grid grid-cols-3 gap-1.5" role="group" aria-label="What you felt">
      <UButton
        v-for="one in CALLS"
        :key="one"
        color="neutral"
        :variant="call === one ? 'solid' : 'outline'"
        :aria-pressed="call === one"
        class="min-h-[44px] justify-center"
        @click="call = one"
        >{{ one }}</UButton
      >
    </div>
    <div v-if="byEyeOnly" class="grid grid-cols-5 gap-1.5" role="group" aria-label="How it curved">
      <button
        v-for="one in CURVES"
        :key="one.value"
        type="button"
        class="raised h-[64px] cursor-pointer text-[15px] font-bold active:bg-elevated"
        @click="tap({ curve: one.value })"
      >
        {{ one.label }}
      </button>
    </div>
    <template v-else>
      <div class="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
        <div class="min-w-0">
          <label for="go-ball" class="soft text-sm">{{ what }}</label>
          <input
            id="go-ball"
            ref="field"
            v-model="typed"
            data-shortcuts
            :inputmode="narrow ? 'none' : 'text'"
            autocomplete="off"
            autocapitalize="none"
            :maxlength="MOST"
            :aria-invalid="fault ? true : undefined"
            aria-describedby="go-fault"
            class="block h-[48px] w-full border-b-4 border-primary bg-transparent text-[36px] leading-none font-extrabold outline-none lg:h-20 lg:text-[64px]"
          />
        </div>
        <UButton
          type="submit"
          size="xl"
          :disabled="blocked"
          class="min-h-[52px] justify-center px-5 text-lg hover:bg-primary!"
          >Log ball {{ nextBall }} <UKbd value="enter" class="ml-1 max-lg:hidden"
        /></UButton>
      </div>
      <p id="go-fault" class="min-h-5 text-sm leading-tight font-semibold text-error" role="alert">{{ fault }}</p>
    </template>
    <div v-if="byTap" class="mb-2 grid grid-cols-2 gap-1.5" role="group" aria-label="By eye">
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-check"
        class="min-h-[44px] justify-center"
        :disabled="blocked"
        @click="tap({ good: true })"
        >In</UButton
      >
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-x"
        class="min-h-[44px] justify-center"
        :disabled="blocked"
        @click="tap({ good: false })"
        >Out</UButton
      >
    </div>
    <div v-if="!byEyeOnly" class="grid grid-cols-6 gap-1.5 lg:hidden" role="group" aria-label="Figures">
      <button
        v-for="key in DIGITS"
        :key="key"
        type="button"
        class="raised h-[46px] cursor-pointer text-[22px] font-bold active:bg-elevated"
        :aria-label="key === '⌫' ? 'Delete the last figure' : key === '.' ? 'Decimal point' : key"
        @click="press(key)"
      >
        {{ key }}
      </button>
    </div>
    <div class="mt-1.5 flex flex-wrap gap-1.5">
      <template v-if="withSide">
        <button
          type="button"
          class="raised h-[44px] flex-1 cursor-pointer text-[16px] font-bold active:bg-elevated lg:hidden"
          aria-label="Left of the line"
          @click="press('<')"
        >
          ← L
        </button>
        <button
          type="button"
          class="raised h-[44px] flex-1 cursor-pointer text-[16px] font-bold active:bg-elevated lg:hidden"
          aria-label="Right of the line"
          @click="press('>')"
        >
          R →
        </button>
      </template>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-undo-2"
        class="min-h-[44px] flex-1 justify-center lg:flex-none"
        :disabled="!canUndo"
        @click="emit('undo')"
        >Undo</UButton
      >
    </div>
  </form>
</template>
