<script setup lang="ts">
import { SCHOOLS } from '#core/swing/schools'
import type { BagEditor } from '~/features/bag/useBagDraft'

/** One more length of swing: of any school, beyond full, or by a name of one's own. */
const props = defineProps<{ editor: BagEditor }>()
const emit = defineEmits<{ added: [rungId: string] }>()
const { draft } = props.editor

/** What may be added: every label of every school that is not there, a stretch beyond full, a name of one's own. */
const lengths = computed(() => {
  const there = new Set(
    draft.value.rungs.filter(rung => !rung.retired && rung.flight === 'normal').map(rung => rung.label.toLowerCase()),
  )
  const schools = [...SCHOOLS].sort((a, b) => Number(b.id === draft.value.school) - Number(a.id === draft.value.school))
  return [
    [
      {
        label: 'A name of your own',
        icon: 'i-lucide-pencil',
        onSelect: () => emit('added', props.editor.addRung('', '', undefined)),
      },
      {
        label: 'A stretch beyond full',
        icon: 'i-lucide-chevrons-up',
        onSelect: () => props.editor.addRung('full plus', 'everything, in balance', undefined, 'normal', '105'),
      },
    ],
    ...schools
      .map(school => [
        { label: school.title, type: 'label' as const },
        ...school.presets
          .flatMap(preset => preset.rungs)
          .filter(
            (rung, i, all) => !there.has(rung.label.toLowerCase()) && all.findIndex(r => r.label === rung.label) === i,
          )
          .map(rung => ({ label: rung.label, onSelect: () => props.editor.addRung(rung.label, rung.cue, school.id) })),
      ])
      .filter(group => group.length > 1),
  ]
})
</script>

<template>
  <UDropdownMenu :items="lengths" :content="{ align: 'end' }" :ui="{ content: 'max-h-80 overflow-y-auto' }">
    <UButton color="neutral" variant="outline" icon="i-lucide-plus">Add a length</UButton>
  </UDropdownMenu>
</template>
