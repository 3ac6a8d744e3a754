import { mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import mysql from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { atTheRange, Client, PASSWORD, type Reply } from './client'

/** A server and a database of its own, which may be stopped, killed and frozen. */
describe('a database that is away', () => {
  let database: Awaited<ReturnType<typeof startDatabase>>
  let server: Awaited<ReturnType<typeof startServer>>
  let coach: Client
  let at: Awaited<ReturnType<typeof atTheRange>>
  const folder = mkdtempSync(join(tmpdir(), 'uzzet-away-'))
  const log = join(folder, 'server.log')
  const NAME = 'Ottoline Quillfeather'

  beforeAll(async () => {
    database = await startDatabase('away', { fresh: true })
    await migrateDatabase(database.url)
    server = await startServer({
      port: await freePortFrom(4740),
      databaseUrl: database.url,
      sessionSecret: 'a secret of the tests, thrown away afterwards',
      log: openSync(log, 'a'),
      env: { UZZET_TRUSTED_PROXIES: 'loopback', UZZET_SIGN_UPS_PER_HOUR: '', UZZET_SIGN_UP: '' },
    })
    coach = new Client(server.url)
    await coach.post('/api/auth/sign-up', {
      name: NAME,
      academy: 'Test Links',
      email: 'away@saltmarsh.example',
      password: PASSWORD,
    })
    at = await atTheRange(coach)
  })
  afterAll(async () => {
    await server.stop()
    await database.stop()
    rmSync(folder, { recursive: true, force: true })
  })

  const everywhere = () =>
    Promise.all([
      coach.get('/api/players'),
      coach.get(`/api/players/${at.playerId}`),
      at.log(at.shot()),
      coach.get(`/api/players/${at.playerId}/chart.json`),
      new Client(server.url).post('/api/auth/sign-in', { email: 'away@saltmarsh.example', password: PASSWORD }),
    ])
  const away = (replies: readonly Reply<unknown>[]) => {
    for (const { status, headers } of replies)
      expect([status, headers.get('retry-after')]).toEqual([503, expect.stringMatching(/^\d+$/)])
  }
  async function backAgain() {
    for (let i = 0; i < 300; i++) {
      if ((await coach.get('/api/account')).status === 200) return
      await wait(100)
    }
    throw new Error('it did not come back')
  }

  it('where nothing is said and no mail is sent, the first opens an account, and nobody after them', async () => {
    const visitor = new Client(server.url)
    expect((await visitor.get<{ signUp: string }>('/api/auth/doors')).body.signUp).toBe('closed')
    const known = { name: 'Ada Marl', academy: 'Marram Links', password: PASSWORD }
    for (const email of ['away@saltmarsh.example', 'second@saltmarsh.example'])
      expect((await visitor.post('/api/auth/sign-up', { ...known, email })).status).toBe(403)
  })

  it('frozen: everything is answered, with 503 and when to come again; thawed, all goes on', async () => {
    const shot = at.shot()
    expect((await at.log(shot)).status).toBe(202)
    process.kill(database.pid, 'SIGSTOP')
    try {
      away(await everywhere())
      expect((await coach.get('/api/health')).status).toBe(503)
      // The process is none the worse: nobody starts it anew for that.
      expect((await coach.get('/api/health?of=process')).status).toBe(200)
    } finally {
      process.kill(database.pid, 'SIGCONT')
    }
    await backAgain()
    expect((await at.log(shot)).status).toBe(202)
  })

  it('killed: the same; started again it is used again, without a new server', async () => {
    process.kill(database.pid, 'SIGKILL')
    await wait(200)
    away(await everywhere())
    database = await startDatabase('away')
    await backAgain()
    expect((await at.log(at.shot())).status).toBe(202)
  })

  it('never writes a name, a chart or a hash into the log', () => {
    const text = readFileSync(log, 'utf8')
    expect(text).toMatch(/database [A-Z_]+/)
    for (const secret of [NAME, 'away@saltmarsh.example', 'Pip Marlow', '$scrypt', at.playerId])
      expect(text).not.toContain(secret === at.playerId ? `'${secret}'` : secret)
  })

  /** As after six wrong tries more: the next one waits for minutes, however slow this machine is. */
  async function lengthenWaits(tryOnce: () => Promise<unknown>) {
    const connection = await mysql.createConnection(database.url)
    await connection.query("update limits set points = points + 6 where `key` like 'tries:%'")
    await connection.query("delete from limits where `key` like 'gate:%'")
    await connection.end()
    await tryOnce()
  }

  it("behind a proxy that is stated, a stranger's tries count for the stranger alone", async () => {
    const signIn = (from: string, password: string) =>
      new Client(server.url).send(
        'POST',
        '/api/auth/sign-in',
        { email: 'away@saltmarsh.example', password },
        { 'x-forwarded-for': from },
      )
    const statuses = []
    for (let i = 0; i < 8; i++) statuses.push((await signIn('203.0.113.9', 'guess')).status)
    expect(statuses).toContain(401)
    await lengthenWaits(() => signIn('203.0.113.9', 'guess'))
    expect((await signIn('203.0.113.9', PASSWORD)).status).toBe(429)
    expect((await signIn('198.51.100.4', PASSWORD)).status).toBe(200)
    // What the stranger writes before the proxy's own word is not believed.
    expect((await signIn('198.51.100.4, 203.0.113.9', PASSWORD)).status).toBe(429)
    // Of version 6 the network counts.
    for (let i = 0; i < 8; i++) await signIn(`2001:db8:1:2::${i + 1}`, 'guess')
    await lengthenWaits(() => signIn('2001:db8:1:2::1', 'guess'))
    expect((await signIn('2001:db8:1:2:ffff::1', PASSWORD)).status).toBe(429)
    expect((await signIn('2001:db8:1:3::1', PASSWORD)).status).toBe(200)
  })

  it('who guesses at ways to a new password is held back, and nobody else with him', async () => {
    const guess = async (from: string, i: number) =>
      (
        await new Client(server.url).send(
          'POST',
          '/api/auth/reset-look',
          { token: `uzzet_${i}`.padEnd(43, 'A') },
          { 'x-forwarded-for': from },
        )
      ).status
    const said: number[] = []
    for (let i = 0; i < 125; i++) said.push(await guess('203.0.113.77', i))
    expect(said.filter(status => status !== 429)).toHaveLength(120)
    expect([said[0], said.at(-1), await guess('198.51.100.78', 0)]).toEqual([404, 429, 404])
  })

  it('what was counted survives a restart', async () => {
    await server.stop()
    server = await startServer({
      port: await freePortFrom(4740),
      databaseUrl: database.url,
      sessionSecret: 'a secret of the tests, thrown away afterwards',
      log: openSync(log, 'a'),
      env: { UZZET_TRUSTED_PROXIES: 'loopback' },
    })
    const again = () =>
      new Client(server.url).send(
        'POST',
        '/api/auth/sign-in',
        { email: 'away@saltmarsh.example', password: 'guess' },
        { 'x-forwarded-for': '203.0.113.9' },
      )
    // The first few are free where nothing was counted.
    expect([(await again()).status, (await again()).status]).toContain(429)
  })
})
