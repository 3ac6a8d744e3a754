<script setup lang="ts">
import type { BagEditor } from '~/composables/useBagDraft'
import { keptWords } from '~/utils/bag-draft'

const props = defineProps<{ editor: BagEditor }>()
const draft = props.editor.draft
// Sets that are common in play.
const SETS = [
  ['46', '52', '58'],
  ['46', '50', '54', '58'],
  ['46', '50', '56', '60'],
]

const inUse = computed(() =>
  draft.value.clubs.map((club, index) => ({ club, index })).filter(({ club }) => !club.retired),
)
const retired = computed(() => draft.value.clubs.filter(club => club.retired))
const of = (index: number, field: string) => props.editor.errors.of(`clubs.${index}.${field}`)

/** The label follows the loft until the coach gives it one. */
function setLoft(index: number, loft: string) {
  const club = draft.value.clubs[index]!
  const follows = club.label === '' || club.label === `${club.loft}°`
  club.loft = loft
  if (follows) club.label = loft.trim() === '' ? '' : `${loft.trim().replace(/°$/, '')}°`
}

const list = useTemplateRef('list')
async function add() {
  props.editor.addClub()
  await nextTick()
  list.value?.querySelector<HTMLInputElement>('li:last-child input')?.focus()
}
</script>

<template>
  <section aria-labelledby="clubs-title">
    <h2 id="clubs-title" class="mb-1 text-xl font-bold">Clubs</h2>
    <div v-if="inUse.length === 0" class="raised mb-3 p-5">
      <p class="text-lg font-semibold">Which clubs does the player pitch with?</p>
      <p class="soft mb-3">One is enough to begin. Lofts can be mended later.</p>
      <div class="flex flex-wrap gap-2">
        <UButton
          v-for="set in SETS"
          :key="set.join()"
          color="neutral"
          variant="outline"
          @click="set.forEach(loft => editor.addClub(loft))"
        >
          {{ set.map(loft => `${loft}°`).join(', ') }}
        </UButton>
        <UButton icon="i-lucide-plus" @click="add">One club</UButton>
      </div>
    </div>
    <ul v-else ref="list" class="raised divide-y divide-default">
      <li
        v-for="{ club, index } in inUse"
        :key="club.id"
        class="grid grid-cols-[5.5rem_minmax(0,1fr)_2.75rem] items-start gap-x-3 gap-y-1 px-4 pt-2 sm:grid-cols-[6.5rem_8rem_minmax(0,1fr)_2.75rem]"
      >
        <UFormField
          label="Loft °"
          :error="of(index, 'loftDeg')"
          help=" "
          :ui="{ label: index > 0 ? 'sm:sr-only' : '' }"
        >
          <UInput
            :model-value="club.loft"
            inputmode="decimal"
            class="w-full"
            :aria-label="`Loft of club ${index + 1}, degrees`"
            @update:model-value="setLoft(index, String($event))"
          />
        </UFormField>
        <UFormField label="Label" :error="of(index, 'label')" help=" " :ui="{ label: index > 0 ? 'sm:sr-only' : '' }">
          <UInput v-model="club.label" class="w-full" :aria-label="`Label of club ${index + 1}`" />
        </UFormField>
        <UFormField
          label="Name"
          :error="of(index, 'name')"
          help=" "
          class="max-sm:col-span-2 max-sm:col-start-1"
          :ui="{ label: index > 0 ? 'sm:sr-only' : '' }"
        >
          <UInput
            v-model="club.name"
            placeholder="sand wedge"
            class="w-full"
            :aria-label="`Name of club ${index + 1}`"
          />
        </UFormField>
        <UButton
          color="neutral"
          variant="ghost"
          :icon="editor.ballsOf('clubId', club.id) > 0 ? 'i-lucide-archive' : 'i-lucide-trash-2'"
          square
          class="size-11 justify-center max-sm:row-start-1 max-sm:mt-6 max-sm:col-start-3"
          :class="index === inUse[0]!.index && 'sm:mt-6'"
          :aria-label="`${editor.ballsOf('clubId', club.id) > 0 ? 'Retire' : 'Remove'} ${club.label || 'this club'}`"
          @click="editor.removeClub(club.id)"
        />
      </li>
    </ul>
    <div v-if="inUse.length > 0" class="mt-3">
      <UButton color="neutral" variant="outline" icon="i-lucide-plus" @click="add">Add a club</UButton>
    </div>
    <p v-for="club in retired" :key="club.id" class="soft mt-2 flex flex-wrap items-center gap-2">
      <UIcon name="i-lucide-archive" /> {{ club.label }} is retired, {{ keptWords(editor.ballsOf('clubId', club.id)) }}.
      <UButton size="sm" variant="link" class="min-h-9" @click="club.retired = false">Bring back</UButton>
    </p>
  </section>
</template>
