<script setup lang="ts">
definePageMeta({ middleware: () => navigateTo('/players', { replace: true }) })
</script>

<template>
  <div />
</template>
