<script setup lang="ts">
import { TROUBLE_SIDES, type Trouble, type TroubleSide } from '#core/pick/around'
import type { PickSetting } from '~/composables/pick/usePick'
import { useDistance } from '~/composables/useDistance'
import { typedNumber } from '~/utils/numbers'

/** What surrounds the flag: trouble on each side, how bad, and the edges of the green. */
const setting = defineModel<PickSetting>({ required: true })
const { unit, unitWord, from, text } = useDistance()

const COSTS = [
  { value: 'none', label: 'no trouble' },
  { value: 'half', label: 'half a shot' },
  { value: 'shot', label: 'a shot' },
  { value: 'out', label: 'out of bounds' },
]
const of = (side: TroubleSide) => setting.value.trouble.find(one => one.side === side)
const costOf = (side: TroubleSide) => {
  const one = of(side)
  if (!one) return 'none'
  if (one.andDistance) return 'out'
  return one.strokes < 1 ? 'half' : 'shot'
}
const USUAL_FROM = 8
function setCost(side: TroubleSide, cost: string): void {
  const others = setting.value.trouble.filter(one => one.side !== side)
  const before = of(side)
  const fromM = before?.fromM ?? from(USUAL_FROM)
  const made: Trouble = {
    side,
    fromM,
    strokes: cost === 'half' ? 0.5 : 1,
    ...(cost === 'out' && { andDistance: true as const }),
  }
  setting.value = { ...setting.value, trouble: cost === 'none' ? others : [...others, made] }
}
const typedAt = ref<Partial<Record<TroubleSide, string>>>({})
function setFrom(side: TroubleSide, value: string): void {
  typedAt.value[side] = value
  const at = typedNumber(value)
  const one = of(side)
  if (!one || !(at >= 0 && at <= 99)) return
  setting.value = {
    ...setting.value,
    trouble: setting.value.trouble.map(other => (other.side === side ? { ...other, fromM: from(at) } : other)),
  }
}
const atOf = (side: TroubleSide) => typedAt.value[side] ?? (of(side) ? text(of(side)!.fromM) : '')
const faultOf = (side: TroubleSide) => {
  const value = typedAt.value[side]
  if (value === undefined || (typedNumber(value) >= 0 && typedNumber(value) <= 99)) return ''
  return `"${value}" is not possible: 0 to 99 ${unit.value}.`
}

const edges = ['shortM', 'longM', 'leftM', 'rightM'] as const
const EDGE_LABELS = { shortM: 'front', longM: 'back', leftM: 'left', rightM: 'right' }
const typedEdges = ref<Partial<Record<(typeof edges)[number], string>>>({})
const edgeText = (edge: (typeof edges)[number]) =>
  typedEdges.value[edge] ?? (setting.value.green ? text(setting.value.green[edge]) : '')
function setEdge(edge: (typeof edges)[number], value: string): void {
  typedEdges.value[edge] = value
  const read = edges.map(one => typedNumber(edgeText(one)))
  const whole = read.every(at => at > 0 && at <= 60)
  const [shortM, longM, leftM, rightM] = read.map(from) as [number, number, number, number]
  setting.value = { ...setting.value, green: whole ? { shortM, longM, leftM, rightM } : null }
}
function clear(): void {
  typedAt.value = {}
  typedEdges.value = {}
  setting.value = { ...setting.value, trouble: [], notPast: false, green: null, over: [], under: [] }
}
/** A height to carry, and one to stay under: one of each is asked for. */
const heights = ['over', 'under'] as const
const typedHeights = ref<Record<string, string>>({})
const heightField = (kind: 'over' | 'under', part: 'atM' | 'heightM') =>
  typedHeights.value[`${kind} ${part}`] ?? (setting.value[kind][0] ? text(setting.value[kind][0][part]) : '')
function setHeight(kind: 'over' | 'under', part: 'atM' | 'heightM', value: string): void {
  typedHeights.value[`${kind} ${part}`] = value
  const [at, height] = (['atM', 'heightM'] as const).map(one => typedNumber(heightField(kind, one)))
  const list = at! > 0 && height! > 0 && at! < 400 && height! < 80 ? [{ atM: from(at!), heightM: from(height!) }] : []
  setting.value = { ...setting.value, [kind]: list }
}
const HEIGHT_LABELS = { over: 'Must clear', under: 'Must stay under' }
</script>

<template>
  <div class="space-y-4">
    <div class="grid grid-cols-2 gap-2 sm:grid-cols-4">
      <div v-for="side in TROUBLE_SIDES" :key="side" class="raised space-y-1.5 p-2.5">
        <p class="soft text-sm">{{ side }}</p>
        <USelect
          :model-value="costOf(side)"
          :items="COSTS"
          :aria-label="`Trouble ${side}`"
          class="w-full"
          @update:model-value="setCost(side, String($event))"
        />
        <label v-if="of(side)" class="flex items-center gap-2 text-sm"
          >from<UInput
            :model-value="atOf(side)"
            inputmode="decimal"
            :aria-label="`Trouble ${side} begins so many ${unitWord} from the flag`"
            :aria-invalid="faultOf(side) ? true : undefined"
            class="w-14"
            @update:model-value="setFrom(side, String($event))"
          />{{ unit }}</label
        >
        <p v-if="faultOf(side)" role="alert" class="text-sm font-semibold text-error">{{ faultOf(side) }}</p>
      </div>
    </div>
    <USwitch
      :model-value="setting.notPast"
      label="Such a pin is not passed: beyond it costs half a shot"
      @update:model-value="setting = { ...setting, notPast: $event }"
    />
    <fieldset>
      <legend class="soft text-sm">The green from the flag, {{ unitWord }} (empty: about 12 yards all round)</legend>
      <div class="mt-1 flex flex-wrap gap-2">
        <label v-for="edge in edges" :key="edge" class="flex items-center gap-1.5 text-sm"
          >{{ EDGE_LABELS[edge]
          }}<UInput
            :model-value="edgeText(edge)"
            inputmode="decimal"
            class="w-14"
            @update:model-value="setEdge(edge, String($event))"
        /></label>
      </div>
    </fieldset>
    <div v-for="kind in heights" :key="kind" class="flex flex-wrap items-center gap-2 text-sm">
      <span class="w-32">{{ HEIGHT_LABELS[kind] }}</span>
      <UInput
        :model-value="heightField(kind, 'heightM')"
        inputmode="decimal"
        :aria-label="`${HEIGHT_LABELS[kind]}, height in ${unitWord}`"
        class="w-14"
        @update:model-value="setHeight(kind, 'heightM', String($event))"
      />{{ unit }} high, at
      <UInput
        :model-value="heightField(kind, 'atM')"
        inputmode="decimal"
        :aria-label="`${HEIGHT_LABELS[kind]}, distance in ${unitWord}`"
        class="w-14"
        @update:model-value="setHeight(kind, 'atM', String($event))"
      />{{ unit }}
    </div>
    <UButton color="neutral" variant="outline" icon="i-lucide-eraser" @click="clear">Clear it all</UButton>
  </div>
</template>
