<script setup lang="ts">
import type { Cover } from '#core/gaps/stretches'
import { useDistance } from '~/ui/useDistance'
import GapsCoverWords from '~/features/gaps/CoverWords.vue'

/** Cover in words, and which stretch of it is shown. */
const props = defineProps<{
  cover: Cover
  lineM: number
  zooms: boolean
  wholeM: [number, number]
}>()
/** Null for all of it. */
const zoomM = defineModel<[number, number] | null>('zoom', { required: true })
const { to, from, text, unit } = useDistance()
const rangeM = computed(() => zoomM.value ?? props.wholeM)
const zoom = computed({
  get: () => rangeM.value.map(to),
  set: ([a, b]: number[]) => {
    zoomM.value = b! - a! >= 10 ? [from(a!), from(b!)] : zoomM.value
  },
})
</script>

<template>
  <section aria-labelledby="cover-title">
    <h2 id="cover-title" class="text-xl font-bold">Cover</h2>
    <GapsCoverWords :cover="cover" :line-m="lineM" />
    <div v-if="zooms" class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 print:hidden">
      <span class="soft w-40 shrink-0">Shown: {{ text(rangeM[0]) }} to {{ text(rangeM[1]) }} {{ unit }}</span>
      <USlider
        v-model="zoom"
        :min="to(wholeM[0])"
        :max="to(wholeM[1])"
        :step="5"
        :min-steps-between-thumbs="2"
        class="max-w-md min-w-40 flex-1"
        aria-label="Stretch that is shown"
      />
      <UButton size="sm" color="neutral" variant="ghost" :disabled="!zoomM" @click="zoomM = null">All of it</UButton>
    </div>
  </section>
</template>
