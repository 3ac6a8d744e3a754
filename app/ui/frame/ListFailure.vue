<script setup lang="ts">
/** What stands in place of a list that could not be fetched, with another try. */
defineProps<{ what: string; failure: Error }>()
defineEmits<{ again: [] }>()
</script>

<template>
  <section role="alert" class="raised p-6 text-center">
    <p class="text-lg font-bold">{{ what }} could not be fetched.</p>
    <p class="soft">{{ failure.message }}</p>
    <UButton class="mt-4" @click="$emit('again')">Try again</UButton>
  </section>
</template>
