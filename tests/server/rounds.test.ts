import { beforeAll, describe, expect, it } from 'vitest'
import type { ApproachRecord, RoundRecord } from '../../shared/rounds'
import { atTheRange, type Client, newCoach, newId, newPlayer, refusal } from './client'

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
