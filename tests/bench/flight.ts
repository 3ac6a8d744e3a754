/**
 * The flight: how many a second, how exact for how many evaluations, and what a correction and a chart in new air
 * cost.
 */
import { chromium } from '@playwright/test'
import { airOf, CALM, stationPressurePa, type Conditions } from '../../core/flight/air'
import { fly, type Launch } from '../../core/flight/fly'
import { straight } from '../../core/flight/deliver'
import { correct, todayOf, toToday } from '../../core/flight/neutral'
import { inNeutralAir } from '../../core/corrections/neutral-air'
import { metresToYards, yardsToMetres } from '../../core/units'
import { median, report } from './report'
import { makeDice } from './simulation/dice'

const dice = makeDice(4_711)

/**
 * Launches and days over all that is checked, wind to 10 m/s from anywhere, to 2,500 m, targets 12 m down to 10 m up.
 */
function anyFlight(): { launch: Launch; day: Conditions } {
  const launch = {
    speedMs: dice.between(8, 60),
    launchDeg: dice.between(15, 55),
    azimuthDeg: dice.between(-3, 3),
    spinRpm: dice.between(1500, 12_000),
    tiltDeg: dice.between(-20, 20),
  }
  const air = airOf(dice.between(-5, 40), stationPressurePa(dice.between(0, 2500)), dice.between(0, 1))
  return {
    launch,
    day: {
      air,
      wind: { ...CALM, speedMs: dice.between(0, 10), clock: dice.between(0.01, 12) },
      targetHeightM: dice.between(-12, 10),
    },
  }
}

function timed(work: () => unknown, rounds: number): number {
  for (let i = 0; i < rounds; i++) work()
  return median(
    Array.from({ length: rounds }, () => {
      const start = performance.now()
      work()
      return performance.now() - start
    }),
  )
}

const { note, done } = report('flight')
const flights = Array.from({ length: 1000 }, anyFlight)
const perThousand = timed(() => flights.forEach(({ launch, day }) => fly(launch, day)), 30)
note('Flights a second, Node', Math.round(1e6 / perThousand).toLocaleString('en-GB'), 'no table needed')

// Against the same equations in steps a hundred times as fine.
for (const steps of [6, 8, 12, 24]) {
  const off = flights
    .flatMap(({ launch, day }) => {
      const [a, b] = [fly(launch, day, steps), fly(launch, day, 1200)]
      return a.ok && b.ok ? [Math.abs(metresToYards(a.carryM - b.carryM))] : []
    })
    .sort((a, b) => a - b)
  note(
    `Carry error with ${steps} steps a flight${steps === 12 ? ' (chosen)' : ''}: median, 99 in 100, worst`,
    `${off[off.length >> 1]!.toFixed(4)}, ` +
      `${off[Math.floor(off.length * 0.99)]!.toFixed(3)}, ${off.at(-1)!.toFixed(3)} yd`,
    steps === 12 ? '0.05 yd at worst' : '',
  )
}

const today = todayOf(12, stationPressurePa(120), 0.7, { ...CALM, speedMs: 3, clock: 1, readAtM: 2 }, 'felt')
note('One correction with its error', `${timed(() => correct(54, yardsToMetres(85), today), 60).toFixed(2)} ms`, '')
const chart = Array.from({ length: 24 }, (_, i) => ({ loft: 60 - 4 * (i % 4), carryM: yardsToMetres(45 + 3.5 * i) }))
const newAir = () => chart.forEach(({ loft, carryM }) => toToday(loft, carryM, today))
note('A chart of 24 stock shots in new air, Node', `${timed(newAir, 60).toFixed(2)} ms`, '')

const shots = Array.from({ length: 1000 }, (_, i) => ({
  id: String(i),
  sessionId: 's',
  clubId: `c${i % 6}`,
  rungId: `r${(i >> 3) % 7}`,
  carryM: 40 + (i % 60),
  method: 'monitor' as const,
  balls: 1,
  hitAtMs: i,
  leftOut: null,
  strike: null,
}))
const bag = {
  clubs: Array.from({ length: 6 }, (_, i) => ({
    id: `c${i}`,
    label: `${i}`,
    name: '',
    loftDeg: 60 - 3 * i,
    retired: false,
  })),
  scale: { school: 'clock' as const, rungs: [] },
  struckOut: [],
}
let moment = 0
const session = () => {
  // Another temperature each time, so that nothing is remembered from the last.
  const air = [
    {
      fromMs: 0,
      tempC: 5 + (moment++ % 30) + moment / 1e4,
      humidity: 0.5,
      altitudeM: 0,
      qnhPa: null,
      wind: { speedMs: 2, clock: 1, judged: 'felt' as const },
      ground: 'open' as const,
    },
  ]
  return inNeutralAir({ bag, shots, sessions: [{ id: 's', startedAtMs: 0, method: 'monitor', ball: 'own', air }] })
}
const strike = straight(54, 38)
const seen = () => {
  const air = [
    {
      fromMs: 0,
      tempC: 5 + (moment++ % 30) + moment / 1e4,
      humidity: 0.5,
      altitudeM: 0,
      qnhPa: null,
      wind: { speedMs: 2, clock: 1, judged: 'felt' as const },
      ground: 'open' as const,
    },
  ]
  const read = shots.map((shot, i) => ({
    ...shot,
    carryM: 88 + (i % 5),
    readings: {
      ballSpeedMs: strike.speedMs,
      launchDeg: strike.launchDeg + (i % 3),
      spinRpm: strike.spinRpm,
      directionDeg: (i % 5) - 2,
    },
  }))
  return inNeutralAir({
    bag,
    shots: read,
    sessions: [{ id: 's', startedAtMs: 0, method: 'monitor', ball: 'own', air }],
  })
}
note("The same with each ball's own launch flown in both airs", `${timed(seen, 15).toFixed(0)} ms`, 'in the worker')
note(
  'A session of 1,000 balls, 42 stock shots, taken to neutral air',
  `${timed(session, 15).toFixed(0)} ms`,
  'in the worker',
)

// In Chromium, slowed down to a quarter: about a phone.
const { build } = await import('esbuild')
const bundle = await build({
  stdin: {
    contents: `import { toToday, todayOf } from './core/flight/neutral'; import { CALM, stationPressurePa } from './core/flight/air'
globalThis.newAir = () => { const today = todayOf(12, stationPressurePa(120), 0.7, { ...CALM, speedMs: 3, clock: 1, readAtM: 2 }, 'felt'); for (let i = 0; i < 24; i++) toToday(60 - 4 * (i % 4), 0.9144 * (45 + 3.5 * i), today) }`,
    resolveDir: process.cwd(),
    loader: 'ts',
  },
  bundle: true,
  write: false,
  format: 'iife',
})
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
const page = await browser.newPage()
await page.addScriptTag({ content: bundle.outputFiles[0]!.text })
const cdp = await page.context().newCDPSession(page)
await cdp.send('Emulation.setCPUThrottlingRate', { rate: 4 })
const ms = await page.evaluate(() => {
  const run = (globalThis as unknown as { newAir: () => void }).newAir
  const times: number[] = []
  for (let i = 0; i < 40; i++) {
    const start = performance.now()
    run()
    times.push(performance.now() - start)
  }
  return times.slice(10).sort((a, b) => a - b)[15]!
})
note('The same chart in Chromium slowed down four times', `${ms.toFixed(1)} ms`, 'under a frame, 16.7 ms')
await browser.close()
done()
