<script setup lang="ts">
import { askedBands, askedFrom, LEAST_TO_NAME, mostAsked } from '#core/rounds/asks'
import { chancesOf, type Played } from '#core/rounds/approach'
import { askedFromText, asksLines, bandText } from '#words/rounds'
import { useDistance } from '~/ui/useDistance'
import { useThresholds } from '~/player/useThresholds'
import { usePlayerRecord } from '~/offline/stores/record'

/** Where chances come from: counted, and what share will come from each band, as surely as so few rounds tell. */
const props = defineProps<{ played: readonly Played[] }>()
const { unit } = useDistance()
const bands = computed(() => askedBands(props.played, unit.value))
const chances = computed(() => chancesOf(props.played))
const most = computed(() => Math.max(0.01, ...bands.value.map(band => band.most)))
const lines = computed(() => [
  ...asksLines(
    chances.value.length,
    props.played.length,
    chances.value.length === 0 ? null : Math.max(...chances.value.map(({ distanceM }) => distanceM)),
    mostAsked(props.played, unit.value),
    unit.value,
  ),
  ...[askedFromText(askedFrom(props.played))].filter(Boolean),
])
const record = usePlayerRecord()
const { changeThresholds } = useThresholds()
const toast = useToast()
const byNeed = (isOn: boolean) =>
  changeThresholds({ alikeNeed: isOn ? undefined : true }).catch((error: Error) =>
    toast.add({ title: 'That could not be kept', description: error.message, color: 'error' }),
  )
const percent = (share: number) => Math.round(100 * share)
const width = (share: number) => `${(100 * share) / most.value}%`
</script>

<template>
  <section aria-labelledby="asks-title">
    <h2 id="asks-title" class="text-xl font-bold">What the course asks</h2>
    <p v-for="line in lines" :key="line" class="mt-1">{{ line }}</p>
    <table v-if="bands.length > 0" class="mt-3 w-full border-collapse">
      <caption class="soft pb-1 text-left text-sm">
        Chances from each band, and the share that will come from it, 8 in 10 sure
      </caption>
      <thead class="sr-only">
        <tr>
          <th scope="col">Band, {{ unit }}</th>
          <th scope="col">Chances</th>
          <th scope="col">Share, per cent</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="band in bands" :key="band.fromM">
          <th scope="row" class="w-24 py-0.5 pr-2 text-right font-semibold whitespace-nowrap">
            {{ bandText(band, unit) }}
          </th>
          <td class="w-8 pr-2 text-right font-bold">{{ band.chances }}</td>
          <td class="relative h-7">
            <span
              class="absolute inset-y-1.5 left-0 bg-(--ink)"
              :style="{ width: width(band.share), opacity: 0.85 }"
              aria-hidden="true"
            />
            <span
              class="absolute inset-y-3 border-t-2 border-(--sound)"
              :style="{ left: width(band.least), width: width(band.most - band.least) }"
              aria-hidden="true"
            />
            <span class="sr-only"
              >{{ percent(band.share) }}, from {{ percent(band.least) }} to {{ percent(band.most) }}</span
            >
          </td>
          <td class="soft w-24 pl-2 text-right text-sm whitespace-nowrap" aria-hidden="true">
            {{ percent(band.least) }} to {{ percent(band.most) }} %
          </td>
        </tr>
      </tbody>
    </table>
    <USwitch
      v-if="chances.length >= LEAST_TO_NAME"
      class="mt-3"
      :model-value="!record.player?.thresholds.alikeNeed"
      label="Hit next goes by the rounds"
      description="Of two stock shots that teach as much, the one that rounds ask for is proposed first."
      @update:model-value="byNeed"
    />
  </section>
</template>
