<script setup lang="ts">
import type { DrillSpec } from '#core/practice/drill-spec'
import { drillTexts } from '#words/practice'
import { CLINIC_MOST } from '~/player/useClinic'
import { specForAll, usePracticeClinic } from '~/features/practice/usePracticeClinic'
import { usePlayerRecord } from '~/offline/stores/record'
import { allPlayers } from '~/offline/all-players'

/** Who does the same drill on this tee. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ spec: DrillSpec }>()
const record = usePlayerRecord()
const clinic = usePracticeClinic()
const players = shallowRef<{ value: string; label: string }[]>([])
const chosen = ref<string[]>([record.playerId!])
const failure = ref('')
onMounted(async () => {
  try {
    players.value = (await allPlayers())
      .filter(player => !player.archived)
      .map(({ id, name }) => ({ value: id, label: name }))
  } catch (error) {
    failure.value = (error as Error).message
  }
})
const toggle = (id: string) => {
  chosen.value = chosen.value.includes(id) ? chosen.value.filter(other => other !== id) : [...chosen.value, id]
}
const full = computed(() => chosen.value.length >= CLINIC_MOST)
async function start() {
  const names = new Map(players.value.map(({ value, label }) => [value, label]))
  await clinic.begin(
    chosen.value.map(playerId => ({ playerId, name: names.get(playerId) ?? '' })),
    specForAll(props.spec)!,
  )
  open.value = false
  await navigateTo('/clinic')
}
</script>

<template>
  <UModal
    v-model:open="open"
    :title="`${drillTexts(spec.drill).title} for all on the tee`"
    :description="`The same targets for two to ${CLINIC_MOST} players, turn by turn; each go is the player's own.`"
  >
    <template #body>
      <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
      <ul class="max-h-80 divide-y divide-default overflow-y-auto">
        <li v-for="player in players" :key="player.value" class="py-1">
          <UCheckbox
            :model-value="chosen.includes(player.value)"
            :disabled="full && !chosen.includes(player.value)"
            :label="player.label"
            size="xl"
            @update:model-value="toggle(player.value)"
          />
        </li>
      </ul>
      <UButton class="mt-3" size="xl" :disabled="chosen.length < 2" @click="start"
        >Start for {{ chosen.length }} players</UButton
      >
    </template>
  </UModal>
</template>
