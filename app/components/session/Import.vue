<script setup lang="ts">
import type { ImportChoices } from '#core/files/import-plan'
import { rungName } from '#core/swing/scale'
import { LOFT_MAX_DEG, LOFT_MIN_DEG } from '#core/limits'
import { FOREIGN_COLUMNS, type ForeignColumn } from '#core/files/foreign-table'
import { BALL_KINDS, SURFACES } from '#shared/session'
import { useDistance } from '~/composables/useDistance'
import { useImport } from '~/composables/useImport'
import { usePlayerRecord } from '~/stores/record'
import { typedNumber } from '~/utils/numbers'
import FramePlainSelect from '~/components/frame/PlainSelect.vue'

/**
 * A file of shots: what its columns are, what its clubs and swings are, what would become of it, and only then it is
 * taken.
 */
const record = usePlayerRecord()
const {
  opened,
  planned,
  sent,
  progress,
  failure,
  busy,
  choices,
  open,
  start,
  plan,
  send,
  undo,
  reset,
  makeClub,
  stop,
  clubs,
  rungs,
} = useImport()
const { typed, unit } = useDistance()
const toast = useToast()
const dropZone = useTemplateRef<HTMLElement>('dropZone')
const { isOverDropZone: over } = useDropZone(dropZone, { onDrop: files => take(files) })
const input = useTemplateRef<HTMLInputElement>('input')

function take(files: FileList | File[] | null | undefined) {
  if (files?.[0]) start(files[0])
  if (input.value) input.value.value = ''
}

const BALL_WORDS = { own: 'own ball', range: 'range ball' } as const
const LEFT = 'left'
const SKIP = 'skip'
const NEW = 'open'
const MAKE = 'make'
const columnItems = [
  { value: LEFT, label: 'left alone' },
  ...FOREIGN_COLUMNS.map(([value, label]) => ({ value: value as string, label: label as string })),
]
const clubItems = computed(() => [
  { value: NEW, label: 'choose…' },
  ...clubs.value.map(club => ({ value: club.id, label: club.label })),
  { value: MAKE, label: 'a new club…' },
  { value: SKIP, label: 'leave its rows away' },
])
const rungItems = computed(() => [
  { value: NEW, label: 'choose…' },
  ...rungs.value.map(rung => ({ value: rung.id, label: rungName(rung) })),
  { value: SKIP, label: 'leave its rows away' },
])

function setColumn(place: number, value: string) {
  const mapping = choices.value!.mapping
  mapping.columns[place] = value === LEFT ? '' : (value as ForeignColumn)
  mapping.unsure = mapping.unsure.filter(other => other !== place)
  plan()
}
function choose(which: 'clubs' | 'swings', label: string, value: string) {
  if (value === NEW) return
  if (value === MAKE) {
    making.value = label
    loft.value = /^\d{2}(\.\d)?°?$/.test(label) ? label.replace('°', '') : ''
    loftFault.value = undefined
    return
  }
  choices.value![which][label] = value
  plan()
}
const making = ref<string>()
const loft = ref('')
const loftFault = ref<string>()
async function make() {
  const deg = typedNumber(loft.value)
  if (!(deg >= LOFT_MIN_DEG && deg <= LOFT_MAX_DEG)) {
    loftFault.value = `Loft "${loft.value}" is not possible: ${LOFT_MIN_DEG} to ${LOFT_MAX_DEG}° is allowed.`
    return
  }
  try {
    await makeClub(making.value!, deg)
    making.value = undefined
  } catch (error) {
    loftFault.value = (error as Error).message
  }
}
const date = computed({
  get: () =>
    choices.value
      ? new Date(choices.value.dateMs - new Date(choices.value.dateMs).getTimezoneOffset() * 60_000)
          .toISOString()
          .slice(0, 10)
      : '',
  set: (text: string) => {
    const ms = Date.parse(`${text}T12:00:00`)
    if (Number.isNaN(ms) || !choices.value) return
    choices.value.dateMs = ms
    plan()
  },
})
const missing = computed(() => {
  const columns = choices.value?.mapping.columns ?? []
  return [
    ...(columns.includes('club') ? [] : ['club']),
    ...(columns.some(column => column.startsWith('carry_') && column !== 'carry_basis') ? [] : ['carry']),
  ]
})
/** Asked once for the whole file, where no column says it. */
const asked = computed(() => {
  const columns = choices.value?.mapping.columns ?? []
  return {
    ball: !columns.includes('ball'),
    surface: !columns.includes('surface'),
    indoors: !columns.includes('indoors'),
  }
})
const ballItems = BALL_KINDS.map(value => ({ value: value as string, label: BALL_WORDS[value] }))
const surfaceItems = SURFACES.map(value => ({ value: value as string, label: value }))
const placeItems = [
  { value: 'no', label: 'outdoors' },
  { value: 'yes', label: 'indoors' },
]

/** Every figure of a row that is read beside its carry, as its column calls it. */
const SHOWN_APART = ['club', 'swing', 'carry_yd', 'carry_m']
const columnLabels = new Map<string, string>(FOREIGN_COLUMNS.map(([id, label]) => [id, label]))
function readWords(cells: Partial<Record<ForeignColumn, string>>): string {
  return Object.entries(cells)
    .filter(([column]) => !SHOWN_APART.includes(column))
    .map(([column, value]) => {
      const [what, columnUnit] = columnLabels.get(column)!.split(', ')
      const figure = value === '-0' ? '0' : value
      return `${what!.toLowerCase()} ${figure}${columnUnit === '°' ? '°' : columnUnit ? ` ${columnUnit}` : ''}`
    })
    .join(', ')
}
const units = computed(() => choices.value?.mapping.unsure.map(place => opened.value!.headers[place]).join(', ') ?? '')
const ready = computed(() => planned.value && planned.value.fresh > 0 && missing.value.length === 0 && !busy.value)

async function takeBack() {
  try {
    await undo()
    toast.add({ title: 'The import is taken back' })
  } catch (error) {
    toast.add({ title: 'It could not be taken back', description: (error as Error).message, color: 'error' })
  }
}
const number = (value: number) => value.toLocaleString('en-GB')
const rows = (n: number) => `${number(n)} ${n === 1 ? 'row' : 'rows'}`

/** A choice about all rows, and what comes of it. */
function chooseForAll(change: Partial<ImportChoices>): void {
  Object.assign(choices.value!, change)
  plan()
}
</script>

<template>
  <div class="space-y-5">
    <section
      v-if="!opened"
      ref="dropZone"
      class="raised flex flex-col items-center gap-3 border-2! border-dashed! p-10 text-center"
      :class="over && 'border-primary! bg-elevated'"
    >
      <UIcon name="i-lucide-file-spreadsheet" class="soft size-12" />
      <p class="text-xl font-bold">{{ busy === 'open' ? 'Reading the file…' : 'Drop a file here' }}</p>
      <p class="soft">
        CSV or XLSX, 25 MB and 100,000 rows at most. Nothing is taken before you have seen what it will be.
      </p>
      <UButton icon="i-lucide-folder-open" :loading="busy === 'open'" @click="input?.click()">Choose a file</UButton>
      <input
        ref="input"
        type="file"
        accept=".csv,.txt,.tsv,.xlsx"
        class="sr-only"
        tabindex="-1"
        aria-label="File of shots"
        @change="take(($event.target as HTMLInputElement).files)"
      />
    </section>
    <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>

    <section v-if="sent" class="raised border-l-[5px]! border-l-(--sound)! p-5" role="status">
      <h2 class="text-xl font-bold">{{ number(sent.balls) }} {{ sent.balls === 1 ? 'ball' : 'balls' }} imported</h2>
      <div class="mt-3 flex flex-wrap gap-2">
        <UButton :to="`/players/${record.playerId}/chart`">To the carry chart</UButton>
        <UButton color="neutral" variant="outline" icon="i-lucide-undo-2" @click="takeBack"
          >Take the import back</UButton
        >
        <UButton color="neutral" variant="outline" @click="reset">Another file</UButton>
      </div>
    </section>

    <template v-else-if="opened && choices">
      <section aria-labelledby="columns-title">
        <div class="flex flex-wrap items-baseline justify-between gap-2">
          <h2 id="columns-title" class="text-xl font-bold">{{ opened.name }}, {{ rows(opened.rows) }}</h2>
          <UButton color="neutral" variant="outline" icon="i-lucide-x" @click="reset">Another file</UButton>
        </div>
        <p v-if="missing.length > 0" class="mt-1 font-semibold text-error">
          Which column is the {{ missing.join(', and which the ') }}?
        </p>
        <p v-else-if="units" class="mt-1 border-l-[5px] border-(--weak-fill) pl-3">
          <b>The unit is a guess: {{ units }}.</b> Look at the figures and choose.
        </p>
        <div class="raised mt-2 overflow-x-auto">
          <table class="text-sm">
            <thead>
              <tr>
                <th
                  v-for="(header, i) in opened.headers"
                  :key="i"
                  scope="col"
                  class="min-w-40 p-2 text-left align-bottom"
                >
                  <span class="block truncate font-bold">{{ header || `column ${i + 1}` }}</span>
                  <FramePlainSelect
                    :model-value="choices.mapping.columns[i] || LEFT"
                    :items="columnItems"
                    :label="`What ${header || `column ${i + 1}`} is`"
                    class="mt-1 font-normal"
                    :doubtful="choices.mapping.unsure.includes(i)"
                    @update:model-value="setColumn(i, $event)"
                  />
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, r) in opened.sample.slice(0, 5)" :key="r" class="border-t border-default">
                <td
                  v-for="(_, i) in opened.headers"
                  :key="i"
                  class="max-w-60 truncate px-2 py-1"
                  :class="!choices.mapping.columns[i] && 'soft'"
                >
                  {{ row[i] }}
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>

      <section v-if="planned && missing.length === 0" class="grid gap-6 lg:grid-cols-2">
        <div aria-label="Clubs and swing lengths" role="group">
          <h3 class="font-bold">Clubs and swing lengths of the file</h3>
          <ul class="mt-1 divide-y divide-default">
            <li v-for="club in planned.clubs.slice(0, 30)" :key="club.label" class="flex min-h-12 items-center gap-3">
              <span class="min-w-0 flex-1 truncate"
                ><b>{{ club.label }}</b> <span class="soft">{{ rows(club.rows) }}</span></span
              >
              <FramePlainSelect
                :model-value="club.choice ?? NEW"
                :items="clubItems"
                :label="`What club ${club.label} is`"
                class="w-44!"
                :doubtful="!club.choice"
                @update:model-value="choose('clubs', club.label, $event)"
              />
            </li>
            <li
              v-for="swing in planned.swings.slice(0, 30)"
              :key="swing.label"
              class="flex min-h-12 items-center gap-3"
            >
              <span class="min-w-0 flex-1 truncate"
                ><b>{{ swing.label }}</b> <span class="soft">{{ rows(swing.rows) }}</span></span
              >
              <FramePlainSelect
                :model-value="swing.choice ?? NEW"
                :items="rungItems"
                :label="`What swing ${swing.label} is`"
                class="w-44!"
                :doubtful="!swing.choice"
                @update:model-value="choose('swings', swing.label, $event)"
              />
            </li>
            <li v-if="!choices.mapping.columns.includes('swing')" class="flex min-h-12 items-center gap-3">
              <span class="flex-1">No swing length in the file: all of it is</span>
              <FramePlainSelect
                :model-value="choices.swing ?? NEW"
                :items="rungItems"
                label="Swing length of all rows"
                class="w-44!"
                @update:model-value="chooseForAll({ swing: $event })"
              />
            </li>
            <li v-if="!choices.mapping.columns.includes('time')" class="flex min-h-12 items-center gap-3">
              <label for="import-date" class="flex-1">No time in the file: it was hit on</label>
              <UInput id="import-date" v-model="date" type="date" class="w-44" />
            </li>
            <li v-if="asked.ball" class="flex min-h-12 items-center gap-3">
              <span class="flex-1">No ball in the file: it was hit with the</span>
              <FramePlainSelect
                :model-value="choices.ball"
                :items="ballItems"
                label="Ball of all rows"
                class="w-44!"
                @update:model-value="chooseForAll({ ball: $event as 'own' | 'range' })"
              />
            </li>
            <li v-if="asked.surface" class="flex min-h-12 items-center gap-3">
              <span class="flex-1">No surface in the file: it was hit off</span>
              <FramePlainSelect
                :model-value="choices.surface"
                :items="surfaceItems"
                label="Surface of all rows"
                class="w-44!"
                @update:model-value="chooseForAll({ surface: $event as 'grass' | 'mat' })"
              />
            </li>
            <li v-if="asked.indoors" class="flex min-h-12 items-center gap-3">
              <span class="flex-1">No place in the file: it was hit</span>
              <FramePlainSelect
                :model-value="choices.indoors ? 'yes' : 'no'"
                :items="placeItems"
                label="Indoors or outdoors"
                class="w-44!"
                @update:model-value="chooseForAll({ indoors: $event === 'yes' })"
              />
            </li>
          </ul>
          <p class="soft mt-1 text-sm">What the columns are is remembered for files with the same header.</p>
        </div>
        <div aria-live="polite">
          <h3 class="font-bold">What it will do</h3>
          <ul class="mt-1 space-y-1">
            <li class="flex items-center gap-2">
              <UIcon name="i-lucide-plus" class="text-success" />
              <span
                ><b>{{ rows(planned.fresh) }}</b> will be added<template v-if="planned.sessions.length > 0"
                  >, in {{ planned.sessions.length }}
                  {{ planned.sessions.length === 1 ? 'session' : 'sessions' }}</template
                ></span
              >
            </li>
            <li v-if="planned.present > 0" class="flex items-center gap-2">
              <UIcon name="i-lucide-equal" /> {{ rows(planned.present) }}
              {{ planned.present === 1 ? 'is' : 'are' }} there already
            </li>
            <li v-if="open > 0" class="flex items-center gap-2">
              <UIcon name="i-lucide-circle-help" class="text-warning" /> {{ open }}
              {{ open === 1 ? 'label waits' : 'labels wait' }} for your choice; their rows stay out until then
            </li>
            <li v-if="planned.skipped > 0" class="flex items-center gap-2">
              <UIcon name="i-lucide-minus" /> {{ rows(planned.skipped) }} left away by your choice
            </li>
            <li v-if="planned.refusedRows > 0" class="flex items-center gap-2">
              <UIcon name="i-lucide-circle-alert" class="text-error" /> {{ rows(planned.refusedRows) }} cannot be taken
            </li>
          </ul>
          <details v-if="planned.refused.length > 0" class="mt-2">
            <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">Why</summary>
            <ul class="max-h-48 overflow-y-auto text-sm">
              <li v-for="(fault, i) in planned.refused" :key="i">
                Line {{ fault.row }}, {{ fault.column }}: "{{ fault.value }}" {{ fault.allowed }}
              </li>
            </ul>
          </details>
          <table v-if="planned.sample.length > 0" class="mt-3 w-full text-sm">
            <caption class="soft text-left">
              As they will be read
            </caption>
            <tbody>
              <tr v-for="row in planned.sample" :key="row.line" class="border-t border-default">
                <td class="soft py-1 pr-2 whitespace-nowrap">line {{ row.line }}</td>
                <td class="pr-2 whitespace-nowrap">{{ row.club }} {{ row.swing }}</td>
                <td class="pr-2 font-bold whitespace-nowrap">{{ typed(row.carryM) }} {{ unit }}</td>
                <td class="soft">{{ readWords(row.cells) }}</td>
              </tr>
            </tbody>
          </table>
          <div class="mt-4">
            <template v-if="busy === 'send' && progress">
              <UProgress
                :model-value="progress.done"
                :max="progress.of"
                :aria-label="`${number(progress.done)} of ${number(progress.of)} rows sent`"
              />
              <p class="mt-1 flex items-center gap-3">
                {{ number(progress.done) }} of {{ number(progress.of) }} sent; they show when all are there.
                <UButton color="neutral" variant="outline" size="sm" icon="i-lucide-square" @click="stop">Stop</UButton>
              </p>
            </template>
            <UButton
              v-else
              size="xl"
              icon="i-lucide-download"
              :disabled="!ready"
              :loading="busy === 'plan'"
              @click="send"
              >Import {{ rows(planned.fresh) }}</UButton
            >
          </div>
        </div>
      </section>
      <p v-else-if="busy" class="soft" role="status">Reading every row…</p>
      <UModal
        :open="making !== undefined"
        :title="`A new club: ${making}`"
        description="It goes into the bag with this loft."
        @update:open="making = undefined"
      >
        <template #body
          ><UFormField label="Loft, °" :error="loftFault" help=" "
            ><UInput v-model="loft" autofocus inputmode="decimal" @keydown.enter="make" /></UFormField
        ></template>
        <template #footer
          ><UButton @click="make">Put it into the bag</UButton
          ><UButton color="neutral" variant="outline" @click="making = undefined">Cancel</UButton></template
        >
      </UModal>
    </template>
  </div>
</template>
