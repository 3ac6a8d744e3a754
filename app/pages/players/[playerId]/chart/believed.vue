<script setup lang="ts">
import { cellKey, clubsInUse, isStruckOut, rungsInUse, type StockShot } from '#core/bag/bag'
import { CARRY_LIMITS } from '#core/limits'
import { beliefCost } from '#shared/believed-words'
import { rungName } from '#core/swing/scale'

/** What the player believes, taken before the first ball and kept for ever, against what the balls said. */
const { playerId, record } = usePlayerRoute()
const { text, typed, unit, from, to } = useDistance()
const { chart } = useNumbers()
const { cellName } = useCellNames()
const { saidOf, say } = useCellWords()
const clubs = computed(() => clubsInUse(record.bag))
const rungs = computed(() => [...rungsInUse(record.bag)].reverse())
const byKey = computed(() => new Map(chart.value.map(cell => [cellKey(cell), cell])))
const drafts = reactive<Record<string, string>>({})
const faults = reactive<Record<string, string>>({})

const shown = (cell: StockShot) => {
  const believed = saidOf(cell).believed
  return drafts[cellKey(cell)] ?? (believed ? typed(believed.carryM!) : '')
}

async function save(cell: StockShot) {
  const key = cellKey(cell)
  const draft = drafts[key]
  if (draft === undefined) return
  const before = saidOf(cell).believed
  if (draft.trim() === (before ? typed(before.carryM!) : '')) return void delete drafts[key] // eslint-disable-line @typescript-eslint/no-dynamic-delete
  const value = typedNumber(draft)
  const { min, max } = CARRY_LIMITS[unit.value]
  faults[key] = value >= min && value <= max ? '' : draft.trim() === '' ? 'A belief is kept for ever: write another number in its place.' : `"${draft}" is not possible: ${min} to ${max} ${unit.value} is allowed.`
  if (faults[key]) return
  await say(cell, 'believed', from(value), '', `${draft.trim()} ${unit.value} believed`)
  delete drafts[key] // eslint-disable-line @typescript-eslint/no-dynamic-delete
}

/** Worst first: what the belief costs on the course. */
const compared = computed(() => chart.value.flatMap((cell) => {
  const first = saidOf(cell).believedFirst
  if (!first || cell.balls === 0 || cell.carryM === null) return []
  return [{ cell, first, offM: cell.carryM - first.carryM!, sureM: cell.certainty80M ? (cell.certainty80M[1] - cell.certainty80M[0]) / 2 : 0 }]
}).sort((a, b) => Math.abs(b.offM) - Math.abs(a.offM)))
const within = computed(() => compared.value.filter(one => Math.abs(to(one.offM)) <= 3).length)
</script>

<template>
  <FrameStagePage title="Believed and measured" line="Ask before the first ball: what does the player think each one carries?">
    <template #actions><UButton :to="`/players/${playerId}/chart`" color="neutral" variant="outline" icon="i-lucide-arrow-left">Carry chart</UButton></template>
    <FrameEmptyStep v-if="clubs.length === 0 || rungs.length === 0" icon="i-lucide-backpack" words="There is no bag yet." help="Clubs and swing lengths first; then what the player believes of them." action="To the bag" :to="`/players/${playerId}/bag`" />
    <template v-else>
      <section v-if="compared.length > 0" class="mb-8" aria-labelledby="cost-title">
        <h2 id="cost-title" class="mb-2 text-xl font-bold">{{ within }} of {{ compared.length }} beliefs are within 3 {{ unit }}</h2>
        <div class="overflow-x-auto">
          <table class="w-full border-collapse text-left">
            <caption class="sr-only">Believed against measured, the dearest first</caption>
            <thead><tr class="soft border-b border-default text-sm"><th class="py-1 pr-3 font-normal">Stock shot</th><th class="pr-3 text-right font-normal">Believed, {{ unit }}</th><th class="pr-6 text-right font-normal">Measured, {{ unit }}</th><th class="font-normal">What it costs</th></tr></thead>
            <tbody>
              <tr v-for="{ cell, first, offM, sureM } in compared" :key="cellKey(cell)" class="border-b border-default">
                <th scope="row" class="py-1.5 pr-3 font-bold">{{ cellName(cell) }}</th><td class="pr-3 text-right">{{ typed(first.carryM!) }}</td><td class="pr-6 text-right font-bold whitespace-nowrap">{{ text(cell.carryM!) }} <span class="soft font-normal">± {{ text(sureM) }}</span></td>
                <td>{{ beliefCost(first.carryM!, cell.carryM!, unit) }}<span v-if="Math.abs(offM) <= sureM && beliefCost(first.carryM!, cell.carryM!, unit) !== 'right'" class="soft">, which may be chance</span></td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section aria-labelledby="ask-title">
        <h2 id="ask-title" class="mb-1 text-xl font-bold">What the player believes, {{ unit }}</h2>
        <p class="soft mb-2">The first answer is kept for ever; a later one stands beside it. It never feeds the numbers.</p>
        <div class="overflow-x-auto pb-1">
          <table class="border-collapse">
            <thead><tr><td /><th v-for="club in clubs" :key="club.id" scope="col" class="px-1.5 pb-1 text-left text-lg font-bold">{{ club.label }}</th></tr></thead>
            <tbody>
              <tr v-for="rung in rungs" :key="rung.id">
                <th scope="row" class="pr-3 text-left font-bold whitespace-nowrap">{{ rungName(rung) }}</th>
                <td v-for="club in clubs" :key="club.id" class="p-1 align-top">
                  <span v-if="isStruckOut(record.bag, { clubId: club.id, rungId: rung.id })" class="soft flex h-11 w-20 items-center text-sm">not used</span>
                  <template v-else>
                    <UInput
                      :model-value="shown({ clubId: club.id, rungId: rung.id })" inputmode="decimal" class="w-20" :aria-label="`${cellName({ clubId: club.id, rungId: rung.id })}, believed`" :color="faults[`${club.id}/${rung.id}`] ? 'error' : undefined" :highlight="!!faults[`${club.id}/${rung.id}`]"
                      @update:model-value="drafts[`${club.id}/${rung.id}`] = String($event)" @blur="save({ clubId: club.id, rungId: rung.id })" @keydown.enter="save({ clubId: club.id, rungId: rung.id })"
                    />
                    <span v-if="faults[`${club.id}/${rung.id}`]" role="alert" class="block w-28 text-xs text-error">{{ faults[`${club.id}/${rung.id}`] }}</span>
                    <span v-else-if="byKey.get(`${club.id}/${rung.id}`)?.balls" class="soft block text-xs">measured {{ text(byKey.get(`${club.id}/${rung.id}`)!.carryM!) }}</span>
                  </template>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
    </template>
  </FrameStagePage>
</template>
