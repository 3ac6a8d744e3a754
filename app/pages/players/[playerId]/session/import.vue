<script setup lang="ts">
import { usePlayerRoute } from '~/composables/usePlayerRoute'
import FrameStagePage from '~/components/frame/StagePage.vue'
import SessionImport from '~/components/session/Import.vue'

const { record } = usePlayerRoute()
</script>

<template>
  <FrameStagePage title="Shots from a file" line="CSV or spreadsheet, from any device that writes one.">
    <SessionImport v-if="record.player" :key="record.player.id" />
  </FrameStagePage>
</template>
