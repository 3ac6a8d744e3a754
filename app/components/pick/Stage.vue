<script setup lang="ts">
import type { PublishedChart } from '#core/history/published'
import type { Picked, PickedShot } from '#core/pick/pick'
import { COURSE_SCATTER } from '#core/pick/strokes'
import { stockShotName } from '#words/stock-shot'
import { courseScatterText, lieText, nearerText, unservedText, wayText, whyText } from '#words/pick'
import { dayText } from '#words/dates'
import { usePick } from '~/composables/pick/usePick'
import { useDistance } from '~/composables/useDistance'
import PickAround from '~/components/pick/Around.vue'
import PickCandidate from '~/components/pick/Candidate.vue'
import PickKept from '~/components/pick/Kept.vue'
import PickLayUp from '~/components/pick/LayUp.vue'
import PickPlan from '~/components/pick/Plan.vue'
import PickSideView from '~/components/pick/SideView.vue'
import PickStrip from '~/components/pick/Strip.vue'
import PickTarget from '~/components/pick/Target.vue'
import PickToday from '~/components/pick/Today.vue'
import { serverNowMs } from '~/utils/server-clock'

/** What to hit: the distance in, the shot out, with what its bad ball costs. From a published chart alone. */
const props = defineProps<{ chart: PublishedChart; owner: string }>()
const { unit, from } = useDistance()
const chart = computed(() => props.chart)
const desk = usePick(chart, unit, props.owner)
const { setting, typed, at, picked: found, opened, strip, complete, failure } = desk
// While the same distance is worked out anew its last answer stays, faint; another distance never shows it.
const last = shallowRef<{ at: number; picked: Picked }>()
watch([found, at], () => {
  if (found.value && at.value !== null) last.value = { at: at.value, picked: found.value }
})
const picked = computed(() => found.value ?? (last.value?.at === at.value ? (last.value?.picked ?? null) : null))
const isOld = computed(() => found.value === null)
const targetM = computed(() => (at.value === null ? null : from(at.value)))
const picks = computed(() => picked.value?.picks ?? [])
const first = computed(() => picks.value[0])
const landM = computed(() => {
  const one = first.value
  return one && targetM.value !== null && !picked.value!.unserved ? targetM.value - one.runM : null
})
const USUAL_MIDDLE = 80
const middle = computed(() => {
  const range = opened.value?.range
  return range ? Math.round((range.from + range.to) / 2) : USUAL_MIDDLE
})
const chosenKey = ref('')
const keyOf = ({ clubId, rungId }: { clubId: string; rungId: string }) => `${clubId}/${rungId}`
const chosen = computed(() => picks.value.find(one => keyOf(one) === chosenKey.value) ?? first.value)
watch(at, () => {
  chosenKey.value = ''
})
// The named shot comes within a frame of the last digit; what is drawn beside it follows in the next one.
const drawn = shallowRef<{ picks: PickedShot[]; chosen?: PickedShot; targetM: number | null; at: number | null }>({
  picks: [],
  targetM: null,
  at: null,
})
watch(
  [picks, chosen, at],
  () =>
    requestAnimationFrame(() => {
      drawn.value = { picks: picks.value, chosen: chosen.value, targetM: targetM.value, at: at.value }
    }),
  { immediate: import.meta.client },
)
const listed = computed(() => (first.value ? [first.value, ...drawn.value.picks.slice(1)] : []))
const other = computed(() => drawn.value.picks.find(one => one !== drawn.value.chosen))
const path = computed(() => {
  const key = drawn.value.chosen && keyOf(drawn.value.chosen)
  return opened.value?.paths.find(one => keyOf(one) === key)?.path
})
const names = computed(
  () => new Map(props.chart.cells.map(cell => [keyOf(cell), stockShotName(cell.club, cell.swing)])),
)
const trouble = computed(() => setting.value.trouble)
const unserved = computed(() => (picked.value ? unservedText(picked.value, unit.value) : ''))
const why = computed(() => (picked.value ? whyText(picked.value, unit.value) : ''))
const nearer = computed(() => {
  const place = picked.value?.nearerBadBall
  const one = place == null ? undefined : picks.value[place]
  return one && first.value ? nearerText(first.value, one, unit.value) : ''
})
const lie = computed(() => lieText(setting.value.lie, props.chart.flyerShare))
const scatter = computed(() => courseScatterText(props.chart.pick?.courseScatter ?? COURSE_SCATTER))
const due = computed(() =>
  props.chart.retestDueMs !== undefined && props.chart.retestDueMs < serverNowMs()
    ? `Its numbers were due for a test on ${dayText(props.chart.retestDueMs)}.`
    : '',
)
const MINUTE_MS = 60_000
const now = useNow({ interval: MINUTE_MS })
/** "wind 40 min old". */
const day = computed(() => {
  const { air, airAtMs, slopeM } = setting.value
  const still = desk.home.value && !setting.value.neutral ? 'usual air of the home course' : 'neutral air'
  if (!air) return slopeM === 0 ? still : `${still}, on a slope`
  const minutes = Math.max(0, Math.round((now.value.getTime() - (airAtMs ?? 0)) / MINUTE_MS))
  if (minutes < 2) return 'air just entered'
  return minutes < 120 ? `air ${minutes} min old` : `air ${Math.round(minutes / 60)} h old: enter it again`
})
const sheet = ref<'today' | 'around' | 'layUp'>()
const sheetBox = useTemplateRef('sheetBox')
/** Opened, it comes into view: on a phone it lies below the answer. */
async function show(which: NonNullable<typeof sheet.value>) {
  sheet.value = sheet.value === which ? undefined : which
  await nextTick()
  sheetBox.value?.scrollIntoView({ block: 'nearest' })
}
const grounded = computed(() => opened.value?.grounded.map(one => stockShotName(one.club, one.swing)).join(', ') ?? '')
const tabs = [
  { value: 'around', label: 'Around the flag' },
  { value: 'today', label: 'Today' },
  { value: 'layUp', label: 'Lay up' },
] as const
</script>

<template>
  <div class="max-lg:pb-64">
    <p v-if="failure" role="alert" class="raised mb-3 flex flex-wrap items-center gap-3 p-3 font-semibold text-error">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="desk.again()">Try again</UButton>
    </p>
    <div class="grid grid-cols-1 gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
      <div class="flex flex-col gap-4 lg:row-span-2">
        <PickTarget
          v-model="typed"
          v-model:to="setting.to"
          :first="first ?? null"
          :land-m="landM"
          :day="day"
          :flag-at="at"
          :middle="middle"
          @today="show('today')"
        />
        <PickPlan
          v-if="drawn.chosen && drawn.targetM !== null"
          class="max-lg:hidden"
          :target-m="drawn.targetM"
          :pick="drawn.chosen"
          :other="other"
          :green="setting.green"
          :trouble="trouble"
        />
      </div>
      <section aria-label="What to hit" class="min-w-0" :aria-busy="at !== null && isOld">
        <p v-if="at === null" class="raised p-5 text-lg">
          <b>How far is it?</b> <span class="soft">Type the distance to the flag; the shot stands here.</span>
        </p>
        <div v-else-if="picked" class="raised divide-y divide-default" :class="isOld && 'opacity-60'">
          <p v-if="unserved" class="border-l-4 border-l-(--weak-fill) px-4 py-2 font-semibold">{{ unserved }}</p>
          <PickCandidate
            v-for="(one, i) in listed"
            :key="i"
            :pick="one"
            :target-m="targetM!"
            :trouble="trouble"
            :first="i === 0"
            :tie="picked.ties > 1 && i < picked.ties && i > 0"
            :way="wayText(picked, i)"
            :nearer-bad-ball="picked.nearerBadBall === i"
            :chosen="chosen === one"
            @choose="chosenKey = keyOf(one)"
          />
          <p class="px-4 py-2 text-sm">
            <b>{{ why }}</b> {{ nearer }}
          </p>
        </div>
        <div v-else class="raised h-72 p-5" role="status"><span class="soft">Working it out…</span></div>
        <p v-if="lie" class="mt-2 flex gap-2 text-sm">
          <UIcon name="i-lucide-circle-alert" class="mt-0.5 shrink-0 text-(--weak)" /> {{ lie }}
        </p>
        <p v-if="grounded" class="mt-2 text-sm">No flight of {{ grounded }} gets anywhere in this air: left aside.</p>
      </section>
      <section class="min-w-0" aria-label="The hole and the day">
        <div class="flex flex-wrap gap-2">
          <UButton
            v-for="tab in tabs"
            :key="tab.value"
            color="neutral"
            :variant="sheet === tab.value ? 'solid' : 'outline'"
            :aria-expanded="sheet === tab.value"
            @click="show(tab.value)"
            >{{ tab.label }}</UButton
          >
        </div>
        <div v-if="sheet" ref="sheetBox" class="raised mt-2 scroll-mb-64 scroll-mt-20 p-3">
          <PickAround v-if="sheet === 'around'" v-model="setting" />
          <PickToday v-else-if="sheet === 'today'" v-model="setting" :home="desk.home.value" />
          <PickLayUp v-else :desk="desk" :spread-known="opened?.spreadKnown ?? true" />
        </div>
        <p v-else class="soft mt-2 text-sm">{{ scatter }} {{ due }}</p>
        <PickKept class="mt-3" :owner="owner" :pick="chosen ?? null" :target-m="targetM" />
      </section>
      <div v-if="drawn.chosen && drawn.targetM !== null" class="space-y-4 lg:hidden">
        <PickPlan
          :target-m="drawn.targetM"
          :pick="drawn.chosen"
          :other="other"
          :green="setting.green"
          :trouble="trouble"
        />
      </div>
      <PickStrip
        v-if="opened?.range"
        class="lg:col-span-2"
        :stretches="strip"
        :range="opened.range"
        :at="drawn.at"
        :names="names"
        :complete="complete"
        @go="desk.toFlag"
      />
      <PickSideView
        v-if="path && drawn.chosen && drawn.targetM !== null"
        class="lg:col-start-1"
        :path="path"
        :pitch-m="drawn.chosen.pitchM"
        :target-m="drawn.targetM"
        :over="setting.over"
        :under="setting.under"
        :name="stockShotName(drawn.chosen.club, drawn.chosen.swing)"
      />
      <slot />
    </div>
  </div>
</template>
