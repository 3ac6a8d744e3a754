<script setup lang="ts">
import { FOREIGN_COLUMNS, type ForeignColumn } from '#core/files/foreign-columns'
import type { Importer } from '~/features/session/useImport'
import { rowsWords } from '~/features/session/import-words'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** What each column of the file is, over its first rows. */
const props = defineProps<{ importer: Importer; missing: string[] }>()
const { opened, choices } = props.importer

const LEFT = 'left'
const columnItems = [
  { value: LEFT, label: 'left alone' },
  ...FOREIGN_COLUMNS.map(([value, label]) => ({ value: value as string, label: label as string })),
]
function setColumn(place: number, value: string) {
  const mapping = choices.value!.mapping
  mapping.columns[place] = value === LEFT ? '' : (value as ForeignColumn)
  mapping.unsure = mapping.unsure.filter(other => other !== place)
  props.importer.plan()
}
const units = computed(() => choices.value?.mapping.unsure.map(place => opened.value!.headers[place]).join(', ') ?? '')
</script>

<template>
  <section aria-labelledby="columns-title">
    <div class="flex flex-wrap items-baseline justify-between gap-2">
      <h2 id="columns-title" class="text-xl font-bold">{{ opened!.name }}, {{ rowsWords(opened!.rows) }}</h2>
      <UButton color="neutral" variant="outline" icon="i-lucide-x" @click="importer.reset()">Another file</UButton>
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
            <th v-for="(header, i) in opened!.headers" :key="i" scope="col" class="min-w-40 p-2 text-left align-bottom">
              <span class="block truncate font-bold">{{ header || `column ${i + 1}` }}</span>
              <FramePlainSelect
                :model-value="choices!.mapping.columns[i] || LEFT"
                :items="columnItems"
                :label="`What ${header || `column ${i + 1}`} is`"
                class="mt-1 font-normal"
                :doubtful="choices!.mapping.unsure.includes(i)"
                @update:model-value="setColumn(i, $event)"
              />
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, r) in opened!.sample.slice(0, 5)" :key="r" class="border-t border-default">
            <td
              v-for="(_, i) in opened!.headers"
              :key="i"
              class="max-w-60 truncate px-2 py-1"
              :class="!choices!.mapping.columns[i] && 'soft'"
            >
              {{ row[i] }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
