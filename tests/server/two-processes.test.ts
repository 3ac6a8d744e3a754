import { spawn, type ChildProcess } from 'node:child_process'
import { request } from 'node:http'
import { setTimeout as wait } from 'node:timers/promises'
import { afterAll, beforeAll, describe, expect, inject, it, vi } from 'vitest'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { ensurePrograms } from '../../scripts/lib/system.mjs'
import { atTheRange, Client, newCoach, newId } from './client'

type Server = Awaited<ReturnType<typeof startServer>>

/** A store on loopback that keeps nothing. */
function startRedis(port: number): ChildProcess {
  const quiet = ['--save', '', '--appendonly', 'no', '--bind', '127.0.0.1', '--loglevel', 'warning']
  return spawn('redis-server', ['--port', String(port), ...quiet], { stdio: 'ignore' })
}

/** Messages of a live line, with the moment at which each came. */
function lineOf(server: Server, cookie: string, path: string) {
  const heard: { atMs: number; text: string }[] = []
  const asking = request(server.url + path, { headers: { cookie } }, reply => {
    reply.on('data', (part: Buffer) => heard.push({ atMs: Date.now(), text: part.toString() }))
    reply.on('error', () => undefined)
  })
  asking.on('error', () => undefined)
  asking.end()
  return { heard, close: () => asking.destroy() }
}

/** Balls that one process takes come over a line of the other, sooner or later. */
async function linesGoOn(server: Server, cookie: string, path: string, log: (id: string) => Promise<unknown>) {
  const line = lineOf(server, cookie, path)
  await vi.waitFor(
    async () => {
      const id = newId()
      await log(id)
      await wait(300)
      expect(line.heard.some(({ text }) => text.includes(id))).toBe(true)
    },
    { timeout: 30_000, interval: 500 },
  )
  line.close()
}

describe('two processes on one database', { timeout: 120_000 }, () => {
  let redis: ChildProcess
  let port: number
  let servers: Server[]
  beforeAll(async () => {
    ensurePrograms('Redis', ['redis-server'], ['redis-server'])
    port = await freePortFrom(6390)
    redis = startRedis(port)
    const start = async (from: number) =>
      startServer({
        port: await freePortFrom(from),
        databaseUrl: inject('databaseUrl'),
        sessionSecret: 'a secret of the tests, thrown away afterwards',
        env: { UZZET_SIGN_UPS_PER_HOUR: '1000', UZZET_REDIS: `redis://127.0.0.1:${port}` },
      })
    servers = [await start(4710), await start(4712)]
  }, 120_000)
  afterAll(async () => {
    for (const server of servers) await server.stop()
    redis.kill('SIGKILL')
  })

  /** A coach of the shared secret, asked through one process or the other. */
  async function scene() {
    const coach = await newCoach()
    const [here, there] = servers.map(({ url }) => {
      const client = new Client(url)
      client.cookie = coach.cookie
      return client
    }) as [Client, Client]
    const at = await atTheRange(here)
    const path = `/api/players/${at.playerId}/sessions/${at.session.id}/live`
    const log = (id: string) => here.post(`/api/players/${at.playerId}/shots`, { shots: [at.shot({ id })] })
    return { here, there, at, path, log }
  }

  it('a ball that one takes is on the screens of the other within two seconds, once', async () => {
    const { there, path, log, at } = await scene()
    const line = lineOf(servers[1]!, there.cookie, path)
    await vi.waitFor(() => expect(line.heard.length).toBeGreaterThan(0), 10_000)
    const [id, fromMs] = [newId(), Date.now()]
    expect((await log(id)).status).toBe(202)
    const said = () => line.heard.filter(({ text }) => text.includes(id))
    await vi.waitFor(() => expect(said()).toHaveLength(1), 5000)
    expect(said()[0]!.atMs - fromMs).toBeLessThan(2000)
    // Whoever listens where it was taken hears it once too, not again by the way of the other.
    const own = lineOf(servers[0]!, there.cookie, path)
    await vi.waitFor(() => expect(own.heard.length).toBeGreaterThan(0), 10_000)
    const second = newId()
    await log(second)
    await wait(1000)
    for (const { heard } of [own, line]) expect(heard.filter(({ text }) => text.includes(second))).toHaveLength(1)
    for (const one of [own, line]) one.close()
    // The same cookie opens both, and both have all of it.
    const shots = (await there.get<{ shots: { id: string[] } }>(`/api/players/${at.playerId}`)).body.shots.id
    expect(shots).toEqual(expect.arrayContaining([id, second]))
  })

  it('without the store between them balls are taken all the same, and lines go on when it is back', async () => {
    const { there, path, log } = await scene()
    redis.kill('SIGKILL')
    await wait(300)
    const lost = newId()
    expect((await log(lost)).status).toBe(202)
    redis = startRedis(port)
    await linesGoOn(servers[1]!, there.cookie, path, log)
  })

  it('a store that hangs holds up no ball: all are taken, once each, and lines go on when it answers again', async () => {
    const { here, there, at, path, log } = await scene()
    const { token } = (await here.post<{ token: string }>('/api/devices', { id: newId(), name: 'Bay 4' })).body
    const send = (ball: object) => here.send('POST', '/api/ingest/shots', [ball], { authorization: `Bearer ${token}` })
    redis.kill('SIGSTOP')
    const ids = Array.from({ length: 20 }, () => newId())
    try {
      const statuses = await Promise.all(ids.map(id => log(id).then(({ status }) => status)))
      expect(new Set(statuses)).toEqual(new Set([202]))
      // Requests are counted there: whoever asks gets an answer, a device that is aimed at nobody a refusal.
      expect((await here.post('/api/auth/sign-in', { email: 'nobody@club.example', password: 'x' })).status).toBe(401)
      expect((await send({ id: newId(), carry_yd: 70 })).status).toBe(409)
      // Whoever looks meanwhile sees them: what is shown comes from the database.
      const { body } = await there.get<{ shots: { id: string[] } }>(`/api/players/${at.playerId}`)
      expect([...body.shots.id].sort()).toEqual(ids.sort())
    } finally {
      redis.kill('SIGCONT')
    }
    await linesGoOn(servers[1]!, there.cookie, path, log)
  })

  it('tries at tokens count together', async () => {
    const wrong = { authorization: 'Bearer uzzet_of-nobody' }
    const tried = async (server: Server) =>
      (await fetch(`${server.url}/api/ingest/shots`, { method: 'POST', headers: wrong, body: '[]' })).status
    const said: number[] = []
    for (let i = 0; i < 32; i++) for (const server of servers) said.push(await tried(server))
    expect(said.filter(status => status === 401)).toHaveLength(60)
    expect(said.at(-1)).toBe(429)
  })

  it('one that dies takes nothing with it: the other serves on', async () => {
    const { there, at, log } = await scene()
    const id = newId()
    await log(id)
    servers[0]!.kill()
    await servers[0]!.ended
    const shot = at.shot()
    expect((await there.post(`/api/players/${at.playerId}/shots`, { shots: [shot] })).status).toBe(202)
    const { body } = await there.get<{ shots: { id: string[] } }>(`/api/players/${at.playerId}`)
    expect(body.shots.id).toEqual(expect.arrayContaining([id, shot.id]))
  })
})
