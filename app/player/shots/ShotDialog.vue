<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { REASON_MAX } from '#core/limits'
import { readTypedCarry } from '#core/shot/typed-carry'
import { FELT_RANGE } from '#core/shot/typed-ball'
import { rungName } from '#core/swing/scale'
import { markFields, marksOf, mended, type BallMark } from '#shared/marks'
import { markNames } from '#words/marks'
import { readingTexts, takenTexts } from '#words/readings'
import { carryFaultText, feltText } from '#words/typed'
import type { ShotRecord } from '#shared/schemas/session'
import { useDistance } from '~/ui/useDistance'
import { useCellNames } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'
import { usePlayerRecord } from '~/offline/stores/record'
import { clockTime, shortDate } from '~/ui/dates'
import { typedNumber } from '~/ui/numbers'
import {
  READING_FIELDS,
  readingDraft,
  readReadingDraft,
  unitOfField,
  type BallUnits,
} from '~/player/shots/reading-fields'

/** One ball: mend its carry, move it to another stock shot, leave it out with a reason, put it back, delete it. */
const props = defineProps<{ shot: ShotRecord; leaveOutFirst?: boolean }>()
const emit = defineEmits<{ change: [fields: Partial<ShotRecord>, words: string] }>()
const open = defineModel<boolean>('open', { required: true })

const record = usePlayerRecord()
const account = useAccount()
const { unit, unitWord, typed } = useDistance()
const { cellName, swingLabel } = useCellNames()
const carry = ref(typed(props.shot.carryM))
const clubId = ref(props.shot.clubId)
const rungId = ref(props.shot.rungId)
/** The other length is what was swung, not a slip of the record. */
const seen = ref(false)
const reason = ref('')
const units = computed<BallUnits>(() => ({
  distance: unit.value,
  speed: account.speedUnit,
  height: account.heightUnit,
}))
const readings = ref(readingDraft(props.shot.readings, units.value))
const readingFaults = ref<Partial<Record<string, string>>>({})
const felt = ref(props.shot.taken?.feltPercent === undefined ? '' : String(props.shot.taken.feltPercent))
const feltFault = ref<string>()
const fault = ref<string>()
const reasonFault = ref<string>()

const read = computed(() =>
  props.shot.readings ? readingTexts(props.shot.readings, unit.value, account.speedUnit).join(', ') : '',
)

/** How it was taken, where that is more than a figure. */
const how = computed(() =>
  props.shot.taken
    ? takenTexts(props.shot, unit.value, rungId => swingLabel({ ...props.shot, rungId })).join(', ')
    : '',
)
const was = computed(
  () =>
    props.shot.taken?.was
      ?.map(({ carryM, readings: before, atMs }) => {
        const figures = before ? readingTexts(before, unit.value, account.speedUnit) : []
        return `was ${[typed(carryM), ...figures].join(', ')} until ${shortDate(atMs)}, ${clockTime(atMs)}`
      })
      .join('; ') ?? '',
)

/** What it is marked as, and what a tap does: the face and the coach's own marks are put on and taken off. */
const marked = computed(() => [
  ...marksOf(props.shot),
  ...(props.shot.taken?.feltPercent === undefined ? [] : [feltText(props.shot.taken.feltPercent)]),
])
const FACES = ['face open', 'face closed'] as const
const toggles = computed((): { label: string; mark: BallMark; on: boolean }[] => [
  ...FACES.map(mark => ({ label: markNames[mark]!, mark, on: marked.value.includes(mark) })),
  ...[...new Set([...(account.settings.marks ?? []), ...(props.shot.taken?.marks ?? [])])].map(own => ({
    label: own,
    mark: { own },
    on: props.shot.taken?.marks?.includes(own) ?? false,
  })),
])

const REASONS = ['mishit', 'flyer', 'thin', 'heavy', 'toe', 'heel', 'swung long', 'swung short', 'misread']
// A retired club or swing stays on the list while this ball is on it.
const clubs = computed(() =>
  record.bag.clubs
    .filter(c => c.id === props.shot.clubId || clubsInUse(record.bag).includes(c))
    .map(c => ({ value: c.id, label: c.label })),
)
const rungs = computed(() =>
  record.bag.scale.rungs
    .filter(r => r.id === props.shot.rungId || rungsInUse(record.bag).includes(r))
    .map(r => ({ value: r.id, label: rungName(r) }))
    .reverse(),
)

function done(fields: Partial<ShotRecord>, words: string) {
  emit('change', fields, words)
  open.value = false
}

function save() {
  const read = readTypedCarry(carry.value, unit.value)
  if ('fault' in read) {
    fault.value = carryFaultText(read.fault, carry.value, unit.value)
    return
  }
  const other = readReadingDraft(readings.value, props.shot.readings, units.value)
  readingFaults.value = 'faults' in other ? other.faults : {}
  const percent = felt.value.trim() === '' ? undefined : typedNumber(felt.value)
  const [least, most] = FELT_RANGE
  feltFault.value =
    percent === undefined || (percent >= least && percent <= most)
      ? undefined
      : `"${felt.value}" is not possible: ${least} to ${most} %.`
  if ('faults' in other || feltFault.value) return
  // An untouched figure keeps its exact carry, whatever unit it is shown in.
  const carryM = carry.value === typed(props.shot.carryM) ? props.shot.carryM : read.carryM
  const swung =
    rungId.value === props.shot.rungId
      ? {}
      : seen.value || rungId.value === props.shot.taken?.askedRungId
        ? markFields({ swungRungId: rungId.value }, props.shot)
        : { rungId: rungId.value }
  const figures = mended({ ...props.shot, ...swung }, { carryM, readings: other.readings })
  const { feltPercent: _, ...rest } = figures.taken ?? {}
  const taken = percent === undefined ? rest : { ...rest, feltPercent: percent }
  done(
    { clubId: clubId.value, ...swung, ...figures, taken: Object.keys(taken).length === 0 ? null : taken },
    'the change of a ball',
  )
}

function leaveOut(why: string) {
  const text = why.trim()
  if (text.length === 0 || text.length > REASON_MAX) {
    reasonFault.value =
      text.length === 0
        ? `A reason is needed: 1 to ${REASON_MAX} characters, or tap one above.`
        : `The reason has ${text.length} characters: at most ${REASON_MAX} are allowed.`
    return
  }
  done({ leftOut: text }, 'leaving a ball out')
}
</script>

<template>
  <UModal
    v-model:open="open"
    :title="`${typed(shot.carryM)} ${unit}, ${cellName(shot)}`"
    :description="`Hit ${shortDate(shot.hitAtMs)} at ${clockTime(shot.hitAtMs)}`"
  >
    <template #body>
      <p v-for="words in [marked.join(', '), read, how, was].filter(Boolean)" :key="words" class="soft -mt-1 mb-4">
        {{ words }}
      </p>
      <section v-if="shot.leftOut" class="mb-5">
        <h3 class="mb-1 font-bold">Left out: {{ shot.leftOut }}</h3>
        <p class="soft mb-2">It stays on record and does not count for the number.</p>
        <UButton icon="i-lucide-rotate-ccw" @click="done({ leftOut: null, strike: null }, 'putting a ball back')"
          >Put it back</UButton
        >
      </section>
      <section v-else class="mb-5" aria-labelledby="leave-out-title">
        <p
          v-if="shot.strike === 'clean'"
          class="mb-4 flex flex-wrap items-center gap-3 border-l-[5px] border-(--sound) pl-3"
        >
          It counts in full, by your word.
          <UButton color="neutral" variant="outline" @click="done({ strike: null }, 'the word about a ball')"
            >Take that back</UButton
          >
        </p>
        <h3 id="leave-out-title" class="mb-1 font-bold">Leave it out, because…</h3>
        <p class="soft mb-2">It stays on record and no longer counts for the number.</p>
        <div class="mb-2 flex flex-wrap gap-2">
          <UButton
            v-for="(word, i) in REASONS"
            :key="word"
            color="neutral"
            variant="outline"
            :autofocus="leaveOutFirst && i === 0"
            @click="leaveOut(word)"
            >{{ word }}</UButton
          >
        </div>
        <form class="flex items-start gap-2" novalidate @submit.prevent="leaveOut(reason)">
          <UFormField :error="reasonFault" help=" " class="min-w-0 flex-1"
            ><UInput v-model="reason" placeholder="another reason" aria-label="Another reason" class="w-full"
          /></UFormField>
          <UButton type="submit" color="neutral" variant="outline">Leave out</UButton>
        </form>
      </section>
      <form
        v-if="!leaveOutFirst"
        id="shot-form"
        class="grid gap-x-3 border-t border-default pt-4 sm:grid-cols-3"
        novalidate
        @submit.prevent="save"
      >
        <UFormField :label="`Carry, ${unitWord}`" :error="fault" help=" "
          ><UInput v-model="carry" inputmode="decimal" class="w-full"
        /></UFormField>
        <UFormField label="Club" help=" "><USelect v-model="clubId" :items="clubs" class="w-full" /></UFormField>
        <UFormField label="Swing length" help=" "
          ><USelect v-model="rungId" :items="rungs" class="w-full"
        /></UFormField>
        <div class="mb-3 sm:col-span-3">
          <p class="soft mb-1 text-sm">It still counts, and is told apart</p>
          <div class="flex flex-wrap gap-2">
            <UButton
              v-for="{ label, mark, on } in toggles"
              :key="label"
              color="neutral"
              :variant="on ? 'solid' : 'outline'"
              :aria-pressed="on"
              @click="done(markFields(mark, shot), `the mark &quot;${label.toLowerCase()}&quot;`)"
              >{{ label }}</UButton
            >
          </div>
        </div>
        <details class="sm:col-span-3" :open="shot.readings !== null">
          <summary class="flex min-h-11 cursor-pointer items-center font-semibold underline">
            What else was read
          </summary>
          <div class="grid grid-cols-2 gap-x-3 sm:grid-cols-4">
            <UFormField
              v-for="field in READING_FIELDS"
              :key="field.name"
              :label="`${field.label}, ${unitOfField(field, units)}`"
              :error="readingFaults[field.name]"
              help=" "
              ><UInput v-model="readings[field.name]" inputmode="text" class="w-full"
            /></UFormField>
            <UFormField label="Felt, % of all" :error="feltFault" help=" "
              ><UInput v-model="felt" inputmode="decimal" class="w-full"
            /></UFormField>
          </div>
        </details>
        <UCheckbox
          v-model="seen"
          :disabled="rungId === shot.rungId"
          class="sm:col-span-3"
          :label="`It was asked for ${swingLabel(shot)} and seen at the other length`"
        />
      </form>
    </template>
    <template #footer>
      <UButton v-if="!leaveOutFirst" type="submit" form="shot-form">Save</UButton>
      <UButton color="neutral" variant="outline" @click="open = false">Cancel</UButton>
      <span class="flex-1" />
      <UButton
        v-if="!leaveOutFirst"
        color="error"
        variant="ghost"
        icon="i-lucide-trash-2"
        @click="done({ deleted: true }, 'deleting a ball')"
        >Delete</UButton
      >
    </template>
  </UModal>
</template>
