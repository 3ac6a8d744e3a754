<script setup lang="ts">
/** The browser's own select: for tables with dozens of them, where a drawn one each would make the page wait. */
defineProps<{ items: readonly { value: string; label: string }[]; label: string; doubtful?: boolean }>()
const value = defineModel<string>({ required: true })
</script>

<template>
  <select
    v-model="value"
    :aria-label="label"
    class="min-h-11 w-full cursor-pointer rounded-md border bg-(--raised) px-2"
    :class="doubtful ? 'border-2 border-(--weak) font-semibold' : 'border-(--ui-border-accented)'"
  >
    <option v-for="item in items" :key="item.value" :value="item.value">{{ item.label }}</option>
  </select>
</template>
