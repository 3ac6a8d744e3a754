<script setup lang="ts">
import type { Pair } from '#core/history/compare-players'
import { stockShotName } from '#words/stock-shot'
import { api } from '~/offline/api'
import { useDistance } from '~/ui/useDistance'
import { usePlayerRecord } from '~/offline/stores/record'
import { allPlayers } from '~/offline/all-players'

/** This player beside another one: the stock shots both have. On paper the other has no name. */
const record = usePlayerRecord()
const { doubt, text, unit, step } = useDistance()
const NOBODY = 'nobody'
const other = ref(NOBODY)
const players = shallowRef<{ value: string; label: string }[]>([])
const pairs = shallowRef<Pair[]>()
const failure = ref('')
const items = computed(() => [{ value: NOBODY, label: 'choose…' }, ...players.value])
const differing = computed(() => pairs.value?.filter(pair => pair.differs).length ?? 0)

async function load() {
  failure.value = ''
  pairs.value = undefined
  try {
    if (players.value.length === 0)
      players.value = (await allPlayers())
        .filter(one => one.id !== record.playerId && !one.archived)
        .map(one => ({ value: one.id, label: one.name }))
    if (other.value !== NOBODY)
      pairs.value = await api('/api/players/:playerId/compare-with', {
        params: { playerId: record.playerId },
        query: { other: other.value },
      })
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)
watch(other, load)
</script>

<template>
  <section class="mt-10" aria-labelledby="other-title">
    <h2 id="other-title" class="mb-2 text-xl font-bold">Beside another player</h2>
    <USelect v-model="other" :items="items" aria-label="Another player" class="mb-3 w-64 print:hidden" />
    <p v-if="failure" role="alert" class="raised flex flex-wrap items-center gap-3 p-4">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
    <p v-else-if="pairs?.length === 0" class="soft">
      They have no stock shot in common: the same swing length by its name, with clubs of the same loft to a degree.
    </p>
    <template v-else-if="pairs">
      <p class="mb-2">
        {{ differing }} of {{ pairs.length }} surely differ; any false one among them comes in at most 1 of 20 such
        comparisons.
      </p>
      <div class="overflow-x-auto">
        <table class="w-full border-collapse text-left">
          <thead>
            <tr class="soft border-b border-default text-sm">
              <th class="py-1 pr-3 font-normal">Stock shot</th>
              <th class="pr-3 text-right font-normal">This player, {{ unit }}</th>
              <th class="pr-3 text-right font-normal">The other, {{ unit }}</th>
              <th class="pr-6 text-right font-normal">Longer by</th>
              <th class="font-normal">What can be said</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="pair in pairs" :key="`${pair.club} ${pair.swing}`" class="border-b border-default">
              <th scope="row" class="py-1.5 pr-3 font-bold">
                {{ stockShotName(pair.club, pair.swing)
                }}<span v-if="pair.otherClub !== pair.club" class="soft font-normal"> and {{ pair.otherClub }}</span>
              </th>
              <td class="pr-3 text-right whitespace-nowrap">
                {{ text(pair.carryM) }} <span class="soft">± {{ doubt(pair.plusMinusM) }}</span>
              </td>
              <td class="pr-3 text-right whitespace-nowrap">
                {{ text(pair.otherM) }} <span class="soft">± {{ doubt(pair.otherPlusMinusM) }}</span>
              </td>
              <td class="pr-6 text-right">{{ step(pair.otherM, pair.carryM) }}</td>
              <td :class="!pair.differs && 'soft'">{{ pair.differs ? 'surely differs' : 'may be the same' }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </section>
</template>
