<script setup lang="ts">
import { ERASABLE_AFTER_DAYS } from '#shared/keep-times'
import type { PlayerLine } from '#shared/player'
import { api } from '~/offline/api'

/** Erasing somebody for good: what goes, what may be kept first, and no way back. */
const props = defineProps<{ player: PlayerLine }>()
const emit = defineEmits<{ close: []; erased: [] }>()
const name = ref('')
const failure = ref('')
const busy = ref(false)
const isSure = computed(() => name.value.trim() === props.player.name)

async function erase() {
  busy.value = true
  failure.value = ''
  try {
    await api('/api/players/:playerId/erase', { params: { playerId: props.player.id }, method: 'POST' })
    emit('erased')
  } catch (error) {
    failure.value = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <UModal
    :open="true"
    :title="`Erase ${player.name} for good?`"
    :description="`Every ball, chart, go and round of theirs goes, and their links open nothing any more.`"
    @update:open="$emit('close')"
  >
    <template #body>
      <p class="mb-3">
        This cannot be undone. It can be done {{ ERASABLE_AFTER_DAYS }} days after a player was archived. Whoever asks
        for their record gets it first:
        <ULink :to="`/api/players/${player.id}/all.zip`" external download class="font-semibold underline"
          >the whole record as a file</ULink
        >.
      </p>
      <UFormField :label="`Type ${player.name} to be sure`" help=" "
        ><UInput v-model="name" autofocus autocomplete="off" class="w-full"
      /></UFormField>
      <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
    </template>
    <template #footer>
      <UButton color="error" icon="i-lucide-eraser" :disabled="!isSure" :loading="busy" @click="erase"
        >Erase for good</UButton
      >
      <UButton color="neutral" variant="outline" @click="$emit('close')">Cancel</UButton>
    </template>
  </UModal>
</template>
