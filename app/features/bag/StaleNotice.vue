<script setup lang="ts">
import type { BagEditor } from '~/features/bag/useBagDraft'
import { differences, draftOf } from '~/player/bag-draft'

const props = defineProps<{ editor: BagEditor }>()
const lines = computed(() =>
  props.editor.theirs.value ? differences(props.editor.draft.value, draftOf(props.editor.theirs.value.bag)) : [],
)
</script>

<template>
  <section role="alert" class="raised border-l-4! border-l-(--weak-fill)! p-4">
    <h2 class="text-lg font-bold">This bag was changed on another page while this one was open.</h2>
    <ul class="my-2 list-disc pl-5">
      <li v-for="line in lines" :key="line">{{ line }}</li>
    </ul>
    <div class="flex flex-wrap gap-2">
      <UButton @click="editor.keepMine()">Save mine over it</UButton>
      <UButton color="neutral" variant="outline" @click="editor.takeTheirs()">Take theirs</UButton>
    </div>
  </section>
</template>
