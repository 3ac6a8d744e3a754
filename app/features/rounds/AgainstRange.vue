<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { ballSdM } from '#core/chart/chart-cell'
import { SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '#core/model/constants'
import { usualScatterM } from '#core/model/usual-scatter'
import { COURSE_SCATTER } from '#core/pick/strokes'
import { strokesAgainst, windowsHeld, type ShotOf } from '#core/rounds/against-range'
import type { Played } from '#core/rounds/approach'
import { courseShift } from '#core/rounds/cost'
import { courseScatter } from '#core/rounds/course-scatter'
import { Z_80 } from '#core/stats/quantiles'
import { courseScatterFoundText, shiftText, strokesTexts, windowsText } from '#words/rounds'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'
import { useThresholds } from '~/player/useThresholds'
import { usePlayerRecord } from '~/offline/stores/record'
import { pageMemo } from '~/ui/page-memo'

/** Whether the course plays as the range does: how far, how wide, and what that costs. */
const props = defineProps<{ played: readonly Played[] }>()
const record = usePlayerRecord()
const { changeThresholds } = useThresholds()
const { unit } = useDistance()
const { readChart } = useNumbers()
const toast = useToast()
const level = computed(() => record.player?.level ?? 'unknown')

const cells = computed(() => new Map(readChart.value.map(cell => [cellKey(cell), cell])))
const shotOf: ShotOf = ({ clubId, rungId }) => {
  const cell = clubId && rungId ? cells.value.get(cellKey({ clubId, rungId })) : undefined
  if (!cell || cell.carryM === null || !cell.window80M) return null
  const { carryM, window80M, sideWindow80M } = cell
  const longSdM = ballSdM(cell) ?? usualScatterM(SPREAD_OF_LEVEL[level.value], carryM)
  const sideSdM = sideWindow80M ? (sideWindow80M[1] - sideWindow80M[0]) / 2 / Z_80 : SIDE_OF_LEVEL[level.value] * carryM
  return { carryM, window80M, longSdM, sideSdM }
}
const shift = computed(() => courseShift(props.played))
const taken = computed(() => record.player?.thresholds.pick?.courseScatter ?? COURSE_SCATTER)
const windows = computed(() => windowsHeld(props.played, shotOf, taken.value))
const strokes = computed(() => strokesAgainst(props.played, shotOf, level.value, pageMemo))
/** The player's own course scatter, and what Pick goes by until another is taken. */
const scatter = computed(() =>
  courseScatter(props.played, approach => {
    const usual = usualScatterM(SPREAD_OF_LEVEL[level.value], approach.distanceM)
    return shotOf(approach)?.longSdM ?? usual
  }),
)
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
</script>

<template>
  <section aria-labelledby="against-title">
    <h2 id="against-title" class="text-xl font-bold">The course against the range</h2>
    <p class="mt-1" :class="shift ? 'font-semibold' : 'soft'">{{ shiftText(shift, unit) }}</p>
    <p v-if="windows" class="mt-2" :class="windows.way && 'font-semibold'">{{ windowsText(windows, taken) }}</p>
    <p v-if="scatter" class="mt-2 flex flex-wrap items-center gap-3">
      <span class="min-w-0 flex-1 basis-64">{{ courseScatterFoundText(scatter) }}</span>
      <span v-if="found === taken" class="soft text-sm">Pick goes by it.</span>
      <UButton v-else color="neutral" variant="outline" @click="take">Use {{ found }} in Pick</UButton>
    </p>
    <template v-if="strokes">
      <p v-for="line in strokesTexts(strokes)" :key="line" class="mt-2">{{ line }}</p>
    </template>
  </section>
</template>
