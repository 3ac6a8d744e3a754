import { beforeAll, describe, expect, it } from 'vitest'
import { playedOf } from '../../shared/rounds'
import { ROUNDS_WAITING } from '../../shared/limits'
import type { ApproachRecord, RoundRecord } from '../../shared/schemas/rounds'
import { atTheRange, Client, newCoach, newId, newPlayer, refusal } from './client'

let coach: Client
let playerId: string
beforeAll(async () => {
  coach = await newCoach()
  playerId = (await atTheRange(coach)).playerId
})

const anApproach = (more: Partial<ApproachRecord> = {}): ApproachRecord => ({
  id: newId(),
  chance: true,
  distanceM: 84,
  offM: -6,
  sideM: 2,
  version: 1,
  ...more,
})
const aRound = (more: Partial<RoundRecord> = {}): RoundRecord => ({
  id: newId(),
  name: 'Home course',
  kind: 'competition',
  playedAtMs: Date.now() - 86_400_000,
  approaches: [anApproach(), anApproach({ distanceM: 120, lie: 'sand', penalty: 1 })],
  gone: false,
  version: 1,
  ...more,
})
const put = (round: RoundRecord, by = coach, of = playerId) =>
  by.send<{ round: RoundRecord }>('PUT', `/api/players/${of}/rounds/${round.id}`, round)
const rounds = async () => (await coach.get<{ rounds: RoundRecord[] }>(`/api/players/${playerId}/rounds`)).body.rounds

describe('rounds', () => {
  it('are kept as they were told, newest first, and once when sent twice', async () => {
    const [older, newer] = [aRound({ playedAtMs: Date.now() - 9 * 86_400_000 }), aRound()]
    for (const round of [newer, older, newer]) expect((await put(round)).status).toBe(200)
    expect(await rounds()).toEqual([newer, older])
  })

  it('two devices at once lose no approach of each other', async () => {
    const round = aRound({ approaches: [] })
    await put(round)
    const approaches = Array.from({ length: 12 }, () => anApproach())
    const replies = await Promise.all(approaches.map((one, i) => put({ ...round, approaches: [one], version: 2 + i })))
    expect(replies.map(({ status }) => status)).toEqual(approaches.map(() => 200))
    const kept = (await rounds()).find(({ id }) => id === round.id)!
    expect(kept.approaches.map(({ id }) => id).sort()).toEqual(approaches.map(({ id }) => id).sort())
    expect(kept.version).toBe(13)
  })

  it('what cannot be is refused by its field, and nothing of it is kept', async () => {
    const before = await rounds()
    const faults = async (more: Partial<RoundRecord>) => refusal(await put(aRound(more)))
    expect(await faults({ approaches: [anApproach({ distanceM: 0 })] })).toMatchObject({
      'approaches.0.distanceM': expect.stringContaining('Distance 0 m'),
    })
    expect(await faults({ kind: 'friendly' as never })).toHaveProperty('kind')
    expect(await faults({ approaches: Array.from({ length: 81 }, () => anApproach()) })).toMatchObject({
      approaches: 'At most 80 approaches are allowed in one round.',
    })
    expect(await rounds()).toEqual(before)
  })

  it("another player's id is taken, another academy sees nothing, and a day that cannot be is set right", async () => {
    const round = aRound({ playedAtMs: Date.now() + 9e9 })
    await put(round)
    const kept = (await rounds()).find(({ id }) => id === round.id)!
    expect(Math.abs(kept.playedAtMs - Date.now())).toBeLessThan(60_000)
    expect((await put(round, coach, await newPlayer(coach))).status).toBe(409)
    expect((await put(round, await newCoach())).status).toBe(404)
  })
})

describe('a round that the player tells', () => {
  const linkOf = async (strength: 'log' | 'read') => {
    const { body } = await coach.post<{ token: string }>(`/api/players/${playerId}/links`, { id: newId(), strength })
    const bearer = { authorization: `Bearer ${body.token}` }
    return (round: RoundRecord) => new Client().send('POST', '/api/link/rounds', round, bearer)
  }
  const kept = async (id: string) => (await rounds()).find(round => round.id === id)

  it('waits for the coach, whatever the phone says of itself, and counts once it was taken', async () => {
    const send = await linkOf('log')
    const round = aRound()
    for (let i = 0; i < 2; i++) expect((await send(round)).status).toBe(202)
    expect((await rounds()).filter(({ id }) => id === round.id)).toHaveLength(1)
    expect(await kept(round.id)).toMatchObject({ waiting: true })
    expect(playedOf([(await kept(round.id))!])).toEqual([])
    const { waiting: _, ...decided } = (await kept(round.id))!
    await put({ ...decided, version: 2 })
    expect(playedOf([(await kept(round.id))!])).toHaveLength(1)
    // What was decided stays decided.
    await send({ ...round, version: 9, approaches: [] })
    expect(await kept(round.id)).not.toHaveProperty('waiting')
    expect((await kept(round.id))!.approaches).toHaveLength(2)
  })

  it("a link to read takes none, a ceiling holds, and no phone touches what is the coach's", async () => {
    expect((await (await linkOf('read'))(aRound())).status).toBe(403)
    const mine = aRound()
    await put(mine)
    const send = await linkOf('log')
    await send({ ...mine, gone: true, version: 7 })
    expect(await kept(mine.id)).toEqual(mine)
    const replies = []
    for (let i = 0; i <= ROUNDS_WAITING; i++) replies.push((await send(aRound())).status)
    expect(replies.filter(status => status === 202).length).toBe(ROUNDS_WAITING)
    expect(replies.at(-1)).toBe(409)
  })
})
