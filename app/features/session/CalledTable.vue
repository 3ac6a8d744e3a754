<script setup lang="ts">
import { doesCount } from '#core/shot/shot'
import { calledOffM } from '#core/session/called'
import type { ShotRecord } from '#shared/schemas/session'
import { offText, plusText } from '#words/called'
import { useNamedByPick } from '~/features/session/useNamedByPick'
import type { SessionBalls } from '~/player/useSessionBalls'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'

/** Called shots of a session: what was called, where it pitched, and what Pick would have named. */
const props = defineProps<{ shots: readonly ShotRecord[]; session: SessionBalls }>()
const { unit, text } = useDistance()
const { cellName } = useCellNames()
const { namedFor } = useNamedByPick(props.session)
const rows = computed(() => props.shots.filter(shot => shot.taken?.called && doesCount(shot)))
const calledOf = (shot: ShotRecord) => {
  const plus = plusText(shot.taken!.called!.plusM, unit.value)
  return plus ? `${cellName(shot)}, ${plus}` : cellName(shot)
}
/** By the target as it is read. */
const named = ref(new Map<string, string>())
const failure = ref('')
watch(
  () => [unit.value, ...rows.value.map(shot => text(shot.taken!.called!.targetM))].join(' '),
  async () => {
    failure.value = ''
    const found = new Map<string, string>()
    try {
      for (const shot of rows.value) {
        const { targetM } = shot.taken!.called!
        if (!found.has(text(targetM))) found.set(text(targetM), await namedFor(targetM))
      }
    } catch (error) {
      failure.value = (error as Error).message
    }
    named.value = found
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="rows.length > 0" class="overflow-x-auto">
    <table class="w-full text-left">
      <caption class="soft text-left text-sm">
        Called shots
      </caption>
      <thead class="soft text-sm">
        <tr>
          <th scope="col" class="pr-3 font-normal">Target, {{ unit }}</th>
          <th scope="col" class="pr-3 font-normal">Called</th>
          <th scope="col" class="pr-3 font-normal">Pitched</th>
          <th scope="col" class="font-normal">Pick</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="shot in rows" :key="shot.id" class="border-t border-default align-top">
          <td class="pr-3 font-bold">{{ text(shot.taken!.called!.targetM) }}</td>
          <td class="pr-3">{{ calledOf(shot) }}</td>
          <td class="pr-3">{{ offText(calledOffM(shot.taken!.called!, shot.carryM), unit) }}</td>
          <td>{{ named.get(text(shot.taken!.called!.targetM)) || '–' }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="failure" role="alert" class="text-sm text-error">Pick could not be asked: {{ failure }}</p>
  </div>
</template>
