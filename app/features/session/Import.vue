<script setup lang="ts">
import { useImport } from '~/features/session/useImport'
import { usePlayerRecord } from '~/offline/stores/record'
import { countWords } from '~/features/session/import-words'
import SessionImportColumns from '~/features/session/ImportColumns.vue'
import SessionImportDrop from '~/features/session/ImportDrop.vue'
import SessionImportLabels from '~/features/session/ImportLabels.vue'
import SessionImportOutcome from '~/features/session/ImportOutcome.vue'

/**
 * A file of shots: what its columns are, what its clubs and swings are, what would become of it, and only then it is
 * taken.
 */
const record = usePlayerRecord()
const importer = useImport()
const { opened, planned, sent, failure, busy, choices } = importer
const toast = useToast()

/** Without these no row is a ball. */
const missing = computed(() => {
  const columns = choices.value?.mapping.columns ?? []
  return [
    ...(columns.includes('club') ? [] : ['club']),
    ...(columns.some(column => column.startsWith('carry_') && column !== 'carry_basis') ? [] : ['carry']),
  ]
})

async function takeBack() {
  try {
    await importer.undo()
    toast.add({ title: 'The import is taken back' })
  } catch (error) {
    toast.add({ title: 'It could not be taken back', description: (error as Error).message, color: 'error' })
  }
}
</script>

<template>
  <div class="space-y-5">
    <SessionImportDrop v-if="!opened" :reading="busy === 'open'" @file="importer.start" />
    <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>

    <section v-if="sent" class="raised border-l-[5px]! border-l-(--sound)! p-5" role="status">
      <h2 class="text-xl font-bold">{{ countWords(sent.balls) }} {{ sent.balls === 1 ? 'ball' : 'balls' }} imported</h2>
      <div class="mt-3 flex flex-wrap gap-2">
        <UButton :to="`/players/${record.playerId}/chart`">To the carry chart</UButton>
        <UButton color="neutral" variant="outline" icon="i-lucide-undo-2" @click="takeBack"
          >Take the import back</UButton
        >
        <UButton color="neutral" variant="outline" @click="importer.reset()">Another file</UButton>
      </div>
    </section>

    <template v-else-if="opened && choices">
      <SessionImportColumns :importer="importer" :missing="missing" />
      <section v-if="planned && missing.length === 0" class="grid gap-6 lg:grid-cols-2">
        <SessionImportLabels :importer="importer" />
        <SessionImportOutcome :importer="importer" />
      </section>
      <p v-else-if="busy" class="soft" role="status">Reading every row…</p>
    </template>
  </div>
</template>
