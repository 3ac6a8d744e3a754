<script setup lang="ts">
import { useShortcuts } from '~/composables/useShortcuts'
import { useBagDraft } from '~/composables/useBagDraft'
import BagClubList from '~/components/bag/ClubList.vue'
import BagScaleEditor from '~/components/bag/ScaleEditor.vue'
import BagStaleNotice from '~/components/bag/StaleNotice.vue'
import BagStrikeGrid from '~/components/bag/StrikeGrid.vue'

const props = defineProps<{ playerId: string }>()
const editor = useBagDraft(props.playerId)
const { draft, dirty, resumed, busy, errors, canUndo, canRedo } = editor

const ready = computed(() => draft.value.clubs.some(c => !c.retired) && draft.value.rungs.some(r => !r.retired))

// Undo belongs to the field while one is typed in, and to the bag elsewhere; a bag is saved from its fields too.
useShortcuts({
  saveBag: () => void editor.save(),
  undoBag: () => editor.undo(),
  redoBag: () => editor.redo(),
})

watch(errors.errors, async list => {
  if (list.length === 0) return
  await nextTick()
  document.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus()
})
</script>

<template>
  <div class="space-y-8 pb-24">
    <p v-if="resumed && dirty" role="status" class="raised flex flex-wrap items-center gap-3 px-4 py-2">
      <UIcon name="i-lucide-history" class="soft" /> Changes from before are still here, not saved yet.
    </p>
    <BagStaleNotice v-if="editor.theirs.value" :editor="editor" />
    <BagClubList :editor="editor" />
    <BagScaleEditor :editor="editor" />
    <BagStrikeGrid v-if="ready" :editor="editor" />

    <div
      v-if="dirty || errors.general.value"
      class="sticky bottom-0 z-20 -mx-2 border-t border-(--ink) bg-default px-2 py-3 max-md:bottom-15"
    >
      <p
        v-if="errors.errors.value.length > 0 || errors.general.value"
        role="alert"
        class="mb-2 font-semibold text-error"
      >
        {{ errors.errors.value.length > 1 ? `${errors.errors.value.length} things to mend. First: ` : ''
        }}{{ errors.errors.value[0]?.message ?? errors.general.value }}
      </p>
      <div class="flex flex-wrap items-center gap-2">
        <UButton size="lg" :loading="busy" icon="i-lucide-check" @click="editor.save()">Save the bag</UButton>
        <UButton color="neutral" variant="outline" icon="i-lucide-undo-2" :disabled="!canUndo" @click="editor.undo()"
          >Undo</UButton
        >
        <UButton
          color="neutral"
          variant="outline"
          icon="i-lucide-redo-2"
          :disabled="!canRedo"
          class="max-sm:hidden"
          @click="editor.redo()"
          >Redo</UButton
        >
        <UButton color="neutral" variant="ghost" @click="editor.discard()">Discard changes</UButton>
      </div>
    </div>
    <div v-else-if="ready" class="flex">
      <UButton :to="`/players/${playerId}/session`" size="lg" trailing-icon="i-lucide-arrow-right"
        >To the range</UButton
      >
    </div>
  </div>
</template>
