<script setup lang="ts">
import { cellKey } from '#core/bag/bag'
import { BLOCK_RANGE } from '#core/limits'
import { ORDERS } from '#core/session/order'
import { rungName } from '#core/swing/scale'
import { BLOCK_ENDS } from '#shared/choices'
import { WARM_UP } from '#shared/session'
import type { SessionPlan } from '#shared/schemas/session'
import { ownBallsFirstText, rangeBallText } from '#words/air'
import { blockEndTexts, orderTexts } from '#words/next'
import { retestFirstText } from '#words/retest'
import type { RangeSession } from '~/features/session/useRangeSession'
import { useNumbers } from '~/calculation/useNumbers'
import { useAccount } from '~/offline/stores/account'
import { settleBalls, settleSum } from '~/player/settle'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** The order of work and the size of a block; both may change while the session runs, and can be taken back. */
const props = defineProps<{ range: RangeSession }>()
const account = useAccount()
const toast = useToast()
const { session, balls, rungs, hitHere } = props.range
const plan = computed(() => session.value!.plan)

async function set(change: Partial<SessionPlan>, words: string) {
  await props.range.plan(change, words)
}
const of = <K extends keyof SessionPlan>(key: K, words: string) =>
  computed({
    get: () => plan.value[key],
    set: value => void set({ [key]: value }, words),
  })
const order = of('order', 'the order of work')
const begin = of('begin', 'where the order begins')
const until = of('until', 'how a block ends')
const orders = ORDERS.map(value => ({ value, label: orderTexts[value].name }))
const ends = BLOCK_ENDS.map(value => ({ value, label: blockEndTexts[value] }))

/** Common sizes, whatever a coach has set, and one of the coach's own. */
const SIZES = [3, 5, 6, 8, 10, 15, 20]
const OWN = 0
const sizes = computed(() => [
  ...[...new Set([...SIZES, plan.value.block])].sort((a, b) => a - b).map(value => ({ value, label: String(value) })),
  { value: OWN, label: 'own…' },
])
const ownSize = ref('')
const asksOwn = ref(false)
const ownFault = computed(() => {
  const [least, most] = BLOCK_RANGE
  const size = Number(ownSize.value)
  if (ownSize.value === '' || (Number.isInteger(size) && size >= least && size <= most)) return ''
  return `${ownSize.value} is not possible: ${least} to ${most} balls.`
})
function takeOwn() {
  if (ownSize.value === '' || ownFault.value) return
  block.value = Number(ownSize.value)
  asksOwn.value = false
}
const block = computed({
  get: () => plan.value.block,
  set: value => {
    asksOwn.value = value === OWN
    if (value === OWN) return
    void set({ block: value }, 'the size of a block')
    // The next session begins with it.
    void account.setSettings({ block: value }).catch((error: unknown) => console.error('block not sent:', error))
  },
})
const lengths = computed(() => rungs.value.map(rung => ({ value: rung.id, label: `from ${rungName(rung)}` })))
const beginRung = computed({
  get: () => plan.value.beginRungId ?? lengths.value.at(-1)?.value ?? '',
  set: value => void set({ beginRungId: value }, 'where the order begins'),
})

const warm = computed(() => balls.value.filter(ball => ball.leftOut === WARM_UP).length)
async function itCounts() {
  const done = await props.range.plan({ warmUp: false }, 'the end of the warm-up')
  toast.add({
    title: 'Now it counts',
    actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void props.range.undo(done) }],
  })
}
const { rangeBalls } = useNumbers()
const settle = computed(() => plan.value.settle)
const isRetest = computed(() => settle.value?.why === 'retest')
const settleLine = computed(() => {
  if (!settle.value) return ''
  if (settle.value.why === 'own-balls')
    return settled.value && rangeBalls.value
      ? rangeBallText(rangeBalls.value)
      : ownBallsFirstText(settleSum(settle.value))
  if (isRetest.value) return settled.value ? 'The retest has had its balls.' : retestFirstText(settleSum(settle.value))
  return settled.value
    ? 'What was open has had its balls.'
    : `First what is open: ${settle.value.balls} balls with each.`
})
const settled = computed(() =>
  settle.value?.shots.every(shot => (hitHere.value.get(cellKey(shot)) ?? 0) >= settleBalls(settle.value!, shot)),
)
</script>

<template>
  <div class="space-y-2">
    <p
      v-if="plan.warmUp"
      class="raised flex flex-wrap items-center gap-3 border-l-[5px]! border-l-(--weak-fill)! px-3 py-2"
    >
      <span class="min-w-0 flex-1"
        ><strong>Warm-up:</strong> {{ warm }} {{ warm === 1 ? 'ball' : 'balls' }}, kept apart.</span
      >
      <UButton size="sm" @click="itCounts">Now it counts</UButton>
    </p>
    <p v-if="settle" class="raised flex flex-wrap items-center gap-3 px-3 py-2">
      <span class="min-w-0 flex-1">{{ settleLine }}</span>
      <UButton
        size="sm"
        color="neutral"
        variant="outline"
        @click="set({ settle: null }, isRetest ? 'the retest' : 'settling what is open')"
        >Leave it</UButton
      >
    </p>
    <div class="flex flex-wrap items-center gap-x-2 gap-y-1.5">
      <FramePlainSelect v-model="order" :items="orders" label="Order of work" class="min-w-52 flex-1" />
      <FramePlainSelect
        v-if="order === 'full-first'"
        v-model="begin"
        :items="[
          { value: 'short', label: 'most loft first' },
          { value: 'long', label: 'longest first' },
        ]"
        label="Begins with"
        class="w-40"
      />
      <FramePlainSelect
        v-if="order === 'length'"
        v-model="beginRung"
        :items="lengths"
        label="Begins with"
        class="w-36"
      />
      <label v-if="until === 'count'" class="flex items-center gap-1.5 whitespace-nowrap"
        ><span class="soft text-sm">Blocks of</span
        ><FramePlainSelect v-model="block" :items="sizes" label="Balls in a block" class="w-20"
      /></label>
      <form v-if="asksOwn" class="flex flex-wrap items-center gap-1.5" @submit.prevent="takeOwn">
        <UInput
          v-model.trim="ownSize"
          inputmode="numeric"
          aria-label="Balls in a block, your own number"
          :aria-invalid="ownFault ? true : undefined"
          class="w-16"
          autofocus
        />
        <UButton type="submit" color="neutral" variant="outline">Set</UButton>
        <span v-if="ownFault" class="text-sm font-semibold text-error" role="alert">{{ ownFault }}</span>
      </form>
      <FramePlainSelect v-model="until" :items="ends" label="A block ends" class="w-52" />
    </div>
  </div>
</template>
