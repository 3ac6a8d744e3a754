<script setup lang="ts">
import type { PlayerLine } from '#shared/player'

/** Handing a player to another academy: the record goes as a file, and here the player is archived. */
defineProps<{ player: PlayerLine }>()
defineEmits<{ close: []; archive: [] }>()
</script>

<template>
  <UModal
    :open="true"
    :title="`${player.name} to another academy`"
    description="The whole record goes along as a file; it opens in any Uzzet."
    @update:open="$emit('close')"
  >
    <template #body>
      <ol class="list-decimal space-y-4 pl-5">
        <li>
          <p class="mb-2">Save the file, and give it to the other coach. Whoever has it can read all of it.</p>
          <UButton icon="i-lucide-download" :to="`/api/players/${player.id}/all.zip`" external>Save the record</UButton>
        </li>
        <li>There it comes in under <b>Players, Bring players in</b>.</li>
        <li>
          <p class="mb-2">
            Once it has arrived, archive {{ player.name }} here. Links to their phone stay as they are.
          </p>
          <UButton color="neutral" variant="outline" icon="i-lucide-archive" @click="$emit('archive')"
            >Archive here</UButton
          >
        </li>
      </ol>
    </template>
    <template #footer>
      <UButton color="neutral" variant="outline" @click="$emit('close')">Close</UButton>
    </template>
  </UModal>
</template>
