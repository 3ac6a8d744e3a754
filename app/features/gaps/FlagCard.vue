<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import type { Answer, Answered } from '#core/gaps/answers'
import { flagRule, remediesOf } from '#core/gaps/flags'
import { answerTexts, answerLine } from '#words/flag-answers'
import { servedText } from '#words/pick'
import { flagText } from '#words/flags'
import { askedThereText } from '#words/rounds'
import { useDistance } from '~/ui/useDistance'
import { useFlagAnswers } from '~/features/gaps/useFlagAnswers'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { serverNowMs } from '~/offline/server-clock'

/**
 * One flag: what, how surely, why with the figures, what to do; and what the coach says to it. What can be done with it
 * stands there once it is chosen.
 */
const props = defineProps<{
  answered: Answered
  /** The number that stands at its place in the picture. */
  number?: number
  chosen?: boolean
  /** Its place in the picture is pointed at. */
  lit?: boolean
}>()
const emit = defineEmits<{ choose: []; light: [on: boolean]; help: [] }>()
const card = useTemplateRef<HTMLElement>('card')
const isPointed = useElementHover(card)
watch(isPointed, on => emit('light', on))
const { unit } = useDistance()
const { cellName, clubLabel } = useCellNames()
const { say, takeBack } = useFlagAnswers()
const { servedTargets } = useNumbers()
const names = { cell: cellName, club: clubLabel }
const words = computed(() => flagText(props.answered.finding, names, unit.value))
const parts = computed(() => (props.answered.finding.parts ?? []).map(part => flagText(part, names, unit.value)))
const LOOKS = {
  hole: { icon: 'i-lucide-diamond', colour: 'var(--hole)' },
  overlap: { icon: 'i-lucide-arrow-left-right', colour: 'var(--overlap)' },
  weak: { icon: 'i-lucide-triangle-alert', colour: 'var(--weak)' },
  finding: { icon: 'i-lucide-info', colour: 'var(--soft-ink)' },
  unproven: { icon: 'i-lucide-circle-dashed', colour: 'var(--soft-ink)' },
  asset: { icon: 'i-lucide-git-fork', colour: 'var(--sound)' },
} as const
const kind = computed(() => flagRule(props.answered.finding.flag).meta.kind)
const look = computed(() => LOOKS[kind.value])
const asset = computed(() => kind.value === 'asset' || kind.value === 'unproven')
/** Two clubs on one number: what practice to one target says of them. */
const served = computed(() => {
  if (kind.value !== 'overlap') return ''
  const keys = new Set(props.answered.finding.cells.map(cellKey))
  const found = servedTargets.value.find(({ shots }) => shots.filter(shot => keys.has(cellKey(shot))).length >= 2)
  return found ? servedText(found, cellName, unit.value) : ''
})
const asked = computed(() => askedThereText(props.answered.finding.asked))
const line = computed(() => answerLine(props.answered))
const open = computed(() => props.chosen === true || props.number === undefined)

const DAY_MS = 86_400_000
const WEEKS = [2, 4, 8]
const note = ref('')
const asking = ref<Answer | null>(null)
async function confirm(answer: Answer, weeks?: number) {
  await say(
    props.answered.finding,
    props.answered.answer,
    answer,
    weeks === undefined ? null : serverNowMs() + weeks * 7 * DAY_MS,
    note.value.trim(),
  )
  asking.value = null
  note.value = ''
}
const answers = (Object.keys(answerTexts) as Answer[]).map(answer => ({
  label: answerTexts[answer].action,
  onSelect: () => {
    asking.value = answer
  },
}))
</script>

<template>
  <article
    ref="card"
    class="raised border-l-[5px]! px-3.5 py-2.5"
    :class="[
      answered.finding.sureness === 'likely' && 'border-dashed!',
      answered.settled && 'opacity-80',
      (chosen || lit) && 'ring-2 ring-(--ink)',
    ]"
    :style="{ borderLeftColor: look.colour }"
  >
    <h3 class="text-base leading-snug font-bold">
      <component
        :is="number === undefined ? 'span' : 'button'"
        class="flex w-full flex-wrap items-center gap-x-2 text-left"
        :type="number === undefined ? undefined : 'button'"
        :aria-expanded="number === undefined ? undefined : open"
        @click="$emit('choose')"
      >
        <span v-if="number !== undefined" class="flag-disc" :data-kind="kind">{{ number }}</span>
        <UIcon :name="look.icon" class="shrink-0" :style="{ color: look.colour }" />
        <span class="min-w-0">{{ words.title }}</span>
        <span class="soft ml-auto text-sm font-semibold" :title="words.odds">{{
          open ? words.odds : words.sureness
        }}</span>
      </component>
    </h3>
    <p class="mt-0.5 text-[0.95rem] leading-snug">
      {{ words.why }} <span v-if="!open && words.remedies.length > 0" class="soft">{{ words.remedies[0] }}</span>
    </p>
    <p v-if="open && asked" class="soft mt-1 text-[0.95rem]">{{ asked }}</p>
    <p v-if="served" class="mt-1 text-[0.95rem]">{{ served }}</p>
    <template v-if="open">
      <ul v-if="parts.length > 0" class="mt-1.5 space-y-1 text-[0.95rem]" aria-label="The same, seen otherwise">
        <li v-for="part in parts" :key="part.title + part.why" class="flex gap-2">
          <UIcon name="i-lucide-equal" class="soft mt-1 shrink-0" /><span
            ><strong>{{ part.title }}</strong> <span class="soft">({{ part.odds }})</span> {{ part.why }}</span
          >
        </li>
      </ul>
      <ul v-if="words.remedies.length > 0" class="soft mt-1.5 space-y-0.5 text-[0.95rem]">
        <li v-for="remedy in words.remedies" :key="remedy" class="flex gap-2">
          <UIcon name="i-lucide-corner-down-right" class="mt-1 shrink-0" />{{ remedy }}
        </li>
      </ul>
    </template>
    <p v-if="line" class="mt-1 font-semibold"><UIcon name="i-lucide-message-square-text" class="soft" /> {{ line }}</p>
    <form v-if="asking" class="mt-2 space-y-2" @submit.prevent="asking !== 'working' && confirm(asking)">
      <UInput
        v-model="note"
        :maxlength="300"
        placeholder="Why (may stay empty)"
        aria-label="Why"
        class="w-full"
        autofocus
      />
      <div class="flex flex-wrap gap-2">
        <template v-if="asking === 'working'">
          <UButton v-for="weeks in WEEKS" :key="weeks" size="sm" type="button" @click="confirm('working', weeks)"
            >{{ weeks }} weeks</UButton
          >
        </template>
        <UButton v-else size="sm" type="submit">{{ answerTexts[asking].action }}</UButton>
        <UButton size="sm" type="button" color="neutral" variant="ghost" @click="asking = null">Cancel</UButton>
      </div>
    </form>
    <div v-else-if="open && (answered.settled || !asset)" class="flex flex-wrap gap-1 pt-2 print:hidden">
      <UButton
        v-if="!answered.settled && remediesOf(answered.finding).length > 0"
        size="sm"
        color="neutral"
        variant="outline"
        icon="i-lucide-wrench"
        @click="$emit('help')"
        >What would help</UButton
      >
      <span class="grow" />
      <UButton
        v-if="answered.settled"
        size="sm"
        color="neutral"
        variant="ghost"
        icon="i-lucide-undo-2"
        @click="takeBack(answered.finding, answered.answer!)"
        >Take the answer back</UButton
      >
      <UDropdownMenu v-else :items="answers">
        <UButton size="sm" color="neutral" variant="ghost" trailing-icon="i-lucide-chevron-down">Answer</UButton>
      </UDropdownMenu>
    </div>
  </article>
</template>
