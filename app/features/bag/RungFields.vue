<script setup lang="ts">
import { rungSpeedMs } from '#core/swing/called-speed'
import { FLIGHTS } from '#core/swing/scale'
import { knownFraction, schoolById } from '#core/swing/schools'
import type { BagEditor } from '~/features/bag/useBagDraft'
import { draftClubsInUse } from '~/player/bag-draft'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** One swing length's fields, and what may be done with it. */
const props = defineProps<{ rungId: string; editor: BagEditor }>()
const emit = defineEmits<{ done: [] }>()
const draft = props.editor.draft
const index = computed(() => draft.value.rungs.findIndex(rung => rung.id === props.rungId))
const rung = computed(() => draft.value.rungs[index.value]!)
const name = computed(() => rung.value.label || 'this swing length')
const of = (field: string) => props.editor.errors.of(`scale.rungs.${index.value}.${field}`)

const usualShare = computed(() => {
  const { school } = draft.value
  if (rungSpeedMs(rung.value, school) !== undefined) return 'by its speed'
  const fraction = knownFraction(rung.value.school ?? school, rung.value.label)
  return fraction === undefined ? 'spread evenly' : `usually ${Math.round(fraction * 100)}`
})
const hasBalls = computed(() => props.editor.ballsOf('rungId', props.rungId) > 0)
const flights = FLIGHTS.map(value => ({ value, label: value === 'normal' ? 'normal flight' : `${value} flight` }))

/** Places among the rungs in use; up is longer. */
const places = computed(() => draft.value.rungs.flatMap((one, i) => (one.retired ? [] : [i])))
const place = computed(() => places.value.indexOf(index.value))

/** The flight that is being added, and with which clubs: none is taken unasked. */
const adding = ref<'low' | 'high'>()
const withClubs = ref(new Set<string>())
const clubs = computed(() => draftClubsInUse(draft.value))

function toggle(id: string) {
  const chosen = new Set(withClubs.value)
  if (!chosen.delete(id)) chosen.add(id)
  withClubs.value = chosen
}
function addFlight() {
  props.editor.addFlight(props.rungId, adding.value!, withClubs.value)
  emit('done')
}
function remove() {
  emit('done')
  props.editor.removeRung(props.rungId)
}
</script>

<template>
  <div v-if="rung">
    <div class="flex flex-wrap items-start gap-x-3">
      <UFormField
        label="Swing length"
        :error="of('label')"
        :help="rung.school ? `from ${schoolById(rung.school).title.toLowerCase()}` : ' '"
        class="w-36"
      >
        <UInput
          v-model="rung.label"
          autofocus
          class="w-full"
          :ui="{ base: 'font-bold' }"
          :aria-label="`Name of swing length ${name}`"
        />
      </UFormField>
      <UFormField label="% of full" :error="of('fraction')" help=" " class="w-36">
        <UInput
          v-model="rung.share"
          inputmode="decimal"
          class="w-full"
          :placeholder="usualShare"
          :aria-label="`Share of full of ${name}, per cent`"
        />
      </UFormField>
      <UFormField label="Flight" :error="of('flight')" help=" " class="w-36">
        <FramePlainSelect v-model="rung.flight" :items="flights" :label="`Flight of ${name}`" />
      </UFormField>
    </div>
    <UFormField label="What to look or feel for, in the player's words" :error="of('cue')" help=" ">
      <UInput v-model="rung.cue" class="w-full" placeholder="lead arm level" :aria-label="`Cue of ${name}`" />
    </UFormField>
    <UFormField label="What it feels like, where that is not what is seen" :error="of('feels')" help=" ">
      <UInput v-model="rung.feels" class="w-full" placeholder="pocket" :aria-label="`What ${name} feels like`" />
    </UFormField>
    <fieldset v-if="adding" class="mb-2 border-t border-default pt-3">
      <legend class="sr-only">A {{ adding }} flight of {{ name }}</legend>
      <p class="mb-2 font-semibold">A {{ adding }} {{ name }}: with which clubs?</p>
      <div class="flex flex-wrap gap-2">
        <UButton
          v-for="club in clubs"
          :key="club.id"
          color="neutral"
          :variant="withClubs.has(club.id) ? 'solid' : 'outline'"
          :icon="withClubs.has(club.id) ? 'i-lucide-check' : undefined"
          :aria-pressed="withClubs.has(club.id)"
          @click="toggle(club.id)"
          >{{ club.label || '?' }}</UButton
        >
      </div>
      <div class="mt-3 flex flex-wrap gap-2">
        <UButton :disabled="withClubs.size === 0" @click="addFlight">Add it</UButton>
        <UButton color="neutral" variant="outline" @click="adding = undefined">Cancel</UButton>
      </div>
    </fieldset>
    <div v-else class="flex flex-wrap gap-2">
      <UButton @click="$emit('done')">Done</UButton>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-arrow-up"
        square
        class="size-11 justify-center"
        :disabled="place === places.length - 1"
        :aria-label="`Move ${name} up, among the longer ones`"
        @click="editor.moveRung(rungId, places[place + 1]!)"
      />
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-arrow-down"
        square
        class="size-11 justify-center"
        :disabled="place === 0"
        :aria-label="`Move ${name} down, among the shorter ones`"
        @click="editor.moveRung(rungId, places[place - 1]!)"
      />
      <template v-if="rung.flight === 'normal'">
        <UButton
          v-for="flight in ['low', 'high'] as const"
          :key="flight"
          color="neutral"
          variant="outline"
          :icon="flight === 'low' ? 'i-lucide-arrow-down-right' : 'i-lucide-arrow-up-right'"
          @click="((adding = flight), (withClubs = new Set()))"
          >Add a {{ flight }} one</UButton
        >
      </template>
      <UButton
        color="neutral"
        variant="outline"
        :icon="hasBalls ? 'i-lucide-archive' : 'i-lucide-trash-2'"
        :aria-label="`${hasBalls ? 'Retire' : 'Remove'} ${name}`"
        @click="remove"
        >{{ hasBalls ? 'Retire' : 'Remove' }}</UButton
      >
    </div>
  </div>
</template>
