<script setup lang="ts">
import type { BagEditor } from '~/features/bag/useBagDraft'

/** What was changed and is not saved yet: save it, take a step back, or leave it. */
const props = defineProps<{ editor: BagEditor }>()
defineEmits<{ save: [] }>()
const { errors, busy, canUndo, canRedo } = props.editor
</script>

<template>
  <div class="sticky bottom-0 z-20 -mx-2 border-t border-(--ink) bg-default px-2 py-3 max-md:bottom-15">
    <div v-if="errors.errors.value.length > 0 || errors.general.value" role="alert" class="mb-2 text-error">
      <p v-if="errors.errors.value.length === 0" class="font-semibold">{{ errors.general.value }}</p>
      <p v-for="{ field, message } in errors.errors.value.slice(0, 4)" :key="field" class="font-semibold">
        {{ message }}
      </p>
      <p v-if="errors.errors.value.length > 4">and {{ errors.errors.value.length - 4 }} more.</p>
    </div>
    <div class="flex flex-wrap items-center gap-2">
      <UButton size="lg" :loading="busy" icon="i-lucide-check" @click="$emit('save')">Save the bag</UButton>
      <UButton color="neutral" variant="outline" icon="i-lucide-undo-2" :disabled="!canUndo" @click="editor.undo()"
        >Undo</UButton
      >
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-redo-2"
        :disabled="!canRedo"
        class="max-sm:hidden"
        @click="editor.redo()"
        >Redo</UButton
      >
      <UButton color="neutral" variant="ghost" @click="editor.discard()">Discard changes</UButton>
    </div>
  </div>
</template>
