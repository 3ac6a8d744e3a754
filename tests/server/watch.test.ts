import { mkdtempSync, openSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { atTheRange, Client, newCoach, newId, PASSWORD } from './client'
import { METRICS_TOKEN } from './setup'

const figures = (client: Client, token: string) =>
  client.send<string>('GET', '/api/metrics', undefined, { authorization: `Bearer ${token}` })

/** The value of a figure, by its whole name with labels. */
function valueOf(text: string, name: string): number {
  const line = text.split('\n').find(one => one.startsWith(`${name} `))
  return line ? Number(line.slice(name.length + 1)) : 0
}

describe('figures for a collector', () => {
  it('are nobody’s who does not know the token: there is no such page', async () => {
    const nobody = new Client()
    expect((await nobody.get('/api/metrics')).status).toBe(404)
    expect((await figures(nobody, METRICS_TOKEN.toUpperCase())).status).toBe(404)
    expect((await figures(nobody, '')).status).toBe(404)
    expect((await (await newCoach()).get('/api/metrics')).status).toBe(404)
  })

  it('count requests by their pattern, balls, work and connections, and name nobody', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    const before = (await figures(coach, METRICS_TOKEN)).body
    const shot = at.shot({ id: newId() })
    expect((await coach.post(`/api/players/${at.playerId}/shots`, { shots: [shot] })).status).toBe(202)
    await coach.get(`/api/players/${at.playerId}/chart.json`)
    const reply = await figures(coach, METRICS_TOKEN)
    expect(reply.headers.get('content-type')).toMatch(/^text\/plain; version=0\.0\.4/)
    const after = reply.body
    const grew = (name: string) => valueOf(after, name) - valueOf(before, name)
    expect(grew('uzzet_balls_kept_total{by="coach"}')).toBe(1)
    const logged = '{method="POST",route="/api/players/:playerId/shots",status="202"}'
    expect(grew(`uzzet_request_seconds_count${logged}`)).toBe(1)
    for (const name of ['uzzet_live_lines', 'uzzet_work_waiting', 'uzzet_database_connections_in_use'])
      expect(after).toMatch(new RegExp(`^${name} \\d+$`, 'm'))
    expect(after).toMatch(/^uzzet_work_seconds_count\{job="\w+",ended="well"\} [1-9]/m)
    expect(after).toContain('process_resident_memory_bytes')
    for (const personal of [at.playerId, shot.id, 'saltmarsh']) expect(after).not.toContain(personal)
  })
})

describe('the log of a server', () => {
  const folder = mkdtempSync(join(tmpdir(), 'uzzet-log-'))
  const path = join(folder, 'server.log')
  let server: Awaited<ReturnType<typeof startServer>>
  beforeAll(async () => {
    server = await startServer({
      port: await freePortFrom(4760),
      databaseUrl: inject('databaseUrl'),
      sessionSecret: 'a secret of the tests, thrown away afterwards',
      log: openSync(path, 'a'),
      env: { UZZET_LOG: 'info', UZZET_SIGN_UPS_PER_HOUR: '1000' },
    })
  })
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  it('is a line of JSON for each request: its id, its pattern, how it ended, and nothing of anybody', async () => {
    const coach = new Client(server.url)
    const email = `${newId()}@saltmarsh.example`
    await coach.post('/api/auth/sign-up', { name: 'Ottoline Quill', academy: 'Test Links', email, password: PASSWORD })
    const at = await atTheRange(coach)
    const reply = await coach.get(`/api/players/${at.playerId}`)
    const id = reply.headers.get('x-request-id')
    expect(id).toMatch(/^[0-9a-f-]{36}$/)
    await coach.get(`/api/players/${newId()}`)
    await server.stop()
    const text = readFileSync(path, 'utf8')
    const lines = text
      .split('\n')
      .filter(line => line.startsWith('{'))
      .map(line => JSON.parse(line) as Record<string, unknown>)
    const own = lines.find(({ request }) => request === id)
    expect(own).toMatchObject({ method: 'GET', route: '/api/players/:playerId', status: 200, msg: 'request' })
    expect(own!.ms).toBeTypeOf('number')
    expect(lines.filter(({ status }) => status === 404)).toHaveLength(1)
    for (const personal of [email, 'Quill', 'Test Links', PASSWORD, at.playerId]) expect(text).not.toContain(personal)
  })
})
