<script setup lang="ts">
import { cellKey, clubsInUse, rungsInUse } from '#core/bag/bag'
import { nearestBelieved } from '#core/history/coach-remarks'
import { beliefCostText, missAsRead } from '#words/believed'
import { rungName } from '#core/swing/scale'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import ChartBeliefCell from '~/features/chart/BeliefCell.vue'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import GridClubSwingGrid from '~/ui/grid/ClubSwingGrid.vue'

/** What the player believes, taken before the first ball and kept for ever, against what the balls said. */
const { playerId, record } = usePlayerRoute()
const { doubt, text, believed, unit } = useDistance()
const { chart } = useNumbers()
const { cellName } = useCellNames()
const { remarksOf } = useCellRemarks()
const clubs = computed(() => clubsInUse(record.bag))
const rungs = computed(() => [...rungsInUse(record.bag)].reverse())
/** Worst first: what the belief costs on the course. */
const compared = computed(() =>
  chart.value
    .flatMap(cell => {
      const first = remarksOf(cell).believedFirst
      if (!first || cell.balls === 0 || cell.carryM === null) return []
      return [
        {
          cell,
          first,
          nearM: nearestBelieved(first, cell.carryM),
          offM: cell.carryM - nearestBelieved(first, cell.carryM),
          sureM: cell.certainty80M ? (cell.certainty80M[1] - cell.certainty80M[0]) / 2 : 0,
        },
      ]
    })
    .sort((a, b) => Math.abs(b.offM) - Math.abs(a.offM)),
)
/** Yards or metres, whichever are read. */
const NEAR = 3
const within = computed(
  () =>
    compared.value.filter(({ nearM, cell }) => Math.abs(missAsRead(nearM, cell.carryM!, unit.value)) <= NEAR).length,
)
</script>

<template>
  <FrameStagePage
    title="Believed and measured"
    line="Ask before the first ball: what does the player think each one carries?"
  >
    <template #actions
      ><UButton :to="`/players/${playerId}/chart`" color="neutral" variant="outline" icon="i-lucide-arrow-left"
        >Carry chart</UButton
      ></template
    >
    <FrameEmptyStep
      v-if="clubs.length === 0 || rungs.length === 0"
      icon="i-lucide-backpack"
      words="There is no bag yet."
      help="Clubs and swing lengths first; then what the player believes of them."
      action="To the bag"
      :to="`/players/${playerId}/bag`"
    />
    <template v-else>
      <section v-if="compared.length > 0" class="mb-8" aria-labelledby="cost-title">
        <h2 id="cost-title" class="mb-2 text-xl font-bold">
          {{ within }} of {{ compared.length }} beliefs are within {{ NEAR }} {{ unit }}
        </h2>
        <div class="overflow-x-auto">
          <table class="w-full border-collapse text-left">
            <caption class="sr-only">
              Believed against measured, the dearest first
            </caption>
            <thead>
              <tr class="soft border-b border-default text-sm">
                <th class="py-1 pr-3 font-normal">Stock shot</th>
                <th class="pr-3 text-right font-normal">Believed, {{ unit }}</th>
                <th class="pr-6 text-right font-normal">Measured, {{ unit }}</th>
                <th class="font-normal">What it costs</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="{ cell, first, nearM, offM, sureM } in compared"
                :key="cellKey(cell)"
                class="border-b border-default"
              >
                <th scope="row" class="py-1.5 pr-3 font-bold">{{ cellName(cell) }}</th>
                <td class="pr-3 text-right">{{ believed(first) }}</td>
                <td class="pr-6 text-right font-bold whitespace-nowrap">
                  {{ text(cell.carryM!) }} <span class="soft font-normal">± {{ doubt(sureM) }}</span>
                </td>
                <td>
                  {{ beliefCostText(nearM, cell.carryM!, unit)
                  }}<span
                    v-if="Math.abs(offM) <= sureM && beliefCostText(nearM, cell.carryM!, unit) !== 'right'"
                    class="soft"
                    >, which may be chance</span
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section aria-labelledby="ask-title">
        <h2 id="ask-title" class="mb-1 text-xl font-bold">What the player believes, {{ unit }}</h2>
        <p class="soft mb-2">
          The first answer is kept for ever; a later one stands beside it. It never feeds the numbers.
        </p>
        <GridClubSwingGrid
          class="pb-1"
          :clubs="clubs"
          :swings="rungs"
          caption="What the player believes: swing lengths down, clubs across"
          club-class="px-1.5 pb-1 text-left text-lg font-bold"
          swing-class="pr-3 text-left font-bold whitespace-nowrap"
          :cell-class="() => 'p-1 align-top'"
        >
          <template #club="{ club }">{{ club.label }}</template>
          <template #swing="{ swing }">{{ rungName(swing) }}</template>
          <template #cell="{ club, swing }">
            <ChartBeliefCell :cell="{ clubId: club.id, rungId: swing.id }" />
          </template>
        </GridClubSwingGrid>
      </section>
    </template>
  </FrameStagePage>
</template>
