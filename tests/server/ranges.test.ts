import { describe, expect, it } from 'vitest'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import type { RangeRecord } from '../../shared/schemas/range'
import type { Recount } from '../../shared/range'
import { aBag, atTheRange, joined, newCoach, newId, newPlayer, refusal, type Client } from './client'

const sign = (name: string, distanceM: number) => ({
  id: newId(),
  name,
  kind: 'sign' as const,
  distanceM,
  heightM: 0,
  rightDeg: 0,
})
const range = (change: Partial<RangeRecord> = {}): RangeRecord => ({
  id: newId(),
  name: 'Marsh Range',
  altitudeM: 6,
  bearingDeg: 240,
  firmness: 'soft',
  targets: [sign('the 100', 91.44)],
  archived: false,
  version: 1,
  ...change,
})
const shotsOf = async (coach: Client, playerId: string) =>
  fromColumns((await coach.get<PlayerRecord>(`/api/players/${playerId}`)).body.shots)

describe('a range', () => {
  it('is kept once for the academy, changed by its next version, and seen by nobody else', async () => {
    const [coach, stranger] = [await newCoach(), await newCoach()]
    const first = range()
    expect((await coach.put(`/api/ranges/${first.id}`, first)).status).toBe(200)
    expect((await coach.put(`/api/ranges/${first.id}`, first)).status).toBe(200)
    const second = { ...first, name: 'Marsh Range, east', targets: [...first.targets, sign('green', 64)], version: 2 }
    expect((await coach.put(`/api/ranges/${first.id}`, second)).body).toEqual(second)
    expect((await coach.put(`/api/ranges/${first.id}`, { ...first, name: 'Old page', version: 2 })).status).toBe(409)
    expect((await coach.get<RangeRecord[]>('/api/ranges')).body).toEqual([second])
    expect((await stranger.get('/api/ranges')).body).toEqual([])
    expect((await stranger.put(`/api/ranges/${first.id}`, { ...second, version: 3 })).status).toBe(404)
    expect((await stranger.put(`/api/ranges/${first.id}`, first)).status).toBe(404)
    expect((await stranger.get(`/api/ranges/${first.id}/guesses?sign=${first.targets[0]!.id}`)).status).toBe(404)
    expect((await stranger.post(`/api/ranges/${first.id}/recount`, { signId: first.targets[0]!.id })).status).toBe(404)
    expect((await coach.get(`/api/ranges/${first.id}/guesses?sign=nothing`)).status).toBe(422)
    expect(refusal(await coach.put(`/api/ranges/${first.id}`, { ...second, altitudeM: 20_000, version: 3 }))).toEqual({
      altitudeM: 'Altitude 20000 m is not possible: -400 to 4000 m is allowed.',
    })
  })

  it('that all use is changed by who sees all players, and its guesses are counted anew by who sees them', async () => {
    const owner = await newCoach()
    const [bo, cy] = [await joined(owner, 'coach', 'Bo'), await joined(owner, 'coach', 'Cy')]
    await owner.patch('/api/academy', { coachesSee: 'own' })
    const hundred = sign('the 100', 91.44)
    const first = range({ targets: [hundred] })
    const put = (client: Client, change: Partial<RangeRecord>) =>
      client.put<RangeRecord>(`/api/ranges/${first.id}`, { ...first, ...change })
    // A new one is anybody's to add, and then all coaches'.
    expect((await put(bo, {})).status).toBe(200)
    const [his, hers] = [await atTheRange(bo), await atTheRange(cy)]
    const { id, name, distanceM } = hundred
    const guess = { method: 'guess', taken: { sign: { id, name, distanceM }, offM: 0 } } as const
    for (const at of [his, hers]) expect((await at.log(at.shot({ ...guess, carryM: 91.44 }))).status).toBe(202)
    const moved = { version: 2, targets: [{ ...hundred, distanceM: 93 }] }
    const refused = await put(bo, moved)
    expect([refused.status, (refused.body as unknown as { message: string }).message]).toEqual([
      403,
      'All coaches of the academy use this: those who see all its players change it, or the owner.',
    ])
    expect((await owner.patch('/api/academy', { coachesChange: true })).status).toBe(200)
    expect((await put(bo, moved)).status).toBe(200)
    expect((await bo.post<Recount>(`/api/ranges/${first.id}/recount`, { signId: hundred.id })).body.guesses).toBe(1)
    expect((await shotsOf(bo, his.playerId))[0]!.carryM).toBeCloseTo(93, 6)
    expect((await shotsOf(cy, hers.playerId))[0]!.carryM).toBeCloseTo(91.44, 6)
  })

  it('whose sign stands elsewhere counts its guesses anew, of all players of the academy and of no other, and back', async () => {
    const [coach, stranger] = [await newCoach(), await newCoach()]
    const kept = range()
    const [hundred] = kept.targets as [RangeRecord['targets'][number]]
    await coach.put(`/api/ranges/${kept.id}`, kept)
    const guess = (offM: number) => ({
      method: 'guess',
      carryM: hundred.distanceM + offM,
      taken: { sign: { id: hundred.id, name: hundred.name, distanceM: hundred.distanceM }, offM },
    })
    const [one, two, theirs] = [await atTheRange(coach), await atTheRange(coach), await atTheRange(stranger)]
    for (const at of [one, two, theirs])
      expect((await at.log(at.shot(guess(-5)), at.shot({ method: 'laser' }))).status).toBe(202)
    const where = async (distanceM: number, version: number) => {
      await coach.put(`/api/ranges/${kept.id}`, { ...kept, targets: [{ ...hundred, distanceM }], version })
      return (await coach.get<Recount>(`/api/ranges/${kept.id}/guesses?sign=${hundred.id}`)).body.guesses
    }
    // The 100 is 94.
    expect(await where(85.95, 2)).toBe(2)
    expect((await coach.post<Recount>(`/api/ranges/${kept.id}/recount`, { signId: hundred.id })).body.guesses).toBe(2)
    const guessed = (await shotsOf(coach, one.playerId)).find(shot => shot.method === 'guess')!
    expect(guessed).toMatchObject({
      carryM: expect.closeTo(80.95, 6) as number,
      version: 2,
      taken: { sign: { distanceM: 85.95 }, offM: -5 },
    })
    expect((await shotsOf(stranger, theirs.playerId)).find(shot => shot.method === 'guess')).toMatchObject({
      carryM: 86.44,
      version: 1,
    })
    expect((await coach.post<Recount>(`/api/ranges/${kept.id}/recount`, { signId: hundred.id })).body.guesses).toBe(0)
    expect(await where(91.44, 3)).toBe(2)
    await coach.post(`/api/ranges/${kept.id}/recount`, { signId: hundred.id })
    expect((await shotsOf(coach, one.playerId)).find(shot => shot.method === 'guess')!.carryM).toBeCloseTo(86.44, 6)
  })
})

describe('a session of another player', () => {
  it('goes over with all its balls, by the labels of clubs and swings, and comes back', async () => {
    const coach = await newCoach()
    const at = await atTheRange(coach)
    await at.log(
      at.shot(),
      at.shot({
        rungId: at.bag.scale.rungs[1]!.id,
        leftOut: 'thin',
        taken: { askedRungId: at.bag.scale.rungs[0]!.id },
      }),
    )
    const other = await newPlayer(coach, 'Juno Reed')
    const move = (from: string, to: string) =>
      coach.post(`/api/players/${from}/sessions/${at.session.id}/move`, { toPlayerId: to })
    // An empty bag cannot take them, and nothing half-moved stays.
    expect(refusal(await move(at.playerId, other))).toEqual({
      toPlayerId: expect.stringMatching(/is not (in|on) the other player's/) as string,
    })
    expect(await shotsOf(coach, at.playerId)).toHaveLength(2)
    const bag = aBag()
    bag.clubs.reverse()
    await coach.put(`/api/players/${other}/bag`, bag)
    expect((await move(at.playerId, other)).status).toBe(200)
    expect(await shotsOf(coach, at.playerId)).toEqual([])
    const theirs = await shotsOf(coach, other)
    expect(theirs.map(shot => [shot.clubId, shot.leftOut])).toEqual([
      [bag.clubs[1]!.id, null],
      [bag.clubs[1]!.id, 'thin'],
    ])
    expect(theirs.map(shot => shot.taken?.askedRungId)).toEqual([undefined, bag.scale.rungs[0]!.id])
    expect((await coach.get<PlayerRecord>(`/api/players/${other}`)).body.sessions.map(session => session.id)).toEqual([
      at.session.id,
    ])
    expect((await move(other, at.playerId)).status).toBe(200)
    expect((await shotsOf(coach, at.playerId)).map(shot => shot.clubId)).toEqual([
      at.bag.clubs[0]!.id,
      at.bag.clubs[0]!.id,
    ])
  })

  it('of another academy can neither be given nor taken', async () => {
    const [coach, stranger] = [await newCoach(), await newCoach()]
    const [at, theirs] = [await atTheRange(coach), await atTheRange(stranger)]
    expect(
      (await coach.post(`/api/players/${at.playerId}/sessions/${at.session.id}/move`, { toPlayerId: theirs.playerId }))
        .status,
    ).toBe(404)
    expect(
      (
        await stranger.post(`/api/players/${at.playerId}/sessions/${at.session.id}/move`, {
          toPlayerId: theirs.playerId,
        })
      ).status,
    ).toBe(404)
    expect(
      (await coach.post(`/api/players/${at.playerId}/sessions/${theirs.session.id}/move`, { toPlayerId: at.playerId }))
        .status,
    ).toBe(404)
  })
})

describe('one pace', () => {
  it('is kept for its coach, within what a leg can do', async () => {
    const coach = await newCoach()
    expect((await coach.patch('/api/account', { paceM: 0.93 })).body).toMatchObject({ paceM: 0.93 })
    expect((await coach.get('/api/account')).body).toMatchObject({ paceM: 0.93 })
    expect(refusal(await coach.patch('/api/account', { paceM: 9 }))).toEqual({
      paceM: 'Pace 9 m is not possible: 0.5 to 1.5 m is allowed.',
    })
  })
})
