<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { ballsIn, type PlanBlock } from '#core/practice/plan'
import type { DrillSpec } from '#core/practice/drill-spec'
import { asksText, drillTexts, reasonText, worthText } from '#words/practice'
import { usePlan } from '~/features/practice/usePlan'
import { usePracticeNames } from '~/features/practice/usePracticeNames'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'
import { usePractice } from '~/offline/stores/practice'
import { typedNumber } from '~/ui/numbers'
import { serverNowMs } from '~/offline/server-clock'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** So many balls or minutes as blocks, each with why and what it may be worth; started here, or set as homework. */
const emit = defineEmits<{ start: [spec: DrillSpec] }>()
const typed = useLocalStorage('uzzet-plan-balls', '45')
const by = useLocalStorage<'balls' | 'minutes'>('uzzet-plan-by', 'balls')
const MOST = 200
const fault = computed(() => {
  const value = typedNumber(typed.value)
  return value >= 1 && value <= MOST ? '' : `"${typed.value}" is not possible: 1 to ${MOST} ${by.value}.`
})
const balls = computed(() => {
  if (fault.value) return 0
  const value = Math.floor(typedNumber(typed.value))
  return by.value === 'balls' ? value : ballsIn(value)
})
const { plan, planAgain } = usePlan(balls)
const names = usePracticeNames()
const { unit } = useDistance()
const practice = usePractice()
const toast = useToast()
const items = [
  { value: 'balls', label: 'balls' },
  { value: 'minutes', label: 'minutes' },
]
const sum = computed(() => plan.value.reduce((all, block) => all + block.balls, 0))

const record = usePlayerRecord()
const { retestDueMs } = useNumbers()
const aWeek = useLocalStorage('uzzet-plan-a-week', 2)
const WEEKLY = [1, 2, 3, 4, 5].map(value => ({ value, label: value === 1 ? 'once a week' : `${value} a week` }))
const WEEKS = 4
/** Four weeks of it, each time with targets drawn anew; the retest and homework that is due among them. */
async function calendar() {
  const { downloadCalendar, practiceDays } = await import('~/player/practice-calendar')
  const player = record.player!.name
  const days = practiceDays(serverNowMs(), aWeek.value, WEEKS).map((atMs, i) => ({
    atMs,
    day: {
      balls: sum.value,
      lines: planAgain(i).map(block => `${block.balls}: ${titleOf(block)}. ${reasonText(block, names.value)}`),
    },
  }))
  const due = [
    ...(retestDueMs.value === null ? [] : [{ atMs: retestDueMs.value, what: `Retest: ${player}` }]),
    ...practice.standing.flatMap(({ dueAtMs }) =>
      dueAtMs === null ? [] : [{ atMs: dueAtMs, what: `Homework due: ${player}` }],
    ),
  ]
  downloadCalendar(player, days, due)
}
const titleOf = (block: PlanBlock) => `${drillTexts(block.spec.drill).title}: ${asksText(block.spec, names.value)}`

const setting = ref(false)
const note = ref('')
const WEEK_MS = 7 * 86_400_000
async function setAsHomework() {
  const homework = {
    id: newId(),
    note: note.value.trim(),
    dueAtMs: serverNowMs() + WEEK_MS,
    blocks: plan.value.map((block: PlanBlock) => ({
      id: newId(),
      name: drillTexts(block.spec.drill).title,
      why: reasonText(block, names.value),
      spec: block.spec,
    })),
    setAtMs: serverNowMs(),
    withdrawn: false,
  }
  try {
    await practice.setHomework(homework)
    setting.value = false
    note.value = ''
    toast.add({
      title: 'Homework is set',
      description: 'The player’s link shows it, and takes the scores.',
      actions: [
        {
          label: 'Undo',
          color: 'neutral',
          variant: 'outline',
          onClick: () => void practice.setHomework({ ...homework, withdrawn: true }),
        },
      ],
    })
  } catch (error) {
    toast.add({ title: 'That could not be set', description: (error as Error).message, color: 'error' })
  }
}
</script>

<template>
  <section aria-labelledby="plan-title">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 id="plan-title" class="text-xl font-bold">What to practise</h2>
      <div class="flex items-center gap-2">
        <UInput v-model="typed" inputmode="numeric" :aria-label="`How many ${by}`" class="w-16" />
        <FramePlainSelect v-model="by" :items="items" label="Balls or minutes" class="w-28" />
      </div>
      <span v-if="by === 'minutes' && balls > 0" class="soft text-sm">about {{ balls }} balls</span>
    </div>
    <p v-if="fault" role="alert" class="mt-1 font-semibold text-error">{{ fault }}</p>
    <ol v-if="plan.length > 0" class="raised mt-2 divide-y divide-default">
      <li
        v-for="(block, i) in plan"
        :key="block.spec.drill"
        class="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2.5"
      >
        <span class="w-10 shrink-0 text-2xl leading-none font-extrabold">{{ block.balls }}</span>
        <span class="min-w-0 flex-1 basis-64">
          <b class="block leading-tight">{{ titleOf(block) }}</b>
          <span class="soft block text-sm">{{ reasonText(block, names) }} {{ worthText(block, unit) }}</span>
        </span>
        <UButton
          :variant="i === 0 ? 'solid' : 'outline'"
          icon="i-lucide-play"
          :aria-label="`Start ${drillTexts(block.spec.drill).title}`"
          @click="emit('start', block.spec)"
          >Start</UButton
        >
      </li>
    </ol>
    <p v-else-if="!fault" class="soft mt-2">
      {{ balls < 6 ? 'A block takes six balls at least.' : 'No number yet: measure a stock shot first.' }}
    </p>
    <div v-if="plan.length > 0" class="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <span class="soft text-sm">{{ sum }} of {{ balls }} balls. What it is worth is a guess.</span>
      <UButton
        color="neutral"
        variant="outline"
        icon="i-lucide-send"
        :aria-expanded="setting"
        @click="setting = !setting"
        >Set it as homework</UButton
      >
      <div class="flex items-center gap-2 text-sm">
        <FramePlainSelect v-model="aWeek" :items="WEEKLY" label="Times a week" class="w-32" /><UButton
          color="neutral"
          variant="outline"
          icon="i-lucide-calendar-plus"
          @click="calendar"
          >Into the calendar</UButton
        >
      </div>
    </div>
    <form v-if="setting" class="mt-2 flex flex-wrap items-end gap-2" @submit.prevent="setAsHomework">
      <UFormField label="A note to the player" class="min-w-0 flex-1"
        ><UInput v-model="note" maxlength="300" class="w-full"
      /></UFormField>
      <UButton type="submit">Set it</UButton>
    </form>
  </section>
</template>
