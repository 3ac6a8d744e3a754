import { expect, it } from 'vitest'
import { atTheRange, newCoach, newId } from './client'
import type { RangeLandings } from '../../shared/range'

it('balls of a session are told where they pitched on its range, turned to the line they were played to', async () => {
  const coach = await newCoach()
  const { playerId, session, shot, log } = await atTheRange(coach)
  const rangeId = newId()
  const target = { id: newId(), name: 'oak', kind: 'sign', distanceM: 100, heightM: 0, rightDeg: 30 }
  const range = { name: 'Marsh', altitudeM: 0, bearingDeg: null, firmness: 'soft', archived: false, version: 1 }
  await coach.put(`/api/ranges/${rangeId}`, { ...range, id: rangeId, targets: [target] })
  const path = `/api/ranges/${rangeId}/landings`
  expect((await coach.get<RangeLandings[]>(path)).body).toEqual([])

  const plan = { ...session.plan, rangeId, targetId: target.id }
  const put = await coach.put(`/api/players/${playerId}/sessions/${session.id}`, { ...session, plan, version: 2 })
  expect(put.status).toBe(200)
  const logged = await log(
    shot({ carryM: 50, readings: { sideM: 0 } }),
    shot({ carryM: 60 }),
    shot({ carryM: 70, readings: { sideM: 2 }, leftOut: 'heavy' }),
    shot({ carryM: 80, readings: { sideM: 2 }, deleted: true }),
  )
  expect(logged.body.taken).toHaveLength(4)

  const [told, ...others] = (await coach.get<RangeLandings[]>(path)).body
  expect(others).toEqual([])
  expect(told).toMatchObject({
    sessionId: session.id,
    balls: [{ sideM: expect.closeTo(25, 6), alongM: expect.closeTo(43.301, 3) }],
  })
  // Another academy has no such range, and learns of no ball.
  expect((await (await newCoach()).get(path)).status).toBe(404)
})
