<script setup lang="ts">
import { approachesOf } from '#shared/rounds'
import type { RoundRecord } from '#shared/schemas/rounds'
import { approachesText } from '#words/rounds'
import { rowErrorText } from '#words/row-faults'
import { Z_80 } from '#core/stats/quantiles'
import { useDistance } from '~/ui/useDistance'
import { useNearestShot } from '~/player/useNearestShot'
import { usePlayerRecord } from '~/offline/stores/record'
import { useRounds } from '~/offline/stores/rounds'
import type { RoundsRead } from '~/features/rounds/rounds-file'
import { shortDate } from '~/ui/dates'
import { serverNowMs } from '~/offline/server-clock'

/** Rounds from a table; nothing is kept before it was seen what it will be. */
const emit = defineEmits<{ take: [rounds: RoundRecord[]] }>()
const record = usePlayerRecord()
const rounds = useRounds()
const { withUnit } = useDistance()
const { nearest } = useNearestShot()
const input = useTemplateRef('input')
const read = shallowRef<RoundsRead>()
const name = ref('')
const fault = ref('')
const open = ref(false)
const MOST_BYTES = 1_000_000
const MOST_GPX_BYTES = 3_000_000
const FAULTS_TOLD = 5

async function choose(event: Event): Promise<void> {
  const target = event.target as HTMLInputElement
  const file = target.files?.[0]
  target.value = ''
  if (!file) return
  name.value = file.name
  read.value = undefined
  fault.value = ''
  open.value = true
  const isGpx = /\.gpx$/i.test(file.name)
  const most = isGpx ? MOST_GPX_BYTES : MOST_BYTES
  if (file.size > most) {
    fault.value = `It has ${Math.round(file.size / 1000)} kB: at most ${most / 1000} kB.`
    return
  }
  const text = await file.text()
  const { roundFromGpx, roundsFromTable } = await import('~/features/rounds/rounds-file')
  const playerId = record.playerId!
  read.value = isGpx
    ? roundFromGpx(text, playerId, serverNowMs(), nearest)
    : roundsFromTable(text, record.bag, playerId, serverNowMs(), id => rounds.known(id) !== undefined)
  if (read.value.rounds.length === 0 && read.value.errors.length === 0)
    fault.value =
      'There is no round in it: a table with round, date and distance_yd or distance_m, or a GPX file, is needed.'
}
function take(): void {
  emit('take', read.value!.rounds)
  open.value = false
}
const approaches = computed(() =>
  (read.value?.rounds ?? []).reduce((sum, round) => sum + approachesOf(round).length, 0),
)
/** The least sure distance of a file of positions; null of any other. */
const worstErrorM = computed(() => {
  const own = (read.value?.rounds ?? []).flatMap(round => approachesOf(round).flatMap(({ errorM }) => errorM ?? []))
  return own.length === 0 ? null : Math.max(...own)
})
const errors = computed(() => read.value?.errors ?? [])
</script>

<template>
  <div>
    <UButton color="neutral" variant="outline" icon="i-lucide-file-spreadsheet" @click="input?.click()"
      >Rounds from a file…</UButton
    >
    <input
      ref="input"
      type="file"
      accept=".csv,.txt,.gpx,text/csv,application/gpx+xml"
      class="sr-only"
      aria-label="File of rounds"
      @change="choose"
    />
    <UModal v-model:open="open" title="Rounds from a file" :description="name">
      <template #body>
        <p v-if="fault" role="alert" class="font-semibold text-error">{{ fault }}</p>
        <template v-else-if="read">
          <p v-if="read.rounds.length > 0" class="font-bold">
            {{ read.rounds.length }} {{ read.rounds.length === 1 ? 'round' : 'rounds' }},
            {{ approachesText(approaches) }}: {{ read.rounds.map(round => shortDate(round.playedAtMs)).join(', ') }}.
          </p>
          <p v-if="read.left" class="mt-2">
            Left out: {{ read.left }} {{ read.left === 1 ? 'shot' : 'shots' }} over 200 yd or under 10.
          </p>
          <p v-if="worstErrorM !== null" class="soft mt-2">
            Distances by position are good to about ± {{ withUnit(Z_80 * worstErrorM) }}. Stock shots are those with the
            nearest number: change the round where it was another.
          </p>
          <p v-if="read.strangers.length > 0" class="mt-2">
            Not in the bag: {{ read.strangers.join(', ') }}. Their approaches count without a stock shot.
          </p>
          <ul v-if="errors.length > 0" class="mt-2 text-error" role="alert">
            <li v-for="(error, i) in errors.slice(0, FAULTS_TOLD)" :key="i">{{ rowErrorText(error) }}.</li>
            <li v-if="errors.length > FAULTS_TOLD">and {{ errors.length - FAULTS_TOLD }} more. They are left out.</li>
            <li v-else>What cannot be read is left out.</li>
          </ul>
        </template>
        <p v-else class="soft" role="status">Reading it…</p>
      </template>
      <template #footer>
        <UButton :disabled="!read || read.rounds.length === 0" @click="take">Take them</UButton>
        <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
      </template>
    </UModal>
  </div>
</template>
