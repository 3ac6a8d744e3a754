<script setup lang="ts">
import { useShortcuts } from '~/ui/useShortcuts'
import { isUncovered } from '#core/gaps/flags'
import type { Scene } from '#core/what-if/scene'
import type { WhatIf } from '#core/what-if/thought-of'
import type { KeptWhatIf } from '#shared/what-if'
import { useDistance } from '~/ui/useDistance'
import { useGapsLine } from '~/player/useGapsLine'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useWhatIf } from '~/features/gaps/useWhatIf'
import { flagChanges, handedPage, sceneNames } from '~/features/gaps/handed-page'
import { bagInLink } from '~/features/gaps/bag-in-link'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import WhatIfEditor from '~/features/gaps/what-if/Editor.vue'
import WhatIfKept from '~/features/gaps/what-if/Kept.vue'
import WhatIfSearch from '~/features/gaps/what-if/Search.vue'
import WhatIfShots from '~/features/gaps/what-if/Shots.vue'
import { later } from '~/ui/later'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'

const LazyGapsCoverChart = later(() => import('~/features/gaps/CoverChart.vue'))
const LazyGapsLanesChart = later(() => import('~/features/gaps/LanesChart.vue'))

/** A bag that is only thought of, beside today's. */
const { playerId, record } = usePlayerRoute()
const route = useRoute()
const { unit, unitWord, withUnit, text, to, from } = useDistance()
const {
  today,
  scene,
  beside,
  newRungs,
  progress,
  found,
  failure,
  open,
  look,
  lookBeside,
  workOut,
  search,
  stop,
  asIs,
} = useWhatIf()
const bag = shallowRef<WhatIf>()
const { undo, redo, canUndo, canRedo, clear } = useRefHistory(bag, { capacity: 100 })
const refused = ref('')

/** From the address, where a remedy put it; else the bag as it is. */
async function fromAddress(): Promise<WhatIf> {
  if (typeof route.query.bag !== 'string') return asIs()
  const read = await bagInLink(route.query.bag)
  if (read) return read
  refused.value = 'The bag in this link cannot be read; this is the bag as it is.'
  return asIs()
}
watch(
  () => [record.player, record.bag, record.records, unit.value] as const,
  async ([player]) => {
    if (!player || asIs().clubs.length === 0) return
    open()
    if (bag.value) return look(bag.value)
    const first = await fromAddress()
    if (bag.value) return look(bag.value)
    bag.value = first
    await nextTick()
    clear()
  },
  { immediate: true },
)
watch(bag, value => value && look(value))
useShortcuts({ undoWhatIf: () => undo(), redoWhatIf: () => redo() })

const { known, ladder } = useNumbers()
/** Without a club of the grid or a number there is nothing to change. */
const nothing = computed(
  () => asIs().clubs.length === 0 || record.shots.length === 0 || (known.value && ladder.value.length === 0),
)
/** The kept bag that it is held against; today's while there is none. */
const besideName = ref<string>()
function compareWith(kept: KeptWhatIf | undefined) {
  besideName.value = kept?.name
  lookBeside(kept?.body ?? null)
}
const shown = computed(() => (bag.value ? JSON.stringify(bag.value) : ''))
const same = computed(() => bag.value !== undefined && shown.value === JSON.stringify(asIs()))
const shotNames = computed(() => (scene.value ? sceneNames(scene.value) : null))
const changed = computed(() =>
  beside.value && scene.value ? flagChanges(beside.value, scene.value, unit.value) : { gone: [], fresh: [], stay: [] },
)
const rows = computed(() => {
  const [a, b] = [beside.value, scene.value]
  if (!a?.sum || !b?.sum) return []
  return [
    {
      what: `Covered within ${withUnit(lineM.value)}`,
      before: `${a.sum.within} of ${a.sum.targets} ${unitWord.value}`,
      after: `${b.sum.within} of ${b.sum.targets} ${unitWord.value}`,
    },
    { what: 'Left on average', before: one(a.sum.meanM), after: one(b.sum.meanM) },
    {
      what: 'Worst',
      before: `${one(a.sum.worst.leaveM)} at ${text(a.sum.worst.atM)}`,
      after: `${one(b.sum.worst.leaveM)} at ${text(b.sum.worst.atM)}`,
    },
    { what: 'Open flags of the bag', before: String(a.open.length), after: String(b.open.length) },
    {
      what: 'Clubs',
      before: a.whatIf.clubs.map(club => `${club.loftDeg}°`).join(' '),
      after: b.whatIf.clubs.map(club => `${club.loftDeg}°`).join(' '),
    },
  ]
})
const one = (metres: number) => `${to(metres).toFixed(1)} ${unit.value}`
const { lineM } = useGapsLine()
const rangeM = computed<[number, number]>(() => {
  const ends = [today.value, scene.value]
    .flatMap(of => of?.chart ?? [])
    .filter(cell => cell.window80M)
    .flatMap(cell => cell.window80M!.map(to))
  return ends.length === 0
    ? [0, from(100)]
    : [from(Math.max(0, Math.floor((Math.min(...ends) - 3) / 5) * 5)), from(Math.ceil((Math.max(...ends) + 3) / 5) * 5)]
})
const bandsOf = (of: Scene) =>
  of.findings.filter(isUncovered).map(({ fromM, toM, sureness }) => ({
    fromM: fromM - from(0.5),
    toM: toM + from(0.5),
    dashed: sureness !== 'sure',
  }))
/** As the player gets it: beside today's bag, whatever it is compared with here. */
const pageOf = async (body: WhatIf) =>
  handedPage(today.value!, await workOut(body), record.bag, lineM.value, unit.value)
const print = () => window.print()
</script>

<template>
  <FrameStagePage
    title="What if"
    line="Change lofts, clubs and swing lengths on a copy. What nobody has hit is predicted from this player's balls."
  >
    <template #actions>
      <UButton
        :to="`/players/${playerId}/gaps`"
        color="neutral"
        variant="outline"
        icon="i-lucide-arrow-left"
        class="print:hidden"
        >Gaps</UButton
      >
      <UButton
        icon="i-lucide-undo-2"
        color="neutral"
        variant="outline"
        aria-label="Undo"
        :disabled="!canUndo"
        class="print:hidden"
        @click="undo()"
      />
      <UButton
        icon="i-lucide-redo-2"
        color="neutral"
        variant="outline"
        aria-label="Redo"
        :disabled="!canRedo"
        class="print:hidden"
        @click="redo()"
      />
      <UButton color="neutral" variant="outline" :disabled="same" class="print:hidden" @click="bag = asIs()"
        >As it is</UButton
      >
      <UButton color="neutral" variant="outline" icon="i-lucide-printer" class="print:hidden" @click="print"
        >Print</UButton
      >
    </template>
    <FrameEmptyStep
      v-if="nothing"
      icon="i-lucide-flask-conical"
      words="What if needs numbers."
      help="Hit a few balls first: what a changed club would carry is told from them."
      action="To the range"
      :to="`/players/${playerId}/session`"
    />
    <div v-else class="space-y-5">
      <p v-if="refused" role="alert" class="raised p-3">{{ refused }}</p>
      <p v-if="failure" role="alert" class="raised flex flex-wrap items-center gap-3 p-3">
        It could not be worked out: {{ failure }}
        <UButton size="sm" color="neutral" variant="outline" @click="bag = asIs()">Begin from the bag as it is</UButton>
      </p>
      <div class="grid grid-cols-1 items-start gap-5 lg:grid-cols-[min(26rem,50%)_minmax(0,1fr)]">
        <WhatIfEditor v-if="bag" v-model="bag" :new-rungs="newRungs" class="print:hidden" />
        <section class="min-w-0" aria-label="Beside today">
          <div v-if="rows.length > 0" class="overflow-x-auto">
            <table class="raised w-full">
              <caption class="sr-only">
                {{ besideName ?? "Today's bag" }}
                and the bag to try
              </caption>
              <thead class="soft text-left text-sm">
                <tr>
                  <th scope="col" class="px-3 py-1.5"><span class="sr-only">What</span></th>
                  <th scope="col" class="px-3 py-1.5">{{ besideName ?? 'Today' }}</th>
                  <th scope="col" class="px-3 py-1.5">What if</th>
                </tr>
              </thead>
              <tbody class="divide-y divide-default">
                <tr v-for="row in rows" :key="row.what">
                  <th scope="row" class="px-3 py-1.5 text-left font-semibold">{{ row.what }}</th>
                  <td class="soft px-3 py-1.5">{{ row.before }}</td>
                  <td class="px-3 py-1.5 font-bold">{{ row.after }}</td>
                </tr>
              </tbody>
            </table>
          </div>
          <p v-else-if="scene && today" class="soft">
            One number makes no cover: a second club or swing length does. Longer clubs stand by their own balls.
          </p>
          <FrameLinesSkeleton v-else class="min-h-40" />
          <UButton
            v-if="besideName"
            size="sm"
            color="neutral"
            variant="ghost"
            class="mt-1 print:hidden"
            @click="compareWith(undefined)"
            >Compare with today instead</UButton
          >
          <div v-if="scene && (!same || besideName)" class="mt-3 space-y-1" aria-live="polite">
            <p v-if="changed.gone.length > 0">
              <UIcon name="i-lucide-check" class="text-success" /> <strong>Gone:</strong> {{ changed.gone.join('; ') }}.
            </p>
            <p v-if="changed.fresh.length > 0">
              <UIcon name="i-lucide-triangle-alert" class="text-(--weak)" /> <strong>New:</strong>
              {{ changed.fresh.join('; ') }}.
            </p>
            <p v-if="changed.stay.length > 0" class="soft"><strong>Stays:</strong> {{ changed.stay.join('; ') }}.</p>
          </div>
          <div v-if="scene && beside" class="mt-4">
            <div
              class="overflow-x-auto"
              role="region"
              aria-label="Lanes and cover, may be scrolled sideways"
              tabindex="0"
            >
              <div class="min-w-0">
                <LazyGapsLanesChart
                  :bag="scene.bag"
                  :chart="scene.chart"
                  :bands="bandsOf(scene)"
                  :range-m="rangeM"
                  :cursor-m="null"
                  :picked="null"
                />
                <p v-if="scene.cover.at.length > 0" class="soft sticky left-0 mt-2 max-w-[calc(100vw-2rem)] text-sm">
                  <strong class="text-(--ink)">Cover:</strong> what the best stock shot leaves on average;
                  {{ besideName ?? 'today' }} dashed, the acceptable {{ withUnit(lineM) }} as a line.
                </p>
                <LazyGapsCoverChart
                  v-if="scene.cover.at.length > 0"
                  :at="scene.cover.at"
                  :before="beside.cover.at"
                  :line-m="lineM"
                  :range-m="rangeM"
                  :cursor-m="null"
                />
              </div>
            </div>
          </div>
        </section>
      </div>
      <WhatIfShots
        v-if="bag && scene && shotNames"
        v-model="bag"
        :scene="scene"
        :name-of="shotNames.cell"
        class="print:hidden"
      />
      <WhatIfSearch
        :progress="progress"
        :found="found"
        :today-m="today?.sum?.meanM ?? null"
        :shown="shown"
        class="print:hidden"
        @search="search"
        @stop="stop"
        @look="bag = $event.whatIf"
      />
      <WhatIfKept v-if="bag" :bag="bag" :page-of="pageOf" @look="bag = $event" @compare="compareWith" />
    </div>
  </FrameStagePage>
</template>
