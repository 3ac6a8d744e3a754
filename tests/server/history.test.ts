import { describe, expect, it } from 'vitest'
import type { HistoryLine } from '../../core/history/record-change'
import { historyText } from '../../words/history'
import { atTheRange, newCoach, newId, type Client } from './client'

/** It is written behind the answers: asked for until it says so much. */
async function historyOf(coach: Client, playerId: string, atLeast: number, query = ''): Promise<HistoryLine[]> {
  let lines: HistoryLine[] = []
  await expect
    .poll(
      async () => (lines = (await coach.get<HistoryLine[]>(`/api/players/${playerId}/history${query}`)).body).length,
    )
    .toBeGreaterThanOrEqual(atLeast)
  return lines
}

describe('the history of a player', () => {
  it('tells who changed what, newest first; the same again within minutes is one line with its count', async () => {
    const coach = await newCoach('Ada Vane')
    const at = await atTheRange(coach)
    for (let i = 0; i < 3; i++) await at.log(at.shot({ id: newId() }))
    await at.log(at.shot({ id: newId() }), at.shot({ id: newId() }))
    await expect.poll(async () => (await historyOf(coach, at.playerId, 4))[0]?.times).toBe(5)
    const lines = await historyOf(coach, at.playerId, 4)
    expect(lines.map(historyText)).toEqual([
      'Ada Vane logged or changed 5 balls',
      'Ada Vane began, changed or ended a session',
      'Ada Vane changed the bag',
      'Ada Vane added the player',
    ])
    expect(lines.every(({ beganAtMs, lastAtMs }) => beganAtMs <= lastAtMs)).toBe(true)
    const older = await historyOf(coach, at.playerId, 1, `?before=${lines[1]!.id}`)
    expect(older.map(({ kind }) => kind)).toEqual(['bag', 'added'])
  })

  it('says nothing of what was refused, nor to another academy', async () => {
    const [coach, stranger] = [await newCoach(), await newCoach()]
    const at = await atTheRange(coach)
    const before = await historyOf(coach, at.playerId, 3)
    expect((await at.log(at.shot({ carryM: -5 }))).status).toBe(422)
    expect((await stranger.get(`/api/players/${at.playerId}/history`)).status).toBe(404)
    const asked = await coach.get<{ message: string }>(`/api/players/${at.playerId}/history?before=now`)
    expect([asked.status, asked.body.message]).toEqual([422, 'before: "now" is no line of a history.'])
    expect(await historyOf(coach, at.playerId, 3)).toEqual(before)
  })
})
