<!-- Keys on the glass are as large as they need be at any size of text: measured in pixels. -->
<script setup lang="ts">
import type { PickedShot } from '#core/pick/picked'
import { TOLD_TO, type ToldTo } from '#core/pick/flag-from'
import type { PickDesk } from '~/features/pick/usePick'
import { useShortcuts } from '~/ui/useShortcuts'
import { useDistance } from '~/ui/useDistance'
import { partsText } from '#words/pick'

/** How far it is: typed, stepped, or by the keys on the glass. A number begun some seconds later is a new one. */
const props = defineProps<{
  desk: PickDesk
  /** What it plays like, and where to land it. */
  shown: { picks: readonly PickedShot[]; at: number | null; landM: number | null }
  day: string
  /** Where stepping begins while nothing is typed. */
  middle: number
  /** On a phone the keys make room while a sheet is filled in. */
  folded?: boolean
}>()
const emit = defineEmits<{ today: []; unfold: [] }>()
const { unit, unitWord, text } = useDistance()
const { typed, setting } = props.desk
const told = computed({
  get: () => setting.value.to,
  set: (to: ToldTo) => {
    setting.value.to = to
  },
})
const first = computed(() => props.shown.picks[0])
const parts = computed(() => (first.value ? partsText(first.value.parts, unit.value) : ''))
/** "plays 113, land it on 107". */
const says = computed(() =>
  [
    ...(told.value !== 'flag' && props.shown.at !== null ? [`flag at ${props.shown.at}`] : []),
    ...(parts.value ? [`plays ${text(first.value!.playsM)}`] : []),
    ...(props.shown.landM === null ? [] : [`land it on ${text(props.shown.landM)}`]),
  ].join(', '),
)
const NEW_AFTER_MS = 4000
const MOST = 3
let lastMs = 0

function press(key: string): void {
  const now = performance.now()
  const anew = now - lastMs > NEW_AFTER_MS || typed.value.length >= MOST
  lastMs = now
  if (key === '⌫') typed.value = typed.value.slice(0, -1)
  else if (anew) typed.value = key === '0' ? '' : key
  else typed.value += key
}
function step(by: number): void {
  const value = Number(typed.value) || props.middle - by
  lastMs = 0
  typed.value = String(Math.min(400, Math.max(1, value + by)))
}
useShortcuts({
  pickMore: () => step(1),
  pickLess: () => step(-1),
})
const KEYS = ['1', '2', '3', '4', '5', '⌫', '6', '7', '8', '9', '0'] as const
const field = useTemplateRef('field')
const narrow = useMediaQuery('(max-width: 1023px)')
onMounted(() => {
  if (!narrow.value) field.value?.focus()
})
function clean(event: Event): void {
  typed.value = (event.target as HTMLInputElement).value.replace(/\D/g, '').slice(0, MOST)
  ;(event.target as HTMLInputElement).value = typed.value
}
</script>

<template>
  <section
    aria-label="Distance"
    class="max-lg:fixed max-lg:inset-x-0 max-lg:bottom-(--pick-bottom,0px) max-lg:z-20 max-lg:border-t max-lg:border-(--ink) max-lg:bg-(--raised) max-lg:px-4 max-lg:pt-2 max-lg:pb-3"
  >
    <div class="grid grid-cols-[60px_minmax(0,1fr)_60px] items-center gap-3 lg:flex lg:items-end lg:gap-5">
      <button
        type="button"
        class="raised h-[56px] cursor-pointer text-[30px] font-bold lg:hidden"
        :aria-label="`One ${unitWord.slice(0, -1)} less`"
        @click="step(-1)"
      >
        −
      </button>
      <div class="text-center lg:text-left">
        <label for="pick-target" class="soft text-sm max-lg:sr-only">To the {{ told }}, {{ unitWord }}</label>
        <input
          id="pick-target"
          ref="field"
          :value="typed"
          data-shortcuts
          :inputmode="narrow ? 'none' : 'numeric'"
          autocomplete="off"
          class="block w-full border-primary bg-transparent text-center text-[56px] leading-none font-extrabold outline-none max-lg:h-[56px] lg:h-24 lg:w-44 lg:border-b-4 lg:text-left lg:text-[88px]"
          @input="clean"
        />
      </div>
      <button
        type="button"
        class="raised h-[56px] cursor-pointer text-[30px] font-bold lg:hidden"
        :aria-label="`One ${unitWord.slice(0, -1)} more`"
        @click="step(1)"
      >
        +
      </button>
      <p class="col-span-3 min-h-6 text-center leading-tight lg:min-h-14 lg:text-left" role="status">
        <span class="font-bold lg:block lg:text-xl"
          ><span class="lg:hidden">{{ unit }} to the {{ told }}{{ says ? ', ' : '' }}</span>{{ says }}</span
        >
        <span class="soft text-sm"> {{ parts }} {{ day }}</span>
      </p>
    </div>
    <button
      v-if="folded"
      type="button"
      class="raised mt-1 h-[48px] w-full cursor-pointer text-[17px] font-bold lg:hidden"
      @click="emit('unfold')"
    >
      Done: back to the figures
    </button>
    <div class="mt-1 flex gap-1" :class="folded && 'max-lg:hidden'" role="group" aria-label="Told to">
      <button
        v-for="one in TOLD_TO"
        :key="one"
        type="button"
        class="h-[44px] flex-1 cursor-pointer text-[15px] lg:flex-none lg:px-3"
        :class="told === one ? 'border-b-4 border-(--ink) font-bold' : 'border-b border-(--hairline)'"
        :aria-pressed="told === one"
        @click="told = one"
      >
        {{ one }}
      </button>
    </div>
    <div v-if="!folded" class="mt-2 grid grid-cols-6 gap-1.5 lg:hidden" role="group" aria-label="Figures">
      <button
        v-for="key in KEYS"
        :key="key"
        type="button"
        class="raised h-[48px] cursor-pointer text-[24px] font-bold active:bg-elevated"
        :aria-label="key === '⌫' ? 'Delete the last figure' : key"
        @click="press(key)"
      >
        {{ key }}
      </button>
      <button
        type="button"
        class="raised h-[48px] cursor-pointer overflow-hidden text-[15px] font-bold active:bg-elevated"
        @click="emit('today')"
      >
        Today
      </button>
    </div>
  </section>
</template>
