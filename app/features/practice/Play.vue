<script setup lang="ts">
import type { StockShot } from '#core/bag/bag'
import { ballsOf } from '#core/practice/next-task'
import { levelScores } from '#core/practice/level-score'
import type { JudgedBall } from '#core/practice/judge'
import { goalCounts, type LaunchGoal } from '#core/shot/goal'
import type { TypedUnits } from '#core/shot/typed-ball'
import { GO_BALLS_MAX } from '#shared/limits'
import type { GoRecord } from '#shared/schemas/practice'
import {
  ballText,
  drillTexts,
  levelText,
  namesOfGo,
  scoreLines,
  scoreText,
  taskHead,
  taskMore,
  type PracticeNames,
} from '#words/practice'
import { goalText } from '#words/goals'
import { useBeat } from '~/features/practice/useBeat'
import { useGo } from '~/features/practice/useGo'
import { pageMemo } from '~/ui/page-memo'
import type { SeenBall } from '~/player/seen-ball'
import PracticeBalls from '~/features/practice/Balls.vue'
import PracticeEntry from '~/features/practice/Entry.vue'
import PracticeRings from '~/features/practice/Rings.vue'

/** One go on the line: the target huge, the ball's score after each, the next one by itself. */
const props = defineProps<{
  go: GoRecord
  names: PracticeNames
  units: TypedUnits
  /** Stock shots that a ball can be hit with; none where nobody asks. */
  shots: readonly { value: string; label: string }[]
  /** What a target plays like today; '' where it plays as it is. */
  plays?: (targetM: number) => string
  /** Launch and spin goals of stock shots, judged where a device reads them. */
  goals?: readonly (StockShot & LaunchGoal)[]
  /** The number nearest to a target: what a device's ball is taken for where no shot was named. */
  nearest?: (targetM: number) => StockShot | null
}>()
const emit = defineEmits<{ put: [go: GoRecord] }>()
const go = computed(() => props.go)
const desk = useGo(go, next => emit('put', next), pageMemo)
const { score, spec, place, task, last, balls } = desk
const typed = useSessionStorage(`uzzet-go-typed-${props.go.id}`, '')
const title = computed(() => props.go.name || drillTexts(spec.value.drill).title)
const named = computed(() => namesOfGo(spec.value, props.names))
const head = computed(() => (task.value ? taskHead(task.value, named.value) : ''))
const more = computed(() => (task.value ? taskMore(task.value, named.value) : ''))
const playsText = computed(() =>
  task.value?.targetM !== undefined && props.plays ? props.plays(task.value.targetM) : '',
)
/** About the last ball's target while that is looked at, else about the one that is asked. */
const shownTask = computed(() => {
  const [asked, hit] = [place.value, last.value?.ball.task ?? null]
  return stepBack.value && waiting.value ? (hit ?? asked) : (asked ?? hit)
})
const ofTask = computed((): JudgedBall[] =>
  [...score.value.judged, ...score.value.apart].filter(({ ball }) => ball.task === shownTask.value),
)
const isAboutShown = computed(() => last.value !== null && last.value.ball.task === shownTask.value)

/** A step back between balls: the next target shows after a tap. */
const stepBack = useLocalStorage('uzzet-go-step-back', false)
const waiting = ref(false)
const routine = ref<boolean>()
const hitWith = ref<string>()
watch(place, () => {
  hitWith.value = undefined
})
const shot = computed(() => {
  const asked = task.value
  if (asked?.clubId && asked.rungId) return { clubId: asked.clubId, rungId: asked.rungId }
  const [clubId, rungId] = hitWith.value?.split('/') ?? []
  return clubId && rungId ? { clubId, rungId } : asked?.clubId ? { clubId: asked.clubId } : {}
})
/** What a device's ball is of. */
const deviceShot = computed((): StockShot | null => {
  const { clubId, rungId } = shot.value
  if (clubId && rungId) return { clubId, rungId }
  const targetM = task.value?.targetM
  return targetM === undefined ? null : (props.nearest?.(targetM) ?? null)
})
function log(seen: SeenBall): void {
  desk.log({ ...shot.value, ...seen, ...(routine.value !== undefined && { routine: routine.value }) })
  routine.value = undefined
  waiting.value = stepBack.value
}
/** Balls that were written down elsewhere, in their order. @returns how many the go took */
const logAll = (seen: readonly SeenBall[]) => desk.logAll(seen.map(one => ({ ...shot.value, ...one })))
/** The ball taken back is hit again: nobody steps back for it. */
function undo(): void {
  desk.undo()
  waiting.value = false
}
const { tempo, on: beats, failure: beatFailure, toggle: beat } = useBeat()

/** Stock shots of this go that have a launch or spin goal, as its balls so far stand to it. */
const goalLines = computed(() =>
  (props.goals ?? []).flatMap(goal => {
    const own = balls.value.filter(ball => ball.clubId && ball.rungId && !ball.apart && isSame(ball, goal))
    const told = goalCounts(goal, own).filter(count => count.balls > 0)
    return told.map(count => `${props.names.shot(goal)}. ${goalText(count)}`)
  }),
)
const isSame = (a: Partial<StockShot>, b: StockShot) => a.clubId === b.clubId && a.rungId === b.rungId
const lines = computed(() => scoreLines(spec.value, score.value, props.names, pageMemo))
const level = computed(() => {
  const bands = props.go.endedAtMs === null ? null : levelScores(spec.value, pageMemo)
  const own = bands?.find(one => one.level === spec.value.level)
  return own ? levelText(spec.value, own.level, own.value, props.names) : ''
})
const all = computed(() => ballsOf(spec.value))
const counted = computed(() => score.value.judged.length)
/** One mark a task: how far it is, and what it has. */
const steps = computed(() =>
  spec.value.tasks.map((one, i) => ({
    head: taskHead(one, named.value),
    more: one.flight && one.targetM !== undefined ? one.flight : '',
    now: i === place.value,
    done: (score.value.tasks[i]?.balls ?? 0) > 0,
    points: score.value.tasks[i],
  })),
)
const MOST_STEPS = 12
const routines = computed(() => {
  const asked = balls.value.filter(one => one.routine !== undefined)
  return asked.length === 0 ? '' : `Routine kept ${asked.filter(one => one.routine).length} of ${asked.length} times.`
})
</script>

<template>
  <div class="max-lg:pb-[19rem]">
    <div class="grid gap-x-10 gap-y-3 lg:grid-cols-[minmax(0,1fr)_minmax(0,min(26rem,50%))]">
      <section class="min-w-0" aria-label="What is asked">
        <div class="flex items-start justify-between gap-3">
          <div class="min-w-0">
            <p class="soft text-sm">
              {{ place === null ? title : `Ball ${counted + 1} of ${all}` }}
            </p>
            <template v-if="place !== null && task && !(stepBack && waiting)">
              <p class="flex flex-wrap items-end gap-x-4">
                <span
                  class="leading-none font-extrabold tracking-tight"
                  :class="head.length > 5 ? 'text-[2.75rem] lg:text-[4rem]' : 'text-[5.5rem] lg:text-[8rem]'"
                  >{{ head }}</span
                >
                <span class="pb-2 text-xl leading-tight font-bold"
                  ><span v-if="playsText" class="block">{{ playsText }}</span
                  ><span class="block">{{ more }}</span></span
                >
              </p>
            </template>
            <template v-else-if="place !== null">
              <p class="text-2xl font-bold">Step back.</p>
              <p class="soft">Walk in afresh: plan it, rehearse it, then take the next one.</p>
              <div class="mt-2 flex flex-wrap gap-2">
                <UButton size="xl" icon="i-lucide-arrow-right" @click="waiting = false">Next target</UButton>
              </div>
            </template>
            <p v-else class="text-[2.5rem] leading-tight font-extrabold">{{ scoreText(spec, score, names) }}</p>
          </div>
          <p v-if="place !== null && score.value !== null" class="shrink-0 text-right" role="status">
            <span class="block text-2xl leading-none font-extrabold">{{ scoreText(spec, score, names) }}</span>
            <span class="soft text-sm">so far</span>
          </p>
        </div>
        <PracticeRings
          v-if="shownTask !== null && spec.tasks[shownTask]?.targetM !== undefined && place !== null"
          class="my-2"
          :spec="spec"
          :task="spec.tasks[shownTask]!"
          :balls="ofTask"
          :last="isAboutShown ? last : null"
          :memo="pageMemo"
          :label="`Balls about ${taskHead(spec.tasks[shownTask]!, named)} from above; each is told in the list.`"
        />
        <p v-if="last" class="min-h-8 text-xl font-bold" role="status">{{ ballText(last, spec, named) }}</p>
        <p v-for="line in goalLines" :key="line" class="soft">{{ line }}</p>
        <p v-if="!last && place !== null" class="soft min-h-8">{{ drillTexts(spec.drill).how }}</p>
        <ul v-if="place === null" class="mt-2 space-y-1">
          <li v-for="line in lines" :key="line">{{ line }}</li>
          <li v-if="level">{{ level }}</li>
          <li v-if="routines">{{ routines }}</li>
        </ul>
        <ol v-if="steps.length > 1 && steps.length <= MOST_STEPS" class="mt-2 flex gap-1.5" aria-label="Targets">
          <li
            v-for="(step, i) in steps"
            :key="i"
            class="min-w-0 flex-1 border-t-[5px] pt-0.5 text-center text-sm leading-tight"
            :class="step.now ? 'border-primary' : step.done ? 'border-success' : 'border-(--hairline)'"
            :aria-current="step.now ? 'step' : undefined"
          >
            <b class="block truncate">{{ step.head }}</b>
            <span class="soft">{{
              spec.score === 'points' && step.done ? step.points?.points : step.more || (step.done ? '✓' : '·')
            }}</span>
          </li>
        </ol>
      </section>
      <div class="min-w-0 space-y-3">
        <PracticeEntry
          v-if="place !== null"
          v-model:typed="typed"
          :spec="spec"
          :units="units"
          :next-ball="counted + 1"
          :can-undo="balls.length > 0"
          :blocked="stepBack && waiting"
          @log="log"
          @undo="undo"
        />
        <div v-else class="flex flex-wrap gap-2">
          <UButton color="neutral" variant="outline" icon="i-lucide-undo-2" :disabled="balls.length === 0" @click="undo"
            >Take the last ball back</UButton
          >
          <p v-if="desk.full.value" class="font-semibold">A go holds {{ GO_BALLS_MAX }} balls: begin another.</p>
          <UButton v-else-if="score.next !== null" variant="outline" icon="i-lucide-play" @click="desk.goOn"
            >Go on</UButton
          >
          <slot name="ended" :desk="desk" />
        </div>
        <div v-if="place !== null" class="flex flex-wrap items-center gap-x-4 gap-y-2">
          <USelect
            v-if="shots.length > 0 && !(task?.clubId && task.rungId) && spec.measure !== 'speed'"
            v-model="hitWith"
            :items="[...shots]"
            placeholder="Hit with…"
            aria-label="Hit with"
            class="w-48"
          />
          <USwitch v-model="stepBack" label="Step back between balls" />
          <UButton
            v-if="stepBack"
            color="neutral"
            size="sm"
            :variant="routine ? 'solid' : 'outline'"
            :aria-pressed="routine === true"
            @click="routine = routine ? undefined : true"
            >Routine kept</UButton
          >
          <UButton color="neutral" variant="outline" icon="i-lucide-metronome" :aria-pressed="beats" @click="beat">{{
            beats ? 'Stop the beat' : 'Beat'
          }}</UButton>
          <label v-if="beats" class="flex items-center gap-2 text-sm"
            >{{ tempo }} a minute
            <input v-model.number="tempo" type="range" min="40" max="120" step="2" aria-label="Beats a minute"
          /></label>
          <p v-if="beatFailure" role="alert" class="text-error">{{ beatFailure }}</p>
        </div>
        <slot
          v-if="place !== null"
          name="live"
          :desk="desk"
          :shot="deviceShot"
          :log="log"
          :log-all="logAll"
          :asked="head"
        />
        <PracticeBalls :desk="desk" :names="named" :units="units" />
      </div>
    </div>
  </div>
</template>
