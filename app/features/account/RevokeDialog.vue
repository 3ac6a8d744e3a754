<script setup lang="ts">
/** Whether a key is really to open nothing any more: it cannot be given back. */
defineProps<{ open: boolean; title: string; description: string }>()
defineEmits<{ revoke: []; close: [] }>()
</script>

<template>
  <UModal :open="open" :title="title" :description="description" @update:open="$emit('close')">
    <template #footer>
      <UButton color="error" icon="i-lucide-ban" @click="$emit('revoke')">Revoke it</UButton>
      <UButton color="neutral" variant="outline" @click="$emit('close')">Cancel</UButton>
    </template>
  </UModal>
</template>
