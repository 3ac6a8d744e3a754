import mysql from 'mysql2/promise'
import { afterAll, beforeAll, expect, inject, it } from 'vitest'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import { atTheRange, newCoach } from './client'

let connection: mysql.Connection
beforeAll(async () => {
  connection = await mysql.createConnection(inject('databaseUrl'))
})
afterAll(() => connection.end())

it('a record that was opened before is read as far as it changed, and says what the database says after every change', async () => {
  const coach = await newCoach()
  const { playerId, log, shot, session } = await atTheRange(coach)
  const other = await atTheRange(coach)
  /** As if minutes had gone by: what is so old is not read again. */
  const settle = () =>
    connection.query('update shots set changed_at = changed_at - interval 5 minute where player_id in (?)', [
      [playerId, other.playerId],
    ])
  const told = async (id: string) => {
    const { shots } = (await coach.get<PlayerRecord>(`/api/players/${id}`)).body
    return fromColumns(shots).map(({ id, sessionId, carryM, version, balls }) => [
      id,
      sessionId,
      carryM,
      version,
      balls,
    ])
  }
  const truth = async (id: string) => {
    const [rows] = await connection.query({
      sql: `select id, session_id, carry_m, version, balls from shots
        where player_id = ? and deleted_at is null order by hit_at, id`,
      values: [id],
      rowsAsArray: true,
    })
    return rows
  }
  /** Twice: as it is found, and as it is known; then once more when all of it is old. */
  async function agree(balls: number) {
    for (let i = 0; i < 3; i++) {
      expect(await told(playerId)).toEqual(await truth(playerId))
      expect(await told(other.playerId)).toEqual(await truth(other.playerId))
      expect(await told(playerId)).toHaveLength(balls)
      if (i === 1) await settle()
    }
  }
  await agree(0)
  const [first, second, third] = [shot({ carryM: 70 }), shot({ carryM: 71 }), shot({ carryM: 72, balls: 5 })]
  await log(first, second, third)
  await agree(3)
  await log({ ...first, carryM: 75, version: 2 })
  await agree(3)
  await log({ ...second, deleted: true, version: 2 })
  await agree(2)
  await log({ ...second, version: 3 }, shot({ carryM: 80 }))
  await agree(4)
  // An import that is undone, in one statement.
  await connection.query('update shots set deleted_at = now(3) where id in (?)', [[first.id, third.id]])
  await agree(2)
  await connection.query('update shots set deleted_at = null where id = ?', [first.id])
  await agree(3)
  // Their last change is long ago; the session takes them along, and brings them back.
  const path = (from: string) => `/api/players/${from}/sessions/${session.id}/move`
  await other.log(other.shot({ carryM: 90 }))
  expect((await coach.post(path(playerId), { toPlayerId: other.playerId })).status).toBe(200)
  await agree(0)
  expect((await coach.post(path(other.playerId), { toPlayerId: playerId })).status).toBe(200)
  await agree(3)
})
