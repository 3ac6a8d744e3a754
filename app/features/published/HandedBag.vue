<script setup lang="ts">
import type { HandedPage } from '#shared/handed-bag'
import { BEND_CAUTION } from '#words/what-if'
import { useDistance } from '~/ui/useDistance'
import { daysAgo } from '~/ui/dates'

/** A bag that the coach thought of, on the player's phone: what would be different, and what it would do. */
const props = defineProps<{ bag: HandedPage }>()
const { whole, to, unit, withUnit } = useDistance()
const page = computed(() => props.bag.page)
const one = (metres: number) => `${to(metres).toFixed(1)} ${unit.value}`
const changes = computed(() => [
  ...page.value.clubs.flatMap(({ label, loftDeg, wasDeg }) =>
    wasDeg === null
      ? [`a new club of ${loftDeg}°`]
      : wasDeg === loftDeg
        ? []
        : [`the ${label} bent from ${wasDeg}° to ${loftDeg}°`],
  ),
  ...page.value.left.map(label => `the ${label} left at home`),
])
const bent = computed(() => page.value.clubs.some(club => club.wasDeg !== null && club.wasDeg !== club.loftDeg))
const rows = computed(() => {
  const { before, after, lineM } = page.value
  const unitWord = page.value.unit === 'yd' ? 'yards' : 'metres'
  return [
    {
      what: `Covered within ${withUnit(lineM)}`,
      before: `${before.within} of ${before.targets} ${unitWord}`,
      after: `${after.within} of ${after.targets} ${unitWord}`,
    },
    { what: 'Left on average', before: one(before.meanM), after: one(after.meanM) },
    {
      what: 'Worst',
      before: `${one(before.worstLeaveM)} at ${whole(before.worstAtM)}`,
      after: `${one(after.worstLeaveM)} at ${whole(after.worstAtM)}`,
    },
  ]
})
</script>

<template>
  <details class="raised p-4">
    <summary class="cursor-pointer font-bold">
      {{ bag.name }} <span class="soft font-normal">drawn up {{ daysAgo(bag.handedAtMs) }}</span>
    </summary>
    <p class="mt-2">
      {{
        changes.length === 0
          ? 'The clubs stay as they are; the swing lengths or numbers differ.'
          : `With ${changes.join(', ')}.`
      }}
      Nothing of it is done: talk it over first.
    </p>
    <p v-if="bent" class="soft text-sm">{{ BEND_CAUTION }}</p>
    <table class="mt-3 w-full">
      <caption class="sr-only">
        Today's bag and
        {{ bag.name }}
      </caption>
      <thead class="soft text-left text-sm">
        <tr>
          <th scope="col"><span class="sr-only">What</span></th>
          <th scope="col" class="py-1">Today</th>
          <th scope="col" class="py-1">So</th>
        </tr>
      </thead>
      <tbody class="divide-y divide-default">
        <tr v-for="row in rows" :key="row.what">
          <th scope="row" class="py-1 pr-2 text-left font-semibold">{{ row.what }}</th>
          <td class="soft py-1 pr-2">{{ row.before }}</td>
          <td class="py-1 font-bold">{{ row.after }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="page.gone.length > 0" class="mt-2">
      <UIcon name="i-lucide-check" class="text-success" /> <strong>Gone:</strong> {{ page.gone.join('; ') }}.
    </p>
    <p v-if="page.fresh.length > 0" class="mt-1">
      <UIcon name="i-lucide-triangle-alert" class="text-(--weak)" /> <strong>New:</strong> {{ page.fresh.join('; ') }}.
    </p>
    <p v-if="page.stay.length > 0" class="soft mt-1"><strong>Stays:</strong> {{ page.stay.join('; ') }}.</p>
    <ol class="mt-3 divide-y divide-default border-t border-default" aria-label="Its stock shots, longest first">
      <li v-for="shot in page.shots" :key="shot.name" class="flex items-baseline gap-4 py-1.5">
        <span class="w-12 text-2xl leading-none" :class="shot.hit ? 'font-extrabold' : 'soft italic'">{{
          whole(shot.carryM)
        }}</span>
        <span class="min-w-0 flex-1 font-bold">{{ shot.name }}</span>
        <span v-if="!shot.hit" class="soft text-sm">predicted</span>
      </li>
    </ol>
  </details>
</template>
