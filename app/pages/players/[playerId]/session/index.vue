<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { METHODS } from '#core/shot/shot'
import { orderTexts } from '#words/next'
import { METHOD_WORDS } from '#shared/choices'
import type { SessionRecord } from '#shared/schemas/session'
import { taughtText } from '#words/sessions'
import { useTaught } from '~/features/session/useTaught'
import { useClinic } from '~/player/useClinic'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { settleOf } from '~/player/settle'
import { clockTime, daysAgo, shortDate } from '~/ui/dates'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import SessionSetup from '~/features/session/Setup.vue'

const { playerId, record } = usePlayerRoute()
const route = useRoute()
const clinic = useClinic()
const { clubLabel } = useCellNames()
const hasGrid = computed(() => clubsInUse(record.bag).length > 0 && rungsInUse(record.bag).length > 0)
const ballsBySession = computed(() => {
  const counts = new Map<string, number>()
  for (const shot of record.shots) counts.set(shot.sessionId, (counts.get(shot.sessionId) ?? 0) + shot.balls)
  return counts
})
const newestFirst = computed(() =>
  record.sessions.filter(session => !session.plan.gone).sort((a, b) => b.startedAtMs - a.startedAtMs),
)
const running = computed(() => newestFirst.value.filter(session => session.endedAtMs === null))
const ended = computed(() => newestFirst.value.filter(session => session.endedAtMs !== null))
/** Clubs that were hit in each, most balls first. */
const clubsBySession = computed(() => {
  const counts = new Map<string, Map<string, number>>()
  for (const { sessionId, clubId, balls } of record.shots) {
    const of = counts.get(sessionId) ?? new Map<string, number>()
    counts.set(sessionId, of.set(clubId, (of.get(clubId) ?? 0) + balls))
  }
  return new Map(
    [...counts].map(([id, of]) => [id, [...of].sort((a, b) => b[1] - a[1]).map(([clubId]) => clubId)] as const),
  )
})
const NAMED_CLUBS = 3
/** "56°, 52° and 2 more; " */
function whatFor({ id, plan }: SessionRecord): string {
  const clubs = clubsBySession.value.get(id) ?? []
  const names = clubs.slice(0, NAMED_CLUBS).map(clubId => clubLabel({ clubId, rungId: '' }))
  const left = clubs.length - names.length
  const order = plan.order === 'teach' || plan.order === 'free' ? [] : [orderTexts[plan.order].name.toLowerCase()]
  const what = [...(names.length > 0 ? [`${names.join(', ')}${left > 0 ? ` and ${left} more` : ''}`] : []), ...order]
  return what.length > 0 ? `${what.join(', ')}; ` : ''
}

const ALL = 'all'
const ofClub = ref(ALL)
const ofMethod = ref<string>(ALL)
const since = ref('')
const clubItems = computed(() => [
  { value: ALL, label: 'any club' },
  ...clubsInUse(record.bag).map(({ id, label }) => ({ value: id, label })),
])
const methodItems = [
  { value: ALL, label: 'measured anyhow' },
  ...METHODS.map(value => ({ value, label: METHOD_WORDS[value] })),
]
const found = computed(() =>
  ended.value.filter(
    ({ id, method, startedAtMs }) =>
      (ofClub.value === ALL || clubsBySession.value.get(id)?.includes(ofClub.value)) &&
      (ofMethod.value === ALL || method === ofMethod.value) &&
      (since.value === '' || startedAtMs >= Date.parse(since.value)),
  ),
)
const count = (session: SessionRecord) => {
  const n = ballsBySession.value.get(session.id) ?? 0
  return `${n} ${n === 1 ? 'ball' : 'balls'}`
}

/** What each of the newest taught, worked out one after the other while the list is looked at. */
const TAUGHT_MOST = 8
const { taughtBy } = useTaught()
const taught = ref(new Map<string, string>())
let looking = true
onBeforeUnmount(() => {
  looking = false
})
async function tellTaught() {
  for (const session of found.value.slice(0, TAUGHT_MOST)) {
    if (!looking || taught.value.has(session.id)) continue
    try {
      taught.value.set(session.id, taughtText(await taughtBy(session)))
    } catch (error) {
      console.error('what a session taught:', error)
    }
  }
}
onMounted(() => watch(() => found.value.map(session => session.id).join(), tellTaught, { immediate: true }))

/** What is to be settled goes into the session that is running. */
async function goOn(session: SessionRecord) {
  const settle = settleOf(route.query, record.bag)
  // Balls of one's own are no part of a session with range balls.
  const fits = settle?.why !== 'own-balls' || session.ball === 'own'
  if (settle && fits)
    await record.putSession({ ...session, plan: { ...session.plan, settle }, version: session.version + 1 })
  await navigateTo(`/players/${playerId.value}/session/${session.id}`)
}

async function start(session: SessionRecord) {
  await record.putSession(session)
  if (route.query.tee === 'join')
    clinic.join({ playerId: playerId.value, name: record.player!.name, sessionId: session.id })
  await navigateTo(`/players/${playerId.value}/session/${session.id}`)
}
</script>

<template>
  <FrameStagePage title="Range session" line="Hit, type the carry, press Enter.">
    <FrameEmptyStep
      v-if="!hasGrid"
      icon="i-lucide-backpack"
      words="The bag comes first."
      help="One club and one swing length are enough to begin."
      action="To the bag"
      :to="`/players/${playerId}/bag`"
    />
    <div v-else class="space-y-6">
      <section
        v-for="session in running"
        :key="session.id"
        class="raised flex flex-wrap items-center gap-x-6 gap-y-3 border-l-4! border-l-primary! p-5"
      >
        <div class="min-w-0 flex-1">
          <h2 class="text-xl font-bold">
            {{ session.plan.name ? `${session.plan.name}, running` : 'Running' }} since
            {{
              daysAgo(session.startedAtMs) === 'today' ? clockTime(session.startedAtMs) : shortDate(session.startedAtMs)
            }}
          </h2>
          <p class="soft">
            {{ count(session) }}, {{ METHOD_WORDS[session.method].toLowerCase() }}, {{ session.ball }} ball,
            {{ session.surface }}
          </p>
        </div>
        <UButton size="xl" icon="i-lucide-play" @click="goOn(session)">Go on</UButton>
      </section>
      <SessionSetup v-if="running.length === 0" @start="start" />
      <details v-else>
        <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">
          Start another beside it
        </summary>
        <SessionSetup class="mt-3" @start="start" />
      </details>
      <p>
        <UButton
          :to="`/players/${playerId}/session/import`"
          color="neutral"
          variant="outline"
          icon="i-lucide-file-spreadsheet"
          >Shots from a file…</UButton
        >
      </p>
      <section v-if="ended.length > 0" aria-labelledby="earlier-title">
        <h2 id="earlier-title" class="mb-2 text-xl font-bold">Earlier sessions</h2>
        <div v-if="ended.length > 5" class="mb-2 flex flex-wrap gap-2">
          <FramePlainSelect v-model="ofClub" :items="clubItems" label="Sessions with" class="w-44" />
          <FramePlainSelect v-model="ofMethod" :items="methodItems" label="Sessions measured by" class="w-48" />
          <label class="flex items-center gap-2"
            ><span class="soft text-sm">Since</span
            ><input
              v-model="since"
              type="date"
              class="min-h-11 rounded-md border border-(--ui-border-accented) bg-(--raised) px-2"
          /></label>
        </div>
        <p v-if="found.length === 0" class="soft">No session is like that.</p>
        <ul class="raised divide-y divide-default">
          <li v-for="session in found" :key="session.id">
            <NuxtLink
              :to="`/players/${playerId}/session/${session.id}`"
              class="flex min-h-12 flex-wrap items-center gap-x-4 px-4 hover:bg-elevated max-md:py-2 md:flex-nowrap"
            >
              <span class="w-28 shrink-0 font-bold">{{ shortDate(session.startedAtMs) }}</span>
              <span class="w-20 shrink-0 max-md:flex-1">{{ count(session) }}</span>
              <span class="soft min-w-0 max-md:order-last max-md:basis-full max-md:text-sm md:flex-1 md:truncate"
                ><b v-if="session.plan.name" class="text-default">{{ session.plan.name }}, </b>{{ whatFor(session)
                }}{{ METHOD_WORDS[session.method].toLowerCase() }}, {{ session.ball }} ball, {{ session.surface }}</span
              >
              <span class="w-56 shrink-0 text-right max-md:hidden">{{ taught.get(session.id) }}</span>
              <UIcon name="i-lucide-chevron-right" class="soft" />
            </NuxtLink>
          </li>
        </ul>
      </section>
    </div>
  </FrameStagePage>
</template>
