<script setup lang="ts">
/** Where a file of shots is dropped, or chosen. */
defineProps<{ reading: boolean }>()
const emit = defineEmits<{ file: [file: File] }>()
const dropZone = useTemplateRef<HTMLElement>('dropZone')
const { isOverDropZone: over } = useDropZone(dropZone, { onDrop: files => take(files) })
const input = useTemplateRef<HTMLInputElement>('input')

function take(files: FileList | File[] | null | undefined) {
  if (files?.[0]) emit('file', files[0])
  if (input.value) input.value.value = ''
}
</script>

<template>
  <section
    ref="dropZone"
    class="raised flex flex-col items-center gap-3 border-2! border-dashed! p-10 text-center"
    :class="over && 'border-primary! bg-elevated'"
  >
    <UIcon name="i-lucide-file-spreadsheet" class="soft size-12" />
    <p class="text-xl font-bold">{{ reading ? 'Reading the file…' : 'Drop a file here' }}</p>
    <p class="soft">
      CSV or XLSX, 25 MB and 100,000 rows at most. Nothing is taken before you have seen what it will be.
    </p>
    <UButton icon="i-lucide-folder-open" :loading="reading" @click="input?.click()">Choose a file</UButton>
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
</template>
