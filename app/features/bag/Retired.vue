<script setup lang="ts">
import { rungName } from '#core/swing/scale'
import type { BagEditor } from '~/features/bag/useBagDraft'
import { keptWords } from '~/player/bag-draft'

/** Clubs and swing lengths that are no longer swung, with their balls, and their way back. */
const props = defineProps<{ editor: BagEditor }>()
const { draft } = props.editor
const clubs = computed(() => draft.value.clubs.filter(club => club.retired))
const rungs = computed(() => draft.value.rungs.filter(rung => rung.retired))
</script>

<template>
  <ul v-if="clubs.length + rungs.length > 0" class="space-y-1">
    <li v-for="club in clubs" :key="club.id" class="soft flex flex-wrap items-center gap-2">
      <UIcon name="i-lucide-archive" /> {{ club.label }} is retired, {{ keptWords(editor.ballsOf('clubId', club.id)) }}.
      <UButton size="sm" variant="link" class="min-h-9" @click="club.retired = false">Bring back</UButton>
    </li>
    <li v-for="rung in rungs" :key="rung.id" class="soft flex flex-wrap items-center gap-2">
      <UIcon name="i-lucide-archive" /> {{ rungName(rung) }} is retired,
      {{ keptWords(editor.ballsOf('rungId', rung.id)) }}.
      <UButton size="sm" variant="link" class="min-h-9" @click="rung.retired = false">Bring back</UButton>
    </li>
  </ul>
</template>
