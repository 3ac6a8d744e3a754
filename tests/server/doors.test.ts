import { beforeAll, describe, expect, it } from 'vitest'
import { SERVER_TIME_HEADER } from '../../shared/clock'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import type { SessionRecord } from '../../shared/schemas/session'
import { aBag, atTheRange, newCoach, newId, newPlayer, refusal, type Client } from './client'

type Range = Awaited<ReturnType<typeof atTheRange>>
const DAY_MS = 86_400_000

describe('what comes through the doors', () => {
  let coach: Client
  let at: Range
  beforeAll(async () => {
    coach = await newCoach()
    at = await atTheRange(coach)
  })
  const record = async () => (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
  const ballOnRecord = async (id: string) => fromColumns((await record()).shots).find(shot => shot.id === id)

  it("every answer says the server's time, a refusal too", async () => {
    for (const path of ['/api/account', '/api/nothing', `/api/players/${newId()}`, '/api/auth/doors']) {
      const said = Number((await coach.get(path)).headers.get(SERVER_TIME_HEADER))
      expect(Math.abs(said - Date.now()), path).toBeLessThan(60_000)
    }
  })

  it('every answer to something entered names what it took', async () => {
    const shot = at.shot()
    expect((await at.log(shot)).body).toEqual({ taken: [shot.id] })
    const session = { ...at.session, version: 2 }
    expect((await coach.put(`/api/players/${at.playerId}/sessions/${session.id}`, session)).body).toMatchObject({
      taken: [session.id],
    })
    const word = {
      id: newId(),
      clubId: at.bag.clubs[0]!.id,
      rungId: at.bag.scale.rungs[0]!.id,
      kind: 'note',
      carryM: null,
      why: 'smooth',
      saidAtMs: Date.now(),
      holds: true,
    }
    for (let i = 0; i < 2; i++)
      expect((await coach.post(`/api/players/${at.playerId}/words`, word)).body).toEqual({ taken: [word.id] })
    const answer = {
      id: newId(),
      flag: 'hole',
      cells: [],
      fromM: 80,
      toM: 85,
      figure: 4,
      answer: 'accepted',
      untilMs: null,
      note: '',
      saidAtMs: Date.now() + DAY_MS,
      holds: true,
    }
    for (let i = 0; i < 2; i++)
      expect((await coach.post(`/api/players/${at.playerId}/answers`, answer)).body).toEqual({ taken: [answer.id] })
  })

  it.each([
    ['a day ahead', DAY_MS],
    ['two years ahead', 730 * DAY_MS],
    ['at 1970', -Date.UTC(2026, 0, 1)],
    ['in the year 250,000', 7.8e15],
  ])(
    'a ball by a clock that stands %s is taken at its door, once however often it is sent, and can be changed',
    async (_, offMs) => {
      const before = Date.now()
      const shot = at.shot({ hitAtMs: Date.now() + offMs })
      for (let i = 0; i < 3; i++) expect((await at.log(shot)).status).toBe(202)
      expect((await at.log(shot, at.shot({ hitAtMs: shot.hitAtMs }))).status).toBe(202)
      const kept = (await ballOnRecord(shot.id))!
      expect(kept.hitAtMs).toBeGreaterThanOrEqual(before)
      expect(kept.hitAtMs).toBeLessThanOrEqual(Date.now())
      expect(kept.taken).toEqual({ clockMs: kept.hitAtMs - shot.hitAtMs })
      expect((await at.log({ ...shot, carryM: 70, version: 2 })).status).toBe(202)
      expect(await ballOnRecord(shot.id)).toMatchObject({ carryM: 70, hitAtMs: kept.hitAtMs, version: 2 })
    },
  )

  it('a session by such a clock likewise', async () => {
    const session = {
      ...at.session,
      id: newId(),
      startedAtMs: Date.now() + DAY_MS,
      endedAtMs: null as number | null,
      version: 1,
    }
    const put = (one: object) =>
      coach.put<{ session: SessionRecord }>(`/api/players/${at.playerId}/sessions/${session.id}`, one)
    const { body } = await put(session)
    expect(body.session.startedAtMs).toBeLessThanOrEqual(Date.now())
    expect((await put(session)).status).toBe(200)
    const ended = await put({ ...session, endedAtMs: Date.now() + DAY_MS + 1000, version: 2 })
    expect([ended.status, ended.body.session.startedAtMs]).toEqual([200, body.session.startedAtMs])
    expect((await put({ ...session, endedAtMs: Date.now() + DAY_MS + 1000, version: 2 })).status).toBe(200)
  })

  it('the dates of a file are judged', async () => {
    const lot = (hitAtMs: number) =>
      coach.post(`/api/players/${at.playerId}/import/lot`, { sessions: [], shots: [at.shot({ hitAtMs })] })
    expect((await lot(Date.now())).status).toBe(202)
    expect(refusal(await lot(Date.now() + 3 * DAY_MS))['shots.0.hitAtMs']).toMatch(/future/)
    expect(refusal(await lot(Date.UTC(1999, 0, 1)))['shots.0.hitAtMs']).toMatch(/before the year 2000/)
  })

  it.each([2 ** 31, 2 ** 53, 1e300, -1, 1.5])('a version of %s is refused in words', async version => {
    const reply = await at.log(at.shot({ version }))
    expect([reply.status, refusal(reply)['shots.0.version']]).toEqual([
      422,
      `Version "${version}" is not a whole number from 1 to 2147483647.`,
    ])
  })

  it('the last version that there is can be kept', async () => {
    expect((await at.log(at.shot({ version: 2 ** 31 - 1 }))).status).toBe(202)
  })

  it('JSON as deep as a well is refused in words, wherever it stands', async () => {
    for (const deep of [
      `${'['.repeat(100_000)}${']'.repeat(100_000)}`,
      `{"shots":${'['.repeat(5000)}${']'.repeat(5000)}}`,
      `{"name":${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}}`,
    ]) {
      const reply = await coach.send('POST', `/api/players/${at.playerId}/shots`, deep)
      expect([reply.status, refusal(reply).body]).toEqual([422, expect.stringMatching(/levels deep: at most 32/)])
    }
    // Brackets in a text are text.
    expect(
      (await coach.post('/api/players', { id: newId(), name: '[[[[ "{{{{ \\ ['.repeat(2), level: 'unknown', note: '' }))
        .status,
    ).toBe(201)
  })

  it('half a character is refused in words, with what is whole left alone', async () => {
    const player = (name: string) =>
      coach.send('POST', '/api/players', `{"id":"${newId()}","name":"${name}","level":"unknown","note":""}`)
    expect(refusal(await player('Pip \\ud83d')).name).toMatch(/holds half a character/)
    expect((await player('Pip \\ud83d\\ude00')).status).toBe(201)
  })

  it('clubs and lengths called like parts of the language are names like others, in every file too', async () => {
    const playerId = await newPlayer(coach, '__proto__')
    const bag = aBag()
    bag.clubs[0]!.label = 'constructor'
    bag.clubs[1]!.label = '__proto__'
    bag.scale.rungs[0]!.label = 'toString'
    bag.scale.rungs[1]!.label = 'hasOwnProperty'
    expect((await coach.put(`/api/players/${playerId}/bag`, bag)).status).toBe(200)
    const session = { ...at.session, id: newId() }
    await coach.put(`/api/players/${playerId}/sessions/${session.id}`, session)
    const shots = bag.clubs.map(club =>
      at.shot({ sessionId: session.id, clubId: club.id, rungId: bag.scale.rungs[0]!.id }),
    )
    expect((await coach.post(`/api/players/${playerId}/shots`, { shots })).status).toBe(202)
    for (const path of [
      '',
      '/chart.json',
      '/bag.json',
      '/shots.csv',
      `/chart-at?at=${Date.now()}`,
      `/compare?from=${Date.now() - DAY_MS}&to=${Date.now()}`,
      `/compare-with?other=${at.playerId}`,
    ])
      expect((await coach.get(`/api/players/${playerId}${path}`)).status, path).toBe(200)
    expect((await coach.post(`/api/players/${playerId}/published`, { id: newId(), unit: 'yd', note: '' })).status).toBe(
      201,
    )
    expect((await coach.get('/api/players')).status).toBe(200)
  })

  it('a ball that no flight pitches there is refused in words; one that the model cannot take stays, named, and the chart stands', async () => {
    const odd = at.shot({ carryM: 12, taken: { heightM: 10 } })
    expect(refusal(await at.log(odd))['shots.0.taken.heightM']).toBe(
      'A carry of 12.0 m to 10.0 m above the tee is not possible: no ball comes down there.',
    )
    const first = await newPlayer(coach)
    const bag = aBag()
    await coach.put(`/api/players/${first}/bag`, bag)
    const session = { ...at.session, id: newId() }
    await coach.put(`/api/players/${first}/sessions/${session.id}`, session)
    for (const carryM of [0.9144, 1.8288, 365.76]) {
      const shot = at.shot({
        sessionId: session.id,
        clubId: bag.clubs[0]!.id,
        rungId: bag.scale.rungs[0]!.id,
        carryM,
        ...(carryM === 365.76 && { taken: { heightM: -60 } }),
      })
      expect((await coach.post(`/api/players/${first}/shots`, { shots: [shot] })).status).toBe(202)
    }
    expect((await coach.get(`/api/players/${first}/chart.json`)).status).toBe(200)
    expect((await coach.get<{ id: string; summary: { hit: number } | null }[]>('/api/players')).status).toBe(200)
  })
})
