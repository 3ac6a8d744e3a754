<script setup lang="ts">
import type { Method } from '#core/shot/shot'
import { CARRY_LIMITS } from '#core/limits'
import { stockShotName } from '#words/stock-shot'
import { airOfChartText, figuresText } from '#words/published'
import { dayText } from '#words/dates'
import type { PublishedCell } from '#core/history/published'
import { inOrder, readFigure } from '#core/history/hand-over'
import { METHOD_WORDS } from '#shared/choices'
import { useCard } from '~/features/published/useCard'
import { useDistance } from '~/ui/useDistance'
import type { OutboxItem, OwnEntry } from '~/offline/outbox/entries'
import { typedNumber } from '~/ui/numbers'
import PublishedFromAbove from '~/features/published/FromAbove.vue'
import PublishedGrid from '~/features/published/Grid.vue'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'
import { daysAgo } from '~/ui/dates'
import { later } from '~/ui/later'

const LazyPracticeOwn = later(() => import('~/features/practice/Own.vue'))
const LazyPublishedTellRound = later(() => import('~/features/published/TellRound.vue'))
const LazyPickStage = later(() => import('~/features/pick/Stage.vue'))
const LazyPublishedHandedBag = later(() => import('~/features/published/HandedBag.vue'))

type CardWay = 'pick' | 'carry' | 'grid' | 'practice'

definePageMeta({ layout: 'plain' })
useHead({
  title: 'Carry chart',
  meta: [
    { name: 'referrer', content: 'no-referrer' },
    { name: 'robots', content: 'noindex' },
  ],
})

/** What the player carries: the published chart on the phone, by the grid or by the yardage. */
const card = useCard()
const { view, mark, failure, away, full, shut, keeps, waiting, refused, ofOthers, load, start, log, sendNow, discard } =
  card
const { unit, from, withUnit: readDistance } = useDistance()
const keptUnit = useLocalStorage<'yd' | 'm'>('uzzet-unit', 'yd')
const way = useLocalStorage<CardWay>('uzzet-card-way', 'carry')
const chart = computed(() => view.value?.published ?? null)
const homework = computed(() => view.value?.homework ?? [])
const shots = computed(() => (chart.value ? inOrder(chart.value, unit.value) : []))
const chosen = ref<string>()
const carry = ref('')
const method = useLocalStorage<Method>('uzzet-own-method', 'laser')
const methods = (Object.entries(METHOD_WORDS) as [Method, string][])
  .filter(([value]) => value !== 'monitor')
  .map(([value, label]) => ({ value, label }))
/** A go of homework is open. */
const playing = ref(false)
const fault = ref('')
const said = ref('')
const opened = ref(false)
const chosenName = computed(() => {
  const cell = chart.value?.cells.find(other => `${other.clubId}/${other.rungId}` === chosen.value)
  return cell && stockShotName(cell.club, cell.swing)
})

onMounted(async () => {
  await start(location.hash)
  opened.value = true
})
useEventListener('hashchange', () => start(location.hash))

async function add() {
  const value = typedNumber(carry.value)
  const { min, max } = CARRY_LIMITS[unit.value]
  fault.value =
    value >= min && value <= max ? '' : `"${carry.value}" is not possible: ${min} to ${max} ${unit.value} is allowed.`
  if (fault.value || !chosen.value) return
  const [clubId, rungId] = chosen.value.split('/') as [string, string]
  said.value = `${carry.value} ${unit.value} with ${chosenName.value} logged. It waits for your coach's word.`
  carry.value = ''
  await log(clubId, rungId, from(value), method.value)
}
const carryOf = ({ entry }: OutboxItem<OwnEntry>) =>
  entry.kind === 'own-ball' ? readDistance(entry.record.carryM) : ''
/** Homework that was taken back leaves the list of numbers. */
const isWay = (which: CardWay) =>
  (way.value === 'practice' && homework.value.length === 0 ? 'carry' : way.value) === which

/** What stands beside a figure: the carry of a total, else where its balls lie, else its kind. */
function beside({ total, carry: figure, window, kind }: PublishedCell): string {
  if (total) return `carry ${figure![unit.value]}`
  if (chart.value?.totalOn) return 'its carry'
  return window ? `${window[0][unit.value]} to ${window[1][unit.value]}` : kind
}
/** What the figures are, under the list. */
const legend = computed(() => {
  if (chart.value?.totalOn) return 'Total: where the ball stops. The carry, where it pitches, stands beside it.'
  const right = isWay('carry') ? 'On the right where 8 clean balls in 10 lie.' : '± is how sure the number is.'
  return `Carry: where the ball pitches. ${right}`
})
</script>

<template>
  <div class="mx-auto w-full max-w-xl">
    <section v-if="failure && !view" role="alert" class="py-14 text-center">
      <h1 class="text-2xl font-bold">There is no chart to show.</h1>
      <p class="soft mt-2">{{ failure }}</p>
      <UButton class="mt-5" @click="load">Try again</UButton>
    </section>
    <template v-else-if="view">
      <header v-if="!playing" class="mb-3 flex items-start justify-between gap-3">
        <div class="min-w-0">
          <h1 class="truncate text-2xl font-bold">{{ view.player }}</h1>
          <p v-if="chart" class="soft text-sm">
            {{ figuresText(chart, unit) }}, no. {{ chart.number }}, {{ dayText(chart.publishedAtMs) }},
            {{ airOfChartText(chart) }}
          </p>
        </div>
        <div class="flex" role="group" aria-label="Unit">
          <UButton
            v-for="one in ['yd', 'm'] as const"
            :key="one"
            color="neutral"
            :variant="keptUnit === one ? 'solid' : 'outline'"
            :aria-pressed="keptUnit === one"
            @click="keptUnit = one"
            >{{ one }}</UButton
          >
        </div>
      </header>
      <p v-if="failure || shut" role="alert" class="mb-3 text-error">{{ failure || shut }}</p>
      <details v-if="view.told && !playing" class="raised mb-3 px-3 py-1">
        <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">
          Your session, sent {{ daysAgo(view.told.atMs) }}
        </summary>
        <p v-for="line in view.told.lines" :key="line" class="pb-1.5">{{ line }}</p>
      </details>
      <div v-if="!chart" class="raised p-6 text-center">
        <p class="text-lg font-bold">Nothing is published yet.</p>
        <p class="soft">Your coach publishes the chart; then it stands here.</p>
        <UButton class="mt-4" variant="outline" @click="load">Look again</UButton>
      </div>
      <template v-else>
        <p v-if="chart.note && !playing" class="mb-3 border-l-[5px] border-primary pl-3 text-lg">{{ chart.note }}</p>
        <div v-if="!playing" class="mb-3 flex flex-wrap gap-2" role="group" aria-label="How it is shown">
          <UButton
            color="neutral"
            :variant="isWay('pick') ? 'solid' : 'outline'"
            :aria-pressed="isWay('pick')"
            icon="i-lucide-flag"
            @click="way = 'pick'"
            >Pick</UButton
          >
          <UButton
            color="neutral"
            :variant="isWay('carry') ? 'solid' : 'outline'"
            :aria-pressed="isWay('carry')"
            @click="way = 'carry'"
            >By yardage</UButton
          >
          <UButton
            color="neutral"
            :variant="isWay('grid') ? 'solid' : 'outline'"
            :aria-pressed="isWay('grid')"
            @click="way = 'grid'"
            >Grid</UButton
          >
          <UButton
            v-if="homework.length > 0"
            color="neutral"
            :variant="isWay('practice') ? 'solid' : 'outline'"
            :aria-pressed="isWay('practice')"
            icon="i-lucide-dumbbell"
            @click="way = 'practice'"
            >Practice</UButton
          >
        </div>
        <LazyPickStage v-if="isWay('pick')" :key="chart.number" :chart="chart" :owner="mark || 'card'" />
        <LazyPracticeOwn
          v-else-if="isWay('practice')"
          v-model:playing="playing"
          :homework="homework"
          :told="view.goes ?? []"
          :chart="chart"
          :unit="unit"
          :mark="mark"
          :takes="view.strength === 'log'"
        />
        <PublishedGrid
          v-else-if="isWay('grid')"
          :chart="chart"
          :unit="unit"
          :pick="view.strength === 'log'"
          :chosen="chosen"
          @choose="(clubId, rungId) => (chosen = `${clubId}/${rungId}`)"
        />
        <ol v-else class="raised divide-y divide-default">
          <li
            v-for="shot in shots"
            :key="`${shot.clubId}/${shot.rungId}`"
            class="flex flex-wrap items-baseline gap-x-4 px-4 py-2"
          >
            <span
              class="w-16 text-3xl leading-none"
              :class="
                shot.kind === 'predicted'
                  ? 'soft italic'
                  : shot.kind === 'written'
                    ? 'font-extrabold underline decoration-2 underline-offset-4'
                    : 'font-extrabold'
              "
              >{{ readFigure(shot, unit) }}</span
            >
            <span class="min-w-0 flex-1 basis-32 text-xl font-bold">{{ stockShotName(shot.club, shot.swing) }}</span>
            <span class="soft text-sm whitespace-nowrap">{{ beside(shot) }}</span>
          </li>
        </ol>
        <p v-if="!isWay('pick') && !isWay('practice')" class="soft mt-2 text-sm">
          {{ legend }}
          Slanted is predicted, underlined is your coach's own number.
        </p>
        <PublishedFromAbove v-if="isWay('grid')" class="mt-3" :chart="chart" />
        <section
          v-if="view.strength === 'log' && !isWay('pick') && !isWay('practice')"
          class="raised mt-5 space-y-3 p-4"
          aria-labelledby="own-title"
        >
          <h2 id="own-title" class="text-xl font-bold">Log your own ball</h2>
          <p v-if="!chosen" class="soft">
            {{ isWay('grid') ? 'Tap the stock shot in the grid above.' : 'Change to the grid and tap the stock shot.' }}
            <UButton v-if="!isWay('grid')" size="sm" color="neutral" variant="outline" @click="way = 'grid'"
              >To the grid</UButton
            >
          </p>
          <form v-else class="flex flex-wrap items-end gap-3" novalidate @submit.prevent="add">
            <UFormField :label="`${chosenName}, ${unit}`" :error="fault || undefined"
              ><UInput v-model="carry" inputmode="decimal" class="w-28"
            /></UFormField>
            <UFormField label="Measured by"><USelect v-model="method" :items="methods" class="w-44" /></UFormField>
            <UButton type="submit">Log it</UButton>
          </form>
          <p v-if="said" role="status">{{ said }}</p>
          <p v-if="!keeps && waiting.length > 0" role="alert" class="font-semibold text-warning">
            This phone keeps nothing (a private window, or no room): stay on this page until it is sent.
          </p>
          <p v-if="waiting.length > 0" class="soft text-sm">
            <UIcon name="i-lucide-cloud-off" /> {{ waiting.length }} kept on this phone{{
              full ? '' : away ? ': no connection, sent by themselves later' : ', on the way'
            }}. <span v-if="full">{{ full }}</span>
            <UButton v-if="away || full" size="sm" color="neutral" variant="outline" @click="sendNow">Send now</UButton>
          </p>
          <ul v-if="refused.length > 0" class="divide-y divide-default">
            <li v-for="ball in refused" :key="ball.seq" class="flex flex-wrap items-center gap-2 py-1">
              <span class="min-w-0 flex-1"><b>{{ carryOf(ball) }}</b> was not taken: {{ ball.refused }}</span>
              <UButton size="sm" color="neutral" variant="outline" @click="discard(ball)">Discard</UButton>
            </li>
          </ul>
          <p v-if="ofOthers > 0" class="soft text-sm">
            <UIcon name="i-lucide-cloud-off" /> {{ ofOthers }} more
            {{ ofOthers === 1 ? 'ball waits' : 'balls wait' }} on this phone for another player's link.
          </p>
        </section>
        <LazyPublishedTellRound
          v-if="view.strength === 'log' && !playing"
          :key="mark"
          :chart="chart"
          :unit="unit"
          :mark="mark"
        />
        <section v-if="view.bags && view.bags.length > 0" class="mt-5 space-y-3" aria-labelledby="bags-title">
          <h2 id="bags-title" class="text-xl font-bold">What if</h2>
          <LazyPublishedHandedBag v-for="bag in view.bags" :key="bag.id" :bag="bag" />
        </section>
        <p class="soft mt-4 text-sm">
          Nobody goes beyond the line while anyone hits. The range's own rules come first.
        </p>
      </template>
      <p v-if="!playing" class="soft mt-8 text-center text-sm">
        <ULink to="/what-is-kept" class="underline">What is kept of me</ULink>
      </p>
    </template>
    <p v-else-if="opened" class="soft py-14 text-center" role="status">There is no chart to show.</p>
    <FrameLinesSkeleton v-else :rows="8" label="The chart is being opened" class="py-6" />
  </div>
</template>
