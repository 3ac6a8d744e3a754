import { beforeAll, describe, expect, it } from 'vitest'
import type { MadeProgram, Program } from '../../shared/program'
import type { Scope } from '../../shared/choices'
import { atTheRange, Client, joined, newCoach, newId, refusal } from './client'
import { ROUTES } from './routes'

/** A program that comes with a key, and with no cookie. */
class Caller extends Client {
  constructor(readonly token: string) {
    super()
  }
  override send<T>(method: string, path: string, body?: unknown) {
    return super.send<T>(method, path, body, { authorization: `Bearer ${this.token}` })
  }
}
async function keyOf(coach: Client, scope: Scope) {
  const asked = { id: newId(), name: `A ${scope}`, scope }
  const { body, status } = await coach.post<MadeProgram>('/api/account/programs', asked)
  expect(status).toBe(201)
  return { ...body, program: new Caller(body.token) }
}
const message = (body: unknown) => (body as { message: string }).message

describe('a key of a program', () => {
  let coach: Client
  let at: Awaited<ReturnType<typeof atTheRange>>
  beforeAll(async () => {
    coach = await newCoach()
    at = await atTheRange(coach)
  })
  const path = () => `/api/players/${at.playerId}`
  const log = (program: Client) => program.post(`${path()}/shots`, { shots: [at.shot()] })
  const pack = (program: Client, version: number) => program.put(`${path()}/bag`, { ...at.bag, version })

  it('opens what its scope says, in its coach’s name, and no more', async () => {
    const reads = (await keyOf(coach, 'read')).program
    const logs = (await keyOf(coach, 'log')).program
    const teaches = (await keyOf(coach, 'teach')).program
    for (const program of [reads, logs, teaches]) expect((await program.get(path())).status).toBe(200)
    const refused = await log(reads)
    expect([refused.status, message(refused.body)]).toEqual([
      403,
      'This key reads players, charts and files: what was asked goes further.',
    ])
    expect((await log(logs)).status).toBe(202)
    expect((await pack(logs, 2)).status).toBe(403)
    expect((await pack(teaches, 2)).status).toBe(200)
    const history = await coach.get(`${path()}/history`)
    expect(JSON.stringify(history.body)).toContain('Ada Vane')
  })

  it('opens nothing that people decide: accounts, the academy, devices, links, erasing', async () => {
    const { program } = await keyOf(coach, 'teach')
    const people = ROUTES.filter(({ route }) => /^(account|academy|devices)|\/links\/|erase/.test(route))
    expect(people.length).toBeGreaterThan(20)
    for (const { route, ask } of people) {
      const { status, body } = await program.send(...ask(at))
      // Where one is signed in is asked with a cookie, which a program has not.
      expect([401, 403], `${route}: ${message(body)}`).toContain(status)
    }
  })

  it('opens nothing of another academy, and nothing once it is revoked, or its coach has left', async () => {
    const { program, id } = await keyOf(coach, 'read')
    const stranger = await atTheRange(await newCoach())
    expect((await program.get(`/api/players/${stranger.playerId}`)).status).toBe(404)
    expect((await coach.send('DELETE', `/api/account/programs/${id}`)).status).toBe(200)
    const after = await program.get(path())
    expect([after.status, message(after.body)]).toEqual([
      401,
      'This key opens nothing: make a new one under Account, Programs.',
    ])
    const bo = await joined(coach, 'coach')
    const theirs = await keyOf(bo, 'read')
    expect((await theirs.program.get(path())).status).toBe(200)
    const { people } = (await coach.get<{ people: { id: string; email: string }[] }>('/api/academy/people')).body
    const person = people.find(({ email }) => email === bo.email)!
    await coach.patch(`/api/academy/people/${person.id}`, { left: true })
    expect((await theirs.program.get(path())).status).toBe(401)
  })

  it('is made by who may do as much, is shown once, and says when it was used last', async () => {
    const reader = await joined(coach, 'reader')
    const asked = { id: newId(), name: 'Too much', scope: 'teach' }
    expect(Object.keys(refusal(await reader.post('/api/account/programs', asked)))).toEqual(['scope'])
    const { id, token, program } = await keyOf(reader, 'read')
    const mine = async () => (await reader.get<Program[]>('/api/account/programs')).body
    expect(await mine()).toEqual([
      { id, name: 'A read', scope: 'read', createdAtMs: expect.any(Number) as number, usedAtMs: null },
    ])
    expect(JSON.stringify(await mine())).not.toContain(token)
    await program.get('/api/players')
    expect((await mine())[0]!.usedAtMs).toBeGreaterThan(Date.now() - 60_000)
    // Another's keys are nobody else's to see or to revoke.
    expect((await coach.send('DELETE', `/api/account/programs/${id}`)).status).toBe(404)
    // Guessed, cut short, and a device's are all answered alike.
    for (const bad of ['uzzetp_guessed', token.slice(0, -1)])
      expect((await new Caller(bad).get('/api/players')).status).toBe(401)
  })
})
