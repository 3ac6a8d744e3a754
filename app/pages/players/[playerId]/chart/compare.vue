<script setup lang="ts">
import type { Compared } from '#core/history/compare'
import type { PublishedLine } from '#shared/published'
import { moveText } from '#words/changes'
import { dayText } from '#words/dates'
import { api } from '~/offline/api'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { shortDate } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'
import ChartOtherPlayer from '~/features/chart/OtherPlayer.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'

/** Two days, or two published charts: what moved, by how much, how sure. */
const { playerId, record } = usePlayerRoute()
const route = useRoute()
const { text, unit } = useDistance()
const { cellName } = useCellNames()
const lines = shallowRef<PublishedLine[]>([])
const answer = shallowRef<{ fromMs: number; toMs: number; compared: Compared[] }>()
const failure = ref('')
const busy = ref(false)
const DAY = 'day'
const DAY_MS = 86_400_000
const dayInput = (ms: number) => new Date(ms).toISOString().slice(0, 10)
const today = dayInput(serverNowMs())
const from = reactive({
  what: String(route.query.from ?? DAY),
  day: /^\d{4}-\d\d-\d\d$/.test(String(route.query.fromDay))
    ? String(route.query.fromDay)
    : dayInput(serverNowMs() - 30 * DAY_MS),
})
const to = reactive({ what: DAY, day: today })
const items = computed(() => [
  { value: DAY, label: 'a day' },
  ...lines.value.map(line => ({
    value: `number:${line.number}`,
    label: `No. ${line.number}, ${dayText(line.publishedAtMs)}`,
  })),
])
/** The end of that day, or now. */
const endOf = (day: string) => Math.min(serverNowMs(), Date.parse(`${day}T00:00:00Z`) + DAY_MS - 1)
const side = ({ what, day }: typeof from) => (what === DAY ? String(endOf(day)) : what)

let question = 0
async function ask() {
  const turn = ++question
  busy.value = true
  failure.value = ''
  try {
    if (lines.value.length === 0)
      lines.value = await api('/api/players/:playerId/published', { params: { playerId: playerId.value } })
    const found = await api('/api/players/:playerId/compare', {
      params: { playerId: playerId.value },
      query: { from: side(from), to: side(to) },
    })
    if (turn === question) answer.value = found
  } catch (error) {
    if (turn === question) failure.value = (error as Error).message
  } finally {
    if (turn === question) busy.value = false
  }
}
watch([from, to], ask, { immediate: true })

const moved = computed(() => answer.value?.compared.filter(one => one.moved) ?? [])
const judged = computed(() => answer.value?.compared.filter(one => one.evidence !== null) ?? [])
const rows = computed(() => answer.value?.compared.filter(one => one.fromM !== null || one.toM !== null) ?? [])
const verdict = (one: Compared) =>
  one.moved
    ? one.certain
      ? 'moved, certain'
      : 'moved, likely'
    : one.evidence === null
      ? 'no new ball to judge by'
      : 'not enough to say it moved'
</script>

<template>
  <FrameStagePage
    title="What moved"
    line="Two averages always differ: only what the balls bear out is said to have moved."
  >
    <template #actions
      ><UButton :to="`/players/${playerId}/chart`" color="neutral" variant="outline" icon="i-lucide-arrow-left"
        >Carry chart</UButton
      ></template
    >
    <div class="mb-5 flex flex-wrap items-end gap-x-4 gap-y-2">
      <div v-for="(one, i) in [from, to]" :key="i" class="flex flex-wrap items-end gap-2">
        <UFormField :label="i === 0 ? 'From' : 'To'"
          ><USelect v-model="one.what" :items="items" :aria-label="i === 0 ? 'From' : 'To'" class="w-52"
        /></UFormField>
        <input
          v-if="one.what === DAY"
          v-model="one.day"
          type="date"
          :max="today"
          :aria-label="i === 0 ? 'From the day' : 'To the day'"
          class="min-h-11 rounded-md border border-(--ui-border-accented) bg-(--raised) px-2"
        />
      </div>
    </div>
    <p v-if="failure" role="alert" class="raised flex flex-wrap items-center gap-3 p-4">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="ask">Try again</UButton>
    </p>
    <template v-else-if="answer">
      <section class="raised mb-5 p-4" aria-live="polite" :class="busy && 'opacity-60'">
        <h2 class="text-xl font-bold">
          {{
            moved.length === 0
              ? judged.length === 0
                ? 'No new ball to judge by.'
                : 'No number has moved for sure.'
              : moved.length === 1
                ? 'One number moved.'
                : `${moved.length} numbers moved.`
          }}
        </h2>
        <ul v-if="moved.length > 0" class="mt-1 space-y-1">
          <li v-for="one in moved" :key="cellName(one)" class="text-lg">
            <NuxtLink
              class="font-bold underline"
              :to="{ path: `/players/${playerId}/chart`, query: { cell: `${one.clubId}/${one.rungId}` } }"
              >{{ cellName(one) }}</NuxtLink
            >
            {{ moveText(one, unit) }}.
          </li>
        </ul>
        <p class="soft mt-2 text-sm">
          {{ judged.length }} stock shots with balls since {{ shortDate(answer.fromMs) }} were judged. A number that has
          not moved is called moved in at most 1 of 20, however often one looks; of those called certain at most 1 in 20
          is expected to be wrong. Silence is no proof that nothing moved.
        </p>
      </section>
      <div class="overflow-x-auto">
        <table class="w-full border-collapse text-left">
          <caption class="sr-only">
            All numbers of both days
          </caption>
          <thead>
            <tr class="soft border-b border-default text-sm">
              <th class="py-1 pr-3 font-normal">Stock shot</th>
              <th class="pr-3 text-right font-normal">{{ shortDate(answer.fromMs) }}, {{ unit }}</th>
              <th class="pr-3 text-right font-normal">{{ shortDate(answer.toMs) }}, {{ unit }}</th>
              <th class="pr-6 text-right font-normal">New balls</th>
              <th class="font-normal">What can be said</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="one in rows"
              :key="`${one.clubId}/${one.rungId}`"
              class="border-b border-default"
              :class="one.moved && 'font-bold'"
            >
              <th scope="row" class="py-1.5 pr-3 font-bold">{{ cellName(one) }}</th>
              <td class="pr-3 text-right">{{ one.fromM === null ? '–' : text(one.fromM) }}</td>
              <td class="pr-3 text-right">{{ one.toM === null ? '–' : text(one.toM) }}</td>
              <td class="pr-6 text-right">{{ one.balls }}</td>
              <td :class="!one.moved && 'soft'">{{ verdict(one) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="record.shots.length === 0" class="soft mt-3">No ball has been hit yet.</p>
    </template>
    <FrameLinesSkeleton v-else :rows="8" label="Both days are being compared" />
    <ChartOtherPlayer />
  </FrameStagePage>
</template>
