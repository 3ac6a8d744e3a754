<script setup lang="ts">
import type { DrillSpec } from '#core/practice/drill-spec'
import type { TypedBall, TypedUnits } from '#core/shot/typed-ball'
import { USUAL_PLAN } from '#shared/choices'
import type { SessionPlan } from '#shared/schemas/session'
import { rowErrorText } from '#words/row-faults'
import { useDistance } from '~/ui/useDistance'
import { useRanges } from '~/player/ranges/useRanges'
import { readSeenBall, type SeenBall } from '~/player/seen-ball'
import ShotsSignDialog from '~/player/shots/SignDialog.vue'
import ShotsWatchDialog from '~/player/shots/WatchDialog.vue'

/**
 * Balls of a go by other ways than the keypad: this device's position, a sign of the range, or several at once, as they
 * were lasered, paced, written on paper or stand in a file. A pile's middle alone tells nothing of how near its balls
 * lie: each is written down.
 */
const props = defineProps<{
  goId: string
  spec: DrillSpec
  units: TypedUnits
  /** What is asked now, for the head of a dialog. */
  asked: string
}>()
const emit = defineEmits<{ log: [ball: SeenBall]; logAll: [balls: SeenBall[]] }>()
const { unitWord } = useDistance()
const ranges = useRanges()
onMounted(ranges.load)
const plan = computed<SessionPlan>(() => ({ ...USUAL_PLAN, measuredTo: props.spec.toRest ? 'rest' : 'pitch' }))
/** A curve and a call are told ball by ball. */
const listed = computed(() => props.spec.measure !== 'curve' && props.spec.measure !== 'call')
/** Only what is measured along the ground has other ways. */
const measured = computed(() => ['leave', 'length', 'call'].includes(props.spec.measure))
const way = ref<'watch' | 'sign' | 'several'>()
const take = ({ carryM }: TypedBall) => emit('log', { endM: carryM })

const text = ref('')
const faults = ref<string[]>([])
/** So many wrong lines are named; the rest is counted. */
const FAULTS_TOLD = 4
watch(way, () => {
  text.value = ''
  faults.value = []
})
function save(): void {
  const lines = text.value.split('\n').map((line, i) => ({ line: line.trim(), n: i + 1 }))
  const filled = lines.filter(({ line }) => line !== '')
  const balls: SeenBall[] = []
  faults.value = []
  for (const { line, n } of filled) {
    const read = readSeenBall(line, props.spec.measure, props.units)
    if ('fault' in read) faults.value.push(`Line ${n}: ${read.fault}`)
    else balls.push(read)
  }
  if (filled.length === 0) faults.value.push('Write one ball a line first.')
  if (faults.value.length > 0) return
  emit('logAll', balls)
  way.value = undefined
}

const MOST_BYTES = 200_000
const input = useTemplateRef('input')
/** A file of lines goes into the field, to be looked at; a table's balls are taken when all of them can be read. */
async function read(event: Event): Promise<void> {
  const target = event.target as HTMLInputElement
  const file = target.files?.[0]
  target.value = ''
  if (!file) return
  faults.value = []
  if (file.size > MOST_BYTES) {
    faults.value.push(`${file.name} has ${Math.round(file.size / 1000)} kB: at most ${MOST_BYTES / 1000} kB.`)
    return
  }
  const content = await file.text()
  if (!/[a-z]{3}/i.test(content.split('\n')[0] ?? '')) {
    text.value = content.trim()
    return
  }
  const { readGoBalls } = await import('#core/files/drill-table')
  const { balls, errors } = readGoBalls(content)
  faults.value = errors.map(error => `${rowErrorText(error)}.`)
  if (balls.length === 0 && errors.length === 0)
    faults.value.push(`${file.name} has no ball in it: it needs carry_yd or carry_m, side_yd or side_m, or good.`)
  if (faults.value.length > 0) return
  emit('logAll', balls)
  way.value = undefined
}
</script>

<template>
  <div class="flex flex-wrap gap-2">
    <UButton v-if="listed" color="neutral" variant="outline" icon="i-lucide-list-plus" @click="way = 'several'"
      >Several…</UButton
    >
    <template v-if="measured">
      <UButton color="neutral" variant="outline" icon="i-lucide-locate" @click="way = 'watch'">Position</UButton>
      <UButton v-if="!spec.toRest" color="neutral" variant="outline" icon="i-lucide-signpost" @click="way = 'sign'"
        >Sign…</UButton
      >
    </template>
    <ShotsWatchDialog
      v-if="way === 'watch'"
      open
      :plan="plan"
      :name="asked"
      :session-id="goId"
      @update:open="way = undefined"
      @log="take"
    />
    <ShotsSignDialog v-if="way === 'sign'" open :plan="plan" :name="asked" @update:open="way = undefined" @log="take" />
    <UModal
      :open="way === 'several'"
      title="Several balls at once"
      description="One a line, in the order they were hit: lasered or paced, from paper, or from a file."
      @update:open="way = undefined"
    >
      <template #body>
        <form id="several-form" novalidate @submit.prevent="save">
          <UFormField :label="`As on the keypad, ${unitWord}`" help="72, or 72 4r for 4 to the right."
            ><UTextarea v-model="text" autofocus :rows="8" class="w-full font-bold"
          /></UFormField>
          <ul v-if="faults.length > 0" role="alert" class="mt-2 font-semibold text-error">
            <li v-for="fault in faults.slice(0, FAULTS_TOLD)" :key="fault">{{ fault }}</li>
            <li v-if="faults.length > FAULTS_TOLD">and {{ faults.length - FAULTS_TOLD }} more</li>
          </ul>
          <input
            ref="input"
            aria-label="File of balls"
            type="file"
            accept=".csv,.txt,text/csv,text/plain"
            class="sr-only"
            @change="read"
          />
        </form>
      </template>
      <template #footer>
        <UButton type="submit" form="several-form">Log them</UButton>
        <UButton color="neutral" variant="outline" icon="i-lucide-folder-open" @click="input?.click()"
          >From a file…</UButton
        >
        <UButton color="neutral" variant="outline" @click="way = undefined">Cancel</UButton>
      </template>
    </UModal>
  </div>
</template>
