<script setup lang="ts">
import { usePlayerRoute } from '~/player/usePlayerRoute'
import BagEditor from '~/features/bag/Editor.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'

const { playerId, record } = usePlayerRoute()
</script>

<template>
  <BagEditor v-if="record.player" :key="record.player.id" :player-id="playerId" />
  <FrameStagePage v-else title="Bag" />
</template>
