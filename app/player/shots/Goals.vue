<script setup lang="ts">
import { cellKey, type StockShot } from '#core/bag/bag'
import { GOAL_RANGE, GOAL_READINGS, goalCounts, type GoalReading, type LaunchGoal } from '#core/shot/goal'
import { goalFigure, goalText } from '#words/goals'
import { useCellNames } from '~/calculation/useNumbers'
import { useThresholds } from '~/player/useThresholds'
import { usePlayerRecord } from '~/offline/stores/record'
import { typedNumber } from '~/ui/numbers'

/** Launch and spin of a stock shot: what they are to be, and how many balls were inside where it was read. */
const props = defineProps<{ cell: StockShot }>()
const record = usePlayerRecord()
const { changeThresholds } = useThresholds()
const { cellName } = useCellNames()
const toast = useToast()

const goals = computed(() => record.player?.thresholds.goals ?? [])
const goal = computed((): LaunchGoal => goals.value.find(one => cellKey(one) === cellKey(props.cell)) ?? {})
const lines = computed(() => {
  const { clubId, rungId } = props.cell
  const own = record.records.filter(
    shot => shot.clubId === clubId && shot.rungId === rungId && !shot.deleted && shot.leftOut === null,
  )
  const readings = own.flatMap(shot => shot.readings ?? [])
  return goalCounts(goal.value, readings).map(goalText)
})

const WORDS: Record<GoalReading, { what: string; unit: string; usual: string }> = {
  launchDeg: { what: 'Launch', unit: '°', usual: '28' },
  spinRpm: { what: 'Spin', unit: 'rpm', usual: '9,000' },
}
const asked = ref(false)
const form = reactive<Record<GoalReading, [string, string]>>({ launchDeg: ['', ''], spinRpm: ['', ''] })
const faults = reactive<Partial<Record<GoalReading, string>>>({})
function ask(): void {
  for (const reading of GOAL_READINGS) {
    const span = goal.value[reading]
    form[reading] = span ? [goalFigure(reading, span[0]), goalFigure(reading, span[1])] : ['', '']
    faults[reading] = undefined
  }
  asked.value = true
}

/** Both ends of a reading; undefined where none is typed, null where it cannot be. */
function spanOf(reading: GoalReading): [number, number] | undefined | null {
  const typed = form[reading].map(text => text.replaceAll(',', '').trim())
  faults[reading] = undefined
  if (typed.every(text => text === '')) return undefined
  const [low, high] = GOAL_RANGE[reading]
  const { what, unit } = WORDS[reading]
  const ends = typed.map(typedNumber) as [number, number]
  const wrong = typed.find((_, i) => !(ends[i]! >= low && ends[i]! <= high))
  if (wrong !== undefined)
    faults[reading] = `${what} "${wrong}" is not possible: ${low} to ${high} ${unit}, at both ends.`
  else if (ends[0] > ends[1]) faults[reading] = `${what} from ${typed[0]} to ${typed[1]}: the first is the larger.`
  // As it is read again: to a tenth of a degree, and to ten rpm.
  const step = reading === 'spinRpm' ? 10 : 0.1
  const rounded = ends.map(value => Number((Math.round(value / step) * step).toFixed(1))) as [number, number]
  return faults[reading] ? null : rounded
}

async function put(next: LaunchGoal): Promise<void> {
  const { clubId, rungId } = props.cell
  const others = goals.value.filter(one => cellKey(one) !== cellKey(props.cell))
  const own = Object.keys(next).length === 0 ? [] : [{ clubId, rungId, ...next }]
  await changeThresholds({ goals: [...others, ...own] as typeof goals.value })
}
const failure = ref('')
async function save(): Promise<void> {
  const [launchDeg, spinRpm] = [spanOf('launchDeg'), spanOf('spinRpm')]
  if (launchDeg === null || spinRpm === null) return
  const before = goal.value
  const was: LaunchGoal = {
    ...(before.launchDeg && { launchDeg: before.launchDeg }),
    ...(before.spinRpm && { spinRpm: before.spinRpm }),
  }
  failure.value = ''
  try {
    await put({ ...(launchDeg && { launchDeg }), ...(spinRpm && { spinRpm }) })
  } catch (error) {
    failure.value = (error as Error).message
    return
  }
  asked.value = false
  toast.add({
    title: launchDeg || spinRpm ? `${cellName(props.cell)} has a goal` : `${cellName(props.cell)} has no goal now`,
    actions: [
      {
        label: 'Undo',
        color: 'neutral',
        variant: 'outline',
        onClick: () => void put(was).catch((error: Error) => toast.add({ title: error.message, color: 'error' })),
      },
    ],
  })
}
</script>

<template>
  <div>
    <p v-for="line in lines" :key="line">{{ line }}</p>
    <button type="button" class="soft min-h-9 cursor-pointer text-sm underline print:hidden" @click="ask">
      {{ lines.length === 0 ? 'Set a launch or spin goal' : 'Change the goal' }}
    </button>
    <UModal
      v-model:open="asked"
      :title="`Launch and spin of ${cellName(cell)}`"
      description="Judged wherever a device reads them. Empty is no goal."
    >
      <template #body>
        <form id="goal-form" novalidate class="space-y-1" @submit.prevent="save">
          <UFormField
            v-for="reading in GOAL_READINGS"
            :key="reading"
            :label="`${WORDS[reading].what}, ${WORDS[reading].unit}`"
            :error="faults[reading]"
            help=" "
          >
            <div class="flex items-center gap-2">
              <UInput
                v-model="form[reading][0]"
                inputmode="decimal"
                class="w-24"
                :placeholder="WORDS[reading].usual"
                :aria-label="`${WORDS[reading].what} from, ${WORDS[reading].unit}`"
              />
              to
              <UInput
                v-model="form[reading][1]"
                inputmode="decimal"
                class="w-24"
                :aria-label="`${WORDS[reading].what} to, ${WORDS[reading].unit}`"
              />
            </div>
          </UFormField>
          <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
        </form>
      </template>
      <template #footer>
        <UButton type="submit" form="goal-form">Save</UButton>
        <UButton color="neutral" variant="outline" @click="asked = false">Cancel</UButton>
      </template>
    </UModal>
  </div>
</template>
