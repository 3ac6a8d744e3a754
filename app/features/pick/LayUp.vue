<script setup lang="ts">
import type { LayUp, LeaveCost } from '#core/pick/lay-up'
import type { PickDesk } from '~/features/pick/usePick'
import { useDistance } from '~/ui/useDistance'
import { yardsToMetres } from '#core/units'
import { layUpText } from '#words/pick'
import { typedNumber } from '~/ui/numbers'

/** A hole that cannot be reached: the distance to leave on purpose. */
const props = defineProps<{ desk: PickDesk; spreadKnown: boolean }>()
const { unit, unitWord, from, to, text } = useDistance()
const toGo = ref('')
const longest = useLocalStorage('uzzet-longest', '')
const troubleFrom = ref('')
const troubleTo = ref('')
const found = shallowRef<{ costs: LeaveCost[]; layUp: LayUp | null }>()
const failure = ref('')
const asked = computed(() => {
  const [go, far] = [typedNumber(toGo.value), typedNumber(longest.value)]
  if (!(go > 0 && go < 700 && far > 0 && far < 400)) return null
  const [begin, end] = [typedNumber(troubleFrom.value), typedNumber(troubleTo.value)]
  const onTheWay = end > begin && begin > 0 ? [{ fromM: from(begin), toM: from(end), strokes: 1 }] : []
  return { toGoM: from(go), longestM: from(far), onTheWay }
})
watchDebounced(
  [asked, props.desk.opened],
  async () => {
    if (!props.desk.opened.value) return
    try {
      found.value = await props.desk.layUpOf(asked.value)
      failure.value = ''
    } catch (error) {
      failure.value = (error as Error).message
    }
  },
  { debounce: 150, immediate: true },
)
const WIDTH = 420
const HEIGHT = 92
const bars = computed(() => {
  const costs = found.value?.costs ?? []
  if (costs.length === 0) return []
  const most = Math.max(0.02, ...costs.map(one => Math.abs(one.beside)))
  const step = WIDTH / costs.length
  return costs.map((one, i) => {
    const size = (Math.abs(one.beside) / most) * 32
    return { x: i * step, width: step + 0.3, size, good: one.beside < 0, yd: one.atM }
  })
})
const GOOD_SHARE = 0.012
/** Good ones as stretches, for words. */
const goodWords = computed(() => {
  const good = (found.value?.costs ?? []).filter(one => one.beside < -GOOD_SHARE).map(one => Math.round(to(one.atM)))
  const runs: [number, number][] = []
  for (const at of good) {
    const last = runs.at(-1)
    if (last && at - last[1] <= 2) last[1] = at
    else runs.push([at, at])
  }
  return runs.map(([a, b]) => (a === b ? `${a}` : `${a} to ${b}`)).join(', ')
})
const words = computed(() => {
  if (!asked.value) return ''
  const layUp = found.value?.layUp
  return layUp ? layUpText(layUp, unit.value) : 'It can be reached: nothing is to be laid up.'
})
const marks = computed(() => [40, 60, 80, 100, 120].map(yd => ({ yd, x: ((yd - 30) / 101) * WIDTH })))
</script>

<template>
  <div class="space-y-3">
    <div class="flex flex-wrap items-end gap-3">
      <UFormField :label="`To the flag, ${unitWord}`"
        ><UInput v-model="toGo" inputmode="numeric" class="w-24"
      /></UFormField>
      <UFormField :label="`Longest you hit, ${unitWord}`"
        ><UInput v-model="longest" inputmode="numeric" class="w-24"
      /></UFormField>
      <UFormField :label="`Trouble from, to, ${unitWord}`"
        ><span class="flex gap-1.5"
          ><UInput v-model="troubleFrom" inputmode="numeric" aria-label="Trouble begins at" class="w-18" /><UInput
            v-model="troubleTo"
            inputmode="numeric"
            aria-label="Trouble ends at"
            class="w-18" /></span
      ></UFormField>
    </div>
    <p v-if="failure" role="alert" class="font-semibold text-error">{{ failure }}</p>
    <p class="min-h-7 text-xl font-bold" role="status">{{ words }}</p>
    <figure v-if="bars.length > 0">
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        role="img"
        :aria-label="`Good yardages to leave: ${goodWords || 'none stands out'}`"
        class="block w-full max-w-[30rem]"
      >
        <rect
          v-for="bar in bars"
          :key="bar.x"
          :x="bar.x"
          :width="bar.width"
          :y="bar.good ? 36 - bar.size : 36"
          :height="bar.size"
          :fill="bar.good ? 'var(--sound)' : 'var(--weak-fill)'"
        />
        <line x1="0" :x2="WIDTH" y1="36" y2="36" stroke="var(--ink)" />
        <g v-for="mark in marks" :key="mark.yd">
          <text :x="mark.x" y="88" text-anchor="middle" font-size="13" fill="var(--soft-ink)">
            {{ unit === 'yd' ? mark.yd : text(yardsToMetres(mark.yd)) }}
          </text>
        </g>
      </svg>
      <figcaption class="soft text-sm">
        Above the line: yardages you play better than their neighbours{{ goodWords ? `: ${goodWords}` : '' }}.
        <template v-if="!spreadKnown">The chart has no spread yet: these go by what is usual for the level.</template>
      </figcaption>
    </figure>
  </div>
</template>
