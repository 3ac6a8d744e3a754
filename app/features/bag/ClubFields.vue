<script setup lang="ts">
import type { BagEditor } from '~/features/bag/useBagDraft'

/** One club's fields, each as wide as what it holds. */
const props = defineProps<{ clubId: string; editor: BagEditor }>()
const emit = defineEmits<{ done: [] }>()
const index = computed(() => props.editor.draft.value.clubs.findIndex(club => club.id === props.clubId))
const club = computed(() => props.editor.draft.value.clubs[index.value]!)
const of = (field: string) => props.editor.errors.of(`clubs.${index.value}.${field}`)
const hasBalls = computed(() => props.editor.ballsOf('clubId', props.clubId) > 0)

function remove() {
  emit('done')
  props.editor.removeClub(props.clubId)
}
</script>

<template>
  <div v-if="club" class="flex flex-wrap items-start gap-x-3">
    <UFormField label="Loft °" :error="of('loftDeg')" help=" " class="w-20">
      <UInput
        :model-value="club.loft"
        inputmode="decimal"
        autofocus
        class="w-full"
        :aria-label="`Loft of club ${index + 1}, degrees`"
        @update:model-value="editor.setLoft(clubId, String($event))"
      />
    </UFormField>
    <UFormField label="Label" :error="of('label')" help=" " class="w-24">
      <UInput v-model="club.label" class="w-full" :aria-label="`Label of club ${index + 1}`" />
    </UFormField>
    <UFormField label="Name" :error="of('name')" help=" " class="w-44">
      <UInput v-model="club.name" placeholder="sand wedge" class="w-full" :aria-label="`Name of club ${index + 1}`" />
    </UFormField>
    <UButton class="mb-6 self-end" @click="$emit('done')">Done</UButton>
    <UButton
      color="neutral"
      variant="outline"
      class="mb-6 self-end"
      :icon="hasBalls ? 'i-lucide-archive' : 'i-lucide-trash-2'"
      :aria-label="`${hasBalls ? 'Retire' : 'Remove'} ${club.label || 'this club'}`"
      @click="remove"
      >{{ hasBalls ? 'Retire' : 'Remove' }}</UButton
    >
  </div>
</template>
