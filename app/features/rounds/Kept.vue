<script setup lang="ts">
import { approachesOf } from '#shared/rounds'
import type { RoundRecord } from '#shared/schemas/rounds'
import { approachesText } from '#words/rounds'
import { useCourseBalls } from '~/features/rounds/useCourseBalls'
import { shortDate } from '~/ui/dates'

/** A round that was kept: mended, deleted, or its clean balls let into the chart. */
const props = defineProps<{ round: RoundRecord }>()
defineEmits<{ edit: []; drop: [] }>()
const { canCount, counting, count, takeBack } = useCourseBalls()
const toast = useToast()
const can = computed(() => canCount(props.round).length)
const counts = computed(() => counting(props.round).length)
const busy = ref(false)
async function act(work: (round: RoundRecord) => Promise<void>) {
  busy.value = true
  try {
    await work(props.round)
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
  } finally {
    busy.value = false
  }
}
const name = computed(() =>
  [props.round.name || 'Round', props.round.kind === 'competition' && 'competition'].filter(Boolean).join(', '),
)
const letCount = computed(() => (counts.value > 0 ? 'leave them on the course' : `count ${can.value} for the chart`))
const day = computed(() => shortDate(props.round.playedAtMs))
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
    <span class="min-w-0 flex-1 basis-40 leading-tight"
      ><b class="block">{{ day }}, {{ name }}</b
      ><span class="soft flex flex-wrap items-center gap-x-2 text-sm"
        >{{ approachesText(approachesOf(round).length)
        }}<template v-if="counts > 0">, {{ counts }} count for the chart</template>
        <button
          v-if="can > 0 || counts > 0"
          type="button"
          class="min-h-11 underline decoration-dotted underline-offset-4 hover:decoration-solid"
          :disabled="busy"
          :aria-label="`${letCount}, ${day}`"
          @click="act(counts > 0 ? takeBack : count)"
        >
          {{ letCount }}
        </button></span
      ></span
    >
    <UButton
      color="neutral"
      variant="outline"
      icon="i-lucide-pencil"
      :aria-label="`Change the round of ${day}`"
      @click="$emit('edit')"
    />
    <UButton
      color="neutral"
      variant="outline"
      icon="i-lucide-trash-2"
      :aria-label="`Delete the round of ${day}`"
      @click="$emit('drop')"
    />
  </div>
</template>
