<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import type { CarryChart } from '#core/chart/chart-cell'
import type { Ladder } from '#core/gaps/ladder'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'

/** The ladder as a table: what the lanes show, figure by figure. */
const props = defineProps<{ ladder: Ladder; chart: CarryChart }>()
const { doubt, text, unit, step: stepUp } = useDistance()
const { cellName } = useCellNames()
const windows = computed(() => new Map(props.chart.map(cell => [cellKey(cell), cell.window80M])))
</script>

<template>
  <div class="overflow-x-auto" role="region" aria-label="Ladder table, may be scrolled sideways" tabindex="0">
    <table class="raised w-full">
      <caption class="sr-only">
        The ladder, shortest first
      </caption>
      <thead class="soft text-left text-sm">
        <tr>
          <th scope="col" class="px-4 py-2">Stock shot</th>
          <th scope="col" class="px-4 py-2 text-right">Carry, {{ unit }}</th>
          <th scope="col" class="px-4 py-2 text-right">Step up, {{ unit }}</th>
          <th scope="col" class="px-4 py-2 text-right">8 in 10, {{ unit }}</th>
          <th scope="col" class="px-4 py-2 text-right">Balls</th>
        </tr>
      </thead>
      <tbody class="divide-y divide-default">
        <tr v-for="(step, i) in ladder" :key="cellKey(step)">
          <th scope="row" class="px-4 py-2 text-left font-bold whitespace-nowrap">{{ cellName(step) }}</th>
          <td class="px-4 py-2 text-right text-lg font-bold">{{ text(step.carryM) }}</td>
          <td class="px-4 py-2 text-right">
            {{ i === 0 ? '–' : `${stepUp(ladder[i - 1]!.carryM, step.carryM)} ± ${doubt(step.stepPlusMinusM ?? 0)}` }}
          </td>
          <td class="px-4 py-2 text-right whitespace-nowrap">
            {{
              windows.get(cellKey(step))
                ? `${text(windows.get(cellKey(step))![0])} to ${text(windows.get(cellKey(step))![1])}`
                : '–'
            }}
          </td>
          <td class="px-4 py-2 text-right whitespace-nowrap">{{ step.predicted ? 'predicted' : step.balls }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
