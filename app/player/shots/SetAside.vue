<script setup lang="ts">
import { setAsideText } from '#words/set-aside'
import { useNumbers } from '~/calculation/useNumbers'

/** Balls that count but cannot be worked out, named with their reason; nothing without any. */
const { setAside } = useNumbers()
</script>

<template>
  <p v-if="setAside.length > 0" class="flex items-start gap-2 border-l-[5px] border-(--weak-fill) pl-3" role="status">
    <UIcon name="i-lucide-circle-slash" class="mt-1 shrink-0" /> {{ setAsideText(setAside) }}
  </p>
</template>
