<script setup lang="ts">
/** Lines where an answer will stand while it is worked out, in the room that it will take. */
defineProps<{ rows?: number; label?: string }>()
</script>

<template>
  <div role="status" :aria-label="label ?? 'Being worked out'">
    <div v-for="row in rows ?? 4" :key="row" class="mb-4 space-y-2" aria-hidden="true">
      <span class="block h-4 rounded-sm bg-(--hairline)" :style="{ width: `${70 - 8 * (row % 3)}%` }" />
      <span class="block h-3 rounded-sm bg-(--hairline) opacity-60" :style="{ width: `${92 - 6 * (row % 3)}%` }" />
    </div>
  </div>
</template>
