<script setup lang="ts">
const route = useRoute()
const to = (stage: string) => () => navigateTo(`/players/${(route.params as { playerId: string }).playerId}/${stage}`)
defineShortcuts({
  'g-b': to('bag'), 'g-r': to('session'), 'g-c': to('chart'), 'g-g': to('gaps'), 'g-p': () => navigateTo('/players'),
})
</script>

<template>
  <div class="flex min-h-0 flex-1 max-md:flex-col max-md:pb-20">
    <FrameWorkRail />
    <div class="min-w-0 flex-1">
      <NuxtPage />
    </div>
  </div>
</template>
