<script setup lang="ts">
import { scoreOf } from '#core/practice/score'
import type { TypedUnits } from '#core/shot/typed-ball'
import type { DistanceUnit } from '#core/units'
import type { PublishedChart } from '#core/history/published'
import { ballsOfGo } from '#shared/practice'
import type { GoRecord, HomeworkRecord } from '#shared/schemas/practice'
import { scoreText, type PracticeNames } from '#words/practice'
import { dayText } from '#words/dates'
import { stockShotName } from '#words/stock-shot'
import { useOwnGoes } from '~/features/practice/useOwnGoes'
import { newGo } from '~/player/new-go'
import { pageMemo } from '~/ui/page-memo'
import PracticePlay from '~/features/practice/Play.vue'

/** Homework on the player's own phone: what the coach set, done here, without a network too. */
const props = defineProps<{
  homework: readonly HomeworkRecord[]
  told: readonly GoRecord[]
  chart: PublishedChart | null
  unit: DistanceUnit
  mark: string
  /** False for a link that shows alone. */
  takes: boolean
}>()
const told = computed(() => props.told)
const mark = computed(() => props.mark)
const own = useOwnGoes(mark, told)
const { goes, waiting, refused, failure } = own
const cells = computed(() => new Map((props.chart?.cells ?? []).map(cell => [`${cell.clubId}/${cell.rungId}`, cell])))
const names = computed((): PracticeNames => ({
  unit: props.unit,
  shot: ({ clubId, rungId }) => {
    const cell = cells.value.get(`${clubId}/${rungId}`)
    return cell ? stockShotName(cell.club, cell.swing) : 'a shot no longer on the card'
  },
  club: clubId => props.chart?.clubs.find(club => club.id === clubId)?.label ?? 'a club',
}))
const units = computed((): TypedUnits => ({
  distance: props.unit,
  speed: props.unit === 'yd' ? 'mph' : 'km/h',
  height: props.unit === 'yd' ? 'ft' : 'm',
}))
/** True while a go is open: the page makes room for it. */
const playing = defineModel<boolean>('playing', { default: false })
const openId = useSessionStorage('uzzet-own-go', '')
const open = computed(() => goes.value.find(({ id }) => id === openId.value))
watch(
  open,
  go => {
    playing.value = go !== undefined
  },
  { immediate: true },
)
onBeforeUnmount(() => {
  playing.value = false
})
function start(homework: HomeworkRecord, block: HomeworkRecord['blocks'][number]) {
  const before = goes.value.filter(go => go.homeworkId === homework.id && go.name === block.name).length
  const go = newGo({ ...block.spec, seed: block.spec.seed + before }, block.name, homework.id)
  own.put(go)
  openId.value = go.id
}
const goesOf = (homework: HomeworkRecord, name: string) =>
  goes.value.filter(go => go.homeworkId === homework.id && go.name === name)
const textOf = (go: GoRecord) => scoreText(go.spec, scoreOf(go.spec, ballsOfGo(go), pageMemo), names.value)
const hasBalls = (go: GoRecord) => ballsOfGo(go).length > 0
</script>

<template>
  <div>
    <template v-if="open">
      <div class="mb-1 flex items-center gap-3">
        <h1 class="min-w-0 flex-1 truncate text-xl font-bold">{{ open.name }}</h1>
        <UButton color="neutral" variant="outline" icon="i-lucide-arrow-left" @click="openId = ''">Homework</UButton>
      </div>
      <PracticePlay :key="open.id" :go="open" :names="names" :units="units" :shots="[]" @put="own.put" />
    </template>
    <template v-else>
      <section v-for="one in homework" :key="one.id" class="mb-5" :aria-label="`Homework of ${dayText(one.setAtMs)}`">
        <p class="soft text-sm">
          Set {{ dayText(one.setAtMs)
          }}<template v-if="one.dueAtMs">, to be done by {{ dayText(one.dueAtMs) }}</template>
        </p>
        <p v-if="one.note" class="border-l-[5px] border-primary pl-3 text-lg">{{ one.note }}</p>
        <ol class="raised mt-2 divide-y divide-default">
          <li v-for="block in one.blocks" :key="block.id" class="flex items-center gap-3 px-4 py-2.5">
            <span class="min-w-0 flex-1 leading-tight"
              ><b class="block text-lg">{{ block.name }}</b>
              <span class="soft block text-sm">{{ block.why }}</span>
              <span v-for="go in goesOf(one, block.name).filter(hasBalls)" :key="go.id" class="block text-sm"
                >{{ dayText(go.startedAtMs) }}: {{ textOf(go) }}
                <UButton
                  v-if="go.endedAtMs === null"
                  size="sm"
                  color="neutral"
                  variant="outline"
                  @click="openId = go.id"
                  >Go on</UButton
                ></span
              ></span
            >
            <UButton
              v-if="takes"
              size="xl"
              icon="i-lucide-play"
              :aria-label="`Start ${block.name}`"
              @click="start(one, block)"
              >Start</UButton
            >
          </li>
        </ol>
      </section>
      <p v-if="!takes" class="soft">
        This link shows the homework; it takes no scores. Ask your coach for one that does.
      </p>
      <p v-if="waiting > 0" class="soft text-sm" role="status">
        <UIcon name="i-lucide-cloud-off" /> {{ waiting }} kept on this phone{{ failure ? '' : ', on the way' }}.
        {{ failure }}
        <UButton v-if="failure" size="sm" color="neutral" variant="outline" @click="own.send">Send now</UButton>
      </p>
      <p v-for="one in refused" :key="one.seq" role="alert" class="text-sm text-error">
        {{ one.document.name }} was not taken: {{ one.why }}
      </p>
    </template>
  </div>
</template>
