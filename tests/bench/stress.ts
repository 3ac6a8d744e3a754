/** Logging balls while others' heavy charts are asked for: one coach's years of shots hold nobody's balls. */
import { fork } from 'node:child_process'
import { once } from 'node:events'
import { fileURLToPath } from 'node:url'
import { v7 as newId } from 'uuid'
import { BenchCoach, type BenchPlayer } from './coach'
import { report } from './report'

const url = process.env.BENCH_URL!
const YEARS = 20_000
const CHARTS = 5
const BALLS = 1000
/** A busy range: a ball every so often, whatever the one before took. */
const APART_MS = 8

/** How long each ball took, sorted, milliseconds. */
async function logBalls(caller: BenchCoach, target: BenchPlayer): Promise<number[]> {
  const times: number[] = []
  const under: Promise<void>[] = []
  for (let i = 0; i < BALLS; i++) {
    under.push(
      (async () => {
        const from = performance.now()
        await caller.send('POST', `/api/players/${target.id}/shots`, { shots: [target.shot(1)] })
        times.push(performance.now() - from)
      })(),
    )
    await new Promise(resolve => setTimeout(resolve, APART_MS))
  }
  await Promise.all(under)
  return times.sort((a, b) => a - b)
}
const p99 = (times: readonly number[]) => times[Math.floor(times.length * 0.99)]!

/** In a process of its own, so that reading the answers takes no time from whoever logs balls. */
async function askForCharts(): Promise<void> {
  const heavy = await BenchCoach.signedUp(url, 'Stress')
  const years = []
  for (let i = 0; i < CHARTS; i++) years.push(await heavy.player(YEARS))
  process.send!('ready')
  await once(process, 'message')
  let charts = 0
  let going = true
  process.once('message', () => {
    going = false
  })
  // Asked for again and again, each time one ball richer, so that nothing is kept from before.
  await Promise.all(
    years.map(async ({ id, shot }, n) => {
      for (let i = 0; going; i++) {
        await heavy.send('POST', `/api/players/${id}/shots`, { shots: [shot(i)] })
        await heavy.send('GET', i % 3 === 2 ? `/api/players/${id}` : `/api/players/${id}/chart.json`)
        charts += 1
        if (n === 0 && i % 2 === 1)
          await heavy.send('POST', `/api/players/${id}/published`, { id: newId(), unit: 'yd', note: '' })
      }
    }),
  )
  process.send!(charts)
}

async function measure(): Promise<void> {
  const { tell, note, done } = report('stress')
  const others = fork(fileURLToPath(import.meta.url), ['--others'], { execArgv: process.execArgv })
  const coach = await BenchCoach.signedUp(url, 'Stress')
  const target = await coach.player(1)
  await once(others, 'message')
  await logBalls(coach, target)
  const quiet = await logBalls(coach, target)
  others.send('go')
  const stressed = await logBalls(coach, target)
  others.send('stop')
  const [charts] = (await once(others, 'message')) as [number]
  others.kill()
  tell(
    `A ball, the slowest in a hundred, while ${CHARTS} charts of ${YEARS.toLocaleString('en-GB')} shots are asked for`,
    p99(stressed),
    'the same when it is quiet',
    p99(quiet),
    'at most 2×',
  )
  tell(
    'A ball, the middle one, meanwhile',
    stressed[stressed.length >> 1]!,
    'the same when it is quiet',
    quiet[quiet.length >> 1]!,
    '',
  )
  note('Charts and records that were worked out meanwhile', String(charts), '')
  done()
}

await (process.argv.includes('--others') ? askForCharts() : measure())
process.exit(0)
