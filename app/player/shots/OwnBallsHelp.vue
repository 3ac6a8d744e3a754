<script setup lang="ts">
import { ownBallsHelpText, ownBallsThenText, rangeAloneText, rangeBallText } from '#words/air'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { ownBallsQuery } from '~/player/settle'

/** What range balls leave open, and the few balls of one's own that tell it: one button starts them. */
const record = usePlayerRecord()
const { cellName } = useCellNames()
const { rangeBalls, ownBallsHelp } = useNumbers()
const alone = computed(() => (rangeBalls.value ? rangeAloneText(rangeBalls.value) : ''))
</script>

<template>
  <div v-if="rangeBalls" class="space-y-2">
    <p>{{ alone || rangeBallText(rangeBalls) }}</p>
    <template v-if="ownBallsHelp">
      <UButton
        variant="outline"
        icon="i-lucide-play"
        class="text-start"
        :to="{ path: `/players/${record.playerId}/session`, query: ownBallsQuery(ownBallsHelp) }"
        >{{ ownBallsHelpText(ownBallsHelp, cellName) }}</UButton
      >
      <p class="soft text-sm">{{ ownBallsThenText(ownBallsHelp, rangeBalls) }}</p>
    </template>
  </div>
</template>
