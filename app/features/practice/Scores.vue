<script setup lang="ts">
import type { GoRecord } from '#shared/schemas/practice'
import { goSeries } from '#shared/practice-series'
import { drillTexts, historyLines, scoreText, valueText } from '#words/practice'
import { usePracticeNames } from '~/features/practice/usePracticeNames'
import { usePractice } from '~/offline/stores/practice'
import { shortDate } from '~/ui/dates'
import { pageMemo } from '~/ui/page-memo'

/** Every drill's scores over time: first, best, last, the band of luck, and whether it is really better. */
defineProps<{ playerId: string }>()
const practice = usePractice()
const names = usePracticeNames()
/** A name of its own; that of its drill is none. */
const ownName = (go: GoRecord) => (go.name === drillTexts(go.spec.drill).title ? '' : go.name)
interface Row {
  key: string
  title: string
  goes: { go: GoRecord; value: number; text: string }[]
  figures: string
  lines: string[]
}
const rows = computed((): Row[] => {
  return goSeries(practice.done, ownName, pageMemo).map(({ key, goes: oldest, history }): Row => {
    const { go } = oldest.at(-1)!
    const value = (one: number) => valueText(go.spec, one, names.value)
    return {
      key,
      title: go.name || drillTexts(go.spec.drill).title,
      goes: oldest.map(one => ({
        go: one.go,
        value: one.score.value,
        text: scoreText(one.go.spec, one.score, names.value),
      })),
      figures:
        history.goes < 2
          ? ''
          : `First ${value(history.first)}, best ${value(history.best)}, last ${value(history.last)}.`,
      lines: historyLines(go.spec, history, names.value),
    }
  })
})
const WIDTH = 160
const HEIGHT = 36
/** Better is up, whichever way the score goes. */
function dots({ goes }: Row) {
  const values = goes.map(({ value }) => value)
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const up = goes[0]!.go.spec.score === 'balls' || goes[0]!.go.spec.score === 'error' ? -1 : 1
  return values.map((value, i) => ({
    x: 6 + (values.length === 1 ? 0.5 : i / (values.length - 1)) * (WIDTH - 12),
    y: HEIGHT / 2 - up * (most === least ? 0 : (value - (least + most) / 2) / (most - least)) * (HEIGHT - 12),
  }))
}
const path = (row: Row) =>
  dots(row)
    .map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`)
    .join('')
const SHOWN = 4
const opened = ref('')
</script>

<template>
  <section aria-labelledby="scores-title">
    <div class="flex flex-wrap items-center gap-3">
      <h2 id="scores-title" class="flex-1 text-xl font-bold">Scores</h2>
      <UButton
        v-if="rows.length > 0"
        color="neutral"
        variant="outline"
        size="sm"
        icon="i-lucide-download"
        :to="`/api/players/${playerId}/scores.csv`"
        external
        >CSV</UButton
      >
    </div>
    <p v-if="rows.length === 0" class="soft mt-2">
      No go has ended yet. The first one is what the next ones are held against.
    </p>
    <ul v-else class="mt-2 space-y-3">
      <li v-for="row in rows" :key="row.key" class="raised px-4 py-2.5">
        <div class="flex items-center gap-3">
          <span class="min-w-0 flex-1 leading-tight"
            ><b class="block">{{ row.title }}</b> <span class="text-lg">{{ row.goes.at(-1)!.text }}</span></span
          >
          <svg
            v-if="row.goes.length > 1"
            :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
            class="h-9 w-40 shrink-0"
            role="img"
            :aria-label="`${row.goes.length} goes, better is up; each stands in the list.`"
          >
            <path :d="path(row)" fill="none" stroke="var(--soft-ink)" />
            <circle
              v-for="(dot, i) in dots(row)"
              :key="i"
              :cx="dot.x"
              :cy="dot.y"
              :r="i === row.goes.length - 1 ? 4.5 : 3"
              :fill="i === row.goes.length - 1 ? 'var(--ui-primary)' : 'var(--ink)'"
            />
          </svg>
        </div>
        <p v-if="row.figures" class="soft text-sm">{{ row.figures }}</p>
        <p v-for="line in row.lines" :key="line" class="text-sm">{{ line }}</p>
        <ol class="mt-1 flex flex-wrap gap-x-4 text-sm">
          <li v-for="one in (opened === row.key ? row.goes : row.goes.slice(-SHOWN)).toReversed()" :key="one.go.id">
            <NuxtLink
              :to="`/players/${playerId}/practice/${one.go.id}`"
              class="inline-flex min-h-11 items-center underline"
              :aria-label="`${row.title} of ${shortDate(one.go.startedAtMs)}: ${one.text}`"
              >{{ shortDate(one.go.startedAtMs) }}: {{ one.text }}</NuxtLink
            >
          </li>
        </ol>
        <UButton
          v-if="row.goes.length > SHOWN"
          color="neutral"
          variant="link"
          :aria-expanded="opened === row.key"
          @click="opened = opened === row.key ? '' : row.key"
          >{{ opened === row.key ? 'Fewer' : `All ${row.goes.length}` }}</UButton
        >
      </li>
    </ul>
  </section>
</template>
