<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { METHOD_WORDS, type SessionRecord } from '#shared/session'
import { useClinic } from '~/composables/useClinic'
import { usePlayerRoute } from '~/composables/usePlayerRoute'
import { settleOf } from '~/utils/settle'
import { clockTime, daysAgo, shortDate } from '~/utils/dates'
import FrameEmptyStep from '~/components/frame/EmptyStep.vue'
import FrameStagePage from '~/components/frame/StagePage.vue'
import SessionSetup from '~/components/session/Setup.vue'

const { playerId, record } = usePlayerRoute()
const route = useRoute()
const clinic = useClinic()
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
const count = (session: SessionRecord) => {
  const n = ballsBySession.value.get(session.id) ?? 0
  return `${n} ${n === 1 ? 'ball' : 'balls'}`
}

/** What is to be settled goes into the session that is running. */
async function goOn(session: SessionRecord) {
  const settle = settleOf(route.query, record.bag)
  if (settle) await record.putSession({ ...session, plan: { ...session.plan, settle }, version: session.version + 1 })
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
        <ul class="raised divide-y divide-default">
          <li v-for="session in ended" :key="session.id">
            <NuxtLink
              :to="`/players/${playerId}/session/${session.id}`"
              class="flex min-h-12 items-center gap-4 px-4 hover:bg-elevated"
            >
              <span class="w-28 font-bold">{{ shortDate(session.startedAtMs) }}</span>
              <span class="w-20">{{ count(session) }}</span>
              <span class="soft min-w-0 flex-1 truncate"
                ><b v-if="session.plan.name" class="text-default">{{ session.plan.name }}, </b
                >{{ METHOD_WORDS[session.method] }}, {{ session.ball }} ball, {{ session.surface }}</span
              >
              <UIcon name="i-lucide-chevron-right" class="soft" />
            </NuxtLink>
          </li>
        </ul>
      </section>
    </div>
  </FrameStagePage>
</template>
