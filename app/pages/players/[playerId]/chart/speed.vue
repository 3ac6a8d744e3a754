<script setup lang="ts">
import { cellKey, rungsInUse } from '#core/bag/bag'
import { rungCurves } from '#core/chart/between-rungs'
import { clubsBySpeed, LEAST_SPEED_BALLS } from '#core/chart/speed-lines'
import { missOfSpeed } from '#core/corrections/called-speed'
import { kmhToMps, mpsToMph } from '#core/units'
import { rungName } from '#core/swing/scale'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'
import { usePlayerRoute } from '~/player/usePlayerRoute'
import { neutralCarries } from '~/player/neutral'
import { calledCurve, lineCurve, type SpeedCurve } from '~/ui/marks/speed-curve'
import FrameEmptyStep from '~/ui/frame/EmptyStep.vue'
import FrameStagePage from '~/ui/frame/StagePage.vue'
import MarksSpeedPlot from '~/ui/marks/SpeedPlot.vue'

/** For players who think in club speed: carry as a function of it, club by club, and what to call. */
const { playerId, record } = usePlayerRoute()
const { text, unit, from, to } = useDistance()
const { chart, readChart, air, speedCalls } = useNumbers()
/** As the chart takes them: in neutral air, unless it is kept as measured. */
const balls = computed(() => {
  const neutral = neutralCarries(chart.value, record.shots)
  const calls = new Map(speedCalls.value.map(call => [cellKey(call), call]))
  return record.shots.map(shot => {
    const carryM = neutral.get(shot.id)
    if (carryM === undefined) return shot
    // Balls of a called speed stand in the chart at the call: here each stands at its own speed.
    const call = calls.get(cellKey(shot))
    const speedMs = shot.readings?.clubSpeedMs
    if (!call || speedMs === undefined) return { ...shot, carryM }
    const own = missOfSpeed(carryM, call.calledMs, { calledMs: speedMs, power: call.power })
    return { ...shot, carryM: carryM - own.costM }
  })
})
/** Where speeds are called, the curve goes through the numbers of the chart; else it is the line of the balls. */
const clubs = computed((): SpeedCurve[] => {
  const lines = clubsBySpeed(record.bag, balls.value)
  const called = rungCurves(record.bag, readChart.value).filter(curve => curve.scale === 'speed')
  const ballsOf = (clubId: string) => lines.find(line => line.clubId === clubId)?.balls ?? []
  return [
    ...called.map(curve => calledCurve(curve, ballsOf(curve.clubId))),
    ...lines.filter(line => !called.some(curve => curve.clubId === line.clubId)).map(lineCurve),
  ]
})
const chosen = ref<string>()
const club = computed(() => clubs.value.find(one => one.clubId === chosen.value) ?? clubs.value[0])
const items = computed(() => clubs.value.map(one => ({ value: one.clubId, label: labelOf(one.clubId) })))
const labelOf = (id: string) => record.bag.clubs.find(other => other.id === id)?.label ?? ''

// Yards go with miles an hour, metres with kilometres an hour.
const speedUnit = computed(() => (unit.value === 'yd' ? 'mph' : 'km/h'))
const MPH_PER_KMH = mpsToMph(kmhToMps(1))
const speedOf = (mph: number) => (unit.value === 'yd' ? mph : mph / MPH_PER_KMH)
const perSpeed = computed(() =>
  club.value
    ? to(club.value.at((club.value.fromMph + club.value.toMph) / 2).perMphM) * (unit.value === 'yd' ? 1 : MPH_PER_KMH)
    : 0,
)

/** Calls in steps of five where its balls were. */
const STEP = 5
const calls = computed(() => {
  if (!club.value) return []
  const [low, high] = [to(club.value.at(club.value.fromMph).carryM), to(club.value.at(club.value.toMph).carryM)]
  return Array.from(
    { length: Math.max(0, Math.floor(high / STEP) - Math.ceil(low / STEP) + 1) },
    (_, i) => (Math.ceil(low / STEP) + i) * STEP,
  )
    .reverse()
    .flatMap(carry => {
      const mph = club.value!.speedFor(from(carry))
      return mph === null ? [] : [{ carry, speed: Math.round(speedOf(mph)), window: club.value!.at(mph).window80M }]
    })
})
const carryOf = (rungId: string) =>
  readChart.value.find(cell => cell.clubId === club.value?.clubId && cell.rungId === rungId)?.carryM ?? null
/** Swing lengths by the speed they are really swung with: the middle of their balls. */
const swings = computed(() =>
  rungsInUse(record.bag)
    .flatMap(rung => {
      const speeds = (club.value?.balls ?? [])
        .filter(ball => ball.rungId === rung.id)
        .map(ball => ball.speedMph)
        .sort((a, b) => a - b)
      if (speeds.length === 0) return []
      const mph = speeds[speeds.length >> 1]!
      return [
        {
          name: rungName(rung),
          speed: Math.round(speedOf(mph)),
          carryM: club.value!.at(mph).carryM,
          // The number itself leans on the other clubs' balls too: both are told, each as what it is.
          chartM: carryOf(rung.id),
          balls: speeds.length,
        },
      ]
    })
    .reverse(),
)

const HELP =
  `${LEAST_SPEED_BALLS} balls of one club make a line. ` +
  'A launch monitor that tells club speed brings them, live or from a file.'
const line = computed(() => {
  const how = air.value === 'neutral' ? 'each taken to neutral air' : 'as they were measured'
  const called = speedCalls.value.length > 0 ? ' Where speeds are called the curve is the chart’s.' : ''
  return `From balls whose club speed was measured, ${how}.${called}`
})
</script>

<template>
  <FrameStagePage title="Carry by club speed" :line="line">
    <template #actions
      ><UButton :to="`/players/${playerId}/chart`" color="neutral" variant="outline" icon="i-lucide-arrow-left"
        >Carry chart</UButton
      ></template
    >
    <FrameEmptyStep
      v-if="!club"
      icon="i-lucide-gauge"
      words="No club has enough balls with a club speed yet."
      :help="HELP"
      action="To the range"
      :to="`/players/${playerId}/session`"
    />
    <template v-else>
      <div class="mb-3 flex flex-wrap items-center gap-x-5 gap-y-2">
        <USelect
          :model-value="club.clubId"
          :items="items"
          aria-label="Club"
          class="w-40"
          @update:model-value="chosen = String($event)"
        />
        <p class="text-xl font-bold">{{ perSpeed.toFixed(1) }} {{ unit }} for each {{ speedUnit }}</p>
        <p class="soft">
          {{ club.balls.length }} balls from {{ Math.round(speedOf(club.fromMph)) }} to
          {{ Math.round(speedOf(club.toMph)) }} {{ speedUnit }}. In the patch lie 8 balls in 10.
        </p>
      </div>
      <div class="raised p-3">
        <MarksSpeedPlot
          :key="club.clubId"
          :club="club"
          :speed-of="speedOf"
          :speed-unit="speedUnit"
          :name="labelOf(club.clubId)"
        />
      </div>
      <div class="mt-6 grid grid-cols-1 gap-8 lg:grid-cols-2">
        <section aria-labelledby="calls-title">
          <h2 id="calls-title" class="mb-1 text-xl font-bold">Calls with the {{ labelOf(club.clubId) }}</h2>
          <p v-if="calls.length === 0" class="soft">
            Its balls lie too close together to call by speed: hit some slower and some faster ones.
          </p>
          <table v-else class="w-full border-collapse text-left">
            <thead>
              <tr class="soft border-b border-default text-sm">
                <th class="py-1 font-normal">To carry, {{ unit }}</th>
                <th class="font-normal">Swing it at, {{ speedUnit }}</th>
                <th class="font-normal">8 in 10 land, {{ unit }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="call in calls" :key="call.carry" class="border-b border-default">
                <th scope="row" class="py-1.5 text-lg">{{ call.carry }}</th>
                <td class="text-lg font-bold">{{ call.speed }}</td>
                <td class="soft">{{ text(call.window[0]) }} to {{ text(call.window[1]) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section v-if="swings.length > 1" aria-labelledby="swings-title">
          <h2 id="swings-title" class="mb-1 text-xl font-bold">Swing lengths by their speed</h2>
          <table class="w-full border-collapse text-left [&_td]:pr-3 [&_th]:pr-3 [&_th]:align-bottom">
            <thead>
              <tr class="soft border-b border-default text-sm">
                <th class="py-1 font-normal">Swing</th>
                <th class="font-normal">Middle speed, {{ speedUnit }}</th>
                <th class="font-normal">By this line, {{ unit }}</th>
                <th class="font-normal">Chart, {{ unit }}</th>
                <th class="font-normal">Balls</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="swing in swings" :key="swing.name" class="border-b border-default">
                <th scope="row" class="py-1.5">{{ swing.name }}</th>
                <td class="text-lg font-bold">{{ swing.speed }}</td>
                <td>{{ text(swing.carryM) }}</td>
                <td>{{ swing.chartM === null ? '–' : text(swing.chartM) }}</td>
                <td class="soft">{{ swing.balls }}</td>
              </tr>
            </tbody>
          </table>
        </section>
      </div>
    </template>
  </FrameStagePage>
</template>
