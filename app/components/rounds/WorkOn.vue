<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { ballSdM } from '#core/chart/chart-cell'
import { newMemo } from '#core/memo'
import { SPREAD_OF_LEVEL } from '#core/model/constants'
import { usualScatterM } from '#core/model/usual-scatter'
import { COURSE_SCATTER } from '#core/pick/strokes'
import type { Played } from '#core/rounds/approach'
import { courseShift } from '#core/rounds/cost'
import { courseScatter } from '#core/rounds/course-scatter'
import { workFor } from '#core/rounds/work'
import { courseScatterFoundText, noWorkText, shiftText, workText } from '#words/rounds'
import { useDistance } from '~/composables/useDistance'
import { useCellNames, useNumbers } from '~/composables/useNumbers'
import { useThresholds } from '~/composables/useThresholds'
import { usePlayerRecord } from '~/stores/record'

/** Need times weakness: what an hour is worth most on, and whether the course plays as the range does. */
const props = defineProps<{ played: readonly Played[] }>()
const record = usePlayerRecord()
const { changeThresholds } = useThresholds()
const { unit } = useDistance()
const { cellName } = useCellNames()
const { chart } = useNumbers()
const toast = useToast()
const memo = newMemo()
const MOST = 5
const work = computed(() => workFor(props.played, record.player?.level ?? 'unknown', memo).slice(0, MOST))
const isTold = computed(() => props.played.some(({ approaches }) => approaches.some(({ offM }) => offM !== undefined)))
/** The player's own course scatter, and what Pick goes by until another is taken. */
const scatter = computed(() => {
  const cells = new Map(chart.value.map(cell => [cellKey(cell), cell]))
  return courseScatter(props.played, ({ clubId, rungId, distanceM }) => {
    const cell = clubId && rungId ? cells.get(cellKey({ clubId, rungId })) : undefined
    const usual = usualScatterM(SPREAD_OF_LEVEL[record.player?.level ?? 'unknown'], distanceM)
    return (cell && ballSdM(cell)) ?? usual
  })
})
const taken = computed(() => record.player?.thresholds.pick?.courseScatter ?? COURSE_SCATTER)
const found = computed(() => (scatter.value ? Number(scatter.value.times.toFixed(1)) : null))
async function take() {
  const { pick } = record.player!.thresholds
  const put = (times: number | undefined) =>
    changeThresholds({ pick: { habit: 'club', rules: [], ...pick, courseScatter: times } })
  try {
    await put(found.value!)
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
    return
  }
  toast.add({
    title: 'Kept: it goes with the next chart you publish',
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () =>
          void put(pick?.courseScatter).catch((error: Error) => toast.add({ title: error.message, color: 'error' })),
      },
    ],
  })
}
const shift = computed(() => courseShift(props.played))
</script>

<template>
  <section aria-labelledby="work-title">
    <h2 id="work-title" class="text-xl font-bold">What to work on</h2>
    <ol v-if="work.length > 0" class="raised mt-2 divide-y divide-default">
      <li v-for="(one, i) in work" :key="cellKey(one)" class="flex gap-4 px-4 py-2.5">
        <span class="soft text-xl font-extrabold">{{ i + 1 }}</span>
        <span class="min-w-0 flex-1 leading-snug"
          ><b class="block text-lg">{{ cellName(one) }}</b
          >{{ workText(one, unit).why }} <span class="soft">{{ workText(one, unit).worth }}</span></span
        >
      </li>
    </ol>
    <p v-else class="soft mt-1">{{ noWorkText(isTold) }}</p>
    <p v-if="isTold" class="mt-3" :class="shift ? 'font-semibold' : 'soft'">{{ shiftText(shift, unit) }}</p>
    <p v-if="scatter" class="mt-2 flex flex-wrap items-center gap-3">
      <span class="min-w-0 flex-1 basis-64">{{ courseScatterFoundText(scatter) }}</span>
      <span v-if="found === taken" class="soft text-sm">Pick goes by it.</span>
      <UButton v-else color="neutral" variant="outline" @click="take">Use {{ found }} in Pick</UButton>
    </p>
    <UButton
      v-if="work.length > 0"
      class="mt-3"
      variant="outline"
      icon="i-lucide-dumbbell"
      :to="`/players/${record.playerId}/practice`"
      >To the plan of practice</UButton
    >
  </section>
</template>
