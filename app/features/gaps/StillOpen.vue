<script setup lang="ts">
import type { useGapsFlags } from '~/features/gaps/useGapsFlags'
import { usePlayerRecord } from '~/offline/stores/record'

/** What no flag can say yet, and the balls that would settle it. */
defineProps<{ questions: ReturnType<typeof useGapsFlags>['questions']['value'] }>()
const record = usePlayerRecord()
</script>

<template>
  <section aria-labelledby="open-title" class="raised px-4 py-3">
    <h2 id="open-title" class="font-bold">Still open</h2>
    <ul class="mt-1 space-y-0.5">
      <li v-for="question in questions" :key="question.text" class="flex flex-wrap items-start gap-x-2">
        <UIcon name="i-lucide-circle-help" class="soft mt-1 shrink-0" />
        <span class="min-w-0 flex-1">{{ question.text }}</span>
        <UButton
          v-if="question.settle"
          size="sm"
          color="neutral"
          variant="outline"
          :to="{ path: `/players/${record.playerId}/session`, query: question.settle }"
          class="print:hidden"
          >Settle it</UButton
        >
      </li>
    </ul>
  </section>
</template>
