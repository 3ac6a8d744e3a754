<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { REASON_MAX } from '#core/limits'
import { carryFaultWords, readTypedCarry } from '#core/shot/typed-carry'
import { rungName } from '#core/swing/scale'
import { markFields, mendedCarry } from '#shared/marks'
import { readingTexts, takenTexts } from '#words/readings'
import type { ShotRecord } from '#shared/session'
import { useDistance } from '~/composables/useDistance'
import { useCellNames } from '~/composables/useNumbers'
import { usePlayerRecord } from '~/stores/record'
import { clockTime, shortDate } from '~/utils/dates'

/** One ball: mend its carry, move it to another stock shot, leave it out with a reason, put it back, delete it. */
const props = defineProps<{ shot: ShotRecord; leaveOutFirst?: boolean }>()
const emit = defineEmits<{ change: [fields: Partial<ShotRecord>, words: string] }>()
const open = defineModel<boolean>('open', { required: true })

const record = usePlayerRecord()
const { unit, unitWord, typed } = useDistance()
const { cellName, swingLabel } = useCellNames()
const carry = ref(typed(props.shot.carryM))
const clubId = ref(props.shot.clubId)
const rungId = ref(props.shot.rungId)
/** The other length is what was swung, not a slip of the record. */
const seen = ref(false)
const reason = ref('')
const fault = ref<string>()
const reasonFault = ref<string>()

const read = computed(() => (props.shot.readings ? readingTexts(props.shot.readings, unit.value).join(', ') : ''))

/** How it was taken, where that is more than a figure. */
const how = computed(() =>
  props.shot.taken
    ? takenTexts(props.shot, unit.value, rungId => swingLabel({ ...props.shot, rungId })).join(', ')
    : '',
)
const was = computed(
  () =>
    props.shot.taken?.was
      ?.map(({ carryM, atMs }) => `was ${typed(carryM)} until ${shortDate(atMs)}, ${clockTime(atMs)}`)
      .join('; ') ?? '',
)

const REASONS = ['mishit', 'thin', 'heavy', 'toe', 'heel', 'swung long', 'swung short', 'misread']
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
    fault.value = carryFaultWords(read.fault, carry.value, unit.value)
    return
  }
  // An untouched figure keeps its exact carry, whatever unit it is shown in.
  const carryM = carry.value === typed(props.shot.carryM) ? props.shot.carryM : read.carryM
  const swung =
    rungId.value === props.shot.rungId
      ? {}
      : seen.value || rungId.value === props.shot.taken?.askedRungId
        ? markFields({ swungRungId: rungId.value }, props.shot)
        : { rungId: rungId.value }
  done({ clubId: clubId.value, ...swung, ...mendedCarry({ ...props.shot, ...swung }, carryM) }, 'the change of a ball')
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
      <p v-for="words in [read, how, was].filter(Boolean)" :key="words" class="soft -mt-1 mb-4">{{ words }}</p>
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
