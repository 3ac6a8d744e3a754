<script setup lang="ts">
/** Shown at the start of a session and before pacing. Can be folded, never hidden for good. */
const props = defineProps<{ pacing?: boolean }>()
const folded = ref(false)
const first = computed(() =>
  props.pacing
    ? 'Do not walk out while anyone hits: wait until whoever runs the range stops the bay line.'
    : 'Nobody goes beyond the line while anyone hits.',
)
</script>

<template>
  <aside class="raised border-l-4! border-l-(--weak-fill)! px-4 py-2" aria-label="Safety">
    <div class="flex items-center gap-3">
      <UIcon name="i-lucide-shield-alert" class="size-5 shrink-0 text-warning" />
      <p class="min-w-0 flex-1 font-semibold">{{ first }}</p>
      <UButton color="neutral" variant="ghost" size="sm" :aria-expanded="!folded" @click="folded = !folded">{{
        folded ? 'More' : 'Less'
      }}</UButton>
    </div>
    <p v-if="!folded" class="soft mt-1 pb-1">
      Balls at head height happen: keep people behind the line. Warm up; stop on pain in the back, wrist or elbow. Leave
      at the first thunder. The range's own rules, and the word of a doctor or physiotherapist, come before this
      program's.
    </p>
  </aside>
</template>
