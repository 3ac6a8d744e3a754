<script setup lang="ts">
import { GREEN_RADIUS_M } from '#core/pick/strokes'
import { TROUBLE_SIDES, type Trouble, type TroubleSide } from '#core/pick/around'
import type { PickSetting } from '~/features/pick/usePick'
import { useDistance } from '~/ui/useDistance'
import { fromHeight, toHeight, yardsToMetres } from '#core/units'
import { useAccount } from '~/offline/stores/account'
import { typedNumber } from '~/ui/numbers'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** What surrounds the flag: trouble on each side, how bad, and the edges of the green. */
const setting = defineModel<PickSetting>({ required: true })
const { unit, unitWord, from, text } = useDistance()
const account = useAccount()

const sideTitles: Record<TroubleSide, string> = {
  short: 'Trouble short',
  long: 'Trouble long',
  left: 'Trouble left',
  right: 'Trouble right',
}
const COSTS = [
  { value: 'none', label: 'none' },
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

const usual = computed(() => text(GREEN_RADIUS_M))
const MOST_EDGE_M = 55
const edges = ['shortM', 'longM', 'leftM', 'rightM'] as const
const EDGE_LABELS = { shortM: 'front', longM: 'back', leftM: 'left', rightM: 'right' }
const typedEdges = ref<Partial<Record<(typeof edges)[number], string>>>({})
const edgeText = (edge: (typeof edges)[number]) =>
  typedEdges.value[edge] ?? (setting.value.green ? text(setting.value.green[edge]) : '')
function setEdge(edge: (typeof edges)[number], value: string): void {
  typedEdges.value[edge] = value
  const read = edges.map(one => typedNumber(edgeText(one)))
  const whole = read.every(at => at > 0 && from(at) <= MOST_EDGE_M)
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
const heightUnit = computed(() => account.heightUnit)
const heightField = (kind: 'over' | 'under', part: 'atM' | 'heightM') => {
  const known = setting.value[kind][0]?.[part]
  const shown = () => (part === 'atM' ? text(known!) : String(Math.round(toHeight(known!, heightUnit.value))))
  return typedHeights.value[`${kind} ${part}`] ?? (known === undefined ? '' : shown())
}
const MOST_AT_M = yardsToMetres(400)
const MOST_HEIGHT_M = yardsToMetres(80)
function setHeight(kind: 'over' | 'under', part: 'atM' | 'heightM', value: string): void {
  typedHeights.value[`${kind} ${part}`] = value
  const atM = from(typedNumber(heightField(kind, 'atM')))
  const heightM = fromHeight(typedNumber(heightField(kind, 'heightM')), heightUnit.value)
  const isPossible = atM > 0 && heightM > 0 && atM < MOST_AT_M && heightM < MOST_HEIGHT_M
  setting.value = { ...setting.value, [kind]: isPossible ? [{ atM, heightM }] : [] }
}
function heightFault(kind: 'over' | 'under'): string {
  const typed = [heightField(kind, 'atM'), heightField(kind, 'heightM')]
  if (setting.value[kind].length > 0 || typed.some(value => value === '')) return ''
  const [high, far] = [Math.round(toHeight(MOST_HEIGHT_M, heightUnit.value)), text(MOST_AT_M)]
  return `Not possible: a height under ${high} ${heightUnit.value}, nearer than ${far} ${unit.value}.`
}
const greenFault = computed(() => {
  const typed = edges.map(edgeText)
  if (setting.value.green || typed.some(value => value === '')) return ''
  return `Not possible: each edge 1 to ${text(MOST_EDGE_M)} ${unit.value} from the flag.`
})
const HEIGHT_LABELS = { over: 'Must clear', under: 'Must stay under' }
</script>

<template>
  <div class="space-y-4">
    <div class="grid grid-cols-2 gap-2 sm:max-lg:grid-cols-4 2xl:grid-cols-4">
      <div v-for="side in TROUBLE_SIDES" :key="side" class="raised space-y-1.5 p-2.5">
        <p class="soft text-sm">{{ sideTitles[side] }}</p>
        <FramePlainSelect
          :model-value="costOf(side)"
          :items="COSTS"
          :label="`Trouble ${side}`"
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
      label="Never past this pin: a ball beyond it costs half a shot"
      @update:model-value="setting = { ...setting, notPast: $event }"
    />
    <fieldset>
      <legend class="soft text-sm">
        The green’s edges from the flag, {{ unitWord }}; all four, or none: then about {{ usual }} {{ unitWord }} all
        round
      </legend>
      <div class="mt-1 grid max-w-80 grid-cols-4 gap-2">
        <label v-for="edge in edges" :key="edge" class="text-sm"
          >{{ EDGE_LABELS[edge]
          }}<UInput
            :model-value="edgeText(edge)"
            inputmode="decimal"
            class="w-full"
            @update:model-value="setEdge(edge, String($event))"
        /></label>
      </div>
      <p v-if="greenFault" role="alert" class="mt-1 text-sm font-semibold text-error">{{ greenFault }}</p>
    </fieldset>
    <div v-for="kind in heights" :key="kind" class="flex flex-wrap items-center gap-2 text-sm">
      <span class="w-full sm:w-32">{{ HEIGHT_LABELS[kind] }}</span>
      <UInput
        :model-value="heightField(kind, 'heightM')"
        inputmode="decimal"
        :aria-label="`${HEIGHT_LABELS[kind]}, height in ${heightUnit}`"
        class="w-14"
        @update:model-value="setHeight(kind, 'heightM', String($event))"
      />{{ heightUnit }} high, at
      <UInput
        :model-value="heightField(kind, 'atM')"
        inputmode="decimal"
        :aria-label="`${HEIGHT_LABELS[kind]}, distance in ${unitWord}`"
        class="w-14"
        @update:model-value="setHeight(kind, 'atM', String($event))"
      />{{ unit }}
      <p v-if="heightFault(kind)" role="alert" class="w-full font-semibold text-error">{{ heightFault(kind) }}</p>
    </div>
    <UButton color="neutral" variant="outline" icon="i-lucide-eraser" @click="clear">Clear it all</UButton>
  </div>
</template>
