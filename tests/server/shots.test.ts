import { describe, expect, it } from 'vitest'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import { readShotTable } from '../../core/files/shot-table'
import { atTheRange, newCoach, newId, refusal, type Client } from './client'

async function shotsOf(coach: Client, playerId: string) {
  return fromColumns((await coach.get<PlayerRecord>(`/api/players/${playerId}`)).body.shots)
}

describe('a ball', () => {
  it('comes back exactly as it was logged', async () => {
    const coach = await newCoach()
    const { playerId, shot, log } = await atTheRange(coach)
    const ball = shot({ carryM: 68.58, hitAtMs: Date.now() - 123 })
    expect((await log(ball)).status).toBe(202)
    expect(await shotsOf(coach, playerId)).toEqual([ball])
  })

  it('sent ten times, also at once, is there once', async () => {
    const coach = await newCoach()
    const { playerId, shot, log } = await atTheRange(coach)
    const ball = shot()
    const replies = await Promise.all(Array.from({ length: 10 }, () => log(ball)))
    expect(replies.map(r => r.status)).toEqual(Array(10).fill(202))
    expect(await shotsOf(coach, playerId)).toEqual([ball])
  })

  it('is left out, put back, moved, mended and deleted, each under its next version', async () => {
    const coach = await newCoach()
    const { playerId, bag, shot, log } = await atTheRange(coach)
    const ball = shot()
    await log(ball)
    for (const change of [{ leftOut: 'heavy' }, { leftOut: null }, { clubId: bag.clubs[1]!.id }, { carryM: 91.44 }]) {
      Object.assign(ball, change, { version: ball.version + 1 })
      expect((await log(ball)).status).toBe(202)
      expect(await shotsOf(coach, playerId)).toEqual([ball])
    }
    await log({ ...ball, deleted: true, version: 6 })
    expect(await shotsOf(coach, playerId)).toEqual([])
    expect((await log({ ...ball, deleted: false, version: 7 })).status).toBe(202)
    expect(await shotsOf(coach, playerId)).toHaveLength(1)
  })

  it('changed on two devices is kept as the first left it, and the second is told', async () => {
    const coach = await newCoach()
    const { playerId, shot, log } = await atTheRange(coach)
    const ball = shot()
    await log(ball)
    await log({ ...ball, version: 2, leftOut: 'thin' })
    const late = await log({ ...ball, version: 2, carryM: 50 })
    expect([late.status, refusal(late)['shots.0.version']]).toEqual([409, 'This ball was changed on another device.'])
    expect((await shotsOf(coach, playerId))[0]).toMatchObject({ leftOut: 'thin', carryM: ball.carryM })
  })

  it('with an impossible carry, an unknown club, swing or session is refused beside its field, and none of the lot is kept', async () => {
    const coach = await newCoach()
    const { playerId, shot, log } = await atTheRange(coach)
    for (const carryM of [0, -5, 366.6744, 'abc', null, '']) {
      const reply = await log(shot(), shot({ carryM }))
      expect([reply.status, Object.keys(refusal(reply))]).toEqual([422, ['shots.1.carryM']])
    }
    for (const field of ['clubId', 'rungId', 'sessionId']) {
      const reply = await log(shot(), shot({ [field]: newId() }))
      expect([reply.status, Object.keys(refusal(reply))]).toEqual([422, [`shots.1.${field}`]])
    }
    expect(await shotsOf(coach, playerId)).toEqual([])
  })

  it('of another player of the same coach is not taken over by its id', async () => {
    const coach = await newCoach()
    const [one, two] = [await atTheRange(coach), await atTheRange(coach)]
    const ball = one.shot()
    await one.log(ball)
    expect((await two.log(two.shot({ id: ball.id, version: 2 }))).status).toBe(409)
    expect(await shotsOf(coach, one.playerId)).toEqual([ball])
  })

  it('of a club retired meanwhile is still taken: it was hit', async () => {
    const coach = await newCoach()
    const { playerId, bag, shot, log } = await atTheRange(coach)
    await log(shot())
    await coach.put(`/api/players/${playerId}/bag`, {
      ...bag,
      version: 2,
      clubs: bag.clubs.map((c, i) => ({ ...c, retired: i === 0 })),
    })
    expect((await log(shot())).status).toBe(202)
  })

  it('goes out in the open shot table', async () => {
    const coach = await newCoach()
    const { playerId, shot, log } = await atTheRange(coach)
    await log(shot({ carryM: 65.8368 }), shot({ leftOut: 'heavy, "fat"' }))
    const { body } = await coach.get<string>(`/api/players/${playerId}/shots.csv`)
    const { rows, errors } = readShotTable(body)
    expect(errors).toEqual([])
    expect(rows).toMatchObject([
      { player: 'Pip Marlow', club: '56°', swing: '9:00', carryM: 65.8368, leftOut: null },
      { leftOut: 'heavy, "fat"' },
    ])
  })
})

describe('a session', () => {
  it('sent twice is there once, ends, and goes on', async () => {
    const coach = await newCoach()
    const { playerId, session } = await atTheRange(coach)
    const put = (change: object) =>
      coach.put(`/api/players/${playerId}/sessions/${session.id}`, { ...session, ...change })
    expect((await put({})).status).toBe(200)
    expect((await put({ endedAtMs: Date.now(), version: 2 })).status).toBe(200)
    expect((await put({ endedAtMs: null, version: 3 })).status).toBe(200)
    expect((await put({ method: 'laser', version: 2 })).status).toBe(409)
    expect((await coach.get<PlayerRecord>(`/api/players/${playerId}`)).body.sessions).toEqual([
      { ...session, version: 3 },
    ])
  })

  it('keeps its air, which goes out with its shots; air that cannot be is refused by name', async () => {
    const coach = await newCoach()
    const { playerId, session, shot, log } = await atTheRange(coach)
    const air = {
      fromMs: session.startedAtMs,
      tempC: 12,
      humidity: 0.8,
      altitudeM: 120,
      qnhPa: null,
      wind: { speedMs: 3, clock: 2, judged: 'felt' },
      ground: 'open',
    }
    const put = (change: object) =>
      coach.put(`/api/players/${playerId}/sessions/${session.id}`, {
        ...session,
        version: 2,
        air: [{ ...air, ...change }],
      })
    const refused = await put({ tempC: -80 })
    expect([refused.status, refusal(refused)]).toEqual([
      422,
      { 'air.0.tempC': 'Temperature -80 °C is not possible: -20 to 50 °C is allowed.' },
    ])
    expect((await put({})).status).toBe(200)
    await log(shot({ hitAtMs: session.startedAtMs + 1000 }))
    const { body } = await coach.get<PlayerRecord>(`/api/players/${playerId}`)
    expect(body.sessions[0]!.air).toEqual([air])
    expect(
      readShotTable((await coach.get<string>(`/api/players/${playerId}/shots.csv`)).body).rows[0]!.air,
    ).toMatchObject({ tempC: 12, wind: { speedMs: 3, clock: 2, judged: 'felt' } })
    expect((await coach.get<{ air: string }>(`/api/players/${playerId}/chart.json`)).body.air).toBe('neutral')
  })

  it("under another's address or id is refused", async () => {
    const coach = await newCoach()
    const [one, two] = [await atTheRange(coach), await atTheRange(coach)]
    expect((await coach.put(`/api/players/${one.playerId}/sessions/${newId()}`, one.session)).status).toBe(422)
    expect((await coach.put(`/api/players/${two.playerId}/sessions/${one.session.id}`, one.session)).status).toBe(409)
  })
})

describe('a change of the bag from the board', () => {
  it('is made on top of the bag of today, once, and its balls are taken after it', async () => {
    const coach = await newCoach()
    const { playerId, bag, shot, log } = await atTheRange(coach)
    const rung = { id: newId(), label: 'three-quarter', cue: '', flight: 'normal', retired: false }
    const step = { id: newId(), step: { kind: 'add-rung', rung, below: bag.scale.rungs.at(-1)!.id } }
    const send = () => coach.send('POST', `/api/players/${playerId}/bag-steps`, step)
    const replies = await Promise.all([send(), send()])
    expect(replies.map(reply => reply.status)).toEqual([202, 202])
    expect((await send()).body).toEqual({ taken: [step.id] })
    const now = (await coach.get<PlayerRecord>(`/api/players/${playerId}`)).body
    expect(now.bag.scale.rungs.map(({ label }) => label).filter(label => label === 'three-quarter')).toHaveLength(1)
    expect((await log(shot({ rungId: rung.id }))).status).toBe(202)
  })

  it('that has no place there any more is refused with the reason', async () => {
    const coach = await newCoach()
    const { playerId, bag } = await atTheRange(coach)
    const ask = (step: object) => coach.send('POST', `/api/players/${playerId}/bag-steps`, { id: newId(), step })
    const gone = await ask({ kind: 'rename-rung', rungId: newId(), label: 'belt' })
    const [first, second] = bag.scale.rungs
    const taken = await ask({ kind: 'rename-rung', rungId: first!.id, label: second!.label })
    expect([gone.status, taken.status]).toEqual([422, 422])
    expect((gone.body as { message: string }).message).toBe('That swing length is no longer in the bag.')
    expect((taken.body as { message: string }).message).toMatch(/Another swing length has that name/)
  })
})

describe('what was typed of a ball', () => {
  it('comes back as it was: readings without a ball speed, face, marks, how full it felt, what was called', async () => {
    const coach = await newCoach()
    const { playerId, shot, log } = await atTheRange(coach)
    const ball = shot({
      strike: 'flyer',
      readings: { spinRpm: 6600, launchDeg: 29, clubSpeedMs: 30.4, sideM: 3.6 },
      taken: { face: 'open', marks: ['windy'], feltPercent: 80, called: { targetM: 68.58, plusM: 0.9144 } },
    })
    expect((await log(ball)).status).toBe(202)
    expect(await shotsOf(coach, playerId)).toEqual([ball])
    const { rows } = readShotTable((await coach.get<string>(`/api/players/${playerId}/shots.csv`)).body)
    expect(rows[0]).toMatchObject({ strike: 'flyer', said: ball.taken })
  })
})
