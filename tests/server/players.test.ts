import mysql from 'mysql2/promise'
import { describe, expect, inject, it, vi } from 'vitest'
import { readShotTable } from '../../core/files/shot-table'
import type { Player, PlayerLine } from '../../shared/player'
import type { PlayerRecord } from '../../shared/record'
import { aBag, atTheRange, newCoach, newId, newPlayer, refusal, type Reply } from './client'

type Saved = Pick<PlayerRecord, 'bag' | 'bagVersion'>

const WAIT = { timeout: 60_000, interval: 100 }

describe('players', () => {
  it('are listed by name with what is known of each', async () => {
    const coach = await newCoach()
    await newPlayer(coach, 'Zoe Tarn')
    const { log, shot } = await atTheRange(coach)
    await log(shot(), shot({ balls: 4 }), shot({ deleted: true }))
    const { body } = await coach.get<PlayerLine[]>('/api/players')
    expect(body.map(p => [p.name, p.clubs, p.school, p.balls])).toEqual([
      ['Pip Marlow', 2, 'clock', 5],
      ['Zoe Tarn', 0, null, 0],
    ])
    expect(Math.abs(body[0]!.lastHitMs! - Date.now())).toBeLessThan(60_000)
  })

  it('come in pages of 250, each once, in the order of their names, and of no other academy', async () => {
    const coach = await newCoach()
    // Alike but for accents and capitals, and alike altogether: places between pages are told apart by their ids.
    const names = ['Ana Loch', 'ána loch', 'Ana Loch', 'Ben Brae', 'Öla Kyle']
    const ids: string[] = []
    while (ids.length < 505) ids.push(...(await Promise.all(names.map(name => newPlayer(coach, name)))))
    const listed: string[] = []
    const sizes: number[] = []
    let path: string | undefined = '/api/players'
    while (path) {
      const { body, headers }: Reply<PlayerLine[]> = await coach.get<PlayerLine[]>(path)
      sizes.push(body.length)
      listed.push(...body.map(({ id }) => id))
      path = /^<([^>]+)>; rel="next"$/.exec(headers.get('link') ?? '')?.[1]
    }
    expect(sizes).toEqual([250, 250, 5])
    expect(new Set(listed)).toEqual(new Set(ids))
    const other = await newCoach()
    const theirs = await newPlayer(other)
    expect((await other.get<PlayerLine[]>(`/api/players?after=${ids[3]}`)).body.map(({ id }) => id)).toEqual([theirs])
    expect((await other.get('/api/players?after=everybody')).status).toBe(422)
  })

  it('are told their balls without counting them again, until one is changed or goes with its session', async () => {
    const coach = await newCoach()
    const { playerId, log, shot, session } = await atTheRange(coach)
    const other = await atTheRange(coach)
    const balls = async () =>
      Object.fromEntries((await coach.get<PlayerLine[]>('/api/players')).body.map(line => [line.id, line.balls]))
    const both = (mine: number, theirs: number) => ({ [playerId]: mine, [other.playerId]: theirs })
    const first = shot()
    await log(first, shot({ balls: 4 }))
    await other.log(other.shot())
    const connection = await mysql.createConnection(inject('databaseUrl'))
    // As if two minutes had gone by: then a count is kept.
    const settle = () =>
      connection.query('update shots set changed_at = changed_at - interval 2 minute where player_id in (?)', [
        [playerId, other.playerId],
      ])
    const kept = async () => {
      const [rows] = await connection.query('select shot_count as kept from players where id = ?', [playerId])
      return (rows as { kept: { balls: number } | null }[])[0]!.kept
    }
    expect([await balls(), await kept()]).toEqual([both(5, 1), null])
    await settle()
    expect(await balls()).toEqual(both(5, 1))
    expect(await kept()).toMatchObject({ balls: 5 })
    // What is kept is what is told: nobody counts.
    await connection.query("update players set shot_count = json_set(shot_count, '$.balls', 99) where id = ?", [
      playerId,
    ])
    expect(await balls()).toEqual(both(99, 1))
    await log({ ...first, deleted: true, version: 2 })
    expect(await balls()).toEqual(both(4, 1))
    await settle()
    expect(await balls()).toEqual(both(4, 1))
    const path = `/api/players/${playerId}/sessions/${session.id}/move`
    expect((await coach.post(path, { toPlayerId: other.playerId })).status).toBe(200)
    await settle()
    expect(await balls()).toEqual(both(0, 5))
    await connection.end()
  })

  it('tell how far the chart is, anew after a ball, a change and a deletion', async () => {
    const coach = await newCoach()
    const { playerId, log, shot, session } = await atTheRange(coach)
    const summary = async () => (await coach.get<PlayerLine[]>('/api/players')).body[0]!.summary
    expect(await summary()).toBeNull()
    // The list does not wait for long: what is not worked out yet is told at the next look.
    const tells = (wanted: object) =>
      vi.waitFor(async () => {
        const told = await summary()
        expect(told).toMatchObject(wanted)
        return told!
      }, WAIT)
    const ball = shot()
    await log(ball)
    const first = await tells({ hit: 1, inUse: 4, goodEnough: false, flags: 0 })
    expect(first.retestDueMs! - Date.now()).toBeGreaterThan(13 * 86_400_000)
    await log({ ...ball, leftOut: 'thin', version: 2 })
    await tells({ hit: 0, retestDueMs: null })
    await coach.patch(`/api/players/${playerId}`, { version: 1, thresholds: { withinM: 18 } })
    await log({ ...ball, version: 3 })
    const sure = (await tells({ hit: 1, withinM: 18 })).cellsWithin
    const air = {
      fromMs: session.startedAtMs,
      tempC: 20,
      humidity: 0.5,
      altitudeM: 0,
      qnhPa: null,
      wind: { speedMs: 15, clock: 12, judged: 'felt' },
      ground: 'open',
    }
    await coach.put(`/api/players/${playerId}/sessions/${session.id}`, { ...session, air: [air], version: 2 })
    // A storm: the ball is kept and does not count.
    await tells({ hit: 0 })
    await coach.put(`/api/players/${playerId}/sessions/${session.id}`, { ...session, version: 3 })
    await tells({ hit: 1, cellsWithin: sure })
    await log({ ...ball, deleted: true, version: 4 })
    await tells({ hit: 0 })
  })

  it("give the open chart file, in which the coach's word about a strike counts", async () => {
    const coach = await newCoach()
    const { playerId, log, shot } = await atTheRange(coach)
    await log(
      ...[90, 91, 92, 90, 91].map((yd, i) => shot({ carryM: yd * 0.9144, hitAtMs: Date.now() - 60_000 + i })),
      shot({ carryM: 62, strike: 'heavy' }),
    )
    const { body } = await coach.get<{
      cells: { kind: string; club: string; carryM: number; balls: number }[]
      next: { why: string }[]
    }>(`/api/players/${playerId}/chart.json`)
    expect(body.cells[0]).toMatchObject({ kind: 'measured', club: '56°', balls: 6 })
    expect(Math.abs(body.cells[0]!.carryM / 0.9144 - 90.8)).toBeLessThan(1)
    expect(body.next[0]!.why).toMatch(/^Nothing else tells you more/)
    const table = readShotTable((await coach.get<string>(`/api/players/${playerId}/shots.csv`)).body)
    expect(table.rows.map(row => row.strike)).toEqual([null, null, null, null, null, 'heavy'])
  })

  it('sent twice are there once', async () => {
    const coach = await newCoach()
    const player = { id: newId(), name: 'Pip', level: 'good', note: '' }
    expect([
      (await coach.post('/api/players', player)).status,
      (await coach.post('/api/players', player)).status,
    ]).toEqual([201, 201])
    expect((await coach.get<PlayerLine[]>('/api/players')).body).toHaveLength(1)
  })

  it('play with the right hand unless it is said, and have goals that a ball can meet', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    const read = async () => (await coach.get<PlayerRecord>(`/api/players/${id}`)).body.player
    expect((await read()).hand).toBe('right')
    const goals = [{ clubId: newId(), rungId: newId(), launchDeg: [28, 32], spinRpm: [8000, 9500] }]
    const path = `/api/players/${id}`
    expect((await coach.patch(path, { version: 1, hand: 'left', thresholds: { goals } })).status).toBe(200)
    expect(await read()).toMatchObject({ hand: 'left', thresholds: { goals } })
    const refused = await coach.patch(path, { version: 2, hand: 'both' })
    expect([refused.status, refusal(refused).hand]).toEqual([422, expect.stringContaining('both')])
    const turned = [{ ...goals[0], launchDeg: [32, 28] }]
    expect((await coach.patch(path, { version: 2, thresholds: { goals: turned } })).status).toBe(422)
    expect(await read()).toMatchObject({ hand: 'left', thresholds: { goals } })
  })

  it('with an id of another academy are refused without telling whose it is', async () => {
    const [one, two] = [await newCoach(), await newCoach()]
    const id = await newPlayer(one)
    const reply = await two.post('/api/players', { id, name: 'Mine', level: 'unknown', note: '' })
    expect([reply.status, refusal(reply).id]).toEqual([409, 'This id is taken.'])
  })

  it('keep names with script as the text they are', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach, '<script>alert(1)</script>')
    expect((await coach.get<PlayerRecord>(`/api/players/${id}`)).body.player.name).toBe('<script>alert(1)</script>')
    const file = await coach.get(`/api/players/${id}/shots.csv`)
    expect(file.headers.get('content-disposition')).toBe(
      'attachment; filename="script-alert-1-script-shots.csv"; filename*=UTF-8\'\'script-alert-1-script-shots.csv',
    )
  })

  it('are archived and brought back, and lose nothing by it', async () => {
    const coach = await newCoach()
    const { playerId, log, shot } = await atTheRange(coach)
    await log(shot())
    const archived = await coach.patch<Player>(`/api/players/${playerId}`, { version: 1, archived: true })
    expect(archived.body).toMatchObject({ archived: true, version: 2 })
    expect((await coach.patch<Player>(`/api/players/${playerId}`, { version: 2, archived: false })).body.archived).toBe(
      false,
    )
    expect((await coach.get<PlayerRecord>(`/api/players/${playerId}`)).body.shots.id).toHaveLength(1)
  })

  it('changed from a stale page are refused with the newest state, and nothing is half written', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    await coach.patch(`/api/players/${id}`, { version: 1, name: 'First' })
    const stale = await coach.patch<{ data: { current: Player } }>(`/api/players/${id}`, {
      version: 1,
      name: 'Second',
      note: 'x',
    })
    expect(stale.status).toBe(409)
    expect(refusal(stale).version).toMatch(/First was changed on another page/)
    expect(stale.body.data.current).toMatchObject({ name: 'First', version: 2 })
    expect((await coach.get<PlayerRecord>(`/api/players/${id}`)).body.player).toMatchObject({ name: 'First', note: '' })
  })

  it('keep their own flag thresholds within bounds', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    expect(
      (await coach.patch<Player>(`/api/players/${id}`, { version: 1, thresholds: { widestStepM: 9 } })).body.thresholds,
    ).toEqual({ widestStepM: 9 })
    expect(
      refusal(await coach.patch(`/api/players/${id}`, { version: 2, thresholds: { widestStepM: 0 } }))[
        'thresholds.widestStepM'
      ],
    ).toMatch(/0 m is not possible/)
  })
})

describe('the bag', () => {
  it('is saved whole, in its order, with flights, shares, foreign schools and struck-out cells', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    const bag = aBag()
    bag.scale.rungs.splice(1, 0, { id: newId(), label: '9:00', cue: 'low', flight: 'low', retired: false }, {
      id: newId(),
      label: 'belt',
      cue: '',
      flight: 'normal',
      retired: false,
      school: 'body',
      fraction: 0.52,
    } as never)
    bag.struckOut.push({ clubId: bag.clubs[0]!.id, rungId: bag.scale.rungs[3]!.id })
    const { status, body } = await coach.put<Saved>(`/api/players/${id}/bag`, bag)
    expect([status, body.bagVersion]).toEqual([200, 2])
    const record = (await coach.get<PlayerRecord>(`/api/players/${id}`)).body
    expect(record.bag).toEqual({ clubs: bag.clubs, scale: bag.scale, struckOut: bag.struckOut })
  })

  it('from a stale page is refused with the newest one, and the newest one stays', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    const first = aBag()
    await coach.put(`/api/players/${id}/bag`, first)
    const stale = await coach.put<{ data: { current: Saved } }>(`/api/players/${id}/bag`, aBag(1))
    expect([stale.status, Object.keys(refusal(stale))]).toEqual([409, ['version']])
    expect(stale.body.data.current).toMatchObject({ bagVersion: 2, bag: { clubs: first.clubs } })
  })

  it('of two writers at once keeps one of them whole', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    const bags = Array.from({ length: 6 }, () => aBag())
    const replies = await Promise.all(bags.map(bag => coach.put(`/api/players/${id}/bag`, bag)))
    expect(replies.map(r => r.status).sort()).toEqual([200, 409, 409, 409, 409, 409])
    const winner = bags[replies.findIndex(r => r.status === 200)]!
    expect((await coach.get<PlayerRecord>(`/api/players/${id}`)).body.bag.clubs).toEqual(winner.clubs)
  })

  it('cannot lose a club or swing length that has shots: it is retired, and its shots stay', async () => {
    const coach = await newCoach()
    const { playerId, bag, log, shot } = await atTheRange(coach)
    await log(shot())
    const { body } = await coach.put<Saved>(`/api/players/${playerId}/bag`, {
      ...bag,
      version: 2,
      clubs: [],
      scale: { ...bag.scale, rungs: [] },
    })
    expect(body.bag.clubs.map(c => [c.label, c.retired])).toEqual([['56°', true]])
    expect(body.bag.scale.rungs.map(r => [r.label, r.retired])).toEqual([['9:00', true]])
    expect((await coach.get<PlayerRecord>(`/api/players/${playerId}`)).body.shots.id).toHaveLength(1)
  })

  it("with ids of another player's clubs is refused and changes neither bag", async () => {
    const coach = await newCoach()
    const [one, two] = [await newPlayer(coach, 'One'), await newPlayer(coach, 'Two')]
    const bag = aBag()
    await coach.put(`/api/players/${one}/bag`, bag)
    const reply = await coach.put(`/api/players/${two}/bag`, {
      ...bag,
      clubs: bag.clubs.map(c => ({ ...c, label: `x${c.label}` })),
    })
    expect(reply.status).toBe(409)
    expect((await coach.get<PlayerRecord>(`/api/players/${one}`)).body.bag.clubs.map(c => c.label)).toEqual([
      '56°',
      '50°',
    ])
    expect((await coach.get<PlayerRecord>(`/api/players/${two}`)).body).toMatchObject({
      bagVersion: 1,
      bag: { clubs: [], scale: { rungs: [] } },
    })
  })

  it('with one bad field is refused whole, the field named', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    const bag = aBag()
    bag.clubs[1]!.loftDeg = 95
    bag.scale.rungs[1]!.label = '9:00'
    const reply = await coach.put(`/api/players/${id}/bag`, bag)
    expect(reply.status).toBe(422)
    expect(Object.keys(refusal(reply)).sort()).toEqual(['clubs.1.loftDeg', 'scale.rungs.1.label'])
    expect((await coach.get<PlayerRecord>(`/api/players/${id}`)).body.bag.clubs).toEqual([])
  })

  it('goes out as the open bag file', async () => {
    const coach = await newCoach()
    const { playerId } = await atTheRange(coach)
    const reply = await coach.get<object>(`/api/players/${playerId}/bag.json`)
    expect(reply.body).toMatchObject({
      format: 'uzzet-bag',
      version: 1,
      player: 'Pip Marlow',
      clubs: [
        { label: '56°', name: 'sand wedge', loftDeg: 56 },
        { label: '50°', loftDeg: 50 },
      ],
    })
  })
})
