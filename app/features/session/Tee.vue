<script setup lang="ts">
import { CLINIC_MOST, useClinic } from '~/player/useClinic'
import { usePlayerRecord } from '~/offline/stores/record'
import { allPlayers } from '~/offline/all-players'
import SessionTeeBoard from '~/features/session/TeeBoard.vue'

/** Who else is on the tee: one tap changes the player, and it tells whose ball is next. */
const props = defineProps<{ sessionId: string }>()
const record = usePlayerRecord()
const { members, turn, path, join, leave, runningSession } = useClinic()
const toast = useToast()
const adding = ref(false)
const showing = ref(false)
const players = shallowRef<{ value: string; label: string }[]>()
const failure = ref('')
const here = computed(() => members.value.some(member => member.playerId === record.playerId))
const others = computed(
  () =>
    players.value?.filter(
      player => player.value !== record.playerId && !members.value.some(member => member.playerId === player.value),
    ) ?? [],
)

async function open() {
  adding.value = true
  failure.value = ''
  try {
    players.value = (await allPlayers())
      .filter(player => !player.archived)
      .map(player => ({ value: player.id, label: player.name }))
  } catch (error) {
    failure.value = (error as Error).message
  }
}

async function add(player: { value: string; label: string }) {
  try {
    if (!here.value) join({ playerId: record.playerId!, name: record.player!.name, sessionId: props.sessionId })
    const running = await runningSession(player.value)
    adding.value = false
    if (!running) return navigateTo({ path: `/players/${player.value}/session`, query: { tee: 'join' } })
    join({ playerId: player.value, name: player.label, sessionId: running })
  } catch (error) {
    failure.value = (error as Error).message
  }
}

function remove() {
  const gone = members.value.find(member => member.playerId === record.playerId)!
  leave(gone.playerId)
  toast.add({
    title: `${gone.name} has left the tee`,
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => join(gone) }],
  })
}
</script>

<template>
  <nav class="flex flex-wrap items-center gap-2" aria-label="On the tee">
    <UButton
      v-for="member in members"
      :key="member.playerId"
      :to="path(member)"
      color="neutral"
      :variant="member.playerId === record.playerId ? 'solid' : 'outline'"
      :aria-current="member.playerId === record.playerId ? 'true' : undefined"
      :aria-label="turn === member.playerId ? `${member.name}, next ball` : member.name"
      :icon="turn === member.playerId ? 'i-lucide-arrow-right' : undefined"
    >
      {{ member.name }}<span v-if="turn === member.playerId" class="text-sm font-normal">, next ball</span>
    </UButton>
    <UButton
      color="neutral"
      variant="outline"
      icon="i-lucide-user-plus"
      :disabled="members.length >= CLINIC_MOST"
      @click="open"
      >{{ members.length === 0 ? 'More players on the tee…' : 'Add' }}</UButton
    >
    <UButton
      v-if="here && members.length > 1"
      color="neutral"
      variant="ghost"
      icon="i-lucide-user-minus"
      @click="remove"
      >Leaves the tee</UButton
    >
    <UButton
      v-if="members.length > 1"
      color="neutral"
      variant="outline"
      icon="i-lucide-presentation"
      @click="showing = true"
      >Board for all</UButton
    >
    <SessionTeeBoard v-model:open="showing" />
    <UModal
      v-model:open="adding"
      title="Who else is on the tee?"
      :description="`Up to ${CLINIC_MOST} players, each with a session of their own.`"
    >
      <template #body>
        <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
        <ul class="max-h-80 divide-y divide-default overflow-y-auto">
          <li v-for="player in others" :key="player.value">
            <button
              type="button"
              class="min-h-12 w-full cursor-pointer px-2 text-left text-lg hover:bg-elevated"
              @click="add(player)"
            >
              {{ player.label }}
            </button>
          </li>
        </ul>
        <p v-if="players && others.length === 0" class="soft">Everybody is on the tee already.</p>
      </template>
    </UModal>
  </nav>
</template>
