/** Logging balls while others' heavy charts are asked for: one coach's years of shots hold nobody's balls. */
import { fork } from 'node:child_process'
import { once } from 'node:events'
import { Agent, request } from 'node:http'
import { fileURLToPath } from 'node:url'
import { v7 as newId } from 'uuid'
import { report } from './report'

const url = process.env.BENCH_URL!
const YEARS = 20_000
const CHARTS = 5
const BALLS = 1000
/** A busy range: a ball every so often, whatever the one before took. */
const APART_MS = 8
const DAY_MS = 86_400_000

/** A coach with a connection of their own. */
class Caller {
  cookie = ''
  readonly agent = new Agent({ keepAlive: true, maxSockets: 16 })

  send(method: string, path: string, body?: unknown): Promise<string> {
    const text = body === undefined ? '' : JSON.stringify(body)
    return new Promise((done, fail) => {
      const asking = request(
        url + path,
        {
          method,
          agent: this.agent,
          headers: {
            'content-type': 'application/json',
            'content-length': Buffer.byteLength(text),
            'cookie': this.cookie,
          },
        },
        reply => {
          this.cookie = reply.headers['set-cookie']?.[0]?.split(';')[0] ?? this.cookie
          const parts: Buffer[] = []
          reply.on('data', (part: Buffer) => parts.push(part))
          reply.on('end', () => {
            const answer = Buffer.concat(parts).toString()
            if (reply.statusCode! < 300) done(answer)
            else fail(new Error(`${method} ${path}: ${reply.statusCode} ${answer}`))
          })
        },
      )
      asking.on('error', fail)
      asking.end(text)
    })
  }
}

async function signUp(): Promise<Caller> {
  const caller = new Caller()
  await caller.send('POST', '/api/auth/sign-up', {
    name: 'Stress',
    academy: 'Stress',
    email: `stress-${newId()}@saltmarsh.example`,
    password: 'links and wind',
  })
  return caller
}

async function player(caller: Caller, shots: number) {
  const id = newId()
  await caller.send('POST', '/api/players', { id, name: `With ${shots} shots`, level: 'good', note: '' })
  const clubs = [60, 56, 51, 46].map(loftDeg => ({
    id: newId(),
    label: `${loftDeg}°`,
    name: '',
    loftDeg,
    retired: false,
  }))
  const rungs = ['8:00', '9:00', '10:00', 'full'].map(label => ({
    id: newId(),
    label,
    cue: '',
    flight: 'normal',
    retired: false,
  }))
  await caller.send('PUT', `/api/players/${id}/bag`, {
    version: 1,
    clubs,
    scale: { school: 'clock', rungs },
    struckOut: [],
  })
  const visits = Array.from({ length: Math.max(1, Math.ceil(shots / 100)) }, (_, v) => ({
    id: newId(),
    startedAtMs: Date.now() - 1e8 - v * 7 * DAY_MS,
    endedAtMs: null,
    method: 'monitor',
    ball: 'own',
    surface: 'grass',
    version: 1,
  }))
  for (const visit of visits) await caller.send('PUT', `/api/players/${id}/sessions/${visit.id}`, visit)
  const shot = (i: number) => {
    const visit = visits[Math.floor(i / 100) % visits.length]!
    return {
      id: newId(),
      sessionId: visit.id,
      clubId: clubs[i % 4]!.id,
      rungId: rungs[(i >> 2) % 4]!.id,
      carryM: 45 + 9 * (i % 4) + 12 * ((i >> 2) % 4) + (i % 7),
      method: 'monitor',
      balls: 1,
      hitAtMs: visit.startedAtMs + (i % 100) * 1000,
      leftOut: null,
      strike: null,
      deleted: false,
      version: 1,
    }
  }
  for (let i = 0; i < shots; i += 500)
    await caller.send('POST', `/api/players/${id}/shots`, {
      shots: Array.from({ length: Math.min(500, shots - i) }, (_, j) => shot(i + j)),
    })
  return { id, shot }
}

/** How long each ball took, sorted, milliseconds. */
async function logBalls(caller: Caller, target: Awaited<ReturnType<typeof player>>): Promise<number[]> {
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
  const heavy = await signUp()
  const years = []
  for (let i = 0; i < CHARTS; i++) years.push(await player(heavy, YEARS))
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
  const coach = await signUp()
  const target = await player(coach, 1)
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
