<script setup lang="ts">
import { v7 as newId } from 'uuid'
import type { PickedShot } from '#core/pick/picked'
import { howText, pickName } from '#words/pick'
import { endedTexts, keptText } from '#words/kept-pick'
import { useDistance } from '~/ui/useDistance'
import { KEPT_MOST, type KeptPick } from '~/player/kept-picks'
import { clockTime } from '~/ui/dates'

/** One tap keeps the shot with where it ended: on this device, without a network too. Each can be taken back. */
const props = defineProps<{ owner: string; pick: PickedShot | null; targetM: number | null }>()
const { unit, from } = useDistance()
const toast = useToast()
const kept = useLocalStorage<KeptPick[]>(`uzzet-round-${props.owner}`, [])
const ENDS = ['fine', 'short', 'long', 'left', 'right'] as const
const off = ref('')
const offFault = computed(() =>
  off.value === '' || /^\d{1,2}$/.test(off.value) ? '' : `"${off.value}" is not possible: 0 to 99 ${unit.value}.`,
)

function keep(ended: KeptPick['ended']) {
  const { pick, targetM } = props
  if (!pick || targetM === null || offFault.value) return
  const { clubId, rungId } = pick
  const one: KeptPick = {
    id: newId(),
    atMs: Date.now(),
    targetM,
    clubId,
    rungId,
    shot: pickName(pick),
    how: howText(pick, unit.value),
    ended,
    offM: off.value === '' || ended === 'fine' ? null : from(Number(off.value)),
  }
  kept.value = [one, ...kept.value].slice(0, KEPT_MOST)
  off.value = ''
  toast.add({
    title: keptText(one, unit.value),
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => drop(one.id) }],
  })
}
function drop(id: string) {
  kept.value = kept.value.filter(one => one.id !== id)
}
const SHOWN = 5
const newest = computed(() => kept.value.slice(0, SHOWN))
</script>

<template>
  <section aria-label="Shots kept">
    <div class="flex flex-wrap items-center gap-2" role="group" aria-labelledby="kept-title">
      <span class="flex w-full items-center gap-3"
        ><span id="kept-title" class="font-semibold">Where it ended</span>
        <label class="flex items-center gap-1.5 text-sm"
          >by<UInput v-model="off" inputmode="numeric" class="w-14" :aria-label="`Off by so many ${unit}`" />{{
            unit
          }}</label
        ></span
      >
      <UButton
        v-for="end in ENDS"
        :key="end"
        color="neutral"
        variant="outline"
        class="px-3"
        :disabled="!pick"
        @click="keep(end)"
        >{{ endedTexts[end] }}</UButton
      >
      <p v-if="offFault" role="alert" class="w-full text-sm font-semibold text-error">{{ offFault }}</p>
    </div>
    <ol v-if="newest.length > 0" class="soft mt-2 space-y-1 text-sm">
      <li v-for="one in newest" :key="one.id" class="flex items-center gap-2">
        <span class="min-w-0 flex-1 truncate">{{ clockTime(one.atMs) }}: {{ keptText(one, unit) }}</span>
        <UButton
          size="sm"
          color="neutral"
          variant="ghost"
          icon="i-lucide-x"
          :aria-label="`Take back: ${keptText(one, unit)}`"
          @click="drop(one.id)"
        />
      </li>
    </ol>
  </section>
</template>
