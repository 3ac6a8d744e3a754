<script setup lang="ts">
import type { NuxtError } from '#app'

const props = defineProps<{ error: NuxtError }>()
const words = computed(() =>
  props.error.statusCode === 404 ? 'There is nothing at this address.' : 'Something went wrong on this page.',
)
</script>

<template>
  <main class="mx-auto max-w-xl px-6 py-20">
    <p class="text-2xl font-extrabold">uzzet<span class="text-primary">.</span></p>
    <h1 class="mt-8 text-3xl font-bold">{{ words }}</h1>
    <p class="soft mt-2">What you entered before is kept.</p>
    <UButton class="mt-6" @click="clearError({ redirect: '/players' })">To the players</UButton>
  </main>
</template>
