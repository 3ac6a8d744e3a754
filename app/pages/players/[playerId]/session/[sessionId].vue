<script setup lang="ts">
const { record } = usePlayerRoute()
const route = useRoute()
const sessionId = computed(() => String((route.params as { sessionId: string }).sessionId))
</script>

<template>
  <FrameStagePage title="Range session">
    <SessionDesk v-if="record.player" :key="`${record.player.id} ${sessionId}`" :session-id="sessionId" />
  </FrameStagePage>
</template>
