<script setup lang="ts">
const { record } = usePlayerRoute()
</script>

<template>
  <FrameStagePage title="Shots from a file" line="CSV or spreadsheet, from any device that writes one.">
    <SessionImport v-if="record.player" :key="record.player.id" />
  </FrameStagePage>
</template>
