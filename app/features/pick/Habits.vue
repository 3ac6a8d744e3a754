<script setup lang="ts">
import { clubsInUse, rungsInUse } from '#core/bag/bag'
import { HABITS, type HomeAir, type PickRule, type PickSettings } from '#core/history/published'
import { CARRY_LIMITS, COURSE_SCATTER_RANGE, PICK_RULES_MAX } from '#core/limits'
import { AIR_RANGE } from '#core/flight/air'
import { fromHeight, fromTemp, toHeight, toTemp } from '#core/units'
import { useAirUnits } from '~/player/air/useAirUnits'
import { COURSE_SCATTER } from '#core/pick/strokes'
import { rungName } from '#core/swing/scale'
import { stockShotName } from '#words/stock-shot'
import { habitTexts } from '#words/pick'
import { useDistance } from '~/ui/useDistance'
import { useThresholds } from '~/player/useThresholds'
import { usePlayerRecord } from '~/offline/stores/record'
import { typedNumber } from '~/ui/numbers'

/** How this player picks: what is changed first between two numbers, how wide balls lie, and the coach's rules. */
const open = defineModel<boolean>('open', { required: true })
const record = usePlayerRecord()
const { changeThresholds } = useThresholds()
const toast = useToast()
const { unit, text, from } = useDistance()
const settings = computed((): PickSettings => record.player?.thresholds.pick ?? { habit: 'club', rules: [] })
const habits = HABITS.map(value => ({ value, label: habitTexts[value] }))

async function save(change: Partial<PickSettings>, back?: PickSettings) {
  const before = settings.value
  const pick = { ...before, ...change }
  try {
    await changeThresholds({ pick })
    if (!back)
      toast.add({
        title: 'Kept: it goes with the next chart you publish',
        actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void save(before, pick) }],
      })
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
  }
}
const scatter = ref(String(settings.value.courseScatter ?? COURSE_SCATTER))
const scatterFault = computed(() => {
  const [least, most] = COURSE_SCATTER_RANGE
  const value = typedNumber(scatter.value)
  return value >= least && value <= most ? '' : `"${scatter.value}" is not possible: ${least} to ${most} times.`
})
function saveScatter() {
  const value = typedNumber(scatter.value)
  if (!scatterFault.value && value !== (settings.value.courseScatter ?? COURSE_SCATTER))
    void save({ courseScatter: value })
}

const { units } = useAirUnits()
const home = reactive({
  temp: settings.value.home ? String(Math.round(toTemp(settings.value.home.tempC, units.value.temp))) : '',
  height: settings.value.home ? String(Math.round(toHeight(settings.value.home.altitudeM, units.value.height))) : '',
})
const homeAir = computed((): HomeAir | null => {
  const tempC = fromTemp(typedNumber(home.temp), units.value.temp)
  const altitudeM = fromHeight(typedNumber(home.height), units.value.height)
  const isIn = (value: number, [least, most]: readonly [number, number]) => value >= least && value <= most
  return isIn(tempC, AIR_RANGE.tempC) && isIn(altitudeM, AIR_RANGE.altitudeM) ? { tempC, altitudeM } : null
})
const homeFault = computed(() => {
  if ((home.temp === '' && home.height === '') || homeAir.value) return ''
  const { temp, height } = units.value
  const [cold, warm] = AIR_RANGE.tempC.map(value => Math.round(toTemp(value, temp)))
  const [low, high] = AIR_RANGE.altitudeM.map(value => Math.round(toHeight(value, height)))
  return `Both are needed: ${cold} to ${warm} ${temp}, ${low} to ${high} ${height}.`
})
function saveHome() {
  if (homeFault.value) return
  const now = homeAir.value ?? undefined
  if (JSON.stringify(now) !== JSON.stringify(settings.value.home)) void save({ home: now })
}

const shots = computed(() =>
  clubsInUse(record.bag).flatMap(club =>
    rungsInUse(record.bag).map(rung => ({
      value: `${club.id}/${rung.id}`,
      label: stockShotName(club.label, rungName(rung)),
    })),
  ),
)
const nameOf = ({ clubId, rungId }: PickRule) =>
  shots.value.find(one => one.value === `${clubId}/${rungId}`)?.label ?? 'a stock shot no longer here'
const rule = reactive({ from: '', to: '', shot: '' })
const fault = ref('')
function add() {
  const { min, max } = CARRY_LIMITS[unit.value]
  const [a, b] = [typedNumber(rule.from), typedNumber(rule.to)]
  if (!(a >= min && b <= max && a <= b)) {
    const allowed = `${min} to ${max} ${unit.value}, the shorter first`
    fault.value = `From "${rule.from}" to "${rule.to}" is not possible: ${allowed}.`
    return
  }
  const [clubId, rungId] = rule.shot.split('/')
  if (!clubId || !rungId) {
    fault.value = 'Which stock shot?'
    return
  }
  fault.value = ''
  void save({ rules: [...settings.value.rules, { clubId, rungId, fromM: from(a), toM: from(b) }] })
  Object.assign(rule, { from: '', to: '', shot: '' })
}
const drop = (at: number) => void save({ rules: settings.value.rules.filter((_, i) => i !== at) })
</script>

<template>
  <USlideover
    v-model:open="open"
    title="How this player picks"
    description="It goes with the next chart you publish; the player's card stays as it is until then."
  >
    <template #body>
      <div class="space-y-6">
        <UFormField label="Between two numbers the player first changes"
          ><USelect
            :model-value="settings.habit"
            :items="habits"
            class="w-full"
            @update:model-value="save({ habit: $event as PickSettings['habit'] })"
        /></UFormField>
        <UFormField label="Balls on the course lie wider than on the range, times" :error="scatterFault || undefined"
          ><UInput v-model="scatter" inputmode="decimal" class="w-24" @blur="saveScatter" @keydown.enter="saveScatter"
        /></UFormField>
        <UFormField
          label="Usual air of the home course: warmth, and height above the sea"
          :error="homeFault || undefined"
        >
          <div class="flex items-center gap-2">
            <UInput
              v-model="home.temp"
              inputmode="text"
              aria-label="Usual temperature of the home course"
              class="w-20"
              @blur="saveHome"
            />{{ units.temp }}
            <UInput
              v-model="home.height"
              inputmode="text"
              aria-label="Height of the home course above the sea"
              class="w-24"
              @blur="saveHome"
            />{{ units.height }}
          </div>
        </UFormField>
        <section aria-labelledby="rules-title" class="space-y-2">
          <h3 id="rules-title" class="text-lg font-bold">Rules you keep</h3>
          <p class="soft text-sm">A rule decides between shots that are as good as each other, and says so.</p>
          <ul v-if="settings.rules.length > 0" class="raised divide-y divide-default">
            <li v-for="(one, i) in settings.rules" :key="i" class="flex items-center gap-3 px-3 py-1">
              <span class="min-w-0 flex-1"
                >{{ text(one.fromM) }} to {{ text(one.toM) }} {{ unit }}: <b>{{ nameOf(one) }}</b></span
              >
              <UButton
                color="neutral"
                variant="ghost"
                icon="i-lucide-x"
                :aria-label="`Drop the rule for ${nameOf(one)}`"
                @click="drop(i)"
              />
            </li>
          </ul>
          <form
            v-if="settings.rules.length < PICK_RULES_MAX"
            class="flex flex-wrap items-end gap-2"
            novalidate
            @submit.prevent="add"
          >
            <UFormField :label="`From, ${unit}`"
              ><UInput v-model="rule.from" inputmode="decimal" class="w-18"
            /></UFormField>
            <UFormField label="to"><UInput v-model="rule.to" inputmode="decimal" class="w-18" /></UFormField>
            <UFormField label="hit"
              ><USelect v-model="rule.shot" :items="shots" aria-label="Stock shot of the rule" class="w-44"
            /></UFormField>
            <UButton type="submit" color="neutral" variant="outline">Add</UButton>
          </form>
          <p v-if="fault" role="alert" class="font-semibold text-error">{{ fault }}</p>
        </section>
      </div>
    </template>
  </USlideover>
</template>
