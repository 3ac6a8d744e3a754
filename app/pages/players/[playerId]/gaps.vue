<script setup lang="ts">
import { FLAG_RULES } from '#core/gaps/flags'

const { playerId } = usePlayerRoute()
const { chart, ladder, findings, said } = useNumbers()
const { withUnit } = useDistance()
const asTable = ref(false)

// A grid that interleaves has many pairs, and nobody reads forty cards.
const FIRST = 6
const all = ref(false)
const shown = computed(() => all.value ? said.value : said.value.slice(0, FIRST))

const line = computed(() => {
  const [first, last] = [ladder.value[0], ladder.value.at(-1)]
  if (!first || !last) return 'No stock shot has a number yet.'
  const predicted = ladder.value.some(step => step.predicted)
  return `${ladder.value.length} stock shots from ${withUnit(first.carryM)} to ${withUnit(last.carryM)}. A bar is where 8 clean balls in 10 land; the fuller the mark, the longer the swing.${predicted ? ' A ring is predicted: no ball yet.' : ''}`
})

/** What the numbers read like, with too few balls to say so: counted, not listed. */
const open = computed(() => FLAG_RULES.flatMap(({ meta }) => {
  const n = findings.value.filter(finding => finding.flag === meta.id && finding.sureness === 'open').length
  return n === 0 ? [] : [`${n} ${n === 1 ? meta.open.one : meta.open.many}`]
}))
</script>

<template>
  <FrameStagePage title="Gaps" :line="line">
    <template #actions>
      <UButton v-if="ladder.length > 1" color="neutral" variant="outline" :icon="asTable ? 'i-lucide-chart-no-axes-gantt' : 'i-lucide-table'" :aria-pressed="asTable" @click="asTable = !asTable">
        {{ asTable ? 'As lanes' : 'As a table' }}
      </UButton>
    </template>
    <FrameNumbersGate>
      <FrameEmptyStep
        v-if="ladder.length < 2" icon="i-lucide-ruler" :words="ladder.length === 0 ? 'Gaps need numbers.' : 'One stock shot has no gaps.'"
        :help="ladder.length === 0 ? 'Hit a few balls, and the steps between all stock shots stand here.' : 'Put a second club or swing length into the bag.'"
        :action="ladder.length === 0 ? 'To the range' : 'To the bag'" :to="`/players/${playerId}/${ladder.length === 0 ? 'session' : 'bag'}`"
      />
      <div v-else class="space-y-6">
        <GapsLanesTable v-if="asTable" :ladder="ladder" :chart="chart" />
        <LazyGapsLanesChart v-else :chart="chart" :findings="said" />
        <section aria-labelledby="flags-title">
          <h2 id="flags-title" class="text-xl font-bold">{{ said.length === 0 ? 'No flags' : `${said.length} ${said.length === 1 ? 'flag' : 'flags'}` }}</h2>
          <p class="soft mb-2">However often one looks, at most 1 chart in 20 ever shows a sure flag of a kind that is false.</p>
          <div v-if="said.length > 0" class="grid grid-cols-1 gap-3 lg:grid-cols-2">
            <GapsFlagCard v-for="(finding, i) in shown" :key="i" :finding="finding" />
          </div>
          <UButton v-if="said.length > FIRST" color="neutral" variant="outline" class="mt-3" :aria-expanded="all" @click="all = !all">{{ all ? 'Show fewer' : `Show all ${said.length} flags` }}</UButton>
          <p v-if="said.length === 0" class="raised flex items-center gap-2 p-4"><UIcon name="i-lucide-check" class="size-5 text-success" /> Nothing can be called too wide, too close or loose, as far as it is measured.</p>
          <p v-if="open.length > 0" class="raised mt-3 flex items-start gap-2 px-4 py-3">
            <UIcon name="i-lucide-circle-dashed" class="soft mt-1 shrink-0" />
            <span>Not enough balls to tell: {{ open.join(', ') }}. <NuxtLink :to="`/players/${playerId}/session`" class="underline">More balls</NuxtLink> decide it.</span>
          </p>
        </section>
        <div class="grid grid-cols-1 items-start gap-6 lg:grid-cols-2">
          <section aria-labelledby="ladder-title">
            <h2 id="ladder-title" class="mb-2 text-xl font-bold">The ladder</h2>
            <GapsLadderStrip :ladder="ladder" :findings="said" />
          </section>
          <GapsThresholds />
        </div>
      </div>
    </FrameNumbersGate>
  </FrameStagePage>
</template>
