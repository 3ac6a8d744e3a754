import { unflatten } from 'devalue'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { makeCalibrator } from '../../app/calculation/workers/calibrator'
import type { CalibrationAnswer } from '../../app/calculation/workers/calibration-protocol'
import type { Calibration } from '../../core/calibration/calibration'
import { calibrationOptions, newestMethod, playerFacts } from '../../shared/calibration-input'
import type { PlayerLine } from '../../shared/player'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import { toSession, toShot } from '../../shared/session'
import type { KeptWhatIf } from '../../shared/what-if'
import type { LinkView, MadeLink } from '../../shared/player-link'
import { atTheRange, Client, newCoach, newId, refusal } from './client'

/** A player whose two clubs leave a hole between them: full carries of 70 and 110 yd, ten balls each. */
async function withAHole(coach: Client) {
  const at = await atTheRange(coach)
  const [shorter, longer] = at.bag.clubs
  await coach.put(`/api/players/${at.playerId}/bag`, {
    ...at.bag,
    version: 2,
    struckOut: at.bag.clubs.map(club => ({ clubId: club.id, rungId: at.bag.scale.rungs[0]!.id })),
  })
  const full = at.bag.scale.rungs[1]!.id
  const balls = (clubId: string, yd: number) =>
    [-3, -2, -1.5, -1, -0.5, 0.5, 1, 1.5, 2, 3].map((off, i) =>
      at.shot({ clubId, rungId: full, carryM: (yd + off) * 0.9144, hitAtMs: Date.now() - 60_000 + i }),
    )
  await at.log(...balls(shorter!.id, 70), ...balls(longer!.id, 110))
  return at
}
/** The list does not wait for long for what it tells of a player: asked again, it is there. */
const PATIENCE = { timeout: 30_000, interval: 100 }
const summaryOf = (coach: Client) =>
  vi.waitFor(async () => {
    const { summary } = (await coach.get<PlayerLine[]>('/api/players')).body[0]!
    expect(summary).not.toBeNull()
    return summary!
  }, PATIENCE)

describe('numbers worked out by the server', () => {
  it("are those of the coach's page, from the same record, and by which build and unit", async () => {
    const coach = await newCoach()
    const at = await withAHole(coach)
    const path = `/api/players/${at.playerId}`
    const flat = await coach.get<unknown[]>(`${path}/numbers`)
    const served = unflatten(flat.body) as { by: string; numbers: Calibration }
    expect(served.by).toMatch(/^\S+ yd$/)

    const record = (await coach.get<PlayerRecord>(path)).body
    const { player, sessions, shots, academyThresholds, words, published } = record
    const beside = { academyThresholds, words, published, unit: 'yd' as const, practice: [], asked: [] }
    const seen: CalibrationAnswer[] = []
    makeCalibrator(answer => seen.push(answer))({
      turn: 1,
      player: { ...playerFacts(player), bag: record.bag, sessions: sessions.map(toSession), nowMs: Date.now() },
      options: calibrationOptions(player.thresholds, newestMethod(sessions), beside),
      anew: true,
      put: fromColumns(shots).map(toShot),
      gone: [],
    })
    expect(seen).toEqual([{ turn: 1, full: true, calibration: served.numbers }])
    // One more ball, and they are others.
    await at.log(at.shot({ clubId: record.bag.clubs[0]!.id, carryM: 66 }))
    expect((await coach.get<unknown[]>(`${path}/numbers`)).body).not.toEqual(flat.body)
  })
})

describe('flags', () => {
  let coach: Client
  let at: Awaited<ReturnType<typeof withAHole>>
  beforeAll(async () => {
    coach = await newCoach()
    at = await withAHole(coach)
  })
  const answerTo = (
    finding: PlayerLine['summary'] extends infer S ? (NonNullable<S> extends { open: (infer F)[] } ? F : never) : never,
    more: object = {},
  ) => {
    const { flag, variant, cells, fromM, toM, figure } = finding
    return {
      id: newId(),
      flag,
      ...(variant && { variant }),
      cells,
      fromM,
      toM,
      figure,
      answer: 'accepted',
      untilMs: null,
      note: '',
      saidAtMs: Date.now(),
      holds: true,
      ...more,
    }
  }

  it('stand in the list with the names of their stock shots, those that matter most first; an answer takes one off, and taken back it is there again', async () => {
    const before = await summaryOf(coach)
    expect(before.open[0]).toMatchObject({ flag: 'hole', sureness: 'sure' })
    expect(Object.values(before.names)).toContainEqual({ club: '50°', swing: 'full' })
    const said = answerTo(before.open[0]!)
    expect((await coach.post(`/api/players/${at.playerId}/answers`, said)).status).toBe(202)
    await vi.waitFor(async () => {
      const after = await summaryOf(coach)
      expect(after.flags).toBe(before.flags - 1)
      expect(after.open.map(one => one.flag)).not.toContain('hole')
    }, PATIENCE)
    // Sent twice it is there once; another with its id is refused.
    expect((await coach.post(`/api/players/${at.playerId}/answers`, said)).status).toBe(202)
    expect((await coach.post(`/api/players/${at.playerId}/answers`, { ...said, note: 'another' })).status).toBe(409)
    const record = (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
    expect(record.answers).toEqual([said])
    await coach.post(`/api/players/${at.playerId}/answers`, answerTo(before.open[0]!, { holds: false }))
    await vi.waitFor(async () => expect((await summaryOf(coach)).flags).toBe(before.flags), PATIENCE)
  })

  it('refuse an answer that says nothing', async () => {
    const { open } = await summaryOf(coach)
    expect(
      refusal(await coach.post(`/api/players/${at.playerId}/answers`, answerTo(open[0]!, { answer: 'working' }))),
    ).toEqual({ untilMs: 'Until is missing: what is worked on has a day.' })
    expect(
      refusal(await coach.post(`/api/players/${at.playerId}/answers`, answerTo(open[0]!, { flag: 'nonsense' }))),
    ).toHaveProperty('flag')
    expect(
      refusal(
        await coach.post(
          `/api/players/${at.playerId}/answers`,
          answerTo(open[0]!, { answer: 'working', untilMs: Date.now() + 1e12 }),
        ),
      ),
    ).toEqual({ untilMs: 'Until lies more than two years ahead.' })
    expect(
      (
        await coach.post(
          `/api/players/${at.playerId}/answers`,
          answerTo(open.at(-1)!, { answer: 'working', untilMs: Date.now() + 28 * 86_400_000 }),
        )
      ).status,
    ).toBe(202)
  })

  it("are judged by the academy's figures, unless the player has their own", async () => {
    // In the file each finding stands by itself; on the screen a step is said with its hole.
    const steps = async () =>
      (
        await coach.get<{ flags: { rule: string; sureness: string }[] }>(`/api/players/${at.playerId}/chart.json`)
      ).body.flags
        .filter(flag => flag.sureness !== 'open')
        .map(flag => flag.rule)
    expect(await steps()).toContain('step')
    expect((await coach.patch('/api/academy', { thresholds: { widestStepM: 36 } })).status).toBe(200)
    expect(await steps()).not.toContain('step')
    expect((await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body.academyThresholds).toEqual({
      widestStepM: 36,
    })
    await coach.patch(`/api/players/${at.playerId}`, { version: 1, thresholds: { widestStepM: 10 } })
    expect(await steps()).toContain('step')
    expect(refusal(await coach.patch('/api/academy', { thresholds: { staleDays: 3 } }))).toEqual({
      'thresholds.staleDays': 'Old after 3 days is not possible: 7 to 730 days is allowed.',
    })
    // Another academy keeps its own.
    const other = await newCoach()
    const { playerId } = await atTheRange(other)
    expect((await other.get<PlayerRecord>(`/api/players/${playerId}`)).body.academyThresholds).toEqual({})
  })
})

describe('kept bags', () => {
  it('are kept under a name, changed by their id, and let go; fifty at most', async () => {
    const coach = await newCoach()
    const { playerId, bag } = await atTheRange(coach)
    const path = `/api/players/${playerId}/what-ifs`
    const body = {
      clubs: [{ id: bag.clubs[0]!.id, from: bag.clubs[0]!.id, label: '56°', loftDeg: 54 }],
      rungs: bag.scale.rungs.map(rung => rung.id),
      newRungs: [],
      struckOut: [],
      moved: [],
    }
    const kept = { id: newId(), name: 'Stronger sand wedge', body }
    expect((await coach.post<KeptWhatIf[]>(path, kept)).body).toMatchObject([kept])
    expect((await coach.post<KeptWhatIf[]>(path, { ...kept, name: 'Stronger' })).body).toMatchObject([
      { ...kept, name: 'Stronger' },
    ])
    expect(refusal(await coach.post(path, { ...kept, id: newId(), body: { ...body, rungs: [] } }))).toEqual({
      'body.rungs': 'No swing length is left: one or more is needed.',
    })
    // Another academy's player cannot take the id over.
    const stranger = await newCoach()
    const theirs = await atTheRange(stranger)
    expect((await stranger.post(`/api/players/${theirs.playerId}/what-ifs`, kept)).status).toBe(409)
    expect(
      (await stranger.send<KeptWhatIf[]>('DELETE', `/api/players/${theirs.playerId}/what-ifs/${kept.id}`)).body,
    ).toEqual([])
    expect((await coach.get<KeptWhatIf[]>(path)).body).toHaveLength(1)
    // Handed over it is on the player's phone as it was then, and taken back it is not.
    const { body: link } = await coach.post<MadeLink>(`/api/players/${playerId}/links`, {
      id: newId(),
      strength: 'read',
    })
    const phone = async () =>
      (await new Client().send<LinkView>('GET', '/api/link', undefined, { authorization: `Bearer ${link.token}` })).body
        .bags
    const sum = { within: 60, targets: 80, meanM: 5, worstAtM: 70, worstLeaveM: 9 }
    const page = {
      unit: 'yd',
      clubs: [{ label: '56°', loftDeg: 54, wasDeg: 56 }],
      left: ['52°'],
      shots: [{ name: '56° full', carryM: 80, hit: false }],
      lineM: 5,
      before: sum,
      after: sum,
      gone: ['18 yd from a to b'],
      fresh: [],
      stay: [],
    }
    expect(await phone()).toEqual([])
    expect((await coach.put<KeptWhatIf[]>(`${path}/${kept.id}/page`, { page })).body[0]!.handedAtMs).toBeGreaterThan(
      Date.now() - 60_000,
    )
    expect(await phone()).toMatchObject([{ id: kept.id, name: 'Stronger', page }])
    expect(
      refusal(
        await coach.put(`${path}/${kept.id}/page`, {
          page: { ...page, shots: [{ name: '56° full', carryM: 4000, hit: true }] },
        }),
      ),
    ).toEqual({ 'page.shots.0.carryM': 'Carry 4000 m is not possible: 0 to 365.76 m is allowed.' })
    expect(
      (await stranger.put(`/api/players/${theirs.playerId}/what-ifs/${kept.id}/page`, { page: null })).status,
    ).toBe(404)
    expect((await coach.put<KeptWhatIf[]>(`${path}/${kept.id}/page`, { page: null })).body[0]!.handedAtMs).toBeNull()
    expect(await phone()).toEqual([])
    for (let i = 1; i < 50; i++) await coach.post(path, { ...kept, id: newId() })
    expect(refusal(await coach.post(path, { ...kept, id: newId() }))).toEqual({ name: '50 bags are kept already.' })
    expect((await coach.send<KeptWhatIf[]>('DELETE', `${path}/${kept.id}`)).body).toHaveLength(49)
  })
})

it('the bag file holds what the player believes', async () => {
  const coach = await newCoach()
  const { playerId, bag } = await atTheRange(coach)
  const word = {
    id: newId(),
    clubId: bag.clubs[0]!.id,
    rungId: bag.scale.rungs[1]!.id,
    kind: 'believed',
    carryM: 91.44,
    why: '',
    saidAtMs: Date.now(),
    holds: true,
  }
  await coach.post(`/api/players/${playerId}/words`, word)
  expect((await coach.get<{ believed: object[] }>(`/api/players/${playerId}/bag.json`)).body.believed).toEqual([
    { club: '56°', swing: 'full', carryM: 91.44 },
  ])
  // A span has both ends, here, in the record and in the file; one that runs backwards is refused.
  const span = { ...word, id: newId(), carryM: 90, carryToM: 95.5, saidAtMs: word.saidAtMs + 1 }
  for (const _twice of [1, 2]) expect((await coach.post(`/api/players/${playerId}/words`, span)).status).toBe(202)
  expect((await coach.get<{ words: object[] }>(`/api/players/${playerId}`)).body.words.at(-1)).toEqual(span)
  expect((await coach.get<{ believed: object[] }>(`/api/players/${playerId}/bag.json`)).body.believed).toEqual([
    { club: '56°', swing: 'full', carryM: 90, carryToM: 95.5 },
  ])
  const backwards = await coach.post(`/api/players/${playerId}/words`, { ...span, id: newId(), carryToM: 89 })
  expect(refusal(backwards).carryToM).toContain('runs from the shorter carry to the longer')
})
