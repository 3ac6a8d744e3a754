<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { isConsentOpen } from '#shared/player'
import { stockShotName } from '#words/stock-shot'
import type { LinkStrength } from '#shared/choices'
import type { PlayerLink, WaitingBalls } from '#shared/player-link'
import { api } from '~/offline/api'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { clockTime, daysAgo, shortDate } from '~/ui/dates'

/** The private link for the player's phone, and the balls that came through it. */
const record = usePlayerRecord()
const { typed, unit } = useDistance()
const { clubLabel, swingLabel } = useCellNames()
const toast = useToast()
const { copy } = useClipboard({ legacy: true })
const links = shallowRef<PlayerLink[]>()
const waiting = shallowRef<WaitingBalls>({ balls: [], waiting: 0 })
const made = shallowRef<{ url: string; picture: string; strength: LinkStrength }>()
const failure = ref('')
const params = computed(() => ({ playerId: record.playerId }))
/** Beyond the page that is shown. */
const more = computed(() => waiting.value.waiting - waiting.value.balls.length)
const these = computed(() => (more.value > 0 ? `These ${waiting.value.balls.length}` : 'They'))
const STRENGTH_WORDS = { read: 'shows the chart', log: 'shows the chart and takes own balls' } as const

async function load() {
  failure.value = ''
  try {
    ;[links.value, waiting.value] = await Promise.all([
      api('/api/players/:playerId/links', { params: params.value }),
      api('/api/players/:playerId/own-balls', { params: params.value }),
    ])
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

async function tryTo(what: string, work: () => Promise<void>) {
  try {
    await work()
    await load()
  } catch (error) {
    toast.add({ title: what, description: (error as Error).message, color: 'error' })
  }
}

const make = (strength: LinkStrength) =>
  tryTo('The link could not be made', async () => {
    const { token } = await api('/api/players/:playerId/links', {
      params: params.value,
      method: 'POST',
      body: { id: newId(), strength },
    })
    // Behind the "#" it is never sent to a server, so it stands in no log.
    const url = `${location.origin}/card#${token}`
    const { toString } = await import('qrcode')
    made.value = {
      url,
      strength,
      picture: `data:image/svg+xml;utf8,${encodeURIComponent(await toString(url, { type: 'svg', margin: 1 }))}`,
    }
  })

const revoke = (link: PlayerLink) =>
  tryTo('The link could not be revoked', async () => {
    await api('/api/players/:playerId/links/:linkId', {
      params: { ...params.value, linkId: link.id },
      method: 'DELETE',
    })
    made.value = undefined
    toast.add({
      title: 'Revoked: it opens nothing any more',
      description: 'A phone that opened it before keeps the chart it has.',
    })
  })

const answer = (take: boolean) =>
  tryTo('The balls could not be settled', async () => {
    const ids = waiting.value.balls.map(ball => ball.id)
    await api('/api/players/:playerId/own-balls', { params: params.value, method: 'POST', body: { ids, take } })
    toast.add({
      title:
        `${ids.length} ${ids.length === 1 ? 'ball' : 'balls'} ` +
        `${take ? (ids.length === 1 ? 'counts now' : 'count now') : 'left aside'}`,
    })
    if (take) await record.open(record.playerId!)
  })

async function copyLink() {
  await copy(made.value!.url)
  toast.add({ title: 'Link copied', icon: 'i-lucide-clipboard-check' })
}
</script>

<template>
  <section aria-labelledby="phone-title">
    <h2 id="phone-title" class="mb-2 text-xl font-bold">On the player's phone</h2>
    <p v-if="failure" role="alert" class="raised flex flex-wrap items-center gap-3 p-3">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <div v-if="waiting.waiting > 0" class="raised mb-4 space-y-2 border-l-[5px]! border-l-(--weak)! p-4">
      <p class="font-bold">
        {{ waiting.waiting }} {{ waiting.waiting === 1 ? 'ball waits' : 'balls wait' }} for your word:
        {{ record.player!.name }} logged {{ waiting.waiting === 1 ? 'it' : 'them' }} alone, and
        {{ waiting.waiting === 1 ? 'it counts' : 'they count' }} for nothing until then.<template v-if="more > 0">
          The oldest {{ waiting.balls.length }} first.</template
        >
      </p>
      <ul class="max-h-56 divide-y divide-default overflow-y-auto">
        <li v-for="ball in waiting.balls" :key="ball.id" class="flex justify-between gap-3 py-1">
          <span
            ><strong>{{ typed(ball.carryM) }}</strong> {{ unit }},
            {{ stockShotName(clubLabel(ball), swingLabel(ball)) }}</span
          ><span class="soft text-sm">{{ shortDate(ball.hitAtMs) }} {{ clockTime(ball.hitAtMs) }}</span>
        </li>
      </ul>
      <div class="flex flex-wrap gap-2">
        <UButton @click="answer(true)">{{ these }} count</UButton
        ><UButton color="neutral" variant="outline" @click="answer(false)"
          >Leave {{ more > 0 ? 'these' : 'them' }} aside</UButton
        >
      </div>
    </div>
    <p v-if="record.player && isConsentOpen(record.player)" class="raised mb-4 flex gap-3 p-4" role="status">
      <UIcon name="i-lucide-user-round-check" class="mt-1 shrink-0 text-(--weak)" />
      <span
        ><strong>A parent or guardian has not agreed yet.</strong> Links open nothing until it is noted under
        <ULink to="/players" class="underline">Players</ULink>, Edit.</span
      >
    </p>
    <div class="raised space-y-3 p-4">
      <p>
        A private link, without an account: it opens this player's published chart and nothing else, also without a
        network once it was opened.
      </p>
      <div v-if="made" class="flex flex-wrap items-center gap-4" role="status">
        <img :src="made.picture" alt="The link as a code to scan" width="148" height="148" class="rounded bg-white" />
        <div class="min-w-0 flex-1 space-y-2">
          <p class="font-bold">Scan it with the phone now, or send it: it is shown only this once.</p>
          <p class="soft text-sm break-all">{{ made.url }}</p>
          <UButton size="sm" color="neutral" variant="outline" icon="i-lucide-clipboard-copy" @click="copyLink"
            >Copy the link</UButton
          >
        </div>
      </div>
      <ul v-if="links && links.length > 0" class="divide-y divide-default">
        <li v-for="link in links" :key="link.id" class="flex flex-wrap items-center justify-between gap-3 py-1.5">
          <span
            >A link that {{ STRENGTH_WORDS[link.strength] }}
            <span class="soft text-sm"
              >made {{ daysAgo(link.createdAtMs) }},
              {{ link.openedAtMs ? `opened ${daysAgo(link.openedAtMs)}` : 'never opened' }}</span
            ></span
          >
          <UButton size="sm" color="neutral" variant="outline" icon="i-lucide-link-2-off" @click="revoke(link)"
            >Revoke</UButton
          >
        </li>
      </ul>
      <div class="flex flex-wrap gap-2">
        <UButton color="neutral" variant="outline" icon="i-lucide-smartphone" @click="make('read')"
          >Link to read</UButton
        >
        <UButton color="neutral" variant="outline" icon="i-lucide-smartphone" @click="make('log')"
          >Link to read and log</UButton
        >
      </div>
    </div>
  </section>
</template>
