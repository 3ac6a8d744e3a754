<script setup lang="ts">
import { plusText } from '#words/called'
import type { useCalling } from '~/features/session/useCalling'
import { useDistance } from '~/ui/useDistance'

/** The coach names a target, the player a stock shot and plus or minus; then it is hit. */
const props = defineProps<{ calling: ReturnType<typeof useCalling>; shot: string; numberM: number | null }>()
const { unit, unitWord, from, withUnit } = useDistance()
const { call, called, fault, rangeTargets, draw } = props.calling
const ways = computed(() => [
  { value: 'typed' as const, label: 'I name it' },
  { value: 'random' as const, label: 'Drawn between' },
  ...(rangeTargets.value.length > 0 ? [{ value: 'range' as const, label: "One of the range's" }] : []),
])
const MOST_PLUS = 20
const step = (by: number) => {
  call.value.plus = Math.min(MOST_PLUS, Math.max(-MOST_PLUS, call.value.plus + by))
}
const plus = computed(() => plusText(from(call.value.plus), unit.value) || 'as it is')
const meant = computed(() =>
  props.numberM === null || !called.value ? '' : `makes ${withUnit(props.numberM + called.value.plusM)}`,
)
</script>

<template>
  <section class="raised space-y-2 px-3 py-2" aria-label="Called shot">
    <div class="flex flex-wrap items-end gap-x-3 gap-y-2">
      <USelect v-model="call.from" :items="ways" aria-label="How the target is named" class="w-40" />
      <template v-if="call.from === 'random'">
        <UInput v-model="call.least" inputmode="decimal" aria-label="Between, near end" class="w-16" />
        <span class="self-center">and</span>
        <UInput v-model="call.most" inputmode="decimal" aria-label="Between, far end" class="w-16" />
      </template>
      <label class="flex items-center gap-2"
        ><span class="soft text-sm">Target, {{ unitWord }}</span
        ><UInput v-model="call.target" inputmode="decimal" size="xl" class="w-24" :ui="{ base: 'font-extrabold' }"
      /></label>
      <UButton
        v-if="call.from !== 'typed'"
        color="neutral"
        variant="outline"
        icon="i-lucide-dices"
        aria-label="Another target"
        @click="draw"
      />
    </div>
    <div class="flex flex-wrap items-center gap-2">
      <span class="font-bold">{{ shot }},</span>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-minus"
        :aria-label="`One ${unit} less`"
        @click="step(-1)"
      />
      <span class="min-w-20 text-center font-bold" role="status">{{ plus }}</span>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-plus"
        :aria-label="`One ${unit} more`"
        @click="step(1)"
      />
      <span class="soft">{{ meant }}</span>
    </div>
    <p v-if="fault" class="font-semibold text-error" role="alert">{{ fault }}</p>
  </section>
</template>
