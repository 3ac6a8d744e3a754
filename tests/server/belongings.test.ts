import { describe, expect, it } from 'vitest'
import { USUAL_PLAN } from '../../shared/choices'
import type { PlayerRecord } from '../../shared/record'
import type { SessionRecord } from '../../shared/schemas/session'
import { fromColumns } from '../../shared/shot-columns'
import { atTheRange, Client, newCoach, newId, refusal } from './client'
import { playerFile } from './player-file'

const GONE = 'This session was merged into another: give the ball to that one.'

/** A player with two sessions, of which the first was merged into the other. */
async function merged() {
  const coach = await newCoach()
  const at = await atTheRange(coach)
  const path = `/api/players/${at.playerId}/sessions/${at.session.id}`
  const put = (gone: boolean, version: number) =>
    coach.put(path, { ...at.session, plan: { ...USUAL_PLAN, gone }, version })
  const other = { ...at.session, id: newId() }
  expect((await coach.put(`/api/players/${at.playerId}/sessions/${other.id}`, other)).status).toBe(200)
  const before = at.shot()
  expect((await at.log(before)).status).toBe(202)
  // As the page merges: its balls first, then the session.
  expect((await at.log({ ...before, sessionId: other.id, version: 2 })).status).toBe(202)
  expect((await put(true, 2)).status).toBe(200)
  const shown = async () => {
    const { sessions, shots } = (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
    const { plan, version } = sessions.find(({ id }) => id === at.session.id)!
    return {
      gone: plan.gone,
      version,
      balls: fromColumns(shots).filter(ball => ball.sessionId === at.session.id && !ball.deleted).length,
    }
  }
  return { coach, at, put, before, shown }
}

describe('a session that was merged into another while balls waited for it', () => {
  it('takes none of them, and says why by the field that it can be given by', async () => {
    const { at } = await merged()
    const reply = await at.log(at.shot(), at.shot())
    expect([reply.status, refusal(reply)]).toEqual([422, { 'shots.0.sessionId': GONE, 'shots.1.sessionId': GONE }])
  })

  it('takes no single one either, by the way that balls go one by one', async () => {
    const { at } = await merged()
    const reply = await at.log(at.shot())
    expect([reply.status, refusal(reply)]).toEqual([422, { 'shots.0.sessionId': GONE }])
  })

  it('takes what is deleted of it, and takes balls again when it is back', async () => {
    const { at, put, before } = await merged()
    expect((await at.log({ ...before, deleted: true, version: 3 })).status).toBe(202)
    expect((await put(false, 3)).status).toBe(200)
    expect((await at.log(at.shot())).status).toBe(202)
  })

  it('stays where a ball came into it meanwhile, also when it is asked twice; merged again without balls it goes', async () => {
    const { at, put, shown } = await merged()
    await put(false, 3)
    const late = at.shot()
    await at.log(late)
    for (let i = 0; i < 2; i++) {
      const reply = await put(true, 4)
      expect([reply.status, (reply.body as { session: SessionRecord }).session.version]).toEqual([200, 5])
      expect(await shown()).toEqual({ gone: false, version: 5, balls: 1 })
    }
    await at.log({ ...late, deleted: true, version: 2 })
    expect((await put(true, 6)).status).toBe(200)
    expect(await shown()).toEqual({ gone: true, version: 6, balls: 0 })
  })

  it('never keeps balls unseen, whichever of the two comes first', async () => {
    const { coach, at, put, shown } = await merged()
    let { version } = await shown()
    for (let round = 0; round < 12; round++) {
      await put(false, version + 1)
      const one = [at.shot()]
      const [, logged] = await Promise.all([put(true, version + 2), at.log(...(round % 2 ? one : [...one, at.shot()]))])
      const now = await shown()
      expect(now.gone).toBe(logged.status !== 202)
      expect(now.balls > 0 && now.gone).toBe(false)
      if (logged.status === 202) {
        const { shots } = (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
        for (const ball of fromColumns(shots).filter(x => x.sessionId === at.session.id && !x.deleted))
          await at.log({ ...ball, deleted: true, version: ball.version + 1 })
      }
      version = (await shown()).version
    }
  })

  it('leaves the devices that were aimed at it, and none can be aimed at it', async () => {
    const { coach, at, put } = await merged()
    await put(false, 3)
    const id = newId()
    const { body } = await coach.post<{ token: string }>('/api/devices', { id, name: 'Bay 4' })
    const aim = () =>
      coach.put(`/api/devices/${id}/aim`, {
        at: {
          playerId: at.playerId,
          sessionId: at.session.id,
          clubId: at.bag.clubs[0]!.id,
          rungId: at.bag.scale.rungs[0]!.id,
        },
        fromMs: Date.now(),
        sentAtMs: Date.now(),
      })
    expect((await aim()).status).toBe(200)
    await put(true, 4)
    const ball = [{ id: newId(), carry_yd: 70 }]
    const sent = await new Client().send('POST', '/api/ingest/shots', ball, { authorization: `Bearer ${body.token}` })
    expect(sent.status).toBeGreaterThanOrEqual(400)
    expect(sent.status).toBeLessThan(500)
    expect((await aim()).status).toBe(422)
  })
})

describe('the swing length that was asked for', () => {
  it('is one of the player’s own, at every door', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    const bad = at.shot({ taken: { askedRungId: newId() } })
    const reply = await at.log(bad)
    expect([reply.status, Object.keys(refusal(reply))]).toEqual([422, ['shots.0.taken.askedRungId']])
    const { bag, session } = at
    const file = playerFile({ bag, sessions: [session], shots: [bad] })
    expect(Object.keys(refusal(await coach.post('/api/players/bring-in', file)))).toEqual(['shots.0.taken.rungId'])
    expect((await at.log(at.shot({ taken: { askedRungId: bag.scale.rungs[0]!.id } }))).status).toBe(202)
  })
})

describe('times that no clock can have said', () => {
  it('are set right in a record that is brought in, and fail nothing', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    const far = 8.64e15
    const session = { ...at.session, startedAtMs: -far, endedAtMs: far }
    const file = playerFile({ bag: at.bag, sessions: [session], shots: [at.shot({ hitAtMs: far })] })
    const reply = await coach.post<{ id: string }>('/api/players/bring-in', file)
    expect(reply.status).toBe(201)
    const { shots } = (await coach.get<PlayerRecord>(`/api/players/${reply.body.id}`)).body
    expect(Math.abs(fromColumns(shots)[0]!.hitAtMs - Date.now())).toBeLessThan(3_600_000)
  })
})

describe('text of a record', () => {
  it('that looks like an id is left as it was written, and a byte-order mark is no fault', async () => {
    const coach = await newCoach()
    const note = `See ${newId()}`
    const file = playerFile()
    const text = `\uFEFF${JSON.stringify({ ...file, player: { ...file.player, note } })}`
    const reply = await coach.post<{ id: string }>('/api/players/bring-in', text)
    expect(reply.status).toBe(201)
    const { player } = (await coach.get<PlayerRecord>(`/api/players/${reply.body.id}`)).body
    expect(player.note).toBe(note)
  })
})

describe('doors that stand open to whoever is signed out', () => {
  it('take short bodies alone, and not without end', async () => {
    const anybody = new Client()
    const long = await anybody.post('/api/auth/reset-look', { token: 'x'.repeat(20_000) })
    expect(long.status).toBe(413)
  })
})
