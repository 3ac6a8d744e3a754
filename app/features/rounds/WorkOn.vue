<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import type { Played } from '#core/rounds/approach'
import { workFor } from '#core/rounds/work'
import { noWorkText, workText } from '#words/rounds'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { pageMemo } from '~/ui/page-memo'

/** Need times weakness: what an hour is worth most on. */
const props = defineProps<{ played: readonly Played[] }>()
const record = usePlayerRecord()
const { unit } = useDistance()
const { cellName } = useCellNames()
const MOST = 5
const work = computed(() => workFor(props.played, record.player?.level ?? 'unknown', pageMemo).slice(0, MOST))
const isTold = computed(() => props.played.some(({ approaches }) => approaches.some(({ offM }) => offM !== undefined)))
</script>

<template>
  <section aria-labelledby="work-title">
    <h2 id="work-title" class="text-xl font-bold">What to work on</h2>
    <ol v-if="work.length > 0" class="raised mt-2 divide-y divide-default">
      <li v-for="(one, i) in work" :key="cellKey(one)" class="flex gap-4 px-4 py-2.5">
        <span class="soft text-xl font-extrabold">{{ i + 1 }}</span>
        <span class="min-w-0 flex-1 leading-snug"
          ><b class="block text-lg">{{ cellName(one) }}</b>{{ workText(one, unit).why }}
          <span class="soft">{{ workText(one, unit).worth }}</span></span
        >
      </li>
    </ol>
    <p v-else class="soft mt-1">{{ noWorkText(isTold) }}</p>
    <UButton
      v-if="work.length > 0"
      class="mt-3"
      variant="outline"
      icon="i-lucide-dumbbell"
      :to="`/players/${record.playerId}/practice`"
      >To the practice plan</UButton
    >
  </section>
</template>
