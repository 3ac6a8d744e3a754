<script setup lang="ts">
import { usePlayerRoute } from '~/composables/usePlayerRoute'
import BagEditor from '~/components/bag/Editor.vue'
import FrameStagePage from '~/components/frame/StagePage.vue'

const { playerId, record } = usePlayerRoute()
</script>

<template>
  <BagEditor v-if="record.player" :key="record.player.id" :player-id="playerId" />
  <FrameStagePage v-else title="Bag" />
</template>
