<script setup lang="ts">
import { chancesOf } from '#core/rounds/approach'
import { approachesOf, playedOf } from '#shared/rounds'
import type { RoundRecord } from '#shared/schemas/rounds'
import { approachesText } from '#words/rounds'
import { useCourseBalls } from '~/features/rounds/useCourseBalls'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useTurns } from '~/ui/useTurns'
import { useRounds } from '~/offline/stores/rounds'
import FrameAfterPaint from '~/ui/frame/AfterPaint.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import RoundsAgainstRange from '~/features/rounds/AgainstRange.vue'
import RoundsAsks from '~/features/rounds/Asks.vue'
import RoundsFromFile from '~/features/rounds/FromFile.vue'
import RoundsKept from '~/features/rounds/Kept.vue'
import RoundsLog from '~/features/rounds/Log.vue'
import RoundsMeasure from '~/features/rounds/Measure.vue'
import RoundsRetest from '~/features/rounds/Retest.vue'
import RoundsWaiting from '~/features/rounds/Waiting.vue'
import RoundsWorkOn from '~/features/rounds/WorkOn.vue'

/** Rounds: where approaches come from, what they cost, and what to work on. */
const { playerId } = usePlayerRoute()
const rounds = useRounds()
// What the player told meanwhile.
onMounted(() => rounds.of !== null && void rounds.load())
const toast = useToast()
const { counting, count, takeBack } = useCourseBalls()
/** All of them, or those of one kind. */
const ofKind = ref<'all' | RoundRecord['kind']>('all')
const KINDS = [
  { value: 'all' as const, label: 'All rounds' },
  { value: 'competition' as const, label: 'Competition' },
  { value: 'casual' as const, label: 'Casual' },
]
const hasKinds = computed(() => new Set(rounds.standing.map(({ kind }) => kind)).size > 1)
const shown = computed(() => rounds.standing.filter(({ kind }) => ofKind.value === 'all' || kind === ofKind.value))
const played = computed(() => playedOf(shown.value))
const hasChances = computed(() => chancesOf(playedOf(rounds.standing)).length > 0)
const isTold = computed(() => chancesOf(played.value).some(({ offM }) => offM !== undefined))
const edited = ref<string>()
/** What stands under the form for a new round comes after it. */
const turn = useTurns(2, () => rounds.of !== null)

async function put(round: RoundRecord) {
  edited.value = undefined
  await rounds.put(round)
  toast.add({ title: `${approachesText(approachesOf(round).length)} kept`, color: 'success' })
}
async function takeAll(read: readonly RoundRecord[]) {
  // One that stands is left as it is; one that was deleted comes back.
  const fresh = read.flatMap(round => {
    const known = rounds.known(round.id)
    if (known && !known.gone) return []
    return known ? { ...known, gone: false, version: known.version + 1 } : round
  })
  for (const round of fresh) await rounds.put(round)
  toast.add({
    title: `New rounds: ${fresh.length} of ${read.length}`,
    ...(fresh.length > 0 && {
      actions: [
        {
          label: 'Undo',
          color: 'neutral' as const,
          variant: 'outline' as const,
          onClick: async () => {
            for (const round of fresh) await rounds.put({ ...round, gone: true, version: round.version + 1 })
          },
        },
      ],
    }),
  })
}
async function drop(round: RoundRecord) {
  const gone = { ...round, gone: true, version: round.version + 1 }
  const counted = counting(round).length > 0
  if (counted) await takeBack(round)
  await rounds.put(gone)
  const bringBack = async () => {
    await rounds.put({ ...gone, gone: false, version: gone.version + 1 })
    if (counted) await count(round)
  }
  toast.add({
    title: 'Round deleted',
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void bringBack(),
      },
    ],
  })
}
</script>

<template>
  <FrameStagePage title="Rounds" line="What the course asks, what it costs, what to do next.">
    <template #actions
      ><UButton :to="`/players/${playerId}/rounds/review`" color="neutral" variant="outline" icon="i-lucide-file-text"
        >Review</UButton
      ></template
    >
    <p v-if="rounds.failure" role="alert" class="raised mb-4 flex flex-wrap items-center gap-3 p-4">
      {{ rounds.failure }}
      <UButton size="sm" color="neutral" variant="outline" @click="rounds.load()">Try again</UButton>
    </p>
    <RoundsWaiting class="mb-6" />
    <UButton
      v-if="hasChances"
      class="mb-6 lg:hidden"
      to="#log-title"
      color="neutral"
      variant="outline"
      icon="i-lucide-plus"
      >Add a round</UButton
    >
    <!-- Which half stands first goes by what there is: neither stands before that is known. -->
    <FrameLinesSkeleton v-if="rounds.of === null && !rounds.failure" :rows="6" />
    <div v-else class="grid grid-cols-1 gap-x-8 gap-y-8 lg:grid-cols-2">
      <div class="min-w-0 space-y-8" :class="!hasChances && 'max-lg:order-last'">
        <template v-if="hasChances">
          <FramePlainSelect v-if="hasKinds" v-model="ofKind" :items="KINDS" label="Which rounds" class="w-44" />
          <FrameAfterPaint v-slot="{ come }" :rows="8" :parts="3" phone-full>
            <RoundsAsks :played="played" />
            <RoundsWorkOn v-if="come > 1" :played="played" />
            <RoundsAgainstRange v-if="isTold && come > 2" :played="played" />
          </FrameAfterPaint>
        </template>
        <RoundsRetest v-else />
      </div>
      <div class="min-w-0 space-y-6" :class="!hasChances && 'lg:order-first'">
        <section aria-labelledby="log-title">
          <h2 id="log-title" class="mb-2 text-xl font-bold">Add a round</h2>
          <RoundsLog key="new" @put="put" />
          <RoundsFromFile class="mt-3" @take="takeAll" />
        </section>
        <RoundsMeasure v-if="turn > 1" />
        <section v-if="turn > 1 && rounds.standing.length > 0" aria-labelledby="rounds-title">
          <h2 id="rounds-title" class="mb-2 text-xl font-bold">Rounds so far</h2>
          <ul class="raised divide-y divide-default">
            <li v-for="round in rounds.standing" :key="round.id" class="px-4 py-2">
              <RoundsLog v-if="edited === round.id" :round="round" @put="put" @cancel="edited = undefined" />
              <RoundsKept v-else :round="round" @edit="edited = round.id" @drop="drop(round)" />
            </li>
          </ul>
        </section>
        <RoundsRetest v-if="turn > 1 && hasChances" />
      </div>
    </div>
  </FrameStagePage>
</template>
