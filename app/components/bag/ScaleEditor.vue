<script setup lang="ts">
import { VueDraggable } from 'vue-draggable-plus'
import { outOfOrder, rungName, type Rung } from '#core/swing/scale'
import { schoolById, SCHOOLS, type SchoolId } from '#core/swing/schools'
import type { BagEditor } from '~/composables/useBagDraft'
import { changeOf, keptWords } from '~/utils/bag-draft'
import BagRungRow from '~/components/bag/RungRow.vue'
import BagSchoolPicker from '~/components/bag/SchoolPicker.vue'

const props = defineProps<{ editor: BagEditor }>()
const draft = props.editor.draft
const picking = ref(false)

// Longest on top, as in the chart; the bag keeps them from short to long.
const shown = computed({
  get: () => draft.value.rungs.filter(rung => !rung.retired).reverse(),
  set: list => {
    draft.value.rungs = [...[...list].reverse(), ...draft.value.rungs.filter(rung => rung.retired)]
  },
})
const retired = computed(() => draft.value.rungs.filter(rung => rung.retired))
const disorder = computed(() => {
  const rungs = changeOf(draft.value, 1).scale.rungs.filter(
    rung => !rung.retired && typeof rung.fraction !== 'string',
  ) as unknown as Rung[]
  return outOfOrder({ school: draft.value.school, rungs })
})

function move(id: string, up: boolean) {
  const list = [...shown.value]
  const from = list.findIndex(rung => rung.id === id)
  const to = from + (up ? -1 : 1)
  if (to < 0 || to >= list.length) return
  list.splice(to, 0, ...list.splice(from, 1))
  shown.value = list
}

function choose(school: SchoolId, presetId: string) {
  props.editor.chooseSchool(school, presetId)
  picking.value = false
}

/** What may be added: every label of every school that is not there, a stretch beyond full, a name of one's own. */
const menu = computed(() => {
  const there = new Set(shown.value.filter(rung => rung.flight === 'normal').map(rung => rung.label.toLowerCase()))
  const schools = [...SCHOOLS].sort((a, b) => Number(b.id === draft.value.school) - Number(a.id === draft.value.school))
  return [
    [
      { label: 'A name of your own', icon: 'i-lucide-pencil', onSelect: () => props.editor.addRung('', '', undefined) },
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
  <section aria-labelledby="scale-title">
    <header class="mb-1 flex flex-wrap items-baseline gap-x-3">
      <h2 id="scale-title" class="text-xl font-bold">Swing scale</h2>
      <template v-if="shown.length > 0">
        <span class="soft">{{ schoolById(draft.school).title }}</span>
        <UButton variant="link" class="min-h-9 px-0" @click="picking = !picking">{{
          picking ? 'Keep it' : 'Change school'
        }}</UButton>
      </template>
    </header>
    <template v-if="shown.length === 0 || picking">
      <p class="soft mb-3">
        {{
          picking
            ? 'The scale starts anew in the school you choose; swings with balls are retired, not lost. ' +
              'It can be undone.'
            : 'How does the player tell one length of swing from another?'
        }}
      </p>
      <BagSchoolPicker :chosen="shown.length > 0 ? draft.school : undefined" @choose="choose" />
    </template>
    <template v-else>
      <VueDraggable v-model="shown" tag="ul" handle=".drag" :animation="120" class="raised divide-y divide-default">
        <BagRungRow
          v-for="(rung, i) in shown"
          :key="rung.id"
          :rung="rung"
          :index="draft.rungs.indexOf(rung)"
          :first="i === 0"
          :last="i === shown.length - 1"
          :editor="editor"
          @up="move(rung.id, true)"
          @down="move(rung.id, false)"
        />
      </VueDraggable>
      <p v-if="disorder" class="mt-2 flex items-center gap-2 font-semibold text-warning" role="status">
        <UIcon name="i-lucide-triangle-alert" /> {{ rungName(disorder.shorter) }} stands above
        {{ rungName(disorder.longer) }}, which usually goes further. The longest belongs on top; or say how long it is,
        in per cent of full.
      </p>
      <UDropdownMenu :items="menu" :content="{ align: 'start' }" :ui="{ content: 'max-h-80 overflow-y-auto' }">
        <UButton color="neutral" variant="outline" icon="i-lucide-plus" class="mt-3">Add a swing length</UButton>
      </UDropdownMenu>
    </template>
    <p v-for="rung in retired" :key="rung.id" class="soft mt-2 flex flex-wrap items-center gap-2">
      <UIcon name="i-lucide-archive" /> {{ rung.label }}{{ rung.flight === 'normal' ? '' : ` ${rung.flight}` }} is
      retired, {{ keptWords(editor.ballsOf('rungId', rung.id)) }}.
      <UButton size="sm" variant="link" class="min-h-9" @click="rung.retired = false">Bring back</UButton>
    </p>
  </section>
</template>
