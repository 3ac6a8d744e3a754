<script setup lang="ts">
import type { Guardian } from '#shared/schemas/player'
import { dayOfInput, inputDay } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'

/** Whether somebody under age is logged, and which parent or guardian has agreed on which day. */
defineProps<{ error?: string }>()
const guardian = defineModel<Guardian | null>({ required: true })

const isMinor = computed({
  get: () => guardian.value !== null,
  set: minor => {
    guardian.value = minor ? { name: '', agreedAtMs: null } : null
  },
})
const name = computed({
  get: () => guardian.value?.name ?? '',
  set: text => {
    guardian.value = { agreedAtMs: null, ...guardian.value, name: text }
  },
})
const day = computed({
  get: () => (guardian.value?.agreedAtMs == null ? '' : inputDay(guardian.value.agreedAtMs)),
  set: text => {
    guardian.value = { name: '', ...guardian.value, agreedAtMs: text ? dayOfInput(text) : null }
  },
})
</script>

<template>
  <fieldset>
    <UCheckbox v-model="isMinor" label="Under age: a parent or guardian agrees to the record" class="py-2" />
    <template v-if="isMinor">
      <div class="mt-1 grid grid-cols-[minmax(0,1fr)_10.5rem] gap-3">
        <UFormField label="Who agreed" :error="error"
          ><UInput v-model="name" autocomplete="off" class="w-full"
        /></UFormField>
        <UFormField label="On"
          ><UInput v-model="day" type="date" :max="inputDay(serverNowMs())" class="w-full"
        /></UFormField>
      </div>
      <p class="soft mt-1 text-sm">
        <template v-if="guardian?.agreedAtMs == null"
          >Until a date is entered here, links to the player’s phone open nothing.</template
        ><template v-else>Clear the date if they take it back: links open nothing from then on.</template>
        The law where you are comes first.
      </p>
    </template>
  </fieldset>
</template>
