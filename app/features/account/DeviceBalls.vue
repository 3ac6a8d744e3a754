<script setup lang="ts">
import { clubsInUse, rungsInUse, type Bag } from '#core/bag/bag'
import { rungName } from '#core/swing/scale'
import type { DeviceBallsWaiting } from '#shared/device'
import { DEVICE_BALLS_DAYS } from '#shared/keep-times'
import type { PlayerLine } from '#shared/player'
import type { DeviceBallsDecision } from '#shared/schemas/device'
import { allPlayers } from '~/offline/all-players'
import { api } from '~/offline/api'
import { useDistance } from '~/ui/useDistance'
import { useOneAtATime } from '~/ui/useOneAtATime'
import { clockTime, shortDate } from '~/ui/dates'
import FramePlainSelect from '~/ui/frame/PlainSelect.vue'

/** Balls of a device that was aimed at somebody this coach sees no longer: given to a player, or thrown away. */
const waiting = shallowRef<DeviceBallsWaiting>({ waiting: 0, balls: [] })
const players = shallowRef<PlayerLine[]>([])
const bag = shallowRef<Bag>()
const playerId = ref('')
const clubId = ref('')
const rungId = ref('')
/** Asked each time: range balls fly shorter, and no figure tells. */
const kind = ref<'own' | 'range' | ''>('')
const failure = ref('')
/** Thrown away is gone for good: asked once more. */
const sure = ref(false)
const toast = useToast()
const { withUnit } = useDistance()
const { busy, run } = useOneAtATime()

async function load() {
  failure.value = ''
  try {
    waiting.value = await api('/api/devices/balls')
    if (waiting.value.waiting > 0) players.value = (await allPlayers()).filter(({ archived }) => !archived)
  } catch (error) {
    failure.value = (error as Error).message
  }
}
onMounted(load)

async function openBag(id: string) {
  bag.value = undefined
  clubId.value = rungId.value = ''
  try {
    bag.value = (await api('/api/players/:playerId', { params: { playerId: id } })).bag
  } catch (error) {
    failure.value = (error as Error).message
  }
}
watch(playerId, id => id && openBag(id))

const chosen = computed(() =>
  playerId.value && clubId.value && rungId.value && kind.value
    ? { playerId: playerId.value, clubId: clubId.value, rungId: rungId.value, ball: kind.value }
    : null,
)
const BALLS = [
  { value: 'own', label: 'Own ball' },
  { value: 'range', label: 'Range ball' },
] as const
const shown = computed(() => waiting.value.balls.length)

async function decide(to: DeviceBallsDecision['to']) {
  const ids = waiting.value.balls.map(({ id }) => id)
  try {
    waiting.value = await api('/api/devices/balls', { method: 'POST', body: { ids, to } })
    sure.value = false
    const whose = players.value.find(({ id }) => id === to?.playerId)?.name
    toast.add({ title: `${ids.length === 1 ? '1 ball' : `${ids.length} balls`} ${to ? `to ${whose}` : 'thrown away'}` })
  } catch (error) {
    failure.value = (error as Error).message
  }
}
const give = async () => {
  if (chosen.value) await decide(chosen.value)
}
</script>

<template>
  <section
    v-if="waiting.waiting > 0 || failure"
    class="mb-4 border-l-[5px] border-(--weak) pl-3"
    aria-labelledby="device-balls-title"
  >
    <h3 id="device-balls-title" class="font-bold">
      {{ waiting.waiting === 1 ? '1 ball waits' : `${waiting.waiting} balls wait` }} for a player
    </h3>
    <p class="soft">
      They were hit after their player left your list. After {{ DEVICE_BALLS_DAYS }} days they are thrown away.
    </p>
    <ul class="mt-1 max-h-40 overflow-y-auto">
      <li v-for="ball in waiting.balls" :key="ball.id" class="flex gap-x-4">
        <span class="font-bold tabular-nums">{{ withUnit(ball.carryM) }}</span>
        <span class="soft">{{ ball.device }}, {{ shortDate(ball.hitAtMs) }}, {{ clockTime(ball.hitAtMs) }}</span>
      </li>
    </ul>
    <form class="mt-2 flex flex-wrap items-end gap-2" novalidate @submit.prevent="run(give)">
      <FramePlainSelect
        v-model="playerId"
        label="Player"
        placeholder="Player"
        :items="players.map(({ id, name }) => ({ value: id, label: name }))"
        class="min-w-40"
      />
      <template v-if="bag">
        <FramePlainSelect
          v-model="clubId"
          label="Club"
          placeholder="Club"
          :items="clubsInUse(bag).map(club => ({ value: club.id, label: club.label }))"
        />
        <FramePlainSelect
          v-model="rungId"
          label="Swing length"
          placeholder="Swing length"
          :items="rungsInUse(bag).map(rung => ({ value: rung.id, label: rungName(rung) }))"
        />
        <FramePlainSelect v-model="kind" label="Ball" placeholder="Ball" :items="BALLS" />
      </template>
      <UButton type="submit" :loading="busy" :disabled="!chosen">{{
        shown === 1 ? 'Give it' : `Give these ${shown}`
      }}</UButton>
      <UButton v-if="!sure" color="error" variant="ghost" :disabled="busy" @click="sure = true">{{
        shown === 1 ? 'Throw it away' : `Throw these ${shown} away`
      }}</UButton>
      <template v-else>
        <UButton color="error" :loading="busy" @click="run(() => decide(null))">Yes, for good</UButton>
        <UButton color="neutral" variant="outline" @click="sure = false">Keep them</UButton>
      </template>
    </form>
    <p v-if="failure" role="alert" class="mt-2 font-semibold text-error">
      {{ failure }} <UButton size="sm" color="neutral" variant="outline" @click="load">Try again</UButton>
    </p>
  </section>
</template>
