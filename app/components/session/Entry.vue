<script setup lang="ts">
import { useShortcuts } from '~/composables/useShortcuts'
import type { DropdownMenuItem } from '@nuxt/ui'
import { ballFaultWords, readTypedBall, type TypedBall } from '#core/shot/typed-ball'
import { MARKS, type BallMark } from '#shared/marks'
import { markNames } from '#words/marks'
import { sideText } from '#words/readings'
import { useDistance } from '~/composables/useDistance'

/**
 * The carry as it is typed: figures from the keyboard, or from the keys on the glass. Enter logs it; a mark logs it
 * marked.
 */
const props = defineProps<{
  nextBall: number
  swings: { id: string; name: string }[]
  canUndo: boolean
  ways: { id: string; label: string; icon: string; key?: string }[]
  /** What the figure is: "Carry", or "Total" where that is read first. */
  figure: string
}>()
const emit = defineEmits<{
  log: [ball: TypedBall, said?: BallMark]
  mark: [said: BallMark]
  undo: []
  leaveOut: []
  way: [id: string]
}>()
const typed = defineModel<string>({ required: true })

const { unit, unitWord, typed: text } = useDistance()
const fault = ref<string>()
const input = useTemplateRef('input')
const touch = useMediaQuery('(pointer: coarse)')
const narrow = useMediaQuery('(max-width: 767px)')
const glass = computed(() => touch.value || narrow.value)
const GLASS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '.', '⌫', 'L', 'R', 'T']
const NAMES: Record<string, string> = {
  '⌫': 'Delete the last figure',
  '.': 'Decimal point',
  'L': 'Left of the line',
  'R': 'Right of the line',
  'T': 'Total',
}
const MOST = 16

watch([typed, unit], () => {
  fault.value = undefined
})

/** What was typed besides the carry, read back. */
const also = computed(() => {
  const ball = readTypedBall(typed.value, unit.value)
  if ('fault' in ball) return ''
  const { sideM, totalM } = ball
  return [
    ...(sideM === undefined ? [] : [sideText(sideM, unit.value)]),
    ...(totalM === undefined ? [] : [`total ${text(totalM)} ${unit.value}`]),
  ].join(', ')
})

function submit(said?: BallMark) {
  const ball = readTypedBall(typed.value, unit.value)
  if ('fault' in ball) {
    fault.value = ballFaultWords(ball, unit.value)
    input.value?.focus()
    return
  }
  emit('log', ball, said)
  typed.value = ''
}

/** With a carry typed the mark goes with it; else it is about the ball before. */
function marked(said: BallMark) {
  if (typed.value.trim() === '') emit('mark', said)
  else submit(said)
}

function press(key: string) {
  if (key === '⌫') typed.value = typed.value.slice(0, -1)
  else if (typed.value.length < MOST) typed.value += key.toLowerCase()
}

/** Letters are shortcuts only while nothing is typed: behind a figure they belong to the ball. */
const whenEmpty = (act: () => void) => () => (typed.value === '' ? act() : false)

// Number keys go straight to the carry, wherever the page was last touched.
const toField = (event: KeyboardEvent) => {
  if (event.target !== input.value) input.value?.focus()
  return false
}
useShortcuts(
  {
    digit: toField,
    mendCarry: toField,
    clearCarry: () => {
      typed.value = ''
    },
    logBall: ({ target }) =>
      target === input.value || (target as HTMLElement).closest('button, a') ? false : submit(),
    mishit: () => marked('mishit'),
    swungLong: () => marked('swung long'),
    undoBall: whenEmpty(() => emit('undo')),
    leaveOut: whenEmpty(() => emit('leaveOut')),
    pile: whenEmpty(() => emit('way', 'pile')),
  },
  { field: () => input.value },
)
onMounted(() => {
  if (!glass.value) input.value?.focus()
})

const menu = computed((): DropdownMenuItem[][] => [
  MARKS.filter(mark => mark !== 'mishit' && mark !== 'swung long').map(mark => ({
    label: markNames[mark],
    onSelect: () => marked(mark),
  })),
  // Where the watcher saw how far it really went, the ball counts for that.
  ...(props.swings.length === 0
    ? []
    : [
        [
          { label: 'Seen at another length', type: 'label' as const },
          ...props.swings.map(({ id, name }) => ({
            label: `Swung ${name}`,
            onSelect: () => marked({ swungRungId: id }),
          })),
        ],
      ]),
])
</script>

<template>
  <form
    class="grid items-end gap-x-6 gap-y-3 sm:grid-cols-[minmax(0,15rem)_minmax(0,1fr)]"
    novalidate
    @submit.prevent="submit()"
  >
    <div>
      <label for="carry" class="soft text-sm">{{ figure }}, {{ unitWord }}</label>
      <input
        id="carry"
        ref="input"
        v-model="typed"
        :inputmode="glass ? 'none' : 'text'"
        autocomplete="off"
        autocapitalize="none"
        maxlength="20"
        :aria-invalid="fault ? true : undefined"
        aria-describedby="carry-fault carry-also"
        class="block h-16 w-full border-b-4 border-primary bg-transparent leading-none font-extrabold tracking-tight outline-none sm:h-28"
        :class="typed.length > 6 ? 'text-4xl' : typed.length > 4 ? 'text-6xl' : 'text-7xl sm:text-[6.5rem]'"
      />
    </div>
    <div class="grid grid-cols-3 gap-2 sm:grid-cols-2">
      <UButton type="submit" size="xl" class="hover:bg-primary! col-span-full min-h-13 justify-center text-lg"
        >Log ball {{ nextBall }} <UKbd value="enter" class="ml-1 max-md:hidden"
      /></UButton>
      <UButton
        color="neutral"
        variant="outline"
        class="justify-center px-1"
        :disabled="nextBall === 1 && typed === ''"
        @click="marked('mishit')"
        >Mishit <UKbd value="m" class="max-md:hidden"
      /></UButton>
      <UButton
        color="neutral"
        variant="outline"
        class="justify-center px-1"
        :disabled="nextBall === 1 && typed === ''"
        @click="marked('swung long')"
        >Swung long <UKbd value="s" class="max-md:hidden"
      /></UButton>
      <UDropdownMenu :items="menu"
        ><UButton
          color="neutral"
          variant="outline"
          class="w-full justify-center px-1"
          trailing-icon="i-lucide-chevron-down"
          :disabled="nextBall === 1 && typed === ''"
          >Other mark</UButton
        ></UDropdownMenu
      >
      <UButton
        color="neutral"
        variant="outline"
        class="justify-center px-1"
        :disabled="!canUndo"
        icon="i-lucide-undo-2"
        @click="emit('undo')"
        >Undo <UKbd value="u" class="max-md:hidden"
      /></UButton>
      <UButton
        color="neutral"
        variant="outline"
        class="justify-center px-1"
        :disabled="nextBall === 1"
        @click="emit('leaveOut')"
        >Leave out… <UKbd value="l" class="max-md:hidden"
      /></UButton>
      <UButton
        v-for="way in ways"
        :key="way.id"
        color="neutral"
        variant="outline"
        class="justify-center px-1"
        :icon="way.icon"
        @click="emit('way', way.id)"
        >{{ way.label }} <UKbd v-if="way.key" :value="way.key" class="max-md:hidden"
      /></UButton>
    </div>
    <p v-if="fault" id="carry-fault" class="col-span-full min-h-6 font-semibold text-error" role="alert">{{ fault }}</p>
    <p v-else id="carry-also" class="soft col-span-full min-h-6">
      {{ also || (glass ? '' : '72 4r is 4 right of the line, 72 t79 a total of 79') }}
    </p>
    <div v-if="glass" class="col-span-full grid grid-cols-5 gap-1.5" aria-label="Figures">
      <button
        v-for="key in GLASS"
        :key="key"
        type="button"
        class="raised h-12 cursor-pointer font-bold active:bg-elevated"
        :class="key in NAMES && key !== '.' ? 'text-lg' : 'text-2xl'"
        :aria-label="NAMES[key] ?? key"
        @click="press(key)"
      >
        {{ key === 'L' ? '← L' : key === 'R' ? 'R →' : key === 'T' ? 'Total' : key }}
      </button>
    </div>
  </form>
</template>
