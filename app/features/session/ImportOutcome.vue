<script setup lang="ts">
import { FOREIGN_COLUMNS, type ForeignColumn } from '#core/files/foreign-columns'
import { rowFaultText } from '#words/row-faults'
import { useDistance } from '~/ui/useDistance'
import type { Importer } from '~/features/session/useImport'
import { countWords, rowsWords } from '~/features/session/import-words'

/** What would become of the file, its first rows as they will be read; and then it is taken. */
const props = defineProps<{ importer: Importer }>()
const { planned, progress, busy, open } = props.importer
const { typed, unit } = useDistance()
const ready = computed(() => planned.value && planned.value.fresh > 0 && !busy.value)

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
</script>

<template>
  <div aria-live="polite">
    <h3 class="font-bold">What it will do</h3>
    <ul class="mt-1 space-y-1">
      <li class="flex items-center gap-2">
        <UIcon name="i-lucide-plus" class="text-success" />
        <span
          ><b>{{ rowsWords(planned!.fresh) }}</b> will be added<template v-if="planned!.sessions.length > 0"
            >, in {{ planned!.sessions.length }} {{ planned!.sessions.length === 1 ? 'session' : 'sessions' }}</template
          ></span
        >
      </li>
      <li v-if="planned!.present > 0" class="flex items-center gap-2">
        <UIcon name="i-lucide-equal" /> {{ rowsWords(planned!.present) }}
        {{ planned!.present === 1 ? 'is' : 'are' }} there already
      </li>
      <li v-if="open > 0" class="flex items-center gap-2">
        <UIcon name="i-lucide-circle-help" class="text-warning" /> {{ open }}
        {{ open === 1 ? 'label waits' : 'labels wait' }} for your choice; their rows stay out until then
      </li>
      <li v-if="planned!.skipped > 0" class="flex items-center gap-2">
        <UIcon name="i-lucide-minus" /> {{ rowsWords(planned!.skipped) }} left out by your choice
      </li>
      <li v-if="planned!.refusedRows > 0" class="flex items-center gap-2">
        <UIcon name="i-lucide-circle-alert" class="text-error" /> {{ rowsWords(planned!.refusedRows) }} cannot be taken
      </li>
    </ul>
    <details v-if="planned!.refused.length > 0" class="mt-2">
      <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">Why</summary>
      <ul class="max-h-48 overflow-y-auto text-sm">
        <li v-for="(fault, i) in planned!.refused" :key="i">
          Line {{ fault.row }}, {{ fault.column }}: "{{ fault.value }}" {{ rowFaultText(fault.fault) }}
        </li>
      </ul>
    </details>
    <table v-if="planned!.sample.length > 0" class="mt-3 w-full text-sm">
      <caption class="soft text-left">
        As they will be read
      </caption>
      <tbody>
        <tr v-for="row in planned!.sample" :key="row.line" class="border-t border-default">
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
          :aria-label="`${countWords(progress.done)} of ${countWords(progress.of)} rows sent`"
        />
        <p class="mt-1 flex items-center gap-3">
          {{ countWords(progress.done) }} of {{ countWords(progress.of) }} sent; they show when all are there.
          <UButton color="neutral" variant="outline" size="sm" icon="i-lucide-square" @click="importer.stop()"
            >Stop</UButton
          >
        </p>
      </template>
      <UButton
        v-else
        size="xl"
        icon="i-lucide-download"
        :disabled="!ready"
        :loading="busy === 'plan'"
        @click="importer.send()"
        >Import {{ rowsWords(planned!.fresh) }}</UButton
      >
    </div>
  </div>
</template>
