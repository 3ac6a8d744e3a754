<script setup lang="ts">
import type { Cover } from '#core/gaps/stretches'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'

/** Cover as a table: the same figures, target by target. */
const props = defineProps<{ cover: Cover; lineM: number }>()
const { text, unit } = useDistance()
const { cellName } = useCellNames()
const nameOf = (best: number) =>
  `${cellName(props.cover.shots[best]!)}${props.cover.shots[best]!.grippedDown ? ', gripped down' : ''}`
function state({ hole, leaveM }: Cover['at'][number]): string {
  if (hole === 'sure') return 'hole, sure'
  if (leaveM <= props.lineM) return 'covered'
  return text(leaveM) === text(props.lineM) ? 'just over the line' : 'over the line'
}
</script>

<template>
  <div class="max-h-[28rem] overflow-auto" role="region" aria-label="Cover table, may be scrolled" tabindex="0">
    <table class="raised w-full">
      <caption class="sr-only">
        Cover, target by target
      </caption>
      <thead class="soft text-left text-sm">
        <tr>
          <th scope="col" class="px-4 py-2">Target, {{ unit }}</th>
          <th scope="col" class="px-4 py-2">Best stock shot</th>
          <th scope="col" class="px-4 py-2 text-right">Leave, {{ unit }}</th>
          <th scope="col" class="px-4 py-2 text-right">One in ten beyond, {{ unit }}</th>
          <th scope="col" class="px-4 py-2">State</th>
        </tr>
      </thead>
      <tbody class="divide-y divide-default">
        <tr v-for="one in cover.at" :key="one.atM">
          <th scope="row" class="px-4 py-1 text-left font-bold">{{ text(one.atM) }}</th>
          <td class="px-4 py-1">{{ nameOf(one.best) }}</td>
          <td class="px-4 py-1 text-right">{{ text(one.leaveM) }}</td>
          <td class="px-4 py-1 text-right">{{ text(one.badM) }}</td>
          <td
            class="px-4 py-1"
            :class="one.hole === 'sure' ? 'font-bold text-(--hole)' : one.leaveM <= lineM && 'soft'"
          >
            {{ state(one) }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
