<script setup lang="ts">
const { record } = usePlayerRoute()
const route = useRoute('players-playerId-session-sessionId')
</script>

<template>
  <FrameStagePage title="Range session">
    <SessionDesk v-if="record.player" :key="`${record.player.id} ${route.params.sessionId}`" :session-id="route.params.sessionId" />
  </FrameStagePage>
</template>
