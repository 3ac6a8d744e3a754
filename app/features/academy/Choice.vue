<script setup lang="ts">
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** One thing that the owner chooses for the academy: its name, and what it may be. */
defineProps<{ id: string; label: string; items: { value: string; label: string }[] }>()
const chosen = defineModel<string>({ required: true })
</script>

<template>
  <div class="flex flex-wrap items-center gap-3">
    <label class="font-semibold" :for="id">{{ label }}</label>
    <span class="w-64"><FramePlainSelect :id="id" v-model="chosen" :items="items" :label="label" /></span>
  </div>
</template>
