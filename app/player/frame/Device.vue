<script setup lang="ts">
import type { useLiveDevice } from '~/player/frame/useLiveDevice'

/** Which device sends its balls into this session, and how it goes. */
const props = defineProps<{ live: ReturnType<typeof useLiveDevice>; line: 'OPEN' | 'CONNECTING' | 'CLOSED' }>()
const { devices, device, deviceId, failure, heardAtMs, aimed, load } = props.live
const now = useNow({ interval: 1000 })

/** Longer than this without a word, and it may have gone. */
const QUIET_MS = 60_000
const NONE = 'none'
const chosen = computed({
  get: () => deviceId.value ?? NONE,
  set: (value: string) => {
    deviceId.value = value === NONE ? null : value
  },
})
const items = computed(() => [
  { value: NONE, label: 'what is typed here' },
  ...devices.value.map(({ id, name }) => ({ value: id, label: name })),
])

const quietMs = computed(() => (heardAtMs.value === null ? null : Math.max(0, now.value.getTime() - heardAtMs.value)))
function ago(ms: number): string {
  const seconds = Math.round(ms / 1000)
  if (seconds < 90) return `${seconds} s`
  return seconds < 5400 ? `${Math.round(seconds / 60)} min` : `${Math.round(seconds / 3600)} h`
}
const state = computed(() => {
  if (props.line !== 'OPEN')
    return {
      icon: 'i-lucide-unplug',
      words: 'The line to the server is down: it comes back by itself, and so do the balls.',
      tone: 'text-warning',
    }
  if (!aimed.value) return { icon: 'i-lucide-loader', words: 'Telling the server what is being hit…', tone: 'soft' }
  if (quietMs.value === null)
    return { icon: 'i-lucide-radio', words: 'Listening. Nothing heard of it yet.', tone: 'soft' }
  if (quietMs.value > QUIET_MS)
    return {
      icon: 'i-lucide-radio',
      words: `Listening. Not heard for ${ago(quietMs.value)}: what it keeps back comes when it is back.`,
      tone: 'text-warning',
    }
  return { icon: 'i-lucide-radio', words: `Listening. Heard ${ago(quietMs.value)} ago.`, tone: 'text-success' }
})
</script>

<template>
  <section aria-label="Live device">
    <p v-if="failure" class="flex flex-wrap items-center gap-2 text-warning">
      <UIcon name="i-lucide-cloud-off" /> {{ failure }}
      <UButton size="sm" variant="outline" color="neutral" @click="load">Try again</UButton>
    </p>
    <p v-else-if="devices.length === 0" class="soft">
      A launch monitor can send its balls here:
      <NuxtLink to="/account#devices" class="underline">add it in the account</NuxtLink>.
    </p>
    <template v-else>
      <label class="flex flex-wrap items-center gap-x-3 gap-y-1"
        ><span class="soft">Balls come from: </span
        ><USelect v-model="chosen" :items="items" aria-label="Where balls come from" class="min-w-48"
      /></label>
      <p v-if="device" class="mt-1 flex items-start gap-2" :class="state.tone" role="status">
        <UIcon :name="state.icon" class="mt-1 shrink-0" /> {{ state.words }}
      </p>
    </template>
  </section>
</template>
