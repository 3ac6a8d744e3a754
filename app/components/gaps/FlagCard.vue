<script setup lang="ts">
import type { Answer, Answered } from '#core/gaps/answers'
import { flagRule, remediesOf } from '#core/gaps/flags'
import { answerTexts, answerLine } from '#words/flag-answers'
import { flagText } from '#words/flags'
import { useDistance } from '~/composables/useDistance'
import { useFlagAnswers } from '~/composables/useFlagAnswers'
import { useCellNames } from '~/composables/useNumbers'
import { serverNowMs } from '~/utils/server-clock'

/** One flag: what, how surely, why with the figures, what to do; and what the coach says to it. */
const props = defineProps<{ answered: Answered }>()
defineEmits<{ show: []; help: [] }>()
const { unit } = useDistance()
const { cellName, clubLabel } = useCellNames()
const { say, takeBack } = useFlagAnswers()
const words = computed(() => flagText(props.answered.finding, { cell: cellName, club: clubLabel }, unit.value))
const LOOKS = {
  hole: { icon: 'i-lucide-diamond', colour: 'var(--hole)' },
  overlap: { icon: 'i-lucide-arrow-left-right', colour: 'var(--overlap)' },
  weak: { icon: 'i-lucide-triangle-alert', colour: 'var(--weak)' },
  finding: { icon: 'i-lucide-info', colour: 'var(--soft-ink)' },
  asset: { icon: 'i-lucide-git-fork', colour: 'var(--sound)' },
} as const
const look = computed(() => LOOKS[flagRule(props.answered.finding.flag).meta.kind])
const asset = computed(() => flagRule(props.answered.finding.flag).meta.kind === 'asset')
const line = computed(() => answerLine(props.answered))
const placed = computed(() => props.answered.finding.toM > 0)

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
    class="raised flex flex-col border-l-[5px]! px-4 py-3"
    :class="[answered.finding.sureness === 'likely' && 'border-dashed!', answered.settled && 'opacity-80']"
    :style="{ borderLeftColor: look.colour }"
  >
    <h3 class="flex flex-wrap items-center gap-x-2 text-lg leading-snug font-bold">
      <UIcon :name="look.icon" class="shrink-0" :style="{ color: look.colour }" /> {{ words.title }}
      <span class="soft ml-auto text-sm font-semibold">{{ words.odds }}</span>
    </h3>
    <p class="mt-0.5">{{ words.why }}</p>
    <ul v-if="words.remedies.length > 0" class="soft mt-1.5 space-y-0.5">
      <li v-for="remedy in words.remedies" :key="remedy" class="flex gap-2">
        <UIcon name="i-lucide-corner-down-right" class="mt-1 shrink-0" />{{ remedy }}
      </li>
    </ul>
    <p v-if="line" class="mt-1.5 font-semibold">
      <UIcon name="i-lucide-message-square-text" class="soft" /> {{ line }}
    </p>
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
    <div v-else class="mt-auto flex flex-wrap gap-x-1 gap-y-1 pt-2 print:hidden">
      <UButton
        v-if="placed"
        size="sm"
        color="neutral"
        variant="outline"
        icon="i-lucide-scan-search"
        @click="$emit('show')"
        >Show it</UButton
      >
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
      <UDropdownMenu v-else-if="!asset" :items="answers">
        <UButton size="sm" color="neutral" variant="ghost" trailing-icon="i-lucide-chevron-down">Answer</UButton>
      </UDropdownMenu>
    </div>
  </article>
</template>
