<script setup lang="ts">
import { HISTORY_LINES, type HistoryLine } from '#core/history/record-change'
import { historyText } from '#words/history'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { api } from '~/offline/api'
import { clockTime, shortDate } from '~/ui/dates'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'

/** Who changed what of this player, and when, newest first. It tells; taking back is done where a thing was done. */
const { playerId } = usePlayerRoute()
const lines = shallowRef<HistoryLine[]>()
const failure = ref('')
const busy = ref(false)
const isAll = ref(false)
const search = ref('')

async function load() {
  busy.value = true
  failure.value = ''
  const known = lines.value ?? []
  try {
    const older = await api('/api/players/:playerId/history', {
      params: { playerId: playerId.value },
      query: { before: known.at(-1)?.id },
    })
    lines.value = [...known, ...older]
    isAll.value = older.length < HISTORY_LINES
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
onMounted(load)

const told = computed(() =>
  (lines.value ?? []).map(line => {
    const [from, to] = [clockTime(line.beganAtMs), clockTime(line.lastAtMs)]
    return {
      id: line.id,
      day: shortDate(line.lastAtMs),
      time: from === to ? to : `${from} to ${to}`,
      text: historyText(line),
    }
  }),
)
const found = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return told.value.filter(({ day, text }) => words.every(word => `${day} ${text}`.toLowerCase().includes(word)))
})
const days = computed(() => {
  const byDay = new Map<string, typeof found.value>()
  for (const line of found.value) byDay.set(line.day, [...(byDay.get(line.day) ?? []), line])
  return [...byDay]
})
</script>

<template>
  <FrameStagePage title="Who changed what" line="Newest first. To take something back, go to where it was done.">
    <div class="max-w-3xl">
      <UInput
        v-model="search"
        icon="i-lucide-search"
        placeholder="A name, a day, a thing"
        aria-label="Find in the history"
        class="mb-4 w-full"
      />
      <p v-if="failure" role="alert" class="raised mb-4 flex flex-wrap items-center gap-3 p-4">
        {{ failure }}
        <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
      </p>
      <FrameLinesSkeleton v-if="!lines && !failure" :rows="6" />
      <template v-else-if="lines">
        <section v-for="[day, own] in days" :key="day" class="mb-5">
          <h2 class="mb-1 font-bold">{{ day }}</h2>
          <ul class="raised divide-y divide-default">
            <li v-for="line in own" :key="line.id" class="flex flex-wrap items-baseline gap-x-4 px-4 py-2">
              <span class="min-w-0 flex-1 basis-56">{{ line.text }}</span>
              <span class="soft text-sm whitespace-nowrap">{{ line.time }}</span>
            </li>
          </ul>
        </section>
        <p v-if="found.length === 0" class="raised soft p-8 text-center">
          {{ lines.length === 0 ? 'Nothing has been changed yet.' : `Nothing here says "${search}".` }}
        </p>
        <UButton v-if="!isAll" color="neutral" variant="outline" :loading="busy" @click="load">Older</UButton>
      </template>
    </div>
  </FrameStagePage>
</template>
