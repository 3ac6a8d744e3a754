<script setup lang="ts">
import { approachesOf } from '#shared/rounds'
import type { RoundRecord } from '#shared/schemas/rounds'
import { approachesText, finishText } from '#words/rounds'
import { useDistance } from '~/ui/useDistance'
import { useRounds } from '~/offline/stores/rounds'
import { shortDate } from '~/ui/dates'

/** Rounds that the player told: they count once the coach has nodded. */
const rounds = useRounds()
const { unit, text } = useDistance()
const toast = useToast()

async function decide(round: RoundRecord, isTaken: boolean) {
  const { waiting: _, ...rest } = round
  const decided = { ...rest, gone: !isTaken, version: round.version + 1 }
  await rounds.put(decided)
  toast.add({
    title: isTaken ? 'It counts now' : 'Declined: it counts for nothing',
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void rounds.put({ ...round, version: decided.version + 1 }),
      },
    ],
  })
}
</script>

<template>
  <section v-if="rounds.waiting.length > 0" class="raised border-(--ink)! p-4" aria-labelledby="waiting-title">
    <h2 id="waiting-title" class="text-xl font-bold">Logged by the player</h2>
    <ul class="mt-1 divide-y divide-default">
      <li v-for="round in rounds.waiting" :key="round.id" class="py-2">
        <details>
          <summary class="flex min-h-11 cursor-pointer items-center underline decoration-dotted underline-offset-4">
            {{ shortDate(round.playedAtMs) }}{{ round.name && `, ${round.name}` }}:
            {{ approachesText(approachesOf(round).length) }}
          </summary>
          <ul class="pb-2 text-sm">
            <li v-for="one in approachesOf(round)" :key="one.id">
              <b>{{ text(one.distanceM) }} {{ unit }}</b> {{ finishText(one, unit) || 'no finish given' }}
            </li>
          </ul>
        </details>
        <div class="flex gap-2">
          <UButton icon="i-lucide-check" @click="decide(round, true)">Let it count</UButton>
          <UButton color="neutral" variant="outline" @click="decide(round, false)">Decline</UButton>
        </div>
      </li>
    </ul>
  </section>
</template>
