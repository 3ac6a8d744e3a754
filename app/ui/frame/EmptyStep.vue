<script setup lang="ts">
defineProps<{ words: string; help?: string; action: string; to?: string; icon?: string }>()
defineEmits<{ act: [] }>()
</script>

<template>
  <section class="mx-auto flex max-w-lg flex-col items-center px-4 py-14 text-center">
    <UIcon v-if="icon" :name="icon" class="soft mb-4 size-12" />
    <h2 class="text-2xl font-bold">{{ words }}</h2>
    <p v-if="help" class="soft mt-2 text-lg">{{ help }}</p>
    <slot />
    <UButton v-if="to" :to="to" size="xl" class="mt-6">{{ action }}</UButton>
    <UButton v-else size="xl" class="mt-6" @click="$emit('act')">{{ action }}</UButton>
  </section>
</template>
