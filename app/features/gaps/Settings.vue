<script setup lang="ts">
import type { Thresholds } from '#shared/schemas/player'
import { api } from '~/offline/api'
import { usePlayerRecord } from '~/offline/stores/record'
import GapsThresholds from '~/features/gaps/Thresholds.vue'

/** What counts for gaps and flags, and the figures they are held against. */
const open = defineModel<boolean>('open', { required: true })
const record = usePlayerRecord()
const toast = useToast()

const SWITCHES = [
  ['measuredOnly', 'Count only stock shots that were hit'],
  ['aimedStraight', 'Aimed at the target, not moved for the usual miss'],
  ['asBalls', 'As the balls have it, not as written'],
] as const
type SwitchName = (typeof SWITCHES)[number][0]
const isOn = (name: SwitchName) => record.player?.thresholds[name] === true

async function set(name: SwitchName, on: boolean) {
  const { [name]: _, ...rest } = record.player!.thresholds
  const thresholds: Thresholds = on ? { ...rest, [name]: true } : rest
  try {
    record.player = await api('/api/players/:playerId', {
      params: { playerId: record.playerId },
      method: 'PATCH',
      body: { version: record.player!.version, thresholds },
    })
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
  }
}
</script>

<template>
  <USlideover v-model:open="open" title="What counts" description="For gaps, cover and flags.">
    <template #body>
      <div class="space-y-5">
        <div class="space-y-3">
          <USwitch
            v-for="[name, label] in SWITCHES"
            :key="name"
            :model-value="isOn(name)"
            :label="label"
            @update:model-value="set(name, $event)"
          />
        </div>
        <GapsThresholds />
      </div>
    </template>
  </USlideover>
</template>
