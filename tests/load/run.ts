import { readFileSync, writeFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { Coach } from './visitor'

/** What `npm run load` does. It fails by an error, by slow balls, and by memory that grows. */
function option(name: string, usual: number): number {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? usual : Number(process.argv[at + 1])
}
const [minutes, coaches, devices] = [option('minutes', 10), option('coaches', 200), option('devices', 50)]
const [chartsAMinute, chartShots] = [option('charts', 5), option('shots', 20_000)]
const BALL_EVERY_MS = 4000
const CHART_PLAYERS = 5
/** What the design asks for. */
const BALL_P95_MS = 250
/** Memory may breathe: the last minutes against the first after warming up. */
const GROWTH = 1.25

const say = (text: string) => process.stdout.write(`${text}\n`)
const failures: string[] = []

/** Does something every so often until the end, begun at a moment of its own; how long each took. */
async function every(ms: number, untilMs: number, work: (nth: number) => Promise<unknown>): Promise<number[]> {
  const took: number[] = []
  await wait(Math.random() * ms)
  for (let nth = 0; Date.now() < untilMs; nth++) {
    const from = performance.now()
    try {
      await work(nth)
      took.push(performance.now() - from)
    } catch (error) {
      failures.push((error as Error).message)
    }
    await wait(Math.max(0, ms - (performance.now() - from)))
  }
  return took
}

function quantiles(times: number[]): string {
  const sorted = [...times].sort((a, b) => a - b)
  const at = (share: number) => (sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0).toFixed(0)
  return `${sorted.length} × p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, p99 ${at(0.99)} ms, most ${at(1)} ms`
}
const p95 = (times: number[]) => [...times].sort((a, b) => a - b)[Math.floor(0.95 * times.length)] ?? 0

/** Memory of a process, megabytes. (proc(5), status: VmRSS.) */
const memoryMb = (pid: number) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024
const middle = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0

const database = await startDatabase('load', { fresh: true })
await migrateDatabase(database.url)
const server = await startServer({
  port: await freePortFrom(4770),
  databaseUrl: database.url,
  sessionSecret: 'a secret of the load test, thrown away afterwards',
  env: { UZZET_SIGN_UPS_PER_HOUR: '100000', UZZET_CALIBRATION_WORKER: '' },
})
try {
  const people = Array.from({ length: coaches }, () => new Coach(server.url))
  for (let from = 0; from < people.length; from += 4)
    await Promise.all(people.slice(from, from + 4).map((one, i) => one.arrive(from + i)))
  const large = Array.from({ length: CHART_PLAYERS }, () => new Coach(server.url))
  for (const [i, one] of large.entries()) {
    await one.arrive(coaches + i)
    await one.history(chartShots)
  }
  const bays = await Promise.all(people.slice(0, devices).map(one => one.device()))
  const lines = await Promise.all(people.map(one => one.listen()))
  say(`${coaches} coaches, ${devices} devices, ${lines.length} lines, ${CHART_PLAYERS} players of ${chartShots} balls.`)

  const untilMs = Date.now() + minutes * 60_000
  const memory: number[] = []
  const watching = every(5000, untilMs, async () => memory.push(memoryMb(server.pid!)))
  const [logged, sent, charts] = await Promise.all([
    Promise.all(people.map(one => every(BALL_EVERY_MS, untilMs, nth => one.log(nth)))),
    Promise.all(bays.map(bay => every(BALL_EVERY_MS, untilMs, nth => bay(nth)))),
    Promise.all(
      large.map(one =>
        every((60_000 * CHART_PLAYERS) / chartsAMinute, untilMs, async nth => {
          // One more ball, so that nothing that was kept serves.
          await one.log(nth)
          await one.send('GET', `/api/players/${one.playerId}/chart.json`)
        }),
      ),
    ),
    watching,
  ])
  await wait(2000)
  const heard = lines.reduce((sum, line) => sum + line.heard(), 0)
  for (const line of lines) line.close()
  const [balls, ofDevices] = [logged.flat(), sent.flat()]
  const third = Math.max(1, Math.floor(memory.length / 3))
  const [before, after] = [middle(memory.slice(third, 2 * third)), middle(memory.slice(-third))]
  const report = [
    `${minutes} minutes; whoever asks shares the two cores with whoever answers.`,
    `balls by coaches: ${quantiles(balls)}`,
    `balls by devices: ${quantiles(ofDevices)}`,
    `charts of ${chartShots} balls, each after one more: ${quantiles(charts.flat())}`,
    `messages on the lines: ${heard}, at least one for each of ${ofDevices.length} balls of devices`,
    `memory of the server: ${before.toFixed(0)} MB in the middle third, ${after.toFixed(0)} MB in the last`,
    `errors: ${failures.length}`,
  ]
  for (const line of report) say(line)
  for (const line of new Set(failures.slice(0, 20))) say(`  ${line}`)
  writeFileSync('.data/load.txt', `${report.join('\n')}\n`)
  const faults = [
    failures.length > 0 && 'there were errors',
    p95(balls) > BALL_P95_MS && `a ball takes more than ${BALL_P95_MS} ms at p95`,
    heard < ofDevices.length && 'balls of devices did not come over the lines',
    memory.length > 30 && after > GROWTH * before && 'memory grows',
  ].filter(Boolean)
  for (const fault of faults) say(`NOT WELL: ${fault}`)
  process.exitCode = faults.length > 0 ? 1 : 0
} finally {
  await server.stop()
  await database.stop()
}
