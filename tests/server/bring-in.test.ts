import { unzipSync } from 'fflate'
import { beforeAll, describe, expect, it } from 'vitest'
import type { BroughtIn } from '../../shared/player-file'
import type { PlayerFile } from '../../shared/schemas/player-file'
import type { PlayerLine } from '../../shared/player'
import { atTheRange, newCoach, newId, refusal, type Client } from './client'
import { playerFile } from './player-file'
import { aBall, aGo, aHomework } from './practice-records'

interface ChartFile {
  cells: { club: string; swing: string; carryM?: number }[]
}
const unzipped = (bytes: ArrayBuffer) => unzipSync(new Uint8Array(bytes))
const recordIn = (parts: Record<string, Uint8Array>) =>
  JSON.parse(new TextDecoder().decode(parts['record.json'])) as PlayerFile
const recordOf = async (coach: Client, playerId: string) =>
  recordIn(unzipped(await coach.bytes(`/api/players/${playerId}/all.zip`)))
const bring = (coach: Client, file: object) => coach.post<BroughtIn>('/api/players/bring-in', file)

/** Ids as the order in which they first come: two records that say the same are the same then. */
function withoutIds(record: PlayerFile): unknown {
  const seen = new Map<string, string>()
  // Who had the player, and how often it was changed, is another academy's own.
  const { player, ...rest } = record
  const { name, level, hand, note, thresholds } = player
  return JSON.parse(
    JSON.stringify({ player: { name, level, hand, note, thresholds }, ...rest }).replace(
      /[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g,
      id => seen.get(id) ?? seen.set(id, `id ${seen.size}`).get(id)!,
    ),
  )
}

/** A player with something of every kind on record. */
async function wholePlayer(coach: Client) {
  const at = await atTheRange(coach)
  const { playerId, bag, shot } = at
  const cell = { clubId: bag.clubs[0]!.id, rungId: bag.scale.rungs[1]!.id }
  const path = `/api/players/${playerId}`
  const well = async (reply: Promise<{ status: number; body: unknown }>) => {
    const { status, body } = await reply
    expect(status, JSON.stringify(body)).toBeLessThan(300)
  }
  const balls = [70, 72, 69, 74].map((yd, i) =>
    shot({ ...cell, carryM: yd * 0.9144, hitAtMs: Date.now() - 60_000 + i, taken: { marks: ['wind up'] } }),
  )
  const readings = { ballSpeedMs: 31.5, spinRpm: 8300 }
  await well(at.log(...balls, shot({ readings, strike: 'thin', leftOut: 'phone rang' }), shot({ balls: 9 })))
  const said = { id: newId(), ...cell, why: '', saidAtMs: Date.now(), holds: true }
  await well(coach.post(`${path}/words`, { ...said, kind: 'written', carryM: 66, why: 'By the book.' }))
  await well(coach.post(`${path}/words`, { ...said, id: newId(), kind: 'believed', carryM: 64, carryToM: 70 }))
  const go = aGo({ balls: [aBall({ ...cell, endM: 52 })], endedAtMs: Date.now() })
  await well(coach.put(`${path}/goes/${go.id}`, go))
  const homework = aHomework()
  await well(coach.put(`${path}/homework/${homework.id}`, homework))
  const approach = { id: newId(), chance: true, distanceM: 80, offM: -6, version: 1, ...cell }
  const round = { name: 'Home', kind: 'casual', playedAtMs: Date.now() - 9e7, approaches: [approach], gone: false }
  const roundId = newId()
  await well(coach.put(`${path}/rounds/${roundId}`, { id: roundId, version: 1, ...round }))
  await well(coach.post(`${path}/published`, { id: newId(), unit: 'yd', note: 'The first', which: 'all' }))
  const club = { id: bag.clubs[0]!.id, from: bag.clubs[0]!.id, label: '57°', loftDeg: 57 }
  const body = { clubs: [club], rungs: [cell.rungId], newRungs: [], struckOut: [], moved: [] }
  await well(coach.post(`${path}/what-ifs`, { id: newId(), name: 'One degree', body }))
  return at
}

describe('a player of another academy', () => {
  let from: Client
  let to: Client
  let playerId: string
  let record: PlayerFile
  let here: BroughtIn
  beforeAll(async () => {
    ;[from, to] = [await newCoach('Ada Vane'), await newCoach('Jo Fenn')]
    playerId = (await wholePlayer(from)).playerId
    record = await recordOf(from, playerId)
    here = (await bring(to, record)).body
  })

  it('is whole there: every ball, remark, go, round, chart and kept bag, under ids of their own', async () => {
    expect(here).toMatchObject({ name: 'Pip Marlow', balls: 14 })
    const there = await recordOf(to, here.id)
    expect(withoutIds(there)).toEqual(withoutIds(record))
    for (const part of ['shots', 'remarks', 'goes', 'homework', 'rounds', 'published', 'whatIfs'] as const)
      expect(there[part].length, part).toBeGreaterThan(0)
    const ids = (of: PlayerFile) => [...of.shots, ...of.sessions, ...of.goes, ...of.rounds].map(({ id }) => id)
    expect(ids(there).filter(id => ids(record).includes(id))).toEqual([])
  })

  it('has the same numbers there, and is nobody else’s', async () => {
    const chart = async (coach: Client, id: string) =>
      (await coach.get<ChartFile>(`/api/players/${id}/chart.json`)).body
    const carries = ({ cells }: ChartFile) => cells.map(({ club, swing, carryM }) => [club, swing, carryM])
    expect(carries(await chart(to, here.id))).toEqual(carries(await chart(from, playerId)))
    expect((await from.get(`/api/players/${here.id}`)).status).toBe(404)
    expect((await to.get(`/api/players/${playerId}`)).status).toBe(404)
    const history = await to.get<{ lines: { kind: string }[] }>(`/api/players/${here.id}/history`)
    expect(JSON.stringify(history.body)).toContain('brought-in')
  })

  it('that holds a ball twice is refused by its own fault, not as somebody else’s', async () => {
    const twice = { ...record, shots: [...record.shots, record.shots[0]!] }
    const reply = await bring(await newCoach(), twice)
    expect([reply.status, refusal(reply)]).toEqual([
      422,
      {
        [`shots.${record.shots.length}.id`]: expect.stringContaining('stands twice in this file') as string,
      },
    ])
  })

  it('brought in again is known, whether it stands in the list or in the archive', async () => {
    const again = await bring(to, record)
    expect([again.status, refusal(again)]).toEqual([
      409,
      { player: 'Pip Marlow is here already: this record was brought in before.' },
    ])
    const { version } = (await to.get<PlayerLine[]>('/api/players')).body.find(({ id }) => id === here.id)!
    await to.patch(`/api/players/${here.id}`, { version, archived: true })
    expect(refusal(await bring(to, record)).player).toBe(
      'Pip Marlow is here already, in the archive: this record was brought in before.',
    )
  })

  it('comes in as somebody new beside the one of before in the same academy', async () => {
    const copy = await bring(from, record)
    expect(copy.status).toBe(201)
    expect(copy.body.id).not.toBe(playerId)
  })

  it.each<[string, (file: PlayerFile) => object, RegExp]>([
    ['a ball of a session that is not in it', file => ({ ...file, sessions: [] }), /shots\.0 names what is not/],
    ['a ball that no club carries', file => ({ ...file, shots: [{ ...file.shots[0], carryM: 9000 }] }), /Carry 9000 m/],
    ['two charts of one number', f => ({ ...f, published: [...f.published, ...f.published] }), /the same number/],
    ['a chart with a figure of text', f => ({ ...f, published: [{ ...f.published[0], cells: [{}] }] }), /.+/],
    ['another format', file => ({ ...file, format: 'uzzet-bag' }), /no file of ours/],
    ['a version to come', file => ({ ...file, version: 2 }), /newer program/],
    ['no player', () => ({ format: 'uzzet-record' }), /holds no player/],
  ])('with %s is refused with words, and nothing of it stays', async (_, change, why) => {
    const other = await newCoach()
    const reply = await bring(other, change(record))
    expect([reply.status, JSON.stringify(refusal(reply))]).toEqual([422, expect.stringMatching(why)])
    expect((await other.get<PlayerLine[]>('/api/players')).body).toEqual([])
    // And what was wrong is no bar to the right file.
    expect((await bring(other, record)).status).toBe(201)
  })

  it('is refused by the place of the ball in the file, however far down', async () => {
    const shots = Array.from({ length: 502 }, () => ({ ...record.shots[0]!, id: newId() }))
    const bad = { ...record, shots: shots.map((shot, i) => (i === 501 ? { ...shot, carryM: -1 } : shot)) }
    expect(Object.keys(refusal(await bring(await newCoach(), bad)))).toEqual(['shots.501.carryM'])
  })

  it('with a name of half a megabyte, or two levels of a thousand brackets, is refused', async () => {
    const name = 'x'.repeat(500_000)
    expect((await bring(to, playerFile({ player: { ...playerFile().player, name } }))).status).toBe(422)
    const deep = `{"player":{"id":"${newId()}"},"shots":${'['.repeat(1000)}${']'.repeat(1000)}}`
    expect((await to.send('POST', '/api/players/bring-in', deep)).status).toBe(422)
  })
})

describe('a whole academy', () => {
  it('goes into one file, and comes out of it elsewhere with its ranges, drills and players', async () => {
    const from = await newCoach()
    const at = await wholePlayer(from)
    const range = { name: 'North range', altitudeM: 20, bearingDeg: 30, firmness: 'soft', targets: [], archived: false }
    const rangeId = newId()
    expect((await from.put(`/api/ranges/${rangeId}`, { id: rangeId, version: 1, ...range })).status).toBe(200)
    const drill = { id: newId(), name: 'Ours', spec: aGo().spec }
    expect((await from.put(`/api/drills/${drill.id}`, drill)).status).toBeLessThan(300)
    await from.patch('/api/academy', { thresholds: { leaveM: 7 } })
    await from.post('/api/players', { id: newId(), name: 'Bo Larch', level: 'good', note: '' })

    const parts = unzipped(await from.bytes('/api/academy/all.zip'))
    const names = Object.keys(parts).sort()
    expect(names).toEqual(['about.txt', 'academy.json', expect.stringMatching(/^players\/bo-larch/), names[3]])
    const to = await newCoach()
    const academy = JSON.parse(new TextDecoder().decode(parts['academy.json'])) as object
    expect((await to.post('/api/academy/bring-in', academy)).body).toEqual({ ranges: 1, drills: 1 })
    expect((await to.post('/api/academy/bring-in', academy)).body).toEqual({ ranges: 0, drills: 0 })
    for (const name of names.slice(2)) expect((await bring(to, recordIn(unzipSync(parts[name]!)))).status).toBe(201)
    const lines = (await to.get<PlayerLine[]>('/api/players')).body
    expect(lines.map(({ name, balls }) => [name, balls])).toEqual([
      ['Bo Larch', 0],
      ['Pip Marlow', 14],
    ])
    expect((await to.get<{ name: string }[]>('/api/ranges')).body.map(({ name }) => name)).toContain('North range')
    const { academyThresholds } = (await to.get<{ academyThresholds: object }>(`/api/players/${lines[0]!.id}`)).body
    expect(academyThresholds).toEqual({ leaveM: 7 })
    // Where somebody is judged already, another academy's figures change no verdict.
    const other = await newCoach()
    await atTheRange(other)
    await other.post('/api/academy/bring-in', academy)
    const [line] = (await other.get<PlayerLine[]>('/api/players')).body
    const kept = (await other.get<{ academyThresholds: object }>(`/api/players/${line!.id}`)).body.academyThresholds
    expect(kept).toEqual({})
    expect(at.playerId).not.toBe(lines[1]!.id)
  })
})
