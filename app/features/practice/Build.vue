<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { DRILL_ORDERS, type DrillSpec } from '#core/practice/drill-spec'
import { CARRY_LIMITS } from '#core/limits'
import { drillTexts } from '#words/practice'
import { useDistance } from '~/ui/useDistance'
import { usePractice } from '~/offline/stores/practice'
import { GO_NAME_MAX, GO_TASKS_MAX } from '#shared/limits'
import { typedNumber } from '~/ui/numbers'

/** A drill of the coach's own from the parts of one that there is: its targets, balls, tolerance and order. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{ spec: DrillSpec }>()
const emit = defineEmits<{ start: [spec: DrillSpec, name: string] }>()
const { unit, unitWord, from, text } = useDistance()
const practice = usePractice()
const toast = useToast()
const base = drillTexts(props.spec.drill)
const name = ref(`${base.title}, ours`)
const hasTargets = props.spec.tasks.some(({ targetM }) => targetM !== undefined)
const targets = ref(props.spec.tasks.flatMap(({ targetM }) => (targetM === undefined ? [] : [text(targetM)])).join(' '))
const each = ref(String(props.spec.ballsEach))
const within = ref(props.spec.withinM === undefined ? '' : text(props.spec.withinM))
const order = ref(props.spec.order)
const orders = DRILL_ORDERS.map(value => ({ value, label: value }))
const isMeasured = ['leave', 'length', 'call'].includes(props.spec.measure)

const values = computed(() =>
  targets.value
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean),
)
const targetsFault = computed(() => {
  if (!hasTargets) return ''
  const { min, max } = CARRY_LIMITS[unit.value]
  const wrong = values.value.find(value => !(typedNumber(value) >= min && typedNumber(value) <= max))
  if (wrong !== undefined) return `"${wrong}" is not possible: ${min} to ${max} ${unit.value}.`
  const isMany = values.value.length === 0 || values.value.length > GO_TASKS_MAX
  return isMany ? `1 to ${GO_TASKS_MAX} targets, with blanks between.` : ''
})
const faults = computed(() => {
  const balls = typedNumber(each.value)
  const near = typedNumber(within.value)
  const isNear = within.value === '' || (near >= 1 && near <= 60)
  return {
    targets: targetsFault.value,
    each: Number.isInteger(balls) && balls >= 1 && balls <= 50 ? '' : `"${each.value}" is not possible: 1 to 50.`,
    within: isNear ? '' : `"${within.value}" is not possible: 1 to 60 ${unit.value}.`,
    name: name.value.trim() === '' ? 'It needs a name.' : '',
  }
})
const isFine = computed(() => Object.values(faults.value).every(fault => fault === ''))
function made(): DrillSpec {
  const { balls: _, withinM: __, ...rest } = props.spec
  return {
    ...rest,
    tasks: hasTargets
      ? values.value.map((value, i) => {
          const { circleM, flight } = props.spec.tasks[i % props.spec.tasks.length]!
          return {
            targetM: from(typedNumber(value)),
            ...(flight && { flight }),
            ...(circleM !== undefined && { circleM: within.value === '' ? circleM : from(typedNumber(within.value)) }),
          }
        })
      : props.spec.tasks,
    ballsEach: typedNumber(each.value),
    order: order.value,
    ...(within.value !== '' && { withinM: from(typedNumber(within.value)) }),
  }
}
async function keep() {
  if (!isFine.value) return
  try {
    await practice.keepDrill({ id: newId(), name: name.value.trim(), spec: made() })
    open.value = false
    toast.add({ title: `${name.value.trim()} is kept for all your players` })
  } catch (error) {
    toast.add({ title: 'That could not be kept', description: (error as Error).message, color: 'error' })
  }
}
function start() {
  if (!isFine.value) return
  open.value = false
  emit('start', made(), name.value.trim())
}
</script>

<template>
  <USlideover v-model:open="open" :title="`From ${base.title}`" description="Its parts are yours to change.">
    <template #body>
      <form class="space-y-4" novalidate @submit.prevent="keep">
        <UFormField label="Name" :error="faults.name || undefined"
          ><UInput v-model="name" :maxlength="GO_NAME_MAX" class="w-full"
        /></UFormField>
        <UFormField v-if="hasTargets" :label="`Targets, ${unitWord}`" :error="faults.targets || undefined"
          ><UInput v-model="targets" inputmode="text" class="w-full"
        /></UFormField>
        <UFormField label="Balls at each" :error="faults.each || undefined"
          ><UInput v-model="each" inputmode="numeric" class="w-20"
        /></UFormField>
        <UFormField label="Order"><USelect v-model="order" :items="orders" class="w-full" /></UFormField>
        <UFormField
          v-if="isMeasured"
          :label="`Near enough, ${unitWord} (empty: half of the level’s balls)`"
          :error="faults.within || undefined"
          ><UInput v-model="within" inputmode="decimal" class="w-20"
        /></UFormField>
        <div class="flex flex-wrap gap-2">
          <UButton type="submit" :disabled="!isFine">Keep it</UButton>
          <UButton color="neutral" variant="outline" :disabled="!isFine" @click="start">Start it once</UButton>
        </div>
      </form>
    </template>
  </USlideover>
</template>
