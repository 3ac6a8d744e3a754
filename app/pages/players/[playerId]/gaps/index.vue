<script setup lang="ts">
import type { Finding } from '#core/gaps/flag'
import { isUncovered } from '#core/gaps/flags'
import { sumCover } from '#core/gaps/stretches'
import { isQuiet, noFlagText } from '#words/cover'
import { useDistance } from '~/ui/useDistance'
import { useGapsCursor } from '~/features/gaps/useGapsCursor'
import { useGapsFlags } from '~/features/gaps/useGapsFlags'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { useTurns } from '~/ui/useTurns'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameNumbersGate from '~/ui/frame/NumbersGate.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import GapsCoverTable from '~/features/gaps/CoverTable.vue'
import GapsCover from '~/features/gaps/Cover.vue'
import GapsFlagCard from '~/features/gaps/FlagCard.vue'
import GapsFlagSheet from '~/features/gaps/FlagSheet.vue'
import GapsLadderStrip from '~/features/gaps/LadderStrip.vue'
import GapsLanesTable from '~/features/gaps/LanesTable.vue'
import GapsMarksStrip from '~/features/gaps/MarksStrip.vue'
import GapsStillOpen from '~/features/gaps/StillOpen.vue'
import GapsReadout from '~/features/gaps/Readout.vue'
import { laneClubs, lanesHeightPx } from '~/features/gaps/lanes'
import { later } from '~/ui/later'

const LazyGapsCoverChart = later(() => import('~/features/gaps/CoverChart.vue'))
const LazyGapsHelpPanel = later(() => import('~/features/gaps/HelpPanel.vue'))
const LazyGapsLanesChart = later(() => import('~/features/gaps/LanesChart.vue'))
const LazyGapsSettings = later(() => import('~/features/gaps/Settings.vue'))

const { playerId, record } = usePlayerRoute()
const { known, gapsChart, ladder, findings, flags, cover, unproven } = useNumbers()
const { withUnit, from, text, unit } = useDistance()
const { cursorM, picked, zoomM, wholeM, rangeM, at, point, key } = useGapsCursor()
const { open, noFault, settled, chosen, pointed, lit, choose, marks, verdict, questions, lineM } = useGapsFlags()
const asTable = ref(false)
const helping = shallowRef<Finding>()
const settings = ref(false)

// Nobody reads forty cards.
const FIRST = 6
const all = ref(false)
/** The lanes first, then the cover, two flags at a time, and what is further down. */
const [LANES, COVER, CARDS, REST] = [1, 2, 3, 6]
const turn = useTurns(REST, () => known.value)
const shown = computed(() => {
  if (turn.value < REST) return open.value.slice(0, Math.max(0, 2 * (turn.value - CARDS + 1)))
  return all.value ? open.value : open.value.slice(0, FIRST)
})
const flagsTitle = computed(() =>
  open.value.length === 0 ? 'No open flags' : `${open.value.length} open ${open.value.length === 1 ? 'flag' : 'flags'}`,
)

const noFlag = computed(() => ({
  sum: sumCover(cover.value?.at ?? [], lineM.value),
  open: questions.value.length + unproven.value.length,
  lineM: lineM.value,
}))

const bands = computed(() =>
  flags.value
    .filter(({ finding }) => isUncovered(finding))
    .map(({ finding: { fromM, toM, sureness } }) => ({
      fromM: fromM - from(0.5),
      toM: toM + from(0.5),
      dashed: sureness !== 'sure',
    })),
)

const totalOn = computed(() => record.player?.thresholds.totalOn)
const line = computed(() => {
  if (!known.value) return 'Working out the numbers…'
  const [first, last] = [ladder.value[0], ladder.value.at(-1)]
  if (!first || !last) return 'No stock shot has a number yet.'
  if (ladder.value.length === 1)
    return `One stock shot, ${withUnit(first.carryM)}. A second club or swing length in the bag makes a ladder of it.`
  const by = totalOn.value ? `By total, on ${totalOn.value} ground. ` : ''
  if (verdict.value) return `${by}${verdict.value}`
  return `${by}${ladder.value.length} stock shots from ${text(first.carryM)} to ${withUnit(last.carryM)}.`
})

const isWide = useMediaQuery('(min-width: 1024px)')
const isPhone = useMediaQuery('(max-width: 767px)')
const sheetUp = ref(false)
/** On a phone the flags stand in a sheet, which has a title and can be pulled up. */
const sheet = computed(() =>
  isPhone.value
    ? {
        'title': flagsTitle.value,
        'count': open.value.length,
        'up': sheetUp.value,
        'onUpdate:up': (up: boolean) => {
          sheetUp.value = up
        },
      }
    : {},
)
const lanesHeight = computed(() => lanesHeightPx(laneClubs(record.bag, gapsChart.value).length, isPhone.value))

/** From the picture: its card is brought into view, on a phone by pulling the sheet up. */
const cards = useTemplateRef<HTMLElement[]>('cards')
async function chooseAt(number: number) {
  choose(number)
  if (chosen.value === null) return
  if (number > FIRST) all.value = true
  if (isPhone.value) sheetUp.value = true
  await nextTick()
  cards.value?.[number - 1]?.scrollIntoView({ block: 'nearest' })
}

const print = () => window.print()

const lanesKeys = useTemplateRef<HTMLElement>('lanesKeys')
useEventListener(lanesKeys, 'keydown', key)
const keyOf = ({ flag, variant, fromM, cells }: Finding) => `${flag} ${variant} ${fromM} ${cells.length}`
</script>

<template>
  <FrameStagePage title="Gaps" :line="line" tight>
    <template #actions>
      <template v-if="ladder.length > 0">
        <UButton
          color="neutral"
          variant="outline"
          :icon="asTable ? 'i-lucide-scan-line' : 'i-lucide-table'"
          :aria-pressed="asTable"
          :aria-label="asTable ? 'As lanes' : 'As a table'"
          class="print:hidden"
          @click="asTable = !asTable"
        >
          <span class="max-md:hidden">{{ asTable ? 'As lanes' : 'As a table' }}</span>
        </UButton>
        <UButton
          :to="`/players/${playerId}/gaps/what-if`"
          color="neutral"
          variant="outline"
          icon="i-lucide-flask-conical"
          aria-label="What if…"
          class="print:hidden"
          ><span class="max-md:hidden">What if…</span></UButton
        >
        <UButton
          color="neutral"
          variant="outline"
          icon="i-lucide-printer"
          aria-label="Print"
          class="print:hidden max-md:hidden"
          @click="print"
        />
        <UButton
          color="neutral"
          variant="outline"
          icon="i-lucide-settings-2"
          aria-label="What counts"
          class="print:hidden"
          @click="settings = true"
        />
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
      <div
        v-else
        class="grid grid-cols-1 items-start gap-x-6 gap-y-5 max-md:pb-44 lg:grid-cols-[minmax(0,1fr)_min(21rem,45%)] lg:grid-rows-[auto_1fr]"
      >
        <div class="min-w-0 space-y-5">
          <div v-if="asTable" class="space-y-6">
            <GapsLanesTable :ladder="ladder" :chart="gapsChart" />
            <GapsCoverTable v-if="cover && cover.at.length > 0" :cover="cover" :line-m="lineM" />
          </div>
          <section v-else aria-label="Lanes and cover">
            <div
              ref="lanesKeys"
              role="application"
              aria-label="Lanes and cover. Left and right go by the yard or metre, up and down by the stock shot."
              tabindex="0"
            >
              <div :style="{ minHeight: `${lanesHeight}px` }">
                <LazyGapsLanesChart
                  v-if="turn >= LANES"
                  :bag="record.bag"
                  :chart="gapsChart"
                  :totals="totalOn !== undefined"
                  :bands="bands"
                  :marks="marks"
                  :lit="lit"
                  :range-m="rangeM"
                  :cursor-m="cursorM"
                  :picked="picked"
                  @point="point"
                />
              </div>
              <GapsMarksStrip
                v-if="marks.length > 0"
                :marks="marks"
                :range-m="rangeM"
                :lit="lit"
                @choose="chooseAt"
                @light="pointed = $event"
              />
              <div v-if="cover && cover.at.length > 0" class="min-h-[120px] sm:min-h-[130px]">
                <LazyGapsCoverChart
                  v-if="turn >= COVER"
                  :at="cover.at"
                  :unproven="unproven"
                  :line-m="lineM"
                  :range-m="rangeM"
                  :cursor-m="cursorM"
                  @point="point"
                />
              </div>
            </div>
            <GapsReadout v-if="cover" :cover="cover" :at="at" :picked="picked" class="mt-1.5" />
          </section>
        </div>
        <component
          :is="isPhone ? GapsFlagSheet : 'section'"
          v-bind="sheet"
          aria-label="Flags"
          class="lg:col-start-2 lg:row-span-2 lg:row-start-1"
          :class="!isPhone && 'space-y-2.5'"
        >
          <!-- On a phone the handle of the sheet says it to the eye. -->
          <h2 id="flags-title" :class="isPhone ? 'sr-only' : 'text-lg leading-none font-bold'">{{ flagsTitle }}</h2>
          <div v-for="(one, i) in shown" :key="keyOf(one.finding)" ref="cards">
            <GapsFlagCard
              :answered="one"
              :number="i + 1"
              :chosen="chosen === i + 1"
              :lit="pointed === i + 1"
              @choose="chooseAt(i + 1)"
              @light="pointed = $event ? i + 1 : null"
              @help="helping = one.finding"
            />
          </div>
          <UButton
            v-if="open.length > FIRST && turn >= REST"
            size="sm"
            color="neutral"
            variant="outline"
            :aria-expanded="all"
            @click="all = !all"
            >{{ all ? 'Show fewer' : `Show all ${open.length} flags` }}</UButton
          >
          <p v-if="open.length === 0" class="raised flex items-start gap-2 px-4 py-3">
            <UIcon
              :name="isQuiet(noFlag) ? 'i-lucide-check' : 'i-lucide-circle-help'"
              class="mt-0.5 size-5 shrink-0"
              :class="isQuiet(noFlag) ? 'text-success' : 'soft'"
            />
            <span>{{ noFlagText(noFlag, unit) }}</span>
          </p>
          <details
            v-for="[title, list] in [
              ['No fault', noFault],
              ['Settled', settled],
            ] as const"
            v-show="list.length > 0"
            :key="title"
          >
            <summary class="cursor-pointer py-1 font-bold">{{ title }}: {{ list.length }}</summary>
            <div class="mt-2 space-y-2.5">
              <GapsFlagCard v-for="one in list" :key="keyOf(one.finding)" :answered="one" />
            </div>
          </details>
          <p v-if="isWide || sheetUp" class="soft text-sm">
            However often one looks, at most 1 chart in 20 ever shows a sure flag of a kind that is false, and 1 in 10
            of any kind. <em>Likely</em> ones are dashed: of a list of them a few are false.
          </p>
        </component>
        <div v-if="turn >= REST" class="min-w-0 space-y-5 lg:col-start-1">
          <GapsStillOpen v-if="questions.length > 0" :questions="questions" />
          <GapsCover
            v-if="cover && cover.at.length > 0"
            v-model:zoom="zoomM"
            :cover="cover"
            :line-m="lineM"
            :zooms="!asTable"
            :whole-m="wholeM"
          />
          <section aria-labelledby="ladder-title">
            <h2 id="ladder-title" class="mb-2 text-xl font-bold">The ladder</h2>
            <GapsLadderStrip :ladder="ladder" :findings="findings" />
          </section>
        </div>
        <LazyGapsHelpPanel v-if="helping" :finding="helping" :open="true" @update:open="helping = undefined" />
        <LazyGapsSettings v-if="settings" v-model:open="settings" />
      </div>
    </FrameNumbersGate>
  </FrameStagePage>
</template>
