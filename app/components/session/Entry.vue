<script setup lang="ts">
import { carryFaultWords, readTypedCarry } from '#core/shot/typed-carry'

/** The carry as it is typed: figures from the keyboard, or from the keys on the glass. Enter logs it. */
defineProps<{ nextBall: number, canUndo: boolean }>()
const emit = defineEmits<{ log: [carryM: number], undo: [], leaveOut: [] }>()
const typed = defineModel<string>({ required: true })

const { unit, unitWord } = useDistance()
const fault = ref<string>()
const input = useTemplateRef('input')
const touch = useMediaQuery('(pointer: coarse)')
const narrow = useMediaQuery('(max-width: 767px)')
const glass = computed(() => touch.value || narrow.value)

watch([typed, unit], () => { fault.value = undefined })

function submit() {
  const read = readTypedCarry(typed.value, unit.value)
  if ('fault' in read) {
    fault.value = carryFaultWords(read.fault, typed.value, unit.value)
    input.value?.focus()
    return
  }
  emit('log', read.carryM)
  typed.value = ''
}

function press(key: string) {
  if (key === '⌫') typed.value = typed.value.slice(0, -1)
  else if (typed.value.length < 7) typed.value += key
}

/** Number keys go straight to the carry, wherever the page was last touched. */
function keys(event: KeyboardEvent) {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return
  const target = event.target as HTMLElement
  if (target !== input.value && target.closest('input, textarea, select, [role="dialog"], [role="menu"], [role="listbox"]')) return
  if (/^[0-9.,]$/.test(event.key)) {
    if (target !== input.value) input.value?.focus()
  } else if (event.key === 'Escape') {
    typed.value = ''
  } else if (event.key === 'Enter' && target !== input.value && !target.closest('button, a')) {
    submit()
  } else if (event.key === 'Backspace' && target !== input.value) {
    input.value?.focus()
  } else if (typed.value === '' && event.key.toLowerCase() === 'u') {
    event.preventDefault()
    emit('undo')
  } else if (typed.value === '' && event.key.toLowerCase() === 'l') {
    event.preventDefault()
    emit('leaveOut')
  }
}
useEventListener('keydown', keys)
onMounted(() => { if (!glass.value) input.value?.focus() })
</script>

<template>
  <form class="grid items-end gap-x-6 gap-y-3 sm:grid-cols-[minmax(0,15rem)_minmax(0,1fr)]" novalidate @submit.prevent="submit">
    <div>
      <label for="carry" class="soft text-sm">Carry, {{ unitWord }}</label>
      <input
        id="carry" ref="input" v-model="typed" :inputmode="glass ? 'none' : 'decimal'" autocomplete="off" maxlength="20" :aria-invalid="fault ? true : undefined" aria-describedby="carry-fault"
        class="block h-20 w-full border-b-4 border-primary bg-transparent text-7xl leading-none font-extrabold tracking-tight outline-none sm:h-28 sm:text-[6.5rem]"
      >
    </div>
    <div class="grid grid-cols-2 gap-2">
      <UButton type="submit" size="xl" class="col-span-2 min-h-13 justify-center text-lg">Log ball {{ nextBall }} <UKbd value="enter" class="ml-1 max-md:hidden" /></UButton>
      <UButton color="neutral" variant="outline" class="justify-center" :disabled="!canUndo" icon="i-lucide-undo-2" @click="emit('undo')">Undo <UKbd value="u" class="max-md:hidden" /></UButton>
      <UButton color="neutral" variant="outline" class="justify-center" :disabled="nextBall === 1" icon="i-lucide-circle-minus" @click="emit('leaveOut')">Leave out… <UKbd value="l" class="max-md:hidden" /></UButton>
    </div>
    <p id="carry-fault" class="col-span-full min-h-6 font-semibold text-error" role="alert">{{ fault }}</p>
    <div v-if="glass" class="col-span-full grid grid-cols-6 gap-1.5" aria-label="Figures">
      <button
        v-for="key in ['1', '2', '3', '4', '5', '⌫', '6', '7', '8', '9', '0', '.']" :key="key" type="button"
        class="raised h-13 cursor-pointer text-2xl font-bold active:bg-elevated" :aria-label="key === '⌫' ? 'Delete the last figure' : key === '.' ? 'Decimal point' : key" @click="press(key)"
      >
        {{ key }}
      </button>
    </div>
  </form>
</template>
