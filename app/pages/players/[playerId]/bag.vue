<script setup lang="ts">
import { usePlayerRoute } from '~/composables/usePlayerRoute'
import BagEditor from '~/components/bag/Editor.vue'
import FrameStagePage from '~/components/frame/StagePage.vue'

const { playerId, record } = usePlayerRoute()
</script>

<template>
  <FrameStagePage title="Bag" line="Which clubs, and how the length of a swing is told.">
    <template #actions>
      <UButton
        :to="`/api/players/${playerId}/bag.json`"
        external
        download
        color="neutral"
        variant="outline"
        icon="i-lucide-download"
        >Bag file</UButton
      >
    </template>
    <BagEditor v-if="record.player" :key="record.player.id" :player-id="record.player.id" />
  </FrameStagePage>
</template>
