<script setup lang="ts">
import type { OutboxItem } from '~/offline/outbox/entries'
import { useDistance } from '~/ui/useDistance'
import { clockTime } from '~/ui/dates'

/** One entry that the server has not taken: what it is, why, and what can be done. */
const props = defineProps<{ item: OutboxItem; why: string }>()
defineEmits<{ again: []; discard: []; give: [] }>()
const { withUnit } = useDistance()

const KIND_WORDS = {
  session: 'Range session',
  word: 'Remark on a stock shot',
  answer: 'Answer to a flag',
  bag: 'Change to the bag',
  go: 'Practice',
  round: 'Round',
} as const
const what = computed(() => {
  const { entry } = props.item
  if (entry.kind === 'shot') return `Ball of ${withUnit(entry.record.carryM)}, ${clockTime(entry.record.hitAtMs)}`
  return KIND_WORDS[entry.kind]
})
const canBeGiven = computed(() => props.item.entry.kind === 'shot' && (props.item.lacks?.length ?? 0) > 0)
</script>

<template>
  <li class="flex flex-wrap items-center gap-2 py-2">
    <span class="min-w-0 flex-1 basis-52">
      <strong>{{ what }}</strong>
      <span class="block" :class="item.refused ? 'text-error' : 'soft'">{{ why }}</span>
    </span>
    <UButton v-if="canBeGiven" size="sm" variant="outline" @click="$emit('give')">Give it to…</UButton>
    <UButton size="sm" variant="outline" color="neutral" @click="$emit('again')">Send again</UButton>
    <UButton size="sm" variant="ghost" color="error" @click="$emit('discard')">Discard</UButton>
  </li>
</template>
