<script setup lang="ts">
import type { Review } from '#words/review'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useDistance } from '~/ui/useDistance'
import { api } from '~/offline/api'
import { dayOfInput, inputDay, shortDate } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'

/** The coach's review: a player over a period, on one page that can be handed over as it is. */
const { playerId } = usePlayerRoute()
const { unit } = useDistance()
const DAY_MS = 86_400_000
const USUAL_DAYS = 90
const from = ref(inputDay(serverNowMs() - USUAL_DAYS * DAY_MS))
const to = ref(inputDay(serverNowMs()))
const today = inputDay(serverNowMs())
const review = shallowRef<Review>()
const failure = ref('')
const busy = ref(false)

/** From the end of the first day to the end of the last, or to now. */
const query = computed(() => {
  const [begin, end] = [dayOfInput(from.value), dayOfInput(to.value)]
  if (begin === null || end === null) return null
  return { from: begin, to: Math.min(end + DAY_MS - 1, serverNowMs()), unit: unit.value }
})
let question = 0
async function ask() {
  const turn = ++question
  failure.value = ''
  if (!query.value) {
    failure.value = 'Choose both days.'
    return
  }
  busy.value = true
  try {
    const found = await api('/api/players/:playerId/review', {
      params: { playerId: playerId.value },
      query: query.value,
    })
    if (turn === question) review.value = found
  } catch (error) {
    if (turn === question) failure.value = (error as Error).message
  } finally {
    if (turn === question) busy.value = false
  }
}
watch(query, ask, { immediate: true })
const pdf = computed(() => {
  const asked = query.value && new URLSearchParams(Object.entries(query.value).map(([k, v]) => [k, String(v)]))
  return `/api/players/${playerId.value}/review.pdf?${asked}`
})
const half = computed(() => Math.ceil((review.value?.numbers.rows.length ?? 0) / 2))
const columns = computed(() => {
  const rows = review.value?.numbers.rows ?? []
  return [rows.slice(0, half.value), rows.slice(half.value)].filter(list => list.length > 0)
})
</script>

<template>
  <FrameStagePage title="Review" line="What has changed, and what comes next. Written to be handed over.">
    <template #actions>
      <UButton :to="pdf" :disabled="!query" external icon="i-lucide-file-down" color="neutral" variant="outline"
        >PDF</UButton
      >
      <UButton :to="`/players/${playerId}/rounds`" icon="i-lucide-arrow-left" color="neutral" variant="outline"
        >Rounds</UButton
      >
    </template>
    <div class="mb-5 flex flex-wrap gap-3">
      <UFormField label="From"><UInput v-model="from" type="date" :max="today" class="w-40" /></UFormField>
      <UFormField label="To"><UInput v-model="to" type="date" :max="today" class="w-40" /></UFormField>
    </div>
    <p v-if="failure" role="alert" class="raised mb-4 flex flex-wrap items-center gap-3 p-4">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="ask">Try again</UButton>
    </p>
    <div v-if="review" class="space-y-7" :class="busy && 'opacity-60'" aria-live="polite">
      <section aria-labelledby="next-title">
        <h2 id="next-title" class="text-xl font-bold">What to do next</h2>
        <ol class="raised mt-2 divide-y divide-default">
          <li v-for="(one, i) in review.next" :key="one.title" class="flex gap-4 px-4 py-2.5">
            <span class="soft text-xl font-extrabold">{{ i + 1 }}</span>
            <span class="min-w-0 flex-1 leading-snug"><b class="block text-lg">{{ one.title }}</b>{{ one.why }}</span>
          </li>
        </ol>
      </section>
      <section aria-labelledby="numbers-title">
        <h2 id="numbers-title" class="text-xl font-bold">The numbers</h2>
        <p class="mt-1">{{ review.numbers.lead }}</p>
        <div class="mt-2 grid gap-x-8 md:grid-cols-2">
          <table v-for="(rows, i) in columns" :key="i" class="w-full table-fixed self-start">
            <colgroup>
              <col />
              <col class="w-16" />
              <col class="w-20" />
              <col class="w-28" />
            </colgroup>
            <caption class="sr-only">
              Numbers on both days,
              {{ review.unit }}
            </caption>
            <thead :class="i > 0 && 'max-md:hidden'">
              <tr class="soft border-b border-default text-sm">
                <th scope="col" class="py-1 text-left font-normal">Stock shot</th>
                <th scope="col" class="w-16 text-right font-normal">{{ shortDate(review.fromMs) }}</th>
                <th scope="col" class="w-20 text-right font-normal">{{ shortDate(review.toMs) }}, {{ review.unit }}</th>
                <th scope="col" class="w-28 pl-3 text-left font-normal">
                  <span class="sr-only">What can be said</span>
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in rows" :key="row.name" class="border-b border-default">
                <th scope="row" class="py-1 text-left" :class="!row.moved && 'font-normal'">{{ row.name }}</th>
                <td class="soft text-right">{{ row.then }}</td>
                <td class="text-right text-lg font-extrabold">{{ row.now }}</td>
                <td class="pl-3 text-sm" :class="row.moved ? 'font-semibold' : 'soft'">{{ row.said }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section aria-labelledby="flags-title">
        <h2 id="flags-title" class="text-xl font-bold">Flags</h2>
        <template v-for="part in review.flags" :key="part.title">
          <h3 v-if="part.title" class="mt-2 font-bold">{{ part.title }}</h3>
          <p v-for="line in part.lines" :key="line" class="mt-1">{{ line }}</p>
        </template>
      </section>
      <div class="grid gap-x-8 gap-y-7 md:grid-cols-2">
        <section aria-labelledby="practice-title">
          <h2 id="practice-title" class="text-xl font-bold">Practice</h2>
          <p v-for="line in review.practice" :key="line" class="mt-1">{{ line }}</p>
        </section>
        <section aria-labelledby="asked-title">
          <h2 id="asked-title" class="text-xl font-bold">Rounds</h2>
          <p v-for="line in review.rounds" :key="line" class="mt-1">{{ line }}</p>
        </section>
      </div>
    </div>
    <FrameLinesSkeleton v-else-if="busy" :rows="8" label="The review is being put together" />
  </FrameStagePage>
</template>
