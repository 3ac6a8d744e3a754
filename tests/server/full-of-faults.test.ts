import { beforeAll, describe, expect, it } from 'vitest'
import { z } from 'zod'
import { ROUTE_NOTES } from '../../server/openapi/table'
import { firstFaults, FAULTS_MOST } from '../../server/ingest/first-faults'
import { newCoach, newId, type Client } from './client'
import { playerFile } from './player-file'

/** Under the limit of a body, which the server's own settings keep. */
const BODY_BYTES = 1_900_000
const ANSWER_BYTES = 64_000

const FAULTY = {
  carryM: 'far',
  name: { a: 1 },
  ...Object.fromEntries(Array.from({ length: 150 }, (_, i) => [`x${i}`, i])),
}
const faultyList = (bytes: number) =>
  Array.from({ length: Math.ceil(bytes / JSON.stringify(FAULTY).length) }, () => FAULTY)

function bare(schema: z.core.$ZodType): z.core.$ZodType {
  return schema instanceof z.ZodOptional || schema instanceof z.ZodNullable || schema instanceof z.ZodDefault
    ? bare(schema.def.innerType)
    : schema
}
/** A body of the largest size in which nothing is right: long lists where it has lists, else a long text. */
function fullOfFaults(schema: z.ZodType): unknown {
  if (!(schema instanceof z.ZodObject)) return faultyList(BODY_BYTES)
  const lists = Object.entries(schema.shape as z.core.$ZodShape).filter(([, part]) => bare(part) instanceof z.ZodArray)
  if (lists.length === 0)
    return Object.fromEntries(Object.keys(schema.shape as object).map(key => [key, 'x'.repeat(BODY_BYTES / 40)]))
  return Object.fromEntries(lists.map(([key]) => [key, faultyList(BODY_BYTES / lists.length)]))
}

describe('a body of the largest size, full of faults', () => {
  let coach: Client
  let playerId = ''
  beforeAll(async () => {
    coach = await newCoach()
    playerId = newId()
    await coach.post('/api/players', { id: playerId, name: 'Pip Marlow', level: 'good', hand: 'left', note: '' })
  })

  const withBody = Object.entries(ROUTE_NOTES).filter(([key, { body }]) => body && !key.includes('/api/auth/'))
  it.each(withBody)('%s says what is wrong in few words', async (key, { body }) => {
    const [method, pattern] = key.split(' ') as [string, string]
    const path = pattern.replace(':playerId', playerId).replaceAll(/:\w+/g, () => newId())
    const reply = await coach.send(method, path, fullOfFaults(body!))
    expect(reply.status).toBeGreaterThanOrEqual(400)
    expect(reply.status).toBeLessThan(500)
    expect(JSON.stringify(reply.body).length).toBeLessThan(ANSWER_BYTES)
  })

  it('of a device, 490 balls with 150 fields each that nobody knows', async () => {
    const { body } = await coach.post<{ token: string }>('/api/devices', { id: newId(), name: 'Bay 4' })
    const balls = Array.from({ length: 490 }, () => ({ id: newId(), ...FAULTY }))
    const reply = await coach.send('POST', '/api/ingest/shots', balls, { authorization: `Bearer ${body.token}` })
    expect([reply.status, JSON.stringify(reply.body).length < ANSWER_BYTES]).toEqual([422, true])
  })

  it('of a record: 20,000 sessions of which none is one; a ball is answered meanwhile', async () => {
    const file = playerFile({ sessions: Array.from({ length: 20_000 }, () => FAULTY) })
    const [reply, health] = await Promise.all([
      coach.post<{ data: { errors: { field: string }[] } }>('/api/players/bring-in', file),
      coach.get('/api/health'),
    ])
    expect([reply.status, health.status]).toEqual([422, 200])
    expect(reply.body.data.errors).toHaveLength(FAULTS_MOST)
    expect(reply.body.data.errors[0]!.field).toMatch(/^sessions\.0/)
    expect(JSON.stringify(reply.body).length).toBeLessThan(ANSWER_BYTES)
  })

  it('is looked at as far as its first faults, and a list that is too long not at all', () => {
    let looked = 0
    const part = z.object({ carryM: z.number().refine(() => ++looked > 0) })
    const schema = z.object({
      shots: z.array(part, { error: 'Shots must be a list.' }).max(5000, { error: 'Too many.' }),
    })
    const bad = Array.from({ length: 4000 }, () => ({ carryM: 1, wrong: 1 }))
    const strict = z.object({ shots: z.array(part.strict()).max(5000) })
    expect(firstFaults(strict, { shots: bad }, 'body')).toHaveLength(FAULTS_MOST)
    expect(looked).toBeLessThanOrEqual(FAULTS_MOST)
    looked = 0
    expect(firstFaults(schema, { shots: [...bad, ...bad] }, 'body')).toEqual([{ field: 'shots', message: 'Too many.' }])
    expect(looked).toBe(0)
    expect(firstFaults(schema, { shots: bad }, 'body')).toEqual([])
    // What may be missing in a list is no fault of it.
    const open = z.object({ shots: z.array(part.nullable()) })
    expect(firstFaults(open, { shots: Array(FAULTS_MOST).fill(null) }, 'body')).toEqual([])
  })
})
