import { v7 as newId } from 'uuid'
import { makeDice, type Dice } from '../../devices/dice'
import { USUAL_PLAN } from '../../shared/choices'
import { mutated, mutatedPath, mutatedText } from './mutate'

interface Sent {
  method: string
  path: string
  body?: unknown
  headers?: Record<string, string>
}
export interface FuzzReport {
  requests: number
  byStatus: Record<number, number>
  failed: string[]
  slowestMs: number
  slowest: string
  broken: string[]
}

const PASSWORD = 'links and wind'

/**
 * One coach with a player, a bag, a session, a device and a link; and the requests that pages, devices and phones
 * send.
 */
async function scene(url: string, dice: Dice) {
  let cookie = ''
  const send = async ({ method, path, body, headers = {} }: Sent, raw?: string) => {
    const text = raw ?? (body === undefined ? undefined : JSON.stringify(body))
    const reply = await fetch(url + path, {
      method,
      body: method === 'GET' ? undefined : text,
      headers: {
        cookie,
        ...(text !== undefined && method !== 'GET' && { 'content-type': 'application/json' }),
        ...headers,
      },
      redirect: 'manual',
    })
    const set = reply.headers.get('set-cookie')
    if (set && path === '/api/auth/sign-up') cookie = set.split(';')[0]!
    if (reply.headers.get('content-type')?.includes('event-stream')) {
      await reply.body!.cancel()
      return { status: reply.status, text: '' }
    }
    return { status: reply.status, text: await reply.text() }
  }
  await send({
    method: 'POST',
    path: '/api/auth/sign-up',
    body: { name: 'Ada Vane', academy: 'Test Links', email: `fuzz-${newId()}@saltmarsh.example`, password: PASSWORD },
  })
  const [player, other, session, range, device, link, whatIf] = [
    newId(),
    newId(),
    newId(),
    newId(),
    newId(),
    newId(),
    newId(),
  ]
  const clubs = [56, 50, 46].map(loftDeg => ({ id: newId(), label: `${loftDeg}°`, name: '', loftDeg, retired: false }))
  const rungs = ['9:00', 'full'].map(label => ({ id: newId(), label, cue: '', flight: 'normal', retired: false }))
  const base = `/api/players/${player}`
  const cell = () => ({ clubId: dice.pick(clubs).id, rungId: dice.pick(rungs).id })
  const shot = () => ({
    id: newId(),
    sessionId: session,
    ...cell(),
    carryM: dice.between(50, 100),
    method: 'monitor',
    balls: 1,
    hitAtMs: Date.now(),
    leftOut: null,
    strike: null,
    readings: dice.uniform() < 0.5 ? null : { ballSpeedMs: 36, launchDeg: 30, spinRpm: 8000, sideM: 1 },
    taken: dice.uniform() < 0.5 ? null : { heightM: 2, lies: 'soft' },
    deleted: false,
    version: 1,
  })
  const sessionBody = () => ({
    id: session,
    startedAtMs: Date.now(),
    endedAtMs: null,
    method: 'monitor',
    ball: 'own',
    surface: 'grass',
    air: [
      {
        fromMs: Date.now(),
        tempC: 15,
        humidity: 0.5,
        altitudeM: 20,
        qnhPa: 101_325,
        wind: { speedMs: 3, clock: 1, judged: 'felt' },
        ground: 'open',
      },
    ],
    plan: USUAL_PLAN,
    version: 1,
  })
  const bag = (version: number) => ({ version, clubs, scale: { school: 'clock', rungs }, struckOut: [] })
  for (const id of [player, other])
    await send({ method: 'POST', path: '/api/players', body: { id, name: 'Pip Marlow', level: 'unknown', note: '' } })
  await send({ method: 'PUT', path: `${base}/bag`, body: bag(1) })
  await send({ method: 'PUT', path: `${base}/sessions/${session}`, body: sessionBody() })
  const token = JSON.parse(
    (await send({ method: 'POST', path: '/api/devices', body: { id: device, name: 'monitor' } })).text,
  ) as { token: string }
  const key = JSON.parse(
    (await send({ method: 'POST', path: `${base}/links`, body: { id: link, strength: 'log' } })).text,
  ) as { token: string }
  await send({
    method: 'PUT',
    path: `/api/devices/${device}/aim`,
    body: { at: { playerId: player, sessionId: session, ...cell() }, fromMs: Date.now(), sentAtMs: Date.now() },
  })
  await send({ method: 'POST', path: `${base}/shots`, body: { shots: Array.from({ length: 12 }, shot) } })

  const valid: (() => Sent)[] = [
    () => ({
      method: 'POST',
      path: `${base}/shots`,
      body: { shots: Array.from({ length: 1 + Math.floor(dice.uniform() * 3) }, shot) },
    }),
    () => ({ method: 'POST', path: `${base}/shots`, body: { shots: [shot()] } }),
    () => ({ method: 'PUT', path: `${base}/sessions/${session}`, body: { ...sessionBody(), version: 2 } }),
    () => ({ method: 'PUT', path: `${base}/bag`, body: bag(1 + Math.floor(dice.uniform() * 4)) }),
    () => ({
      method: 'POST',
      path: `${base}/words`,
      body: { id: newId(), ...cell(), kind: 'believed', carryM: 70, why: '', saidAtMs: Date.now(), holds: true },
    }),
    () => ({
      method: 'POST',
      path: `${base}/answers`,
      body: {
        id: newId(),
        flag: 'hole',
        cells: [cell()],
        fromM: 80,
        toM: 85,
        figure: 4,
        answer: 'working',
        untilMs: Date.now() + 1e9,
        note: '',
        saidAtMs: Date.now(),
        holds: true,
      },
    }),
    () => ({
      method: 'PATCH',
      path: base,
      body: { version: 1, name: 'Pip', thresholds: { withinM: 3, measuredOnly: true } },
    }),
    () => ({ method: 'POST', path: '/api/players', body: { id: newId(), name: 'New', level: 'good', note: 'n' } }),
    () => ({
      method: 'PUT',
      path: `/api/ranges/${range}`,
      body: {
        id: range,
        name: 'East',
        altitudeM: 3,
        bearingDeg: 90,
        firmness: 'soft',
        targets: [{ id: newId(), name: 'red', kind: 'flag', distanceM: 80, heightM: 2, rightDeg: 1 }],
        archived: false,
        version: 1,
      },
    }),
    () => ({
      method: 'POST',
      path: `${base}/import/lot`,
      body: { sessions: [{ ...sessionBody(), id: newId() }], shots: [] },
    }),
    () => ({ method: 'POST', path: `${base}/import/lot`, body: { sessions: [], shots: [shot()] } }),
    () => ({ method: 'POST', path: `${base}/import`, body: { sessionIds: [session], visible: true } }),
    () => ({ method: 'POST', path: `${base}/published`, body: { id: newId(), unit: 'yd', note: '' } }),
    () => ({
      method: 'POST',
      path: `${base}/what-ifs`,
      body: {
        id: whatIf,
        name: 'w',
        body: {
          clubs: [{ id: clubs[0]!.id, from: clubs[0]!.id, label: '54°', loftDeg: 54 }],
          rungs: [rungs[0]!.id],
          newRungs: [],
          struckOut: [],
          moved: [],
        },
      },
    }),
    () => ({ method: 'POST', path: `${base}/sessions/${session}/move`, body: { toPlayerId: other } }),
    () => ({ method: 'POST', path: `${base}/own-balls`, body: { ids: [newId()], take: true } }),
    () => ({ method: 'PATCH', path: '/api/account', body: { unit: 'm', paceM: 0.9, lockIn: { alike: 3 } } }),
    () => ({ method: 'PATCH', path: '/api/academy', body: { thresholds: { widestStepM: 11 } } }),
    () => ({
      method: 'PUT',
      path: `/api/devices/${device}/aim`,
      body: { at: { playerId: player, sessionId: session, ...cell() }, fromMs: Date.now(), sentAtMs: Date.now() },
    }),
    () => ({
      method: 'POST',
      path: '/api/ingest/shots',
      body: [{ id: newId(), carry_m: 70, ball_speed_mps: 36, launch_deg: 30, spin_rpm: 8000 }],
      headers: { authorization: `Bearer ${token.token}` },
    }),
    () => ({
      method: 'POST',
      path: '/api/link/balls',
      body: { balls: [{ id: newId(), ...cell(), carryM: 70, method: 'laser', hitAtMs: Date.now() }] },
      headers: { authorization: `Bearer ${key.token}` },
    }),
    () => ({
      method: 'POST',
      path: '/api/auth/sign-in',
      body: { email: `nobody-${newId()}@saltmarsh.example`, password: 'x' },
      headers: { cookie: '' },
    }),
    ...[
      '/api/players',
      base,
      `${base}/chart.json`,
      `${base}/shots.csv`,
      `${base}/bag.json`,
      `${base}/chart-at?at=${Date.now()}`,
      `${base}/compare?from=${Date.now() - 1e9}&to=number:1`,
      `${base}/compare-with?other=${other}`,
      `${base}/published`,
      `${base}/published/1`,
      `${base}/published/1/card.pdf?size=card`,
      `${base}/published/1/labels.pdf?sheet=a4-24`,
      `${base}/own-balls`,
      `${base}/links`,
      `${base}/what-ifs`,
      '/api/ranges',
      '/api/devices',
      '/api/health',
      '/api/weather',
      '/api/auth/doors',
      `/api/ranges/${range}/guesses?sign=${newId()}`,
    ].map(path => () => ({ method: 'GET', path })),
  ]
  /** What a page reads: whatever was taken, none of it may break. */
  const reads = [
    '/api/players',
    base,
    `${base}/chart.json`,
    `${base}/shots.csv`,
    `${base}/bag.json`,
    `/api/players/${other}`,
    `/api/players/${other}/chart.json`,
  ]
  return { send, valid, reads }
}

/** Lots at once, so that many thousands take minutes. */
const AT_ONCE = 8
const LOOK_EVERY = 200

/**
 * Sends requests that are changed at random, seeded, and looks now and then whether everything can still be read.
 * @returns how many answers of each status, what failed (500 and above), the slowest, and what broke by something that
 * was taken
 */
export async function fuzzRequests(url: string, count: number, seed: number): Promise<FuzzReport> {
  const dice = makeDice(seed)
  const { send, valid, reads } = await scene(url, dice)
  const report: FuzzReport = { requests: 0, byStatus: {}, failed: [], slowestMs: 0, slowest: '', broken: [] }
  const one = async () => {
    const { method, path, body, headers } = dice.pick(valid)()
    const way = dice.uniform()
    const sent: Sent = {
      method: way < 0.03 ? dice.pick(['PUT', 'POST', 'PATCH', 'DELETE', 'GET']) : method,
      path: way > 0.85 || body === undefined ? mutatedPath(path, dice) : path,
      headers,
    }
    const changed = body === undefined ? undefined : mutated(dice.uniform() < 0.3 ? mutated(body, dice) : body, dice)
    const text = changed === undefined ? undefined : JSON.stringify(changed)
    const raw = text !== undefined && dice.uniform() < 0.1 ? mutatedText(text, dice) : text
    const from = performance.now()
    const { status, text: said } = await send(sent, raw).catch(error => ({
      status: 599,
      text: String((error as Error).cause ?? error),
    }))
    const ms = performance.now() - from
    const what = `${sent.method} ${sent.path.slice(0, 120)} ${(raw ?? '').slice(0, 300)}`
    report.requests += 1
    report.byStatus[status] = (report.byStatus[status] ?? 0) + 1
    if (status >= 500) report.failed.push(`${status} ${what} → ${said.slice(0, 200)}`)
    if (ms > report.slowestMs) [report.slowestMs, report.slowest] = [ms, what]
  }
  while (report.requests < count) {
    const before = Math.floor(report.requests / LOOK_EVERY)
    await Promise.all(Array.from({ length: Math.min(AT_ONCE, count - report.requests) }, one))
    if (Math.floor(report.requests / LOOK_EVERY) === before) continue
    for (const path of reads) {
      const { status, text } = await send({ method: 'GET', path })
      if (status !== 200)
        report.broken.push(`${status} ${path} after ${report.requests} requests: ${text.slice(0, 200)}`)
    }
  }
  return report
}
