<script setup lang="ts">
import { useCalibration } from '~/stores/calibration'

/**
 * Shows what stands in it once the numbers are worked out; until then says so, and when it failed offers another try.
 */
const calibration = useCalibration()
</script>

<template>
  <slot v-if="calibration.result" />
  <section v-else-if="calibration.failure" role="alert" class="raised p-6 text-center">
    <p class="text-lg font-bold">The numbers could not be worked out.</p>
    <p class="soft">{{ calibration.failure }} No ball is lost.</p>
    <UButton class="mt-4" @click="calibration.retry()">Try again</UButton>
  </section>
  <p v-else class="soft py-14 text-center" role="status">Working out the numbers…</p>
</template>
