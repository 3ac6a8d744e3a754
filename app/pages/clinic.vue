<script setup lang="ts">
import type { TypedUnits } from '#core/shot/typed-ball'
import type { GoRecord } from '#shared/schemas/practice'
import { drillTexts, namesOfGo, scoreText, taskHead, type PracticeNames } from '#words/practice'
import { usePracticeClinic } from '~/features/practice/usePracticeClinic'
import { useDistance } from '~/ui/useDistance'
import { useAccount } from '~/offline/stores/account'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import PracticePlay from '~/features/practice/Play.vue'

/** The same drill for all on the tee: whose ball is next, what is asked, and a board that is read from ten yards. */
useHead({ title: 'Clinic' })
const { rows, current, turn, put, end } = usePracticeClinic()
const account = useAccount()
const { unit } = useDistance()
const names = computed((): PracticeNames => ({
  unit: unit.value,
  speedUnit: account.speedUnit,
  shot: () => '',
  club: () => '',
}))
const units = computed<TypedUnits>(() => ({
  distance: unit.value,
  speed: account.speedUnit,
  height: account.heightUnit,
}))
/** One that is looked at after all, though it is over. */
const shown = computed(() => current.value ?? rows.value.find(one => one.playerId === turn.value) ?? rows.value[0])
const title = computed(() => (rows.value[0] ? drillTexts(rows.value[0].go.spec.drill).title : 'Clinic'))
const take = (next: GoRecord) => void put(shown.value!.playerId, next)
async function close() {
  const first = rows.value[0]?.playerId
  end()
  await navigateTo(first ? `/players/${first}/practice` : '/players')
}
const asks = (row: (typeof rows.value)[number]) =>
  row.score.next === null ? 'done' : taskHead(row.go.spec.tasks[row.score.next]!, namesOfGo(row.go.spec, names.value))
</script>

<template>
  <main class="mx-auto w-full max-w-[1240px] px-4 py-3 sm:px-6">
    <FrameEmptyStep
      v-if="!shown"
      icon="i-lucide-users"
      words="Nobody is on the tee."
      help="Open a player's Practice, a drill, and start it for all on the tee."
      action="To the players"
      to="/players"
    />
    <template v-else>
      <header class="mb-2 flex flex-wrap items-center gap-3">
        <h1 class="min-w-0 flex-1 text-[1.75rem] leading-tight font-bold">{{ title }}: {{ shown.name }}</h1>
        <UButton color="neutral" variant="outline" icon="i-lucide-square" @click="close">End the clinic</UButton>
      </header>
      <ol class="mb-3 grid gap-2 sm:grid-cols-2 lg:grid-cols-4" aria-label="On the tee">
        <li v-for="row in rows" :key="row.playerId">
          <button
            type="button"
            class="raised block w-full cursor-pointer px-3 py-1.5 text-left"
            :class="row.playerId === shown.playerId && 'border-l-8! border-l-primary!'"
            :aria-current="row.playerId === shown.playerId ? 'true' : undefined"
            @click="turn = row.playerId"
          >
            <span class="block truncate text-xl leading-tight font-semibold">{{ row.name }}</span>
            <span class="block text-[clamp(1.75rem,3.2vw,3rem)] leading-none font-extrabold">{{
              scoreText(row.go.spec, row.score, names)
            }}</span>
            <span class="soft">{{ row.score.next === null ? 'done' : `next ${asks(row)}` }}</span>
          </button>
        </li>
      </ol>
      <PracticePlay :key="shown.go.id" :go="shown.go" :names="names" :units="units" :shots="[]" @put="take" />
    </template>
  </main>
</template>
