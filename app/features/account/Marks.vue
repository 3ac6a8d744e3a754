<script setup lang="ts">
import { BETWEEN_MARKS, MARK_MAX, OWN_MARKS_MAX } from '#core/limits'
import { MARKS } from '#shared/marks'
import { useAccount } from '~/offline/stores/account'

/** Marks of this coach's own, for what the others do not say: a drill, a thought, a club of a trial. */
const account = useAccount()
const toast = useToast()
const marks = computed(() => account.settings.marks ?? [])
const fresh = ref('')
const fault = ref('')
const busy = ref(false)

async function set(next: string[], said: string) {
  busy.value = true
  fault.value = ''
  try {
    await account.setSettings({ marks: next })
    toast.add({ title: said, color: 'success' })
  } catch (error) {
    fault.value = (error as Error).message
  } finally {
    busy.value = false
  }
}

async function add() {
  const mark = fresh.value.trim()
  const all: string[] = [...MARKS, ...marks.value].map(one => one.toLowerCase())
  if (mark === '' || mark.length > MARK_MAX) fault.value = `A mark has 1 to ${MARK_MAX} characters.`
  else if (mark.includes(BETWEEN_MARKS)) fault.value = `"${mark}" is not possible: it cannot have a "${BETWEEN_MARKS}".`
  else if (all.includes(mark.toLowerCase())) fault.value = `"${mark}" is there already.`
  else if (marks.value.length >= OWN_MARKS_MAX) fault.value = `At most ${OWN_MARKS_MAX} marks of your own are possible.`
  else {
    await set([...marks.value, mark], `Mark "${mark}" added`)
    if (!fault.value) fresh.value = ''
  }
}
</script>

<template>
  <section id="marks" class="raised mt-6 scroll-mt-20 p-5" aria-labelledby="marks-title">
    <h2 id="marks-title" class="text-xl font-bold">Marks of your own</h2>
    <p class="soft mb-3">One tap on the range. A ball with such a mark counts as any other.</p>
    <ul v-if="marks.length > 0" class="mb-3 flex flex-wrap gap-2">
      <li v-for="mark in marks" :key="mark" class="raised flex items-center gap-1 py-0.5 pl-3">
        {{ mark }}
        <UButton
          color="neutral"
          variant="ghost"
          icon="i-lucide-x"
          :disabled="busy"
          :aria-label="`Remove the mark ${mark}`"
          @click="
            set(
              marks.filter(other => other !== mark),
              `Mark &quot;${mark}&quot; removed; balls that have it keep it`,
            )
          "
        />
      </li>
    </ul>
    <form class="flex items-start gap-2" novalidate @submit.prevent="add">
      <UFormField :error="fault || undefined" help=" " class="min-w-0 flex-1"
        ><UInput
          v-model="fresh"
          :maxlength="MARK_MAX + 10"
          placeholder="ball above feet"
          aria-label="New mark"
          class="w-full"
      /></UFormField>
      <UButton type="submit" :loading="busy">Add it</UButton>
    </form>
  </section>
</template>
