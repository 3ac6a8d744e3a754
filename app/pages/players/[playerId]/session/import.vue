<script setup lang="ts">
import { usePlayerRoute } from '~/player/usePlayerRoute'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import SessionImport from '~/features/session/Import.vue'

const { record } = usePlayerRoute()
</script>

<template>
  <FrameStagePage title="Shots from a file" line="CSV or spreadsheet, from any device that writes one.">
    <SessionImport v-if="record.player" :key="record.player.id" />
  </FrameStagePage>
</template>
