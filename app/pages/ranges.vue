<script setup lang="ts">
import type { RangeLandings } from '#shared/range'
import type { RangeRecord } from '#shared/schemas/range'
import { api } from '~/offline/api'
import { shortDate } from '~/ui/dates'
import { useDistance } from '~/ui/useDistance'
import { useRanges } from '~/player/ranges/useRanges'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'
import RangesRangeDialog from '~/features/ranges/RangeDialog.vue'
import RangesRangePlan from '~/features/ranges/RangePlan.vue'
import RangesTargetTable from '~/features/ranges/TargetTable.vue'

useHead({ title: 'Ranges' })
const { all, failure, load } = useRanges()
const opened = shallowRef<{ range?: RangeRecord }>()
const sorted = computed(() =>
  [...all.value].sort((a, b) => Number(a.archived) - Number(b.archived) || a.name.localeCompare(b.name)),
)
const chosenId = ref<string>()
const chosen = computed(() => sorted.value.find(({ id }) => id === chosenId.value) ?? sorted.value[0])
onMounted(load)

/** Balls that pitched there, of one session or of all that are drawn. */
const NO_BALLS = 'none'
const ALL_BALLS = 'all'
const shown = ref(ALL_BALLS)
/** Nothing while they are on their way. */
const landings = shallowRef<RangeLandings[]>()
const landingsFailure = ref('')
watch(
  () => chosen.value?.id,
  async rangeId => {
    landings.value = undefined
    landingsFailure.value = ''
    shown.value = ALL_BALLS
    if (!rangeId) return
    try {
      const found = await api('/api/ranges/:rangeId/landings', { params: { rangeId } })
      if (chosen.value?.id === rangeId) landings.value = found
    } catch (error) {
      landingsFailure.value = (error as Error).message
    }
  },
  { immediate: true },
)
const sessions = computed(() => landings.value ?? [])
const balls = computed(() =>
  sessions.value
    .filter(({ sessionId }) => shown.value === ALL_BALLS || shown.value === sessionId)
    .flatMap(session => session.balls),
)
const choices = computed(() => [
  {
    value: ALL_BALLS,
    label: `The last ${sessions.value.length === 1 ? 'session' : `${sessions.value.length} sessions`}`,
  },
  ...(sessions.value.length > 1
    ? sessions.value.map(({ sessionId, player, startedAtMs, balls: { length } }) => ({
        value: sessionId,
        label: `${player}, ${shortDate(startedAtMs)}, ${length} ${length === 1 ? 'ball' : 'balls'}`,
      }))
    : []),
  { value: NO_BALLS, label: 'No balls' },
])
const { unit } = useDistance()
const QUARTERS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west']
const quarterOf = (deg: number) => QUARTERS[Math.round(deg / 45) % 8]!
const factsOf = ({ targets, firmness, bearingDeg }: RangeRecord) =>
  [
    `${targets.length} ${targets.length === 1 ? 'target' : 'targets'}`,
    `${firmness} ground`,
    ...(bearingDeg === null ? [] : [`looks ${quarterOf(bearingDeg)}`]),
  ].join(', ')
</script>

<template>
  <main class="mx-auto w-full max-w-[1100px] px-4 py-6">
    <div class="flex flex-wrap items-center gap-4">
      <h1 class="flex-1 text-[1.75rem] leading-tight font-bold">Ranges</h1>
      <UButton color="neutral" variant="outline" icon="i-lucide-plus" @click="opened = {}">Add a range</UButton>
    </div>
    <p class="soft">Signs and targets, lasered once from the bay; guesses and called shots are read against them.</p>
    <p v-if="failure" role="status" class="mt-3 flex flex-wrap items-center gap-3 text-warning">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <FrameEmptyStep
      v-if="!chosen"
      class="mt-6"
      icon="i-lucide-signpost"
      words="No range yet."
      help="Add the one you teach at: its signs, how far each really is, which way it looks."
      action="Add a range"
      @act="opened = {}"
    />
    <template v-else>
      <ul v-if="sorted.length > 1" class="mt-4 flex flex-wrap gap-2" aria-label="Ranges">
        <li v-for="range in sorted" :key="range.id">
          <button
            type="button"
            class="raised min-h-11 cursor-pointer px-4 font-semibold hover:bg-elevated"
            :class="{ 'border-(--ink)! font-bold': range.id === chosen.id, 'soft': range.archived }"
            :aria-pressed="range.id === chosen.id"
            @click="chosenId = range.id"
          >
            {{ range.name }}<template v-if="range.archived">, archived</template>
          </button>
        </li>
      </ul>
      <section
        class="mt-5 grid items-start gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,1fr)_min(24rem,50%)]"
        :aria-label="chosen.name"
      >
        <div class="raised px-2 py-3">
          <RangesRangePlan
            class="mx-auto max-w-[500px]"
            :name="chosen.name"
            :targets="chosen.targets"
            :bearing-deg="chosen.bearingDeg"
            :balls="balls"
          />
        </div>
        <div>
          <div class="flex items-start gap-3">
            <div class="min-w-0 flex-1">
              <h2 class="text-xl font-bold">{{ chosen.name }}</h2>
              <p class="soft">{{ factsOf(chosen) }}</p>
            </div>
            <UButton icon="i-lucide-pencil" @click="opened = { range: chosen }">Change</UButton>
          </div>
          <RangesTargetTable class="mt-4" :targets="chosen.targets" />
          <div class="mt-5">
            <p v-if="landingsFailure" class="soft" role="status">
              Its balls could not be fetched: {{ landingsFailure }}
            </p>
            <template v-else-if="sessions.length > 0">
              <p class="mb-1 font-semibold">Balls that pitched here</p>
              <FramePlainSelect v-model="shown" :items="choices" label="Balls that pitched here" />
              <p class="soft mt-1 text-sm">
                {{ balls.length }} {{ balls.length === 1 ? 'ball' : 'balls' }} whose side was measured, carries in
                {{ unit }}.
              </p>
            </template>
            <p v-else-if="landings" class="soft text-sm">
              Balls are drawn here once a session on this range measures their side too.
            </p>
          </div>
        </div>
      </section>
    </template>
    <RangesRangeDialog
      v-if="opened"
      :key="opened.range?.id ?? 'new'"
      :open="true"
      :range="opened.range"
      @update:open="opened = undefined"
      @saved="range => (chosenId = range.id)"
    />
  </main>
</template>
