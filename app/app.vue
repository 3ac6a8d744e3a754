<script setup lang="ts">
useHead({ titleTemplate: title => (title ? `${title} · Uzzet` : 'Uzzet') })
</script>

<template>
  <VitePwaManifest />
  <UApp :toaster="{ position: 'bottom-center', duration: 7000 }">
    <NuxtLayout>
      <NuxtPage />
    </NuxtLayout>
  </UApp>
</template>
