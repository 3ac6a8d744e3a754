<script setup lang="ts">
import type { LandedBall, LandingPatch } from '#core/chart/landing'
import type { TargetOnLine } from '#core/session/targets-on-line'
import { sideText } from '#words/readings'
import { useDistance } from '~/ui/useDistance'

/** What a landing plan draws, to be read: patches, targets and balls with the same figures. */
defineProps<{
  patches: readonly { name: string; patch: LandingPatch; numberM: number | null }[]
  balls: readonly LandedBall[]
  targets: readonly TargetOnLine[]
}>()
const { text, unit, withUnit } = useDistance()
const span = (middleM: number, halfM: number) => `${text(middleM - halfM)} to ${text(middleM + halfM)}`
const across = ({ sideM, acrossM }: LandingPatch) =>
  acrossM === null ? 'not measured' : `${sideText(sideM, unit.value)}, ± ${withUnit(acrossM)}`
</script>

<template>
  <div class="space-y-4">
    <table v-if="patches.length > 0" class="w-full border-collapse text-left">
      <caption class="soft text-left text-sm">
        Where 8 balls in 10 pitch
      </caption>
      <thead>
        <tr>
          <th scope="col" class="py-1">Stock shot</th>
          <th scope="col">Number, {{ unit }}</th>
          <th scope="col">Along the line, {{ unit }}</th>
          <th scope="col">Beside the line</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ name, patch, numberM } in patches" :key="name" class="border-t border-default">
          <th scope="row" class="py-1 font-bold">{{ name }}</th>
          <td>{{ numberM === null ? '–' : text(numberM) }}</td>
          <td>{{ span(patch.carryM, patch.alongM) }}</td>
          <td>{{ across(patch) }}</td>
        </tr>
      </tbody>
    </table>
    <table v-if="targets.length > 0" class="w-full border-collapse text-left">
      <caption class="soft text-left text-sm">
        Targets of the range
      </caption>
      <thead>
        <tr>
          <th scope="col" class="py-1">Target</th>
          <th scope="col">Along the line, {{ unit }}</th>
          <th scope="col">Beside the line</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="target in targets" :key="target.name" class="border-t border-default">
          <th scope="row" class="py-1 font-bold">{{ target.name }}</th>
          <td>{{ text(target.alongM) }}</td>
          <td>{{ sideText(target.sideM, unit) }}</td>
        </tr>
      </tbody>
    </table>
    <table v-if="balls.length > 0" class="w-full border-collapse text-left">
      <caption class="soft text-left text-sm">
        Where the balls pitched
      </caption>
      <thead>
        <tr>
          <th scope="col" class="py-1">Carry, {{ unit }}</th>
          <th scope="col">Beside the line</th>
          <th scope="col">Word</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="ball in balls" :key="ball.id" class="border-t border-default">
          <td class="py-1 font-bold">{{ text(ball.carryM) }}</td>
          <td>{{ ball.sideM === null ? 'not measured' : sideText(ball.sideM, unit) }}</td>
          <td class="soft">{{ ball.word || (ball.newest ? 'newest' : '') }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
