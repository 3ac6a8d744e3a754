<script setup lang="ts">
import type { Finding } from '#core/gaps/flag'
import { rungName } from '#core/swing/scale'
import { flagText } from '#words/flags'
import { effectText, remedyText } from '#words/what-if'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { useWhatIf } from '~/features/gaps/useWhatIf'
import { usePlayerRecord } from '~/offline/stores/record'
import FrameLinesSkeleton from '~/ui/frame/LinesSkeleton.vue'

/** What could be done about one flag, cheapest first, each with what it would change. */
const props = defineProps<{ finding: Finding }>()
const open = defineModel<boolean>('open', { required: true })
const record = usePlayerRecord()
const { unit } = useDistance()
const { cellName, clubLabel } = useCellNames()
const { today, remedies, failure, newRungs, help } = useWhatIf()
watch(
  () => props.finding,
  finding => help(finding),
  { immediate: true },
)
const title = computed(() => flagText(props.finding, { cell: cellName, club: clubLabel }, unit.value).title)
const names = computed(() => {
  const own = new Map(record.bag.scale.rungs.map(rung => [rung.id, rungName(rung)]))
  const more = new Map(newRungs.value.map(rung => [rung.id, rung.label]))
  return { cell: cellName, club: clubLabel, rung: (id: string) => more.get(id) ?? own.get(id) ?? '?' }
})
</script>

<template>
  <USlideover
    v-model:open="open"
    :title="title"
    description="What would help, cheapest first, each worked out with this player's own balls."
  >
    <template #body>
      <p v-if="failure" role="alert" class="raised flex flex-wrap items-center gap-3 p-3">
        {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="help(finding)">Try again</UButton>
      </p>
      <FrameLinesSkeleton v-else-if="!remedies || !today" />
      <p v-else-if="remedies.length === 0">
        Nothing that was tried helps: another club, loft or swing length leaves no less there. More balls may change
        that.
      </p>
      <ol v-else class="space-y-3">
        <li v-for="(remedy, i) in remedies" :key="remedy.kind" class="raised p-3">
          <p class="font-bold">{{ i + 1 }}. {{ remedyText(remedy, names, unit) }}</p>
          <p class="mt-0.5">
            <UIcon v-if="remedy.settlesFlag" name="i-lucide-check" class="text-success" />
            {{ effectText(remedy, unit) }}
          </p>
          <UButton
            v-if="remedy.whatIf"
            size="sm"
            color="neutral"
            variant="outline"
            class="mt-2"
            icon="i-lucide-flask-conical"
            :to="{ path: `/players/${record.playerId}/gaps/what-if`, query: { bag: JSON.stringify(remedy.whatIf) } }"
            >Look at it in What if</UButton
          >
        </li>
      </ol>
    </template>
  </USlideover>
</template>
