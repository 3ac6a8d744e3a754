<script setup lang="ts">
import type { PlayerLine } from '#shared/player'
import { usePlayerRecord } from '~/offline/stores/record'
import { allPlayers } from '~/offline/all-players'
import { STAGES } from '#shared/stages'

const open = defineModel<boolean>('open', { required: true })
const record = usePlayerRecord()
const players = shallowRef<PlayerLine[]>([])
const failure = ref<string>()

onMounted(async () => {
  try {
    players.value = await allPlayers()
  } catch (error) {
    failure.value = (error as Error).message
  }
})

function go(to: string) {
  open.value = false
  return navigateTo(to)
}

const groups = computed(() => [
  ...(record.player
    ? [
        {
          id: 'stages',
          label: record.player.name,
          items: STAGES.map(stage => ({
            label: stage.title,
            icon: stage.icon,
            onSelect: () => go(`/players/${record.playerId}/${stage.id}`),
          })),
        },
      ]
    : []),
  {
    id: 'players',
    label: 'Players',
    items: players.value.map(player => ({
      label: player.name,
      suffix: player.archived ? 'archived' : '',
      icon: 'i-lucide-user',
      onSelect: () => go(`/players/${player.id}`),
    })),
  },
])
</script>

<template>
  <UModal v-model:open="open" title="Search" description="Players and stages">
    <template #content>
      <UCommandPalette
        :groups="groups"
        placeholder="Search players and stages"
        class="h-96"
        :close="{ label: 'Close' }"
        @update:open="open = $event"
      />
      <p v-if="failure" class="px-4 py-2 text-error" role="alert">{{ failure }}</p>
    </template>
  </UModal>
</template>
