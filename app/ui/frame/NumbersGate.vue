<script setup lang="ts">
import { useTurns } from '~/ui/useTurns'
import { useCalibration } from '~/calculation/calibration'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'

/**
 * Shows what stands in it once the numbers are worked out; until then its room is kept, and when it failed offers
 * another try.
 */
const calibration = useCalibration()
// Where they come while the page stands, what the rail and the line on top say of them comes first.
const atOnce = calibration.result !== null
const turn = useTurns(1, () => calibration.result !== null)
</script>

<template>
  <slot v-if="calibration.result && (atOnce || turn > 0)" />
  <section v-else-if="calibration.failure" role="alert" class="raised p-6 text-center">
    <p class="text-lg font-bold">The numbers could not be worked out.</p>
    <p class="soft">{{ calibration.failure }} No ball is lost.</p>
    <UButton class="mt-4" @click="calibration.retry()">Try again</UButton>
  </section>
  <!-- Not while they are about to be drawn: what the title says of them would push it down. -->
  <FrameLinesSkeleton v-else-if="!calibration.result" :rows="8" label="The numbers are being worked out" />
</template>
