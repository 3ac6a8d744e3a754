<script setup lang="ts">
import type { Club } from '#core/bag/bag'
import type { CarryChart } from '#core/chart/chart-cell'
import { api } from '~/offline/api'
import { serverNowMs } from '~/offline/server-clock'
import { usePlayerRecord } from '~/offline/stores/record'
import ChartCarryGrid from '~/features/chart/CarryGrid.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'

/** The chart as it stood at the end of a past day, as the server works it out. */
const props = defineProps<{ day: string; clubs: readonly Club[] }>()
const emit = defineEmits<{ go: [day: string | undefined] }>()
const record = usePlayerRecord()
const atMs = computed(() => Math.min(serverNowMs(), Date.parse(`${props.day}T23:59:59.999Z`)))
/** What it came to, once it is here. */
const past = defineModel<CarryChart>('chart')
const pastFailure = ref('')
async function look() {
  past.value = undefined
  pastFailure.value = ''
  const asked = props.day
  try {
    const reply = await api('/api/players/:playerId/chart-at', {
      params: { playerId: record.playerId },
      query: { at: atMs.value },
    })
    if (asked === props.day) past.value = reply.chart
  } catch (error) {
    if (asked === props.day) pastFailure.value = (error as Error).message
  }
}
watch(() => props.day, look, { immediate: true })
const today = new Date().toISOString().slice(0, 10)
</script>

<template>
  <div class="space-y-4">
    <div class="raised flex flex-wrap items-center gap-3 p-4">
      <label class="flex items-center gap-2"
        ><UIcon name="i-lucide-history" class="shrink-0" /> The chart as it stood at the end of
        <input
          :value="day"
          type="date"
          :max="today"
          class="min-h-11 rounded-md border border-(--ui-border-accented) bg-(--raised) px-2"
          @change="emit('go', ($event.target as HTMLInputElement).value)"
      /></label>
      <span class="soft"
        >Clubs and swing lengths as they are today; what was hit or written later is not known here.</span
      >
      <UButton color="neutral" variant="outline" @click="emit('go', undefined)">Back to today</UButton>
    </div>
    <p v-if="pastFailure" role="alert" class="raised flex flex-wrap items-center gap-3 p-4">
      {{ pastFailure }} <UButton size="sm" color="neutral" variant="outline" @click="look">Try again</UButton>
    </p>
    <ChartCarryGrid
      v-else-if="past"
      :chart="past"
      :clubs="clubs"
      :at-ms="atMs"
      caption="Carry chart of a past day: swing lengths down, clubs across"
      @open="navigateTo({ path: `/players/${record.playerId}/chart/compare`, query: { fromDay: day } })"
    />
    <FrameLinesSkeleton v-else :rows="8" label="That day is being worked out" />
  </div>
</template>
