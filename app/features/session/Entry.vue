<script setup lang="ts">
import { useShortcuts } from '~/ui/useShortcuts'
import { readTypedBall, type TypedBall, type TypedUnits } from '#core/shot/typed-ball'
import type { BallMark, Mark } from '#shared/marks'
import { ballFaultText, feltText } from '#words/typed'
import { readingTexts } from '#words/readings'
import { useDistance } from '~/ui/useDistance'
import { useAccount } from '~/offline/stores/account'
import SessionMarkBar from '~/features/session/MarkBar.vue'

/**
 * A ball as it is typed: figures from the keyboard, or from the keys on the glass, and behind them what else was seen.
 * Enter logs it. With nothing typed a mark is about the ball before.
 */
const props = defineProps<{
  nextBall: number
  swings: { id: string; name: string }[]
  canUndo: boolean
  ways: { id: string; label: string; icon: string; key?: string }[]
  /** What the figure is: "Carry", or "Total" where that is read first. */
  figure: string
  /** True where a club speed was called: it is typed with the ball. */
  bySpeed?: boolean
}>()
const emit = defineEmits<{
  log: [ball: TypedBall, said?: BallMark]
  mark: [said: BallMark]
  undo: []
  leaveOut: []
  before: []
  way: [id: string]
}>()
const typed = defineModel<string>({ required: true })

const account = useAccount()
const { unit, unitWord } = useDistance()
const units = computed<TypedUnits>(() => ({
  distance: unit.value,
  speed: account.speedUnit,
  height: account.heightUnit,
}))
const fault = ref<string>()
const input = useTemplateRef('input')
const touch = useMediaQuery('(pointer: coarse)')
const narrow = useMediaQuery('(max-width: 767px)')
const glass = computed(() => touch.value || narrow.value)
const MOST = 60

watch([typed, unit], () => {
  fault.value = undefined
})

/** What was typed besides the carry, read back. */
const also = computed(() => {
  const ball = readTypedBall(typed.value, units.value)
  if ('fault' in ball) return ''
  const { carryM: _, feltPercent, ...readings } = ball
  return [
    ...readingTexts(readings, unit.value, account.speedUnit),
    ...(feltPercent === undefined ? [] : [feltText(feltPercent)]),
  ].join(', ')
})

function submit(said?: BallMark) {
  const ball = readTypedBall(typed.value, units.value)
  if ('fault' in ball) {
    fault.value = ballFaultText(ball, units.value)
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

/** Keys on the glass: figures, and what begins another reading of the same ball. */
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '.', '⌫']
const READINGS = [
  { key: '<', label: '← L', name: 'Left of the line' },
  { key: '>', label: 'R →', name: 'Right of the line' },
  { key: 't', label: 'Total', name: 'Total' },
] as const
const MORE_READINGS = [
  { key: 's', label: 'Spin', name: 'Spin' },
  { key: 'l', label: 'Launch', name: 'Launch' },
  { key: 'b', label: 'Ball', name: 'Ball speed' },
  { key: 'c', label: 'Club', name: 'Club speed' },
  { key: 'h', label: 'High', name: 'Height' },
  { key: 'f', label: 'Felt', name: 'How full it felt, per cent' },
] as const
const CLUB_SPEED = MORE_READINGS.find(one => one.key === 'c')!
const more = ref(false)
const keys = computed(() => {
  if (more.value) return MORE_READINGS
  return props.bySpeed ? [CLUB_SPEED, ...READINGS] : READINGS
})
const wide = computed(() => {
  if (more.value) return 'col-span-6'
  return props.bySpeed ? 'col-span-2' : 'col-span-3'
})
/** An example that reminds of the letters. */
const EXAMPLE = '72 4r: 4 right. t79 total, s6600 spin, l29 launch, b85 ball, c68 club, f80 felt'
const BY_SPEED = '72 c68: the club went at 68. 4r: 4 right. t79 total, s6600 spin, l29 launch'

function press(key: string) {
  if (key === '⌫') typed.value = typed.value.replace(/\s?\S$/, '')
  else if (typed.value.length < MOST) typed.value += key
}
/** A reading begins behind a blank; pressed by mistake, another takes its place. */
function begin(key: string) {
  if (typed.value === '' || typed.value.length >= MOST) return
  typed.value = `${typed.value.replace(/\s[<>a-z]?$/, '')} ${key}`
}

/** Letters are shortcuts only while nothing is typed: behind a figure they belong to the ball. */
const whenEmpty = (act: () => void) => () => (typed.value === '' ? act() : false)

// Number keys go straight to the carry, wherever the page was last touched.
const toField = (event: KeyboardEvent) => {
  if (event.target !== input.value) input.value?.focus()
  return false
}
const markKey = (mark: Mark) => whenEmpty(() => emit('mark', mark))
useShortcuts(
  {
    digit: toField,
    mendCarry: toField,
    clearCarry: () => {
      typed.value = ''
    },
    logBall: ({ target }) =>
      target === input.value || (target as HTMLElement).closest('button, a') ? false : submit(),
    mishit: markKey('mishit'),
    flyer: markKey('flyer'),
    faceOpen: markKey('face open'),
    faceClosed: markKey('face closed'),
    swungLong: markKey('swung long'),
    undoBall: whenEmpty(() => emit('undo')),
    leaveOut: whenEmpty(() => emit('leaveOut')),
    pile: whenEmpty(() => emit('way', 'pile')),
  },
  { field: () => input.value },
)
onMounted(() => {
  if (!glass.value) input.value?.focus()
})

const nothingYet = computed(() => props.nextBall === 1 && typed.value === '')
const size = computed(() => {
  // Where nothing stands yet the caret is a line of text, not a wall: some engines draw it as tall as the figures.
  if (typed.value === '') return 'text-4xl'
  if (typed.value.length > 14) return 'text-2xl'
  if (typed.value.length > 6) return 'text-4xl'
  return typed.value.length > 4 ? 'text-5xl' : 'text-6xl sm:text-[5.5rem]'
})
</script>

<template>
  <form novalidate class="space-y-2" @submit.prevent="submit()">
    <div
      class="max-md:sticky max-md:top-14 max-md:z-20 max-md:-mx-4 max-md:border-b max-md:border-default max-md:bg-default max-md:px-4 max-md:pt-1 max-md:pb-2"
    >
      <slot />
      <div class="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-x-4 max-md:mt-1.5">
        <div class="min-w-0">
          <label for="carry" class="soft text-sm max-md:sr-only">{{ figure }}, {{ unitWord }}</label>
          <input
            id="carry"
            ref="input"
            v-model="typed"
            data-shortcuts
            :inputmode="glass ? 'none' : 'text'"
            autocomplete="off"
            autocapitalize="none"
            :maxlength="MOST"
            :placeholder="glass ? `${figure}, ${unitWord}` : undefined"
            :aria-invalid="fault ? true : undefined"
            aria-describedby="carry-fault carry-also"
            class="block h-14 w-full border-b-4 border-primary bg-transparent leading-none font-extrabold tracking-tight outline-none placeholder:text-lg placeholder:font-normal placeholder:tracking-normal sm:h-24"
            :class="size"
          />
        </div>
        <UButton type="submit" size="xl" class="hover:bg-primary! min-h-14 justify-center px-5 text-lg md:min-w-48"
          >Log ball {{ nextBall }} <UKbd value="enter" class="ml-1 max-md:hidden"
        /></UButton>
      </div>
      <p v-if="fault" id="carry-fault" class="min-h-6 font-semibold text-error" role="alert">{{ fault }}</p>
      <p v-else id="carry-also" class="soft min-h-6 truncate">
        {{ also || (glass ? '' : bySpeed ? BY_SPEED : EXAMPLE) }}
      </p>
    </div>
    <SessionMarkBar
      :nothing-yet="nothingYet"
      :first-ball="nextBall === 1"
      :can-undo="canUndo"
      :swings="swings"
      :ways="ways"
      @marked="marked"
      @undo="emit('undo')"
      @leave-out="emit('leaveOut')"
      @before="emit('before')"
      @way="emit('way', $event)"
    />
    <div
      v-if="glass"
      class="grid grid-cols-6 gap-1 max-md:fixed max-md:inset-x-0 max-md:bottom-(--rail-height) max-md:z-20 max-md:border-t max-md:border-default max-md:bg-default max-md:px-2 max-md:py-1.5"
      role="group"
      aria-label="Figures"
    >
      <button
        v-for="key in DIGITS"
        :key="key"
        type="button"
        class="raised h-11 cursor-pointer text-2xl font-bold active:bg-elevated"
        :aria-label="key === '⌫' ? 'Delete the last figure' : key === '.' ? 'Decimal point' : key"
        @click="press(key)"
      >
        {{ key }}
      </button>
      <button
        v-for="{ key, label, name } in keys"
        :key="key"
        type="button"
        class="raised h-11 cursor-pointer font-bold active:bg-elevated disabled:opacity-50"
        :aria-label="name"
        :disabled="typed === ''"
        @click="begin(key)"
      >
        {{ label }}
      </button>
      <button
        type="button"
        class="raised h-11 cursor-pointer font-bold active:bg-elevated"
        :class="wide"
        :aria-expanded="more"
        @click="more = !more"
      >
        {{ more ? 'Fewer readings' : bySpeed ? 'More…' : 'Spin, launch, speed…' }}
      </button>
    </div>
  </form>
</template>
