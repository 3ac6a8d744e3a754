<script setup lang="ts">
import { v7 as newId } from 'uuid'
import type { PublishedChart } from '#core/history/published'
import { nearestNumber } from '#core/practice/drill'
import { readApproach } from '#core/rounds/typed-approach'
import { yardsToMetres, type DistanceUnit } from '#core/units'
import { APPROACHES_MAX } from '#shared/limits'
import type { ApproachRecord } from '#shared/schemas/rounds'
import { approachesText, approachFaultText } from '#words/rounds'
import { useOwnDocuments } from '~/offline/useOwnDocuments'
import { dayOfInput, inputDay } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'

/** The player tells a round: it is kept on this phone, sent when there is a network, and waits for the coach's nod. */
const props = defineProps<{ chart: PublishedChart; unit: DistanceUnit; mark: string }>()
const { waiting, refused, failure, add, send, letGo, retry, discard } = useOwnDocuments(
  'own-round',
  'uzzet-own-rounds',
  toRef(() => props.mark),
)
// What the coach's desk has is the coach's to keep.
watch(waiting, () => letGo(() => true))

const lines = useLocalStorage(`uzzet-own-round-${props.mark}`, '')
const day = ref(inputDay(serverNowMs()))
const fault = ref('')
const said = ref('')
const rows = computed(() =>
  lines.value
    .split('\n')
    .map((line, i) => ({ line: line.trim(), n: i + 1 }))
    .filter(({ line }) => line !== '')
    .map(({ line, n }) => ({ n, read: readApproach(line, props.unit) })),
)
/** Stock shots by their published carries: an approach was hit with the nearest until the coach says another. */
const numbers = computed(() =>
  props.chart.cells.flatMap(({ clubId, rungId, carry }) =>
    carry ? [{ clubId, rungId, carryM: yardsToMetres(carry.yd) }] : [],
  ),
)
const NOON_MS = 12 * 3_600_000

function tell() {
  fault.value = ''
  said.value = ''
  const wrong = rows.value.find(({ read }) => 'fault' in read)
  const begins = dayOfInput(day.value)
  if (begins === null || begins > serverNowMs()) fault.value = 'Choose the day it was played.'
  else if (rows.value.length === 0) fault.value = 'Write one approach a line first.'
  else if (rows.value.length > APPROACHES_MAX) fault.value = `At most ${APPROACHES_MAX} approaches are possible.`
  else if (wrong && 'fault' in wrong.read) fault.value = `Line ${wrong.n}: ${approachFaultText(wrong.read, props.unit)}`
  if (fault.value || begins === null) return
  const approaches = rows.value.flatMap(({ read }): ApproachRecord[] => {
    if ('fault' in read) return []
    const near = numbers.value.length > 0 ? nearestNumber(numbers.value, read.distanceM) : null
    return [{ ...read, ...(near && { clubId: near.clubId, rungId: near.rungId }), id: newId(), version: 1 }]
  })
  add({
    id: newId(),
    name: '',
    kind: 'casual',
    playedAtMs: Math.min(begins + NOON_MS, serverNowMs()),
    approaches,
    gone: false,
    version: 1,
  })
  said.value = `${approachesText(approaches.length)} kept. Your coach decides whether they count.`
  lines.value = ''
}
</script>

<template>
  <details class="raised mt-5 px-4 py-1">
    <summary class="flex min-h-11 cursor-pointer items-center text-xl font-bold">Log a round</summary>
    <form class="space-y-3 pt-1 pb-3" novalidate @submit.prevent="tell">
      <UFormField label="Played on"><UInput v-model="day" type="date" class="w-40" /></UFormField>
      <UFormField
        :label="`Approaches, one a line, ${unit}`"
        help="95 -8 3r: from 95, it finished 8 short and 3 right. Also: on, rough, sand, penalty."
        :error="fault || undefined"
      >
        <UTextarea
          v-model="lines"
          :rows="4"
          autoresize
          :maxrows="20"
          placeholder="95 -8 3r&#10;72 on"
          class="w-full font-bold"
          spellcheck="false"
        />
      </UFormField>
      <UButton type="submit" icon="i-lucide-send">Send it to the coach</UButton>
      <p v-if="said" role="status">{{ said }}</p>
      <p v-if="waiting > 0" class="soft flex flex-wrap items-center gap-2 text-sm">
        <UIcon name="i-lucide-cloud-off" /> {{ waiting }} {{ waiting === 1 ? 'round' : 'rounds' }} kept on this phone.
        {{ failure }}
        <UButton size="sm" color="neutral" variant="outline" @click="send">Send now</UButton>
      </p>
      <p v-for="one in refused" :key="one.seq" role="alert" class="flex flex-wrap items-center gap-2 text-error">
        <span class="min-w-0 flex-1">A round was not taken: {{ one.why }}</span>
        <UButton size="sm" color="neutral" variant="outline" @click="retry(one.seq)">Try again</UButton>
        <UButton size="sm" color="neutral" variant="outline" @click="discard(one.seq)">Discard</UButton>
      </p>
    </form>
  </details>
</template>
