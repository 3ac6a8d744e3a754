<script setup lang="ts">
import { usePlayerRoute } from '~/composables/usePlayerRoute'
import FrameStagePage from '~/components/frame/StagePage.vue'
import SessionDesk from '~/components/session/Desk.vue'

const { record } = usePlayerRoute()
const route = useRoute()
const sessionId = computed(() => String((route.params as { sessionId: string }).sessionId))
</script>

<template>
  <FrameStagePage title="Range session">
    <SessionDesk v-if="record.player" :key="`${record.player.id} ${sessionId}`" :session-id="sessionId" />
  </FrameStagePage>
</template>
