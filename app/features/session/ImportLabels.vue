<script setup lang="ts">
import type { ImportChoices } from '#core/files/import-plan'
import { rungName } from '#core/swing/scale'
import { BALL_KINDS, SURFACES } from '#shared/choices'
import type { Importer } from '~/features/session/useImport'
import { rowsWords } from '~/features/session/import-words'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import SessionImportNewClub from '~/features/session/ImportNewClub.vue'

/** What the clubs and swing lengths of the file are; and what no column says is asked once, for all rows. */
const props = defineProps<{ importer: Importer }>()
const { planned, choices, clubs, rungs } = props.importer

const BALL_WORDS = { own: 'own ball', range: 'range ball' } as const
const PLACES = [
  { value: 'no', label: 'outdoors' },
  { value: 'yes', label: 'indoors' },
]
const SKIP = 'skip'
const NEW = 'open'
const MAKE = 'make'
const clubItems = computed(() => [
  { value: NEW, label: 'choose…' },
  ...clubs.value.map(club => ({ value: club.id, label: club.label })),
  { value: MAKE, label: 'a new club…' },
  { value: SKIP, label: 'leave its rows out' },
])
const lengthItems = computed(() => rungs.value.map(rung => ({ value: rung.id, label: rungName(rung) })))
const rungItems = computed(() => [
  { value: NEW, label: 'choose…' },
  ...lengthItems.value,
  { value: SKIP, label: 'leave its rows out' },
])
/** Its label in the file, while a club of it is made. */
const making = ref<string>()

function choose(which: 'clubs' | 'swings', label: string, value: string) {
  if (value === NEW) return
  if (value === MAKE) {
    making.value = label
    return
  }
  choices.value![which][label] = value
  props.importer.plan()
}
const labels = computed(() => [
  ...planned.value!.clubs.slice(0, 30).map(one => ({ ...one, which: 'clubs' as const, items: clubItems.value })),
  ...planned.value!.swings.slice(0, 30).map(one => ({ ...one, which: 'swings' as const, items: rungItems.value })),
])

/** A choice about all rows, and what comes of it. */
function chooseForAll(change: Partial<ImportChoices>): void {
  Object.assign(choices.value!, change)
  props.importer.plan()
}
/** What is asked once for the whole file, where no column says it. */
const asked = computed(() => {
  const { mapping, swing, ball, surface, indoors } = choices.value!
  const all = [
    {
      column: 'swing' as const,
      ask: 'No swing length in the file: all of it is',
      label: 'Swing length of all rows',
      value: swing ?? NEW,
      items: rungItems.value,
      change: (value: string) => ({ swing: value }),
    },
    {
      column: 'ball' as const,
      ask: 'No ball in the file: it was hit with the',
      label: 'Ball of all rows',
      value: ball,
      items: BALL_KINDS.map(value => ({ value: value as string, label: BALL_WORDS[value] })),
      change: (value: string) => ({ ball: value as ImportChoices['ball'] }),
    },
    {
      column: 'surface' as const,
      ask: 'No surface in the file: it was hit off',
      label: 'Surface of all rows',
      value: surface,
      items: SURFACES.map(value => ({ value: value as string, label: value })),
      change: (value: string) => ({ surface: value as ImportChoices['surface'] }),
    },
    {
      column: 'indoors' as const,
      ask: 'No place in the file: it was hit',
      label: 'Indoors or outdoors',
      value: indoors ? 'yes' : 'no',
      items: PLACES,
      change: (value: string) => ({ indoors: value === 'yes' }),
    },
  ]
  return all.filter(one => !mapping.columns.includes(one.column))
})
const date = computed({
  get: () => {
    const { dateMs } = choices.value!
    return new Date(dateMs - new Date(dateMs).getTimezoneOffset() * 60_000).toISOString().slice(0, 10)
  },
  set: (text: string) => {
    const dateMs = Date.parse(`${text}T12:00:00`)
    if (!Number.isNaN(dateMs)) chooseForAll({ dateMs })
  },
})
</script>

<template>
  <div aria-label="Clubs and swing lengths" role="group">
    <h3 class="font-bold">Clubs and swing lengths of the file</h3>
    <ul class="mt-1 divide-y divide-default">
      <li v-for="one in labels" :key="`${one.which} ${one.label}`" class="flex min-h-12 items-center gap-3">
        <span class="min-w-0 flex-1 truncate"
          ><b>{{ one.label }}</b> <span class="soft">{{ rowsWords(one.rows) }}</span></span
        >
        <FramePlainSelect
          :model-value="one.choice ?? NEW"
          :items="one.items"
          :label="`What ${one.which === 'clubs' ? 'club' : 'swing'} ${one.label} is`"
          class="w-44!"
          :doubtful="!one.choice"
          @update:model-value="choose(one.which, one.label, $event)"
        />
      </li>
      <li v-if="!choices!.mapping.columns.includes('time')" class="flex min-h-12 items-center gap-3">
        <label for="import-date" class="flex-1">No time in the file: it was hit on</label>
        <UInput id="import-date" v-model="date" type="date" class="w-44" />
      </li>
      <li v-for="one in asked" :key="one.column" class="flex min-h-12 items-center gap-3">
        <span class="flex-1">{{ one.ask }}</span>
        <FramePlainSelect
          :model-value="one.value"
          :items="one.items"
          :label="one.label"
          class="w-44!"
          @update:model-value="chooseForAll(one.change($event))"
        />
      </li>
    </ul>
    <p class="soft mt-1 text-sm">What the columns are is remembered for files with the same header.</p>
    <SessionImportNewClub v-if="making !== undefined" :label="making" :importer="importer" @done="making = undefined" />
  </div>
</template>
