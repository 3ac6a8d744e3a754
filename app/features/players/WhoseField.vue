<script setup lang="ts">
import type { Person } from '#shared/academy'
import { mayDo } from '#shared/rights'
import { api } from '~/offline/api'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** Whose player it is: handed to a colleague by choosing another. Not there where nobody else teaches. */
const coachId = defineModel<string | null>({ required: true })
const people = shallowRef<Person[]>([])
const teachers = computed(() =>
  people.value
    .filter(({ id, role, left }) => id === coachId.value || (!left && mayDo(role, 'teach')))
    .map(({ id, name }) => ({ value: id, label: name })),
)
const chosen = computed({
  get: () => coachId.value ?? '',
  set: id => {
    coachId.value = id
  },
})
onMounted(async () => {
  try {
    people.value = (await api('/api/academy/people')).people
  } catch (error) {
    // Nobody is handed over without a list; the rest of the form does not need it.
    console.error('people:', error)
  }
})
</script>

<template>
  <UFormField v-if="teachers.length > 1" label="Coach" help="Another coach takes the player over.">
    <FramePlainSelect v-model="chosen" :items="teachers" label="Coach" />
  </UFormField>
</template>
