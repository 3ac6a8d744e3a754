<script setup lang="ts">
import { rungSpeedMs } from '#core/swing/called-speed'
import { FLIGHTS } from '#core/swing/scale'
import { knownFraction, schoolById } from '#core/swing/schools'
import type { BagEditor } from '~/composables/useBagDraft'
import type { DraftRung } from '~/utils/bag-draft'

const props = defineProps<{ rung: DraftRung; index: number; first: boolean; last: boolean; editor: BagEditor }>()
const emit = defineEmits<{ up: []; down: [] }>()

const of = (field: string) => props.editor.errors.of(`scale.rungs.${props.index}.${field}`)
const usualShare = computed(() => {
  const { school } = props.editor.draft.value
  if (rungSpeedMs(props.rung, school) !== undefined) return 'by its speed'
  const fraction = knownFraction(props.rung.school ?? school, props.rung.label)
  return fraction === undefined ? 'spread evenly' : `usually ${Math.round(fraction * 100)}`
})
const hasBalls = computed(() => props.editor.ballsOf('rungId', props.rung.id) > 0)
const name = computed(() => props.rung.label || 'this swing length')
const flights = FLIGHTS.map(value => ({ value, label: value === 'normal' ? 'normal flight' : `${value} flight` }))

/** Opened from the menu; kept open while anything is said. */
const feeling = ref(false)
const menu = computed(() => [
  [
    ...(props.rung.flight === 'normal'
      ? (['low', 'high'] as const).map(flight => ({
          label: `Add a ${flight} flight of it`,
          icon: flight === 'low' ? 'i-lucide-arrow-down-right' : 'i-lucide-arrow-up-right',
          onSelect: () => props.editor.addFlight(props.rung, flight),
        }))
      : []),
    ...(row.value.feels === '' && !feeling.value
      ? [
          {
            label: 'Feels like something else…',
            icon: 'i-lucide-message-circle',
            onSelect: () => {
              feeling.value = true
            },
          },
        ]
      : []),
    { label: 'Up', icon: 'i-lucide-arrow-up', disabled: props.first, onSelect: () => emit('up') },
    { label: 'Down', icon: 'i-lucide-arrow-down', disabled: props.last, onSelect: () => emit('down') },
    {
      label: hasBalls.value ? 'Retire' : 'Remove',
      icon: hasBalls.value ? 'i-lucide-archive' : 'i-lucide-trash-2',
      onSelect: () => props.editor.removeRung(props.rung.id),
    },
  ],
])
// The rows are data of the editor; a field writes into the row it shows.
const row = computed(() => props.editor.draft.value.rungs[props.index]!)
</script>

<template>
  <li
    class="grid grid-cols-[1.5rem_minmax(0,1fr)_minmax(0,1fr)_2.75rem] items-start gap-x-3 px-3 pt-2 md:grid-cols-[1.5rem_9rem_minmax(0,1fr)_9.5rem_8rem_2.75rem]"
  >
    <span
      class="drag flex h-11 cursor-grab touch-none items-center justify-center"
      :class="first && 'mt-6'"
      aria-hidden="true"
      title="Drag to reorder"
      ><UIcon name="i-lucide-grip-vertical" class="soft size-5"
    /></span>
    <UFormField
      label="Swing length"
      :error="of('label')"
      :help="row.school ? `from ${schoolById(row.school).title.toLowerCase()}` : ' '"
      :ui="{ label: first ? '' : 'sr-only' }"
    >
      <UInput
        v-model="row.label"
        class="w-full"
        :ui="{ base: 'font-bold' }"
        :aria-label="`Name of swing length ${name}`"
      />
    </UFormField>
    <UFormField
      label="Cue, in the player's words"
      :error="of('cue')"
      help=" "
      class="max-md:col-start-2 max-md:col-end-5 max-md:row-start-2"
      :ui="{ label: first ? '' : 'sr-only' }"
    >
      <UInput v-model="row.cue" class="w-full" placeholder="what to look or feel for" :aria-label="`Cue of ${name}`" />
    </UFormField>
    <UFormField
      label="Flight"
      :error="of('flight')"
      help=" "
      class="max-md:col-start-2 max-md:row-start-3"
      :ui="{ label: first ? 'max-md:sr-only' : 'sr-only' }"
    >
      <USelect v-model="row.flight" :items="flights" class="w-full" :aria-label="`Flight of ${name}`" />
    </UFormField>
    <UFormField
      label="% of full"
      :error="of('fraction')"
      help=" "
      class="max-md:col-start-3 max-md:col-end-4 max-md:row-start-1"
      :ui="{ label: first ? '' : 'sr-only' }"
    >
      <UInput
        v-model="row.share"
        inputmode="decimal"
        class="w-full"
        :placeholder="usualShare"
        :aria-label="`Share of full of ${name}, per cent`"
      />
    </UFormField>
    <UFormField
      v-if="feeling || row.feels !== ''"
      label="Feels like, where that is not what is seen"
      :error="of('feels')"
      help=" "
      class="col-start-2 col-end-5 max-md:row-start-4 md:col-end-7 md:row-start-2"
    >
      <UInput v-model="row.feels" class="w-full" placeholder="pocket" :aria-label="`What ${name} feels like`" />
    </UFormField>
    <UDropdownMenu :items="menu" :content="{ align: 'end' }">
      <UButton
        color="neutral"
        variant="ghost"
        icon="i-lucide-ellipsis-vertical"
        square
        class="size-11 justify-center max-md:col-start-4 max-md:row-start-1"
        :class="first && 'mt-6'"
        :aria-label="`More for ${name}`"
      />
    </UDropdownMenu>
  </li>
</template>
