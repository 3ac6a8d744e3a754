<script setup lang="ts">
import type { SweepStretch } from '#core/pick/sweep'
import { useDistance } from '~/ui/useDistance'

/** From the shortest target to the longest: where the choice changes. Walked by arrow keys, or tapped. */
const props = defineProps<{
  stretches: readonly SweepStretch[]
  range: { from: number; to: number }
  at: number | null
  names: ReadonlyMap<string, string>
  complete: boolean
}>()
const emit = defineEmits<{ go: [at: number] }>()
const { unit, unitWord } = useDistance()
const span = computed(() => Math.max(1, props.range.to - props.range.from + 1))
const left = (at: number) => `${((at - props.range.from) / span.value) * 100}%`
const width = ({ from, to }: SweepStretch) => `${((to - from + 1) / span.value) * 100}%`
const nameOf = (one: SweepStretch) => props.names.get(`${one.clubId}/${one.rungId}`) ?? ''
const said = computed(() => {
  const here = props.stretches.find(one => props.at !== null && props.at >= one.from && props.at <= one.to)
  return here ? `${props.at} ${unit.value}: ${nameOf(here)}` : `${props.at ?? props.range.from} ${unit.value}`
})
const bar = useTemplateRef('bar')
const { width: barPx } = useElementSize(bar)
/** A letter of a name, and what is left free beside it, px. */
const LETTER_PX = 7
const BESIDE_PX = 10
/** A name is written where there is room for the whole of it. */
const roomy = (one: SweepStretch) =>
  ((one.to - one.from + 1) / span.value) * barPx.value > nameOf(one).length * LETTER_PX + BESIDE_PX
</script>

<template>
  <section aria-labelledby="strip-title">
    <h2 id="strip-title" class="soft text-sm">
      Where the choice changes, {{ range.from }} to {{ range.to }} {{ unitWord }}
    </h2>
    <div class="relative mt-1">
      <div ref="bar" class="flex h-9 border border-default bg-(--raised)" aria-hidden="true">
        <div class="relative h-full w-full">
          <div
            v-for="(one, i) in stretches"
            :key="one.from"
            class="absolute inset-y-0 flex items-center justify-center overflow-hidden border-r border-default text-xs whitespace-nowrap"
            :class="i % 2 ? 'bg-elevated' : 'bg-(--ui-bg-muted)'"
            :style="{ left: left(one.from), width: width(one) }"
          >
            <span v-if="roomy(one)">{{ nameOf(one) }}</span>
          </div>
          <div v-if="at !== null" class="absolute -bottom-2 h-13 w-1 bg-primary" :style="{ left: left(at) }" />
        </div>
      </div>
      <span v-if="!complete" class="soft absolute inset-y-px right-px flex items-center bg-(--raised) px-2 text-xs"
        >being worked out…</span
      >
      <input
        type="range"
        class="absolute inset-0 h-9 w-full cursor-pointer opacity-0 focus-visible:opacity-60"
        :min="range.from"
        :max="range.to"
        :value="at ?? range.from"
        :aria-label="`Sweep the distance, ${unitWord}`"
        :aria-valuetext="said"
        @input="emit('go', Number(($event.target as HTMLInputElement).value))"
      />
    </div>
    <details class="mt-2">
      <summary class="soft flex min-h-9 cursor-pointer items-center text-sm underline">The same as a table</summary>
      <table class="w-full max-w-md text-left">
        <thead>
          <tr class="soft border-b border-default text-sm">
            <th class="font-normal">From, {{ unit }}</th>
            <th class="font-normal">to</th>
            <th class="font-normal">hit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in stretches" :key="one.from" class="border-b border-default">
            <th scope="row" class="py-1">{{ one.from }}</th>
            <td>{{ one.to }}</td>
            <td class="font-semibold">{{ nameOf(one) }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </section>
</template>
