import { spawn } from 'node:child_process'
import { openSync, writeFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { fromRoot } from '../../scripts/lib/paths.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { Coach } from '../load/visitor'
import { openBalancer } from './balancer'
import { startNodes } from './nodes'

/** What `npm run cluster` does. It fails by an acknowledged ball that is lost or doubled, and by a long pause. */
function option(name: string, usual: number): number {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? usual : Number(process.argv[at + 1])
}
const [coaches, seconds] = [option('coaches', 50), option('seconds', 60)]
const BALL_EVERY_MS = 1000
const AGAIN_MS = 250
const ARRIVALS = 5
/** Our goal: a coach on a range notices nothing, since balls wait in the browser meanwhile. */
const PAUSE_MS = 10_000
const say = (text: string) => process.stdout.write(`${text}\n`)

const nodes = await startNodes(fromRoot('.data/cluster'), process.env.UZZET_GALERA!, migrateDatabase)
const redisPort = await freePortFrom(6400)
const redis = spawn('redis-server', ['--port', String(redisPort), '--save', '', '--bind', '127.0.0.1'], {
  stdio: 'ignore',
})
const serverLog = openSync(fromRoot('.data/cluster/servers.log'), 'a')
const serve = async (at: number) =>
  startServer({
    log: serverLog,
    port: await freePortFrom(4790 + at),
    databaseUrl: nodes[at]!.url,
    sessionSecret: 'a secret of the cluster, thrown away afterwards',
    env: {
      UZZET_SIGN_UPS_PER_HOUR: '100000',
      UZZET_CALIBRATION_WORKER: '',
      UZZET_REDIS: `redis://127.0.0.1:${redisPort}`,
    },
  })
const servers = [await serve(0), await serve(1)]
const balancer = await openBalancer(
  await freePortFrom(4799),
  servers.map(({ url }) => url),
)

interface Ack {
  id: string
  atMs: number
}
const acks: Ack[] = []
let tries = 0

/** Somebody new, tried again where two nodes were in each other's way. */
async function comeIn(nth: number): Promise<Coach> {
  for (let tries = 1; ; tries++) {
    const coach = new Coach(balancer.url)
    try {
      await coach.arrive(nth)
      return coach
    } catch (error) {
      if (tries === ARRIVALS) throw error
      await wait(AGAIN_MS)
    }
  }
}

/** Sends each ball until somebody has said that it is there, as a browser's outbox does. */
async function logUntil(coach: Coach, untilMs: number): Promise<void> {
  for (let nth = 0; Date.now() < untilMs; nth++) {
    const shot = coach.ball(nth)
    for (;;) {
      tries++
      const well = await coach.send('POST', `/api/players/${coach.playerId}/shots`, { shots: [shot] }).then(
        () => true,
        () => false,
      )
      if (well) break
      await wait(AGAIN_MS)
    }
    acks.push({ id: shot.id, atMs: Date.now() })
    await wait(BALL_EVERY_MS)
  }
}

/** The longest time without any acknowledged ball within ten seconds after a moment. */
function pauseAfter(fromMs: number): number {
  const times = acks.map(({ atMs }) => atMs).filter(atMs => atMs >= fromMs && atMs < fromMs + 15_000)
  const all = [fromMs, ...times.sort((a, b) => a - b)]
  return Math.max(...all.slice(1).map((atMs, i) => atMs - all[i]!))
}

try {
  const people: Coach[] = []
  for (let from = 0; from < coaches; from += 5)
    people.push(...(await Promise.all(Array.from({ length: Math.min(5, coaches - from) }, (_, i) => comeIn(from + i)))))
  say(`${coaches} coaches, three nodes, two servers.`)

  const startMs = Date.now()
  const logging = people.map(one => logUntil(one, startMs + seconds * 1000))
  await wait(seconds * 250)
  const nodeDiedMs = Date.now()
  nodes[0]!.kill()
  await wait(seconds * 350)
  const serverDiedMs = Date.now()
  servers[0]!.kill()
  await Promise.all(logging)

  const ids = new Map<string, number>()
  for (const { id } of acks) ids.set(id, (ids.get(id) ?? 0) + 1)
  const lost: string[] = []
  const counts = nodes.slice(1).map(node => {
    const there = new Set(node.sql('select id from uzzet.shots').split('\n'))
    for (const id of ids.keys()) if (!there.has(id)) lost.push(`${id} at ${node.name}`)
    return there.size
  })
  const more = counts.map(n => n - ids.size)
  const [afterNode, afterServer] = [pauseAfter(nodeDiedMs), pauseAfter(serverDiedMs)]
  const report = [
    `${ids.size} balls acknowledged in ${seconds} s, ${tries} tries`,
    `lost: ${lost.length}; doubled or nobody's: ${more.join(' and ')} at the two nodes that are left`,
    `longest pause of all coaches together: ${(afterNode / 1000).toFixed(1)} s after a database node was killed, ` +
      `${(afterServer / 1000).toFixed(1)} s after a server was killed`,
  ]
  for (const line of report) say(line)
  writeFileSync(fromRoot('.data/cluster.txt'), `${report.join('\n')}\n`)
  const well = lost.length === 0 && more.every(n => n === 0) && Math.max(afterNode, afterServer) < PAUSE_MS
  if (!well) say('NOT WELL.')
  process.exitCode = well ? 0 : 1
} finally {
  balancer.close()
  for (const server of servers) server.kill()
  redis.kill('SIGKILL')
  for (const node of nodes) node.kill()
}
