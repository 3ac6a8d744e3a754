<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { cellKey, clubsInUse, rungsInUse } from '#core/bag/bag'
import type { Approach } from '#core/rounds/approach'
import { approachLine, readApproach } from '#core/rounds/typed-approach'
import { rungName } from '#core/swing/scale'
import { approachesOf } from '#shared/rounds'
import { APPROACHES_MAX, ROUND_NAME_MAX } from '#shared/limits'
import type { ApproachRecord, RoundRecord } from '#shared/schemas/rounds'
import { approachFaultText, finishText } from '#words/rounds'
import { stockShotName } from '#words/stock-shot'
import { useDistance } from '~/ui/useDistance'
import { useNearestShot } from '~/player/useNearestShot'
import { usePlayerRecord } from '~/offline/stores/record'
import { dayOfInput, inputDay } from '~/ui/dates'
import type { KeptPick } from '~/player/kept-picks'
import { serverNowMs } from '~/offline/server-clock'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/**
 * A round as it is told afterwards: one approach a line, the stock shot taken for the nearest number until somebody
 * says another. What is half typed stays.
 */
const props = defineProps<{ round?: RoundRecord }>()
const emit = defineEmits<{ put: [round: RoundRecord]; cancel: [] }>()
const record = usePlayerRecord()
const { unit, text } = useDistance()
const { nearest } = useNearestShot()

const NO_SHOT = 'none'
const shots = computed(() => [
  { value: NO_SHOT, label: 'Another shot' },
  ...clubsInUse(record.bag).flatMap(club =>
    rungsInUse(record.bag).map(rung => ({
      value: cellKey({ clubId: club.id, rungId: rung.id }),
      label: stockShotName(club.label, rungName(rung)),
    })),
  ),
])
const nearestKey = (distanceM: number) => {
  const shot = nearest(distanceM)
  return shot ? cellKey(shot) : NO_SHOT
}

interface Draft {
  name: string
  day: string
  competition: boolean
  lines: string
  /** The stock shot that somebody said, by the line itself: a line put before it takes nothing away. */
  said: Record<string, string>
  /** Shots of Pick that these lines were made of. */
  picked: string[]
}
const shotOf = ({ clubId, rungId }: Approach) => (clubId && rungId ? cellKey({ clubId, rungId }) : NO_SHOT)
/** Lines by their own text; the second of two alike is another one. */
function named(lines: readonly string[]): string[] {
  const seen = new Map<string, number>()
  return lines.map(line => {
    const n = (seen.get(line) ?? 0) + 1
    seen.set(line, n)
    return n === 1 ? line : `${line} #${n}`
  })
}
function draftOf(round: RoundRecord | undefined): Draft {
  const standing = round ? approachesOf(round) : []
  const lines = standing.map(one => approachLine(one, unit.value))
  return {
    name: round?.name ?? '',
    day: inputDay(round?.playedAtMs ?? serverNowMs()),
    competition: round?.kind === 'competition',
    lines: lines.join('\n'),
    said: Object.fromEntries(named(lines).map((name, i) => [name, shotOf(standing[i]!)])),
    picked: [],
  }
}
/** A round that was kept is another one to mend: its old draft is none of it. */
const place = props.round ? `${props.round.id}-${props.round.version}` : record.playerId
const draft = useSessionStorage<Draft>(`uzzet-round-draft-${place}`, draftOf(props.round))
/** Lines as they were typed, before the other unit wrote them anew. */
const typedAs = shallowRef<{ unit: string; lines: string; said: Draft['said']; anew: string }>()
// What was typed in yards stays the same distance in metres; and back, to the letter.
watch(unit, (now, was) => {
  const known = typedAs.value
  if (known?.unit === now && known.anew === draft.value.lines) {
    draft.value = { ...draft.value, lines: known.lines, said: known.said }
    return
  }
  const before = draft.value.lines.split('\n')
  const after = before.map(line => {
    const one = readApproach(line, was)
    return 'fault' in one ? line : approachLine(one, now)
  })
  const [old, fresh] = [named(before.map(line => line.trim())), named(after.map(line => line.trim()))]
  const said = old.flatMap((name, i) => {
    const key = draft.value.said[name]
    return key === undefined ? [] : [[fresh[i]!, key] as const]
  })
  const anew = after.join('\n')
  typedAs.value = { unit: was, lines: draft.value.lines, said: draft.value.said, anew }
  draft.value = { ...draft.value, lines: anew, said: Object.fromEntries(said) }
})

const rows = computed(() => {
  const filled = draft.value.lines
    .split('\n')
    .map((line, i) => ({ line: line.trim(), n: i + 1 }))
    .filter(({ line }) => line !== '')
  const names = named(filled.map(({ line }) => line))
  return filled.map(({ line, n }, i) => ({ n, name: names[i]!, read: readApproach(line, unit.value) }))
})
const faults = computed(() =>
  rows.value.flatMap(({ n, read }) =>
    'fault' in read ? [{ n, text: `Line ${n}: ${approachFaultText(read, unit.value)}` }] : [],
  ),
)
const read = computed(() =>
  rows.value.flatMap(({ name, read: one }) => ('fault' in one ? [] : [{ name, one, key: keyOf(name, one.distanceM) }])),
)
function keyOf(name: string, distanceM: number): string {
  const said = draft.value.said[name]
  return said && shots.value.some(({ value }) => value === said) ? said : nearestKey(distanceM)
}
const say = (name: string, key: string) => {
  draft.value.said = { ...draft.value.said, [name]: key }
}

/** Shots kept in Pick on this device. */
const kept = useLocalStorage<KeptPick[]>(`uzzet-round-${record.playerId}`, [])
const open = computed(() => kept.value.filter(({ id }) => !draft.value.picked.includes(id)))
const SIGNS: Partial<Record<KeptPick['ended'], (figure: string) => string>> = {
  short: figure => `-${figure}`,
  long: figure => `+${figure}`,
  left: figure => `${figure}l`,
  right: figure => `${figure}r`,
}
function takePicked() {
  const newest = [...open.value].reverse()
  const lines = newest.map(({ targetM, ended, offM }) =>
    [text(targetM), offM === null ? '' : (SIGNS[ended]?.(text(offM)) ?? '')].filter(Boolean).join(' '),
  )
  const all = [...draft.value.lines.split('\n').map(line => line.trim()), ...lines].filter(Boolean)
  const names = named(all).slice(-lines.length)
  draft.value = {
    ...draft.value,
    lines: all.join('\n'),
    said: { ...draft.value.said, ...Object.fromEntries(newest.map((one, i) => [names[i]!, cellKey(one)])) },
    picked: [...draft.value.picked, ...newest.map(({ id }) => id)],
  }
}

const fault = ref('')
const NOON_MS = 12 * 3_600_000
function save() {
  const { name, day, competition, picked } = draft.value
  // On the same day it stays where it stood among the others.
  const isSameDay = props.round && inputDay(props.round.playedAtMs) === day
  const playedAtMs = isSameDay ? props.round.playedAtMs : (dayOfInput(day) ?? Number.NaN) + NOON_MS
  fault.value = ''
  if (Number.isNaN(playedAtMs)) fault.value = `"${day}" is no day.`
  else if (inputDay(playedAtMs) > inputDay(serverNowMs())) fault.value = 'The round lies in the future.'
  else if (read.value.length === 0) fault.value = 'Write one approach a line first.'
  else if (read.value.length > APPROACHES_MAX)
    fault.value = `${read.value.length} approaches are not possible: at most ${APPROACHES_MAX} in a round.`
  if (fault.value || faults.value.length > 0) return
  // A line that stands as it was is the same approach; what was written otherwise is a new one.
  const before = props.round ? approachesOf(props.round) : []
  const wasNamed = named(before.map(one => approachLine(one, unit.value)))
  const was = new Map(wasNamed.map((lineName, i) => [lineName, before[i]!]))
  const now = read.value.map(({ name: lineName, one, key }): ApproachRecord => {
    const [clubId, rungId] = key === NO_SHOT ? [] : key.split('/')
    const known = was.get(lineName)
    was.delete(lineName)
    const { clubId: _club, rungId: _rung, ...figures } = known ?? one
    const next = { ...figures, ...(clubId && rungId && { clubId, rungId }) }
    return { ...next, id: known?.id ?? newId(), version: (known?.version ?? 0) + 1 }
  })
  const taken = [...was.values()].map((one): ApproachRecord => ({ ...one, gone: true, version: one.version + 1 }))
  emit('put', {
    id: props.round?.id ?? newId(),
    name: name.trim(),
    kind: competition ? 'competition' : 'casual',
    // Noon of a day that is not over yet has not come for everybody.
    playedAtMs: Math.min(playedAtMs, serverNowMs()),
    approaches: [...now, ...taken, ...(props.round?.approaches.filter(({ gone }) => gone) ?? [])],
    gone: false,
    version: (props.round?.version ?? 0) + 1,
  })
  kept.value = kept.value.filter(({ id }) => !picked.includes(id))
  draft.value = draftOf(undefined)
}
function cancel() {
  draft.value = draftOf(props.round)
  emit('cancel')
}
</script>

<template>
  <form class="raised space-y-3 p-4" novalidate @submit.prevent="save">
    <div class="flex flex-wrap gap-3">
      <UFormField label="Day"><UInput v-model="draft.day" type="date" class="w-40" /></UFormField>
      <UFormField label="Name" class="min-w-40 flex-1"
        ><UInput v-model="draft.name" :maxlength="ROUND_NAME_MAX" placeholder="Home course" class="w-full"
      /></UFormField>
      <USwitch v-model="draft.competition" label="Competition" class="self-end pb-2.5" />
    </div>
    <UFormField
      :label="`Approaches, one a line, ${unit}`"
      help="95 -8 3r: from 95, it finished 8 short and 3 right. Also: on, rough, sand, par3, par4, penalty, layup."
    >
      <UTextarea
        v-model="draft.lines"
        :rows="6"
        placeholder="95 -8 3r&#10;72 on&#10;120 +4 rough"
        autoresize
        :maxrows="20"
        class="w-full font-bold"
        spellcheck="false"
      />
    </UFormField>
    <ol v-if="read.length > 0" class="divide-y divide-default" aria-label="As it is read">
      <li v-for="({ name, one, key }, i) in read" :key="name" class="flex items-center gap-3 py-1">
        <span class="w-12 text-lg font-bold">{{ text(one.distanceM) }}</span>
        <span class="min-w-0 flex-1 text-sm leading-tight"
          >{{ finishText(one, unit) || 'no finish given' }}<span v-if="one.lie" class="soft">, {{ one.lie }}</span
          ><span v-if="one.tee" class="soft">, from the tee of a par {{ one.tee }}</span
          ><span v-if="!one.chance" class="soft">, no chance at the green</span></span
        >
        <FramePlainSelect
          :model-value="key"
          :items="shots"
          :label="`Hit with, approach ${i + 1}`"
          class="w-36 shrink-0"
          @update:model-value="say(name, String($event))"
        />
      </li>
    </ol>
    <ul v-if="faults.length > 0 || fault" role="alert" class="font-semibold text-error">
      <li v-if="fault">{{ fault }}</li>
      <li v-for="one in faults" :key="one.n">{{ one.text }}</li>
    </ul>
    <div class="flex flex-wrap gap-2">
      <UButton type="submit" icon="i-lucide-check">Keep the round</UButton>
      <UButton
        v-if="!round && open.length > 0"
        color="neutral"
        variant="outline"
        icon="i-lucide-flag"
        @click="takePicked"
        >Take {{ open.length }} kept in Pick</UButton
      >
      <UButton v-if="round" color="neutral" variant="outline" @click="cancel">Cancel</UButton>
    </div>
  </form>
</template>
