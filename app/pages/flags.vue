<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import { weightOf } from '#core/gaps/answers'
import type { Finding } from '#core/gaps/flag'
import { FLAG_RULES, flagRule } from '#core/gaps/flags'
import type { PlayerLine } from '#shared/player'
import { flagText } from '#words/flags'
import { stockShotName } from '#words/stock-shot'
import { useDistance } from '~/ui/useDistance'
import { usePlayers } from '~/features/players/usePlayers'
import FrameListFailure from '~/ui/frame/ListFailure.vue'
import FrameListSkeleton from '~/ui/frame/ListSkeleton.vue'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** Open flags of all players, those that matter most first. */
useHead({ title: 'Open flags' })
const { players, failure, load } = usePlayers()
const { unit } = useDistance()
onMounted(() => load())

const KINDS = { all: 'All kinds', hole: 'Missing', overlap: 'Doubled', weak: 'Weak', finding: 'To know' } as const
const kind = ref<keyof typeof KINDS>('all')

interface Row {
  player: PlayerLine
  finding: Finding
  title: string
  why: string
  odds: string
}
const rows = computed<Row[]>(() =>
  (players.value ?? [])
    .filter(player => !player.archived)
    .flatMap(player => {
      const names = player.summary?.names ?? {}
      const of = (cell: StockShot) => names[cellKey(cell)] ?? { club: '?', swing: '?' }
      const words = {
        cell: (cell: StockShot) => stockShotName(of(cell).club, of(cell).swing),
        club: (cell: StockShot) => of(cell).club,
      }
      return (player.summary?.open ?? []).map((finding): Row => ({
        player,
        finding,
        ...flagText(finding, words, unit.value),
      }))
    })
    .sort((a, b) => weightOf(b.finding) - weightOf(a.finding) || a.player.name.localeCompare(b.player.name)),
)
const shown = computed(() =>
  kind.value === 'all' ? rows.value : rows.value.filter(row => flagRule(row.finding.flag).meta.kind === kind.value),
)
const waiting = computed(() =>
  (players.value ?? []).some(player => !player.archived && player.balls > 0 && player.summary === null),
)
const kinds = computed(() =>
  Object.entries(KINDS)
    .filter(
      ([id]) =>
        id === 'all' ||
        FLAG_RULES.some(rule => rule.meta.kind === id && rows.value.some(row => row.finding.flag === rule.meta.id)),
    )
    .map(([value, label]) => ({ value, label })),
)
</script>

<template>
  <main class="mx-auto w-full max-w-[1000px] px-4 py-6">
    <header class="mb-4 flex flex-wrap items-end justify-between gap-3">
      <div>
        <h1 class="text-3xl font-bold">Open flags</h1>
        <p class="soft">Of all players, those that matter most first. What you have answered is not among them.</p>
      </div>
      <UButton to="/players" color="neutral" variant="outline" icon="i-lucide-arrow-left">Players</UButton>
    </header>
    <FrameListFailure v-if="failure" what="The players" :failure="failure" @again="load()" />
    <template v-else-if="players">
      <p v-if="waiting" role="status" class="soft mb-2">
        Some players are still being worked out.
        <UButton variant="link" class="min-h-0 p-0" @click="load()">Look again</UButton>
      </p>
      <FramePlainSelect v-if="rows.length > 0" v-model="kind" :items="kinds" label="Kinds of flags" class="mb-3 w-48" />
      <ul v-if="shown.length > 0" class="raised divide-y divide-default">
        <li v-for="(row, i) in shown" :key="i">
          <NuxtLink :to="`/players/${row.player.id}/gaps`" class="block px-4 py-2.5 hover:bg-elevated">
            <span class="flex flex-wrap items-baseline gap-x-3"
              ><strong class="text-lg">{{ row.player.name }}</strong><span class="font-semibold">{{ row.title }}</span
              ><span class="soft text-sm sm:ml-auto">{{ row.odds }}</span></span
            >
            <span class="soft block">{{ row.why }}</span>
          </NuxtLink>
        </li>
      </ul>
      <p v-else-if="!waiting" class="raised flex items-center gap-2 p-6">
        <UIcon name="i-lucide-check" class="size-5 text-success" /> No flag of any player asks for an answer.
      </p>
    </template>
    <FrameListSkeleton v-else what="The flags" class="mt-14" />
  </main>
</template>
