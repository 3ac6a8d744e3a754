<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { CHANGES_MAX } from '#core/limits'
import { CHANGE_KINDS, type ChangeKind } from '#core/model/constants'
import type { Thresholds } from '#shared/schemas/player'
import { changeTexts, markedText, noRetestText, retestBallsText, retestDueText, retestWhyText } from '#words/retest'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { useThresholds } from '~/player/useThresholds'
import { usePlayerRecord } from '~/offline/stores/record'
import { dayOfInput, inputDay, shortDate } from '~/ui/dates'
import { retestQuery } from '~/player/settle'
import { serverNowMs } from '~/offline/server-clock'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** When to test again, why, with which few balls; and the days on which something was changed. */
const record = usePlayerRecord()
const { changeThresholds } = useThresholds()
const { retest, retestDueMs, known } = useNumbers()
const { cellName } = useCellNames()
const toast = useToast()

const isLate = computed(() => retestDueMs.value !== null && retestDueMs.value <= serverNowMs())
const due = computed(() =>
  retest.value && retestDueMs.value !== null
    ? retestDueText(retest.value, shortDate(retestDueMs.value), isLate.value)
    : '',
)

type Mark = NonNullable<Thresholds['changes']>[number]
const marks = computed(() => [...(record.player?.thresholds.changes ?? [])].sort((a, b) => b.atMs - a.atMs))
const kinds = CHANGE_KINDS.map(value => ({ value, label: changeTexts[value].name }))
const kind = ref<ChangeKind>('swing')
const day = ref(inputDay(serverNowMs()))
const fault = ref('')
const isMarking = ref(false)

async function keep(next: readonly Mark[], title: string, before: readonly Mark[]) {
  const put = (list: readonly Mark[]) => changeThresholds({ changes: list.length > 0 ? [...list] : undefined })
  try {
    await put(next)
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
    return
  }
  toast.add({
    title,
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void put(before).catch((error: Error) => toast.add({ title: error.message, color: 'error' })),
      },
    ],
  })
}
async function mark() {
  fault.value = ''
  const atMs = dayOfInput(day.value)
  if (atMs === null) fault.value = `"${day.value}" is no day.`
  else if (atMs > serverNowMs()) fault.value = 'That day lies in the future: mark it when it has come.'
  else if (marks.value.length >= CHANGES_MAX) fault.value = `At most ${CHANGES_MAX} marks: remove one first.`
  else if (marks.value.some(one => one.kind === kind.value && inputDay(one.atMs) === day.value))
    fault.value = 'That is marked already.'
  if (fault.value || atMs === null) return
  isMarking.value = false
  const title = `${changeTexts[kind.value].name} marked`
  await keep([...marks.value, { atMs, kind: kind.value }], title, marks.value)
}
const takeAway = (one: Mark) =>
  keep(
    marks.value.filter(other => other !== one),
    'Mark removed',
    marks.value,
  )

async function toCalendar() {
  const player = record.player!.name
  const { downloadCalendar } = await import('~/player/practice-calendar')
  downloadCalendar(player, [], [{ atMs: retestDueMs.value!, what: `Retest: ${player}` }])
}
</script>

<template>
  <section aria-labelledby="retest-title">
    <h2 id="retest-title" class="text-xl font-bold">Retest</h2>
    <template v-if="retest && due">
      <p class="mt-1" :class="isLate && 'font-semibold'">
        <UIcon v-if="isLate" name="i-lucide-calendar-clock" class="mr-1 align-[-0.15em] text-(--weak)" />{{ due }}
      </p>
      <template v-if="retest.balls.length > 0">
        <p class="mt-1">{{ retestBallsText(retest) }}</p>
        <ol class="raised mt-2 divide-y divide-default">
          <li v-for="one in retest.balls" :key="cellKey(one)" class="flex items-baseline gap-3 px-4 py-1.5">
            <span class="w-8 shrink-0 text-lg font-extrabold whitespace-nowrap">{{ one.balls }} ×</span>
            <span class="min-w-0 flex-1 leading-snug"
              ><b class="mr-2">{{ cellName(one) }}</b
              ><span class="soft text-sm">{{ retestWhyText(one.others, cellName) }}</span></span
            >
          </li>
        </ol>
        <div class="mt-3 flex flex-wrap gap-2">
          <UButton
            icon="i-lucide-target"
            :variant="isLate ? 'solid' : 'outline'"
            :to="{ path: `/players/${record.playerId}/session`, query: retestQuery(retest.balls) }"
            >Retest on the range</UButton
          >
          <UButton color="neutral" variant="outline" icon="i-lucide-calendar-plus" @click="toCalendar"
            >To the calendar</UButton
          >
        </div>
      </template>
    </template>
    <p v-else-if="known" class="soft mt-1">{{ noRetestText() }}</p>

    <ul v-if="marks.length > 0" class="mt-4 space-y-1">
      <li v-for="one in marks" :key="`${one.kind} ${one.atMs}`" class="flex items-center gap-3">
        <span class="min-w-0 flex-1">{{ markedText(one.kind, shortDate(one.atMs)) }}</span>
        <UButton
          color="neutral"
          variant="outline"
          icon="i-lucide-x"
          :aria-label="`Remove: ${changeTexts[one.kind].name}, ${shortDate(one.atMs)}`"
          @click="takeAway(one)"
        />
      </li>
    </ul>
    <UButton
      v-if="!isMarking"
      class="mt-3"
      color="neutral"
      variant="outline"
      icon="i-lucide-flag-triangle-right"
      @click="isMarking = true"
      >Something has changed…</UButton
    >
    <form v-else class="raised mt-3 space-y-3 p-4" @submit.prevent="mark">
      <div class="flex flex-wrap gap-3">
        <UFormField label="What has changed"
          ><FramePlainSelect v-model="kind" label="What has changed" :items="kinds" class="w-52"
        /></UFormField>
        <UFormField label="From" :error="fault || undefined"
          ><UInput v-model="day" type="date" class="w-40"
        /></UFormField>
      </div>
      <p class="soft">
        {{ changeTexts[kind].what }} Balls before that day count for less; those from that day on count in full.
      </p>
      <div class="flex gap-2">
        <UButton type="submit">Mark it</UButton>
        <UButton color="neutral" variant="outline" @click="isMarking = false">Cancel</UButton>
      </div>
    </form>
  </section>
</template>
