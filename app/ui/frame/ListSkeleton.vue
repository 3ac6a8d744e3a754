<script setup lang="ts">
/** Rows where a list will stand, so that nothing moves when it comes. */
defineProps<{ what: string; rows?: number }>()
</script>

<template>
  <div role="status" :aria-label="`${what} are on their way`">
    <ul class="raised divide-y divide-default" aria-hidden="true">
      <li v-for="row in rows ?? 6" :key="row" class="flex h-19 items-center px-4">
        <span class="h-4 rounded-sm bg-(--hairline)" :style="{ width: `${38 - row * 3}%` }" />
      </li>
    </ul>
  </div>
</template>
