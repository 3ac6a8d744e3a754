import { setTimeout as wait } from 'node:timers/promises'
import { beforeAll, describe, expect, inject, it } from 'vitest'
import mysql from 'mysql2/promise'
import type { Device, DeviceBallsWaiting, LiveMessage, MadeDevice, TakenShots } from '../../shared/device'
import type { MadeLink } from '../../shared/player-link'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import { LINK_STRENGTHS, USUAL_PLAN } from '../../shared/choices'
import { atTheRange, Client, joined, newCoach, newId, refusal, type Reply } from './client'

/** A device as it comes over the wire: a token and nothing else. */
async function makeDevice(coach: Client, name = 'Bay 3') {
  const { body, status } = await coach.post<MadeDevice>('/api/devices', { id: newId(), name })
  expect(status).toBe(201)
  const door = new Client()
  const send = (shots: unknown, headers: Record<string, string> = {}) =>
    door.send<TakenShots>('POST', '/api/ingest/shots', shots, { authorization: `Bearer ${body.token}`, ...headers })
  return { ...body, send }
}
const sent = (change: object = {}) => ({ id: newId(), carry_yd: 72, ...change })

async function listening(coach?: Client) {
  const owner = coach ?? (await newCoach())
  const at = await atTheRange(owner)
  const device = await makeDevice(owner)
  const cell = {
    playerId: at.playerId,
    sessionId: at.session.id,
    clubId: at.bag.clubs[0]!.id,
    rungId: at.bag.scale.rungs[0]!.id,
  }
  const aim = (to: object | null, fromMs = Date.now()) =>
    owner.put<Device>(`/api/devices/${device.id}/aim`, { at: to, fromMs, sentAtMs: Date.now() })
  await aim(cell)
  const shots = async () => fromColumns((await owner.get<PlayerRecord>(`/api/players/${at.playerId}`)).body.shots)
  return { owner, at, device, cell, aim, shots }
}

describe('a device token', () => {
  it('is shown once, kept as a hash alone, and opens nothing once it is revoked', async () => {
    const coach = await newCoach()
    const device = await makeDevice(coach, 'Bay 4')
    expect(device.token).toMatch(/^uzzet_[\w-]{32}$/)
    const listed = await coach.get<Device[]>('/api/devices')
    expect(listed.body).toMatchObject([{ id: device.id, name: 'Bay 4', heardAtMs: null, sessionId: null }])
    expect(JSON.stringify(listed.body)).not.toContain(device.token.slice(6))
    expect((await device.send([])).body).toEqual({ taken: [], asked: null })
    expect((await coach.get<Device[]>('/api/devices')).body[0]!.heardAtMs).toBeGreaterThan(Date.now() - 60_000)
    expect((await coach.send('DELETE', `/api/devices/${device.id}`)).status).toBe(200)
    expect((await device.send([])).status).toBe(401)
    expect((await coach.get<Device[]>('/api/devices')).body).toEqual([])
    expect((await coach.send('DELETE', `/api/devices/${device.id}`)).status).toBe(404)
    // The same id again cannot bring its token back.
    expect((await coach.post('/api/devices', { id: device.id, name: 'Again' })).status).toBe(409)
    expect(refusal(await coach.post('/api/devices', { id: newId(), name: '' }))).toEqual({
      name: 'Name is empty: give 1 to 80 characters.',
    })
  })

  it("missing, guessed and revoked are answered alike, and a coach's cookie is no token", async () => {
    const coach = await newCoach()
    const device = await makeDevice(coach)
    await coach.send('DELETE', `/api/devices/${device.id}`)
    const replies = [
      await new Client().post('/api/ingest/shots', []),
      await coach.post('/api/ingest/shots', []),
      await device.send([]),
      await device.send([], { authorization: 'Bearer uzzet_guessed' }),
      await device.send([], { authorization: 'Basic abc' }),
    ]
    expect(new Set(replies.map(reply => reply.status))).toEqual(new Set([401]))
    expect(new Set(replies.map(reply => (reply.body as unknown as { message: string }).message)).size).toBe(1)
  })

  it('belongs to its coach: others can neither see, aim nor revoke it', async () => {
    const { device, cell } = await listening()
    const stranger = await newCoach()
    const theirs = await atTheRange(stranger)
    expect(
      (await stranger.put(`/api/devices/${device.id}/aim`, { at: null, fromMs: Date.now(), sentAtMs: Date.now() }))
        .status,
    ).toBe(404)
    expect((await stranger.send('DELETE', `/api/devices/${device.id}`)).status).toBe(404)
    // Nor may a coach aim an own device at another academy's player, or mix players.
    const own = await makeDevice(stranger)
    const aim = (at: object) =>
      stranger.put(`/api/devices/${own.id}/aim`, { at, fromMs: Date.now(), sentAtMs: Date.now() })
    expect((await aim(cell)).status).toBe(404)
    expect(refusal(await aim({ ...cell, playerId: theirs.playerId, sessionId: theirs.session.id }))).toMatchObject({
      clubId: "This club is not in the player's bag.",
    })
  })
})

describe('the open door', () => {
  it('takes balls in the columns of the table, with what is chosen on the screen, and says what that is', async () => {
    const { device, cell, shots } = await listening()
    const shot = sent({
      carry_yd: 70.5,
      side_yd: -2,
      ball_speed_mph: 70,
      launch_deg: 29.5,
      spin_rpm: 8150,
      club_speed_mph: 62,
      wobble: 3,
    })
    const reply = await device.send(shot)
    expect(reply.status).toBe(202)
    expect(reply.body).toEqual({
      taken: [shot.id],
      asked: { club: '56°', swing: '9:00', loft_deg: 56, share: expect.closeTo(0.73, 1) as number },
    })
    expect(await shots()).toMatchObject([
      {
        id: shot.id,
        clubId: cell.clubId,
        rungId: cell.rungId,
        sessionId: cell.sessionId,
        method: 'monitor',
        balls: 1,
        carryM: 70.5 * 0.9144,
        readings: { sideM: -1.8288, spinRpm: 8150, launchDeg: 29.5 },
        version: 1,
      },
    ])
  })

  it('knows how high a ball pitched on a range that rises to the target, and believes a device that worked its carry out', async () => {
    const { owner, at, device, shots } = await listening()
    const [range, green] = [newId(), newId()]
    await owner.put(`/api/ranges/${range}`, {
      id: range,
      name: 'Hill',
      altitudeM: 0,
      bearingDeg: null,
      firmness: 'soft',
      archived: false,
      version: 1,
      targets: [{ id: green, name: 'top green', kind: 'green', distanceM: 100, heightM: 5, rightDeg: 0 }],
    })
    const put = await owner.put(`/api/players/${at.playerId}/sessions/${at.session.id}`, {
      ...at.session,
      plan: { ...USUAL_PLAN, rangeId: range, targetId: green },
      version: 2,
    })
    expect(put.status).toBe(200)
    await device.send(
      [{ carry_m: 80 }, { carry_m: 81, carry_basis: 'computed' }, { carry_m: 82, height_m: -1 }].map(ball =>
        sent({ carry_yd: undefined, ...ball }),
      ),
    )
    expect((await shots()).sort((a, b) => a.carryM - b.carryM).map(shot => shot.taken?.heightM)).toEqual([
      4,
      undefined,
      -1,
    ])
  })

  it('takes the same ball twice as one, also after the coach has changed it and the session is over', async () => {
    const { owner, at, device, shots } = await listening()
    const shot = sent()
    await device.send([shot, shot])
    const [there] = await shots()
    await owner.post(`/api/players/${at.playerId}/shots`, { shots: [{ ...there, carryM: 60, version: 2 }] })
    await owner.put(`/api/players/${at.playerId}/sessions/${at.session.id}`, {
      ...at.session,
      endedAtMs: Date.now(),
      version: 2,
    })
    expect((await device.send(shot)).body).toMatchObject({ taken: [shot.id], asked: null })
    expect(await shots()).toMatchObject([{ id: shot.id, carryM: 60, version: 2 }])
    // A new one finds nobody listening.
    expect(refusal(await device.send(sent()))).toEqual({ time: 'No session was listening then.' })
  })

  it('puts a late ball where it belongs, also from a clock that is hours off', async () => {
    const { at, device, cell, aim, shots } = await listening()
    await wait(30)
    const hitAtMs = Date.now()
    await wait(30)
    await aim({ ...cell, clubId: at.bag.clubs[1]!.id })
    await wait(20)
    const off = -3 * 3_600_000
    const late = [sent({ time: new Date(hitAtMs).toISOString() }), sent()]
    for (const shot of late) expect((await device.send(shot)).status).toBe(202)
    const where = new Map((await shots()).map(shot => [shot.id, shot.clubId]))
    expect([where.get(late[0]!.id), where.get(late[1]!.id)]).toEqual([cell.clubId, at.bag.clubs[1]!.id])
    // The Date header counts in seconds: within a second of a change either is right.
    await aim(cell, Date.now() - 5000)
    const reply = await device.send(sent({ time: new Date(Date.now() - 3000 + off).toISOString() }), {
      date: new Date(Date.now() + off).toUTCString(),
    })
    expect(reply.status).toBe(202)
    const newest = (await shots()).filter(shot => ![...where.keys()].includes(shot.id))[0]!
    expect(Math.abs(newest.hitAtMs - (Date.now() - 3000))).toBeLessThan(600_000)
  })

  it('gives a ball without a time to what was chosen when it was hit: 200 balls with an early key, none stolen', async () => {
    const { at, device, cell, aim, shots } = await listening()
    const [first, second] = at.bag.clubs.map(club => club.id) as [string, string]
    // The screen has been on the first club for long; the next is chosen while the ball flies.
    await aim({ ...cell, clubId: first }, Date.now() - 60_000)
    await aim({ ...cell, clubId: second }, Date.now() - 800)
    const early = Array.from({ length: 200 }, (_, i) => sent({ carry_yd: 60 + (i % 20) }))
    for (let from = 0; from < early.length; from += 50)
      expect((await device.send(early.slice(from, from + 50))).status).toBe(202)
    const where = new Map((await shots()).map(shot => [shot.id, shot.clubId]))
    expect(early.filter(({ id }) => where.get(id) !== first)).toEqual([])
    // Chosen long enough before, the ball is the new one's.
    await aim({ ...cell, clubId: second }, Date.now() - 5000)
    const after = sent()
    await device.send(after)
    expect((await shots()).find(({ id }) => id === after.id)?.clubId).toBe(second)
  })

  it('keeps its balls of a warm-up apart', async () => {
    const { owner, at, device, shots } = await listening()
    const plan = { ...USUAL_PLAN, warmUp: true }
    const path = `/api/players/${at.playerId}/sessions/${at.session.id}`
    const version = (at.session as { version: number }).version
    expect((await owner.put(path, { ...at.session, plan, version: version + 1 })).status).toBeLessThan(300)
    await device.send(sent())
    expect((await shots()).map(shot => shot.leftOut)).toEqual(['warm-up'])
    await owner.put(path, { ...at.session, plan: { ...plan, warmUp: false }, version: version + 2 })
    await device.send(sent())
    expect((await shots()).map(shot => shot.leftOut).sort()).toEqual([null, 'warm-up'].sort())
  })

  it('sends nothing into a session that was given to another player', async () => {
    const { owner, at, device } = await listening()
    const other = await atTheRange(owner)
    await owner.put(`/api/players/${other.playerId}/bag`, { ...other.bag, version: 2 })
    expect(
      (await owner.post(`/api/players/${at.playerId}/sessions/${at.session.id}/move`, { toPlayerId: other.playerId }))
        .status,
    ).toBe(200)
    expect((await device.send(sent())).status).toBe(409)
  })

  it('believes a device that names club and swing, and names what the bag does not have', async () => {
    const { at, device, shots } = await listening()
    const shot = sent({ club: '50°', swing: 'Full' })
    await device.send(shot)
    expect(await shots()).toMatchObject([{ clubId: at.bag.clubs[1]!.id, rungId: at.bag.scale.rungs[1]!.id }])
    expect(refusal(await device.send([sent({ club: '5 iron' })]))).toEqual({
      '0.club': 'club: "5 iron" is not in the bag: 56°, 50°',
    })
  })

  it.each([
    ['spin of −5', { spin_rpm: -5 }, 'spin_rpm', 'spin_rpm: "-5" is not a number that makes 0 to 20000 rpm'],
    ['a carry of text', { carry_yd: 'far' }, 'carry_yd', 'carry_yd: "far" is not a number from 1 to 400'],
    ['no carry', { carry_yd: null }, 'carry_yd', 'carry_yd: "" is empty: a carry is required'],
    [
      'a time without zone',
      { time: '2026-05-04T17:30:00' },
      'time',
      'time: "2026-05-04T17:30:00" is not an ISO 8601 time with its zone, such as 2026-05-04T17:30:00Z',
    ],
    ['an id that is none', { id: 'seven' }, 'id', '"seven" is not an id: a UUID in lower case is needed.'],
    ['a list in a field', { spin_rpm: [1] }, 'spin_rpm', 'a list is not a figure or a short text.'],
  ])('refuses %s by name, and takes none of its lot', async (_, change, field, message) => {
    const { device, shots } = await listening()
    const reply = await device.send([sent(), sent(change)])
    expect([reply.status, refusal(reply)]).toEqual([422, { [`1.${field}`]: message }])
    expect(await shots()).toEqual([])
  })

  it('refuses what is no JSON, too many, and what is no shot', async () => {
    const { device } = await listening()
    expect(refusal(await device.send('{'))).toEqual({ body: 'What was sent is not JSON.' })
    expect((await device.send(Array.from({ length: 501 }, () => sent()))).status).toBe(413)
    expect((await device.send(7)).status).toBe(422)
    expect((await device.send(`[${'1'.repeat(3_000_000)}]`)).status).toBe(413)
    expect((await device.send(Array.from({ length: 500 }, () => sent()))).status).toBe(202)
  })
})

describe('the open session', () => {
  let range: Awaited<ReturnType<typeof listening>>
  beforeAll(async () => {
    range = await listening()
  })

  /** The messages of a live line until it is let go. */
  async function follow(coach: Client, playerId: string, sessionId: string) {
    const stop = new AbortController()
    const reply = await fetch(`${coach.url}/api/players/${playerId}/sessions/${sessionId}/live`, {
      headers: { cookie: coach.cookie },
      signal: stop.signal,
    })
    const heard: LiveMessage[] = []
    const reader = reply.body!.pipeThrough(new TextDecoderStream()).getReader()
    void (async () => {
      let text = ''
      for (;;) {
        const { done, value } = await reader.read().catch(() => ({ done: true, value: undefined }))
        if (done) return
        text += value
        const blocks = text.split('\n\n')
        text = blocks.pop()!
        for (const block of blocks)
          if (block.includes('event: balls')) heard.push(JSON.parse(/^data: (.*)$/m.exec(block)![1]!) as LiveMessage)
      }
    })()
    return { reply, heard, stop: () => stop.abort() }
  }

  it('hears each ball within a second, once, and each word of the device', async () => {
    const { owner, at, device } = range
    const line = await follow(owner, at.playerId, at.session.id)
    expect(line.reply.headers.get('content-type')).toContain('text/event-stream')
    const shot = sent({ spin_rpm: 8000 })
    await device.send(shot)
    await expect.poll(() => line.heard.length).toBe(1)
    expect(line.heard[0]).toMatchObject({
      deviceId: device.id,
      shots: [{ id: shot.id, readings: { spinRpm: 8000 }, sessionId: at.session.id }],
    })
    await device.send(shot)
    await device.send([])
    await expect.poll(() => line.heard.length).toBe(3)
    expect(line.heard.slice(1).flatMap(message => message.shots)).toEqual([])
    line.stop()
  })

  it('of another academy, or of none, is not there', async () => {
    const stranger = await newCoach()
    const path = (playerId: string, sessionId: string) => `/api/players/${playerId}/sessions/${sessionId}/live`
    const replies: Reply<unknown>[] = [
      await stranger.get(path(range.at.playerId, range.at.session.id)),
      await range.owner.get(path(range.at.playerId, newId())),
    ]
    expect(replies.map(reply => reply.status)).toEqual([404, 404])
  })
})

describe('a device whose player its coach sees no longer', () => {
  const waitingOf = async (coach: Client) => (await coach.get<DeviceBallsWaiting>('/api/devices/balls')).body

  it('has its balls wait with its own coach, nameless, until they are given to a player', async () => {
    const owner = await newCoach()
    const [bo, cy] = [await joined(owner, 'coach', 'Bo'), await joined(owner, 'coach', 'Cy')]
    const { at, device } = await listening(bo)
    const other = await atTheRange(bo)
    await device.send(sent())
    await owner.patch('/api/academy', { coachesSee: 'own' })
    const cyId = (await cy.get<{ id: string }>('/api/account')).body.id
    expect((await owner.patch(`/api/players/${at.playerId}`, { version: 1, coachId: cyId })).status).toBe(200)
    const stray = [sent({ carry_yd: 81, spin_rpm: 8200 }), sent({ carry_yd: 79 })]
    const reply = await device.send(stray)
    expect(reply).toMatchObject({ status: 202, body: { taken: stray.map(({ id }) => id), asked: null } })
    await device.send(stray[0])
    expect((await cy.get<PlayerRecord>(`/api/players/${at.playerId}`)).body.shots.id).toHaveLength(1)
    const waiting = await waitingOf(bo)
    expect(waiting).toMatchObject({ waiting: 2, balls: [{ device: 'Bay 3' }, { device: 'Bay 3' }] })
    expect(JSON.stringify(waiting)).not.toMatch(/Pip|Marlow/)
    expect(JSON.stringify(waiting)).not.toContain(at.playerId)
    expect([await waitingOf(cy), await waitingOf(owner)]).toEqual([
      { waiting: 0, balls: [] },
      { waiting: 0, balls: [] },
    ])

    const ids = stray.map(({ id }) => id)
    const [clubId, rungId] = [other.bag.clubs[0]!.id, other.bag.scale.rungs[0]!.id]
    const to = { playerId: other.playerId, clubId, rungId, ball: 'range' }
    const give = (client: Client, where: object | null) => client.post('/api/devices/balls', { ids, to: where })
    // Nobody else decides, nobody is given what the coach does not see, and clubs are the player's.
    expect((await give(cy, null)).status).toBe(200)
    expect((await give(bo, { ...to, playerId: at.playerId })).status).toBe(404)
    expect(refusal(await give(bo, { ...to, clubId: at.bag.clubs[0]!.id }))).toEqual({ 'to.clubId': 'Not in the bag.' })
    expect((await waitingOf(bo)).waiting).toBe(2)
    expect((await give(bo, to)).body).toEqual({ waiting: 0, balls: [] })
    const { body: record } = await bo.get<PlayerRecord>(`/api/players/${other.playerId}`)
    const given = fromColumns(record.shots)
    // Range balls fly shorter: which it was is asked, and kept.
    expect(record.sessions.find(({ id }) => id === given[0]!.sessionId)?.ball).toBe('range')
    expect(refusal(await give(bo, { ...to, ball: undefined }))).toHaveProperty(['to.ball'])
    expect(given).toMatchObject([
      { id: ids[0], clubId: to.clubId, rungId: to.rungId, readings: { spinRpm: 8200 } },
      { id: ids[1] },
    ])
    // Sent once more they are known.
    await device.send(stray)
    expect((await waitingOf(bo)).waiting).toBe(0)
  })

  it('has them wait while the player is archived, and the link opens nothing meanwhile', async () => {
    const { owner, at, device, shots } = await listening()
    const path = `/api/players/${at.playerId}`
    const { body: link } = await owner.post<MadeLink>(`${path}/links`, { id: newId(), strength: LINK_STRENGTHS[0] })
    const open = () => new Client().send('GET', '/api/link', undefined, { authorization: `Bearer ${link.token}` })
    expect((await open()).status).toBe(200)
    await owner.patch(path, { version: 1, archived: true })
    expect((await open()).status).toBe(401)
    const ball = sent()
    expect((await device.send(ball)).status).toBe(202)
    expect(await shots()).toEqual([])
    const [clubId, rungId] = [at.bag.clubs[0]!.id, at.bag.scale.rungs[0]!.id]
    const cell = { playerId: at.playerId, clubId, rungId, ball: 'own' }
    const give = () => owner.post('/api/devices/balls', { ids: [ball.id], to: cell })
    expect((await give()).status).toBe(422)
    await owner.patch(path, { version: 2, archived: false })
    expect((await open()).status).toBe(200)
    await device.send(sent())
    expect((await give()).status).toBe(200)
    expect(await shots()).toHaveLength(2)
  })

  it('has them wait for 30 days', async () => {
    const { owner, at, device } = await listening()
    await owner.patch(`/api/players/${at.playerId}`, { version: 1, archived: true })
    const [old, young] = [sent(), sent()]
    await device.send([old, young])
    const db = await mysql.createConnection(inject('databaseUrl'))
    await db.query('update device_balls set created_at = now(3) - interval 31 day where id = ?', [old.id])
    expect((await waitingOf(owner)).balls.map(({ id }) => id)).toEqual([young.id])
    await device.send(sent())
    const [rows] = await db.query('select id from device_balls where id = ?', [old.id])
    await db.end()
    expect(rows).toEqual([])
  })
})
