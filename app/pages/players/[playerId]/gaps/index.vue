<script setup lang="ts">
import type { Answered } from '#core/gaps/answers'
import type { Finding } from '#core/gaps/flag'
import { FLAG_RULES, flagRule, isUncovered } from '#core/gaps/flags'
import { openText } from '#words/flags'
import type { Thresholds } from '#shared/player'
import { api } from '~/utils/api'
import { useCellRemarks } from '~/composables/useCellRemarks'
import { useDistance } from '~/composables/useDistance'
import { useGapsCursor } from '~/composables/useGapsCursor'
import { useGapsLine } from '~/composables/useGapsLine'
import { useNumbers } from '~/composables/useNumbers'
import { usePlayerRoute } from '~/composables/usePlayerRoute'
import FrameEmptyStep from '~/components/frame/EmptyStep.vue'
import FrameNumbersGate from '~/components/frame/NumbersGate.vue'
import FrameStagePage from '~/components/frame/StagePage.vue'
import GapsCoverTable from '~/components/gaps/CoverTable.vue'
import GapsCoverWords from '~/components/gaps/CoverWords.vue'
import GapsFlagCard from '~/components/gaps/FlagCard.vue'
import GapsLadderStrip from '~/components/gaps/LadderStrip.vue'
import GapsLanesTable from '~/components/gaps/LanesTable.vue'
import GapsReadout from '~/components/gaps/Readout.vue'
import GapsThresholds from '~/components/gaps/Thresholds.vue'
import { later } from '~/utils/later'

const LazyGapsCoverChart = later(() => import('~/components/gaps/CoverChart.vue'))
const LazyGapsHelpPanel = later(() => import('~/components/gaps/HelpPanel.vue'))
const LazyGapsLanesChart = later(() => import('~/components/gaps/LanesChart.vue'))

const { playerId, record } = usePlayerRoute()
const { chart, ladder, findings, flags, openFlags, cover, unproven } = useNumbers()
const { remarksOf } = useCellRemarks()
const { withUnit, to, from, text, unit } = useDistance()
const { cursorM, picked, zoomM, wholeM, rangeM, at, point, key, zoomTo } = useGapsCursor()
const toast = useToast()
const asTable = ref(false)
const helping = shallowRef<Finding>()

// Nobody reads forty cards.
const FIRST = 6
const all = ref(false)
const open = computed(() => openFlags.value.map(finding => flags.value.find(one => one.finding === finding)!))
const assets = computed(() =>
  flags.value.filter(({ finding, settled }) => !settled && flagRule(finding.flag).meta.kind === 'asset'),
)
const settled = computed(() => flags.value.filter(one => one.settled))
const shown = computed(() => (all.value ? open.value : open.value.slice(0, FIRST)))

const { lineM } = useGapsLine()
const bands = computed(() =>
  flags.value
    .filter(({ finding }) => isUncovered(finding))
    .map(({ finding: { fromM, toM, sureness } }) => ({
      fromM: fromM - from(0.5),
      toM: toM + from(0.5),
      dashed: sureness !== 'sure',
    })),
)

const line = computed(() => {
  const [first, last] = [ladder.value[0], ladder.value.at(-1)]
  if (!first || !last) return 'No stock shot has a number yet.'
  const predicted = ladder.value.some(step => step.predicted)
  if (ladder.value.length === 1)
    return `One stock shot, ${withUnit(first.carryM)}. A second club or swing length in the bag makes a ladder of it.`
  return [
    `${ladder.value.length} stock shots from ${withUnit(first.carryM)} to ${withUnit(last.carryM)}.`,
    'A bar is where 8 clean balls in 10 land, the line under it how well its number is known;',
    'the fuller the mark, the longer the swing.',
    ...(predicted ? ['A ring is predicted: no ball yet.'] : []),
  ].join(' ')
})

/** What the numbers read like, with too few balls to say so: counted, not listed. */
const undecided = computed(() =>
  FLAG_RULES.flatMap(({ meta }) => {
    const n = findings.value.filter(finding => finding.flag === meta.id && finding.sureness === 'open').length
    return openText(meta.id, n) || []
  }),
)

const lanes = useTemplateRef('lanes')
async function show({ finding }: Answered) {
  asTable.value = false
  zoomTo(finding.fromM, finding.toM)
  await nextTick()
  lanes.value?.scrollIntoView({ block: 'start', behavior: 'auto' })
}

const zoom = computed({
  get: () => rangeM.value.map(to),
  set: ([a, b]: number[]) => {
    zoomM.value = b! - a! >= 10 ? [from(a!), from(b!)] : zoomM.value
  },
})

async function setSwitch(name: 'measuredOnly' | 'aimedStraight', on: boolean) {
  const { [name]: _, ...rest } = record.player!.thresholds
  const thresholds: Thresholds = on ? { ...rest, [name]: true } : rest
  try {
    record.player = await api('/api/players/:playerId', {
      params: { playerId: playerId.value },
      method: 'PATCH',
      body: { version: record.player!.version, thresholds },
    })
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
  }
}
const print = () => window.print()

const lanesKeys = useTemplateRef<HTMLElement>('lanesKeys')
useEventListener(lanesKeys, 'keydown', key)
</script>

<template>
  <FrameStagePage title="Gaps" :line="line">
    <template #actions>
      <template v-if="ladder.length > 0">
        <UButton
          color="neutral"
          variant="outline"
          :icon="asTable ? 'i-lucide-chart-no-axes-gantt' : 'i-lucide-table'"
          :aria-pressed="asTable"
          class="print:hidden"
          @click="asTable = !asTable"
        >
          {{ asTable ? 'As lanes' : 'As a table' }}
        </UButton>
        <UButton
          :to="`/players/${playerId}/gaps/what-if`"
          color="neutral"
          variant="outline"
          icon="i-lucide-flask-conical"
          class="print:hidden"
          >What if…</UButton
        >
        <UButton color="neutral" variant="outline" icon="i-lucide-printer" class="print:hidden" @click="print"
          >Print</UButton
        >
      </template>
    </template>
    <FrameNumbersGate>
      <FrameEmptyStep
        v-if="ladder.length === 0"
        icon="i-lucide-ruler"
        words="Gaps need numbers."
        help="Hit a few balls, and the steps between all stock shots stand here."
        action="To the range"
        :to="`/players/${playerId}/session`"
      />
      <div v-else class="space-y-6">
        <div v-if="asTable" class="space-y-6">
          <GapsLanesTable :ladder="ladder" :chart="chart" />
          <GapsCoverTable v-if="cover && cover.at.length > 0" :cover="cover" :line-m="lineM" />
        </div>
        <section v-else ref="lanes" aria-label="Lanes and cover" class="scroll-mt-20">
          <div
            ref="lanesKeys"
            class="overflow-x-auto"
            role="application"
            aria-label="Lanes and cover. Left and right go by the yard or metre, up and down by the stock shot."
            tabindex="0"
          >
            <div class="min-w-[560px]">
              <LazyGapsLanesChart
                :bag="record.bag"
                :chart="chart"
                :bands="bands"
                :range-m="rangeM"
                :cursor-m="cursorM"
                :picked="picked"
                :remarks-of="remarksOf"
                @point="point"
              />
              <template v-if="cover && cover.at.length > 0">
                <p class="soft sticky left-0 mt-2 max-w-[calc(100vw-2rem)] text-sm">
                  <strong class="text-(--ink)">Cover:</strong> what the best stock shot leaves on average, the dotted
                  line for the worst ball in ten; above the dashed line of {{ withUnit(lineM) }} it is filled.
                </p>
                <LazyGapsCoverChart
                  :at="cover.at"
                  :unproven="unproven"
                  :line-m="lineM"
                  :range-m="rangeM"
                  :cursor-m="cursorM"
                  @point="point"
                />
              </template>
            </div>
          </div>
          <GapsReadout v-if="cover" :cover="cover" :at="at" :picked="picked" class="mt-2" />
          <div class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 print:hidden">
            <span class="soft w-40 shrink-0">Shown: {{ text(rangeM[0]) }} to {{ text(rangeM[1]) }} {{ unit }}</span>
            <USlider
              v-model="zoom"
              :min="to(wholeM[0])"
              :max="to(wholeM[1])"
              :step="5"
              :min-steps-between-thumbs="2"
              class="max-w-md min-w-40 flex-1"
              aria-label="Stretch that is shown"
            />
            <UButton size="sm" color="neutral" variant="ghost" :disabled="!zoomM" @click="zoomM = null"
              >All of it</UButton
            >
          </div>
        </section>
        <section v-if="cover && cover.at.length > 0" aria-labelledby="cover-title">
          <h2 id="cover-title" class="text-xl font-bold">Cover</h2>
          <GapsCoverWords
            :cover="cover"
            :line-m="lineM"
            @measured-only="setSwitch('measuredOnly', $event)"
            @aimed-straight="setSwitch('aimedStraight', $event)"
          />
        </section>
        <section aria-labelledby="flags-title">
          <h2 id="flags-title" class="text-xl font-bold">
            {{ open.length === 0 ? 'No open flags' : `${open.length} open ${open.length === 1 ? 'flag' : 'flags'}` }}
          </h2>
          <p class="soft mb-2">
            However often one looks, at most 1 chart in 20 ever shows a sure flag of a kind that is false, and 1 in 10
            of any kind. <em>Likely</em> ones are dashed: of a list of them a few are false.
          </p>
          <div v-if="shown.length > 0" class="grid grid-cols-1 gap-3 lg:grid-cols-2">
            <GapsFlagCard
              v-for="one in shown"
              :key="`${one.finding.flag} ${one.finding.variant} ${one.finding.fromM} ${one.finding.cells.length}`"
              :answered="one"
              @show="show(one)"
              @help="helping = one.finding"
            />
          </div>
          <UButton
            v-if="open.length > FIRST"
            color="neutral"
            variant="outline"
            class="mt-3"
            :aria-expanded="all"
            @click="all = !all"
            >{{ all ? 'Show fewer' : `Show all ${open.length} flags` }}</UButton
          >
          <p v-if="open.length === 0" class="raised flex items-center gap-2 p-4">
            <UIcon name="i-lucide-check" class="size-5 text-success" /> Nothing asks for an answer, as far as it is
            measured.
          </p>
          <p v-if="undecided.length > 0" class="raised mt-3 flex items-start gap-2 px-4 py-3">
            <UIcon name="i-lucide-circle-dashed" class="soft mt-1 shrink-0" />
            <span
              >Not enough balls to tell: {{ undecided.join(', ') }}.
              <NuxtLink :to="`/players/${playerId}/session`" class="underline">More balls</NuxtLink> decide it.</span
            >
          </p>
        </section>
        <section
          v-for="[title, list] in [
            ['Assets', assets],
            ['Settled', settled],
          ] as const"
          v-show="list.length > 0"
          :key="title"
        >
          <details>
            <summary class="cursor-pointer py-1 text-xl font-bold">{{ title }}: {{ list.length }}</summary>
            <div class="mt-2 grid grid-cols-1 gap-3 lg:grid-cols-2">
              <GapsFlagCard
                v-for="one in list"
                :key="`${one.finding.flag} ${one.finding.fromM} ${one.finding.toM}`"
                :answered="one"
                @show="show(one)"
              />
            </div>
          </details>
        </section>
        <div class="grid grid-cols-1 items-start gap-6 lg:grid-cols-2">
          <section aria-labelledby="ladder-title">
            <h2 id="ladder-title" class="mb-2 text-xl font-bold">The ladder</h2>
            <GapsLadderStrip :ladder="ladder" :findings="findings" />
          </section>
          <GapsThresholds class="print:hidden" />
        </div>
        <LazyGapsHelpPanel v-if="helping" :finding="helping" :open="true" @update:open="helping = undefined" />
      </div>
    </FrameNumbersGate>
  </FrameStagePage>
</template>
