import { describe, expect, it } from 'vitest'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'
import { USUAL_PLAN } from '../../shared/choices'
import { atTheRange, newCoach, newId, refusal } from './client'

async function importing() {
  const coach = await newCoach()
  const at = await atTheRange(coach)
  const session = { ...at.session, id: newId(), endedAtMs: Date.now(), plan: { ...USUAL_PLAN, gone: true } }
  const shots = Array.from({ length: 5 }, () => at.shot({ sessionId: session.id, deleted: true }))
  const lot = (list: object[], sessions: object[] = []) =>
    coach.post(`/api/players/${at.playerId}/import/lot`, { sessions, shots: list })
  const show = (visible: boolean, sessionIds = [session.id]) =>
    coach.post<{ balls: number }>(`/api/players/${at.playerId}/import`, { sessionIds, visible })
  const record = async () => {
    const { shots: columns, sessions } = (await coach.get<PlayerRecord>(`/api/players/${at.playerId}`)).body
    return {
      ids: fromColumns(columns).map(shot => shot.id),
      shown: sessions.filter(other => !other.plan.gone).map(other => other.id),
    }
  }
  return { coach, at, session, shots, lot, show, record }
}

describe('an import', () => {
  it('is unseen until all of it is there, then shown at once, and taken back at once', async () => {
    const { at, session, shots, lot, show, record } = await importing()
    expect((await lot(shots.slice(0, 3), [session])).status).toBe(202)
    expect(await record()).toEqual({ ids: [], shown: [at.session.id] })
    // Interrupted and sent again it is there once.
    expect((await lot(shots, [session])).status).toBe(202)
    expect((await show(true)).body.balls).toBe(5)
    expect((await record()).ids.sort()).toEqual(shots.map(shot => shot.id).sort())
    expect((await record()).shown.sort()).toEqual([at.session.id, session.id].sort())
    expect((await show(true)).body.balls).toBe(0)
    expect((await show(false)).body.balls).toBe(5)
    expect(await record()).toEqual({ ids: [], shown: [at.session.id] })
    // What was taken back comes again with another file, in that file's session.
    const other = { ...session, id: newId() }
    await lot(
      shots.map(shot => ({ ...shot, sessionId: other.id })),
      [other],
    )
    expect((await show(true, [other.id])).body.balls).toBe(5)
    expect((await show(false, [session.id])).body.balls).toBe(0)
    expect((await record()).ids).toHaveLength(5)
  })

  it("touches nothing of another player, and takes no ball whose club is not the player's", async () => {
    const { at, session, shots, lot, show } = await importing()
    const theirs = await importing()
    await theirs.lot(theirs.shots, [theirs.session])
    expect((await show(true, [theirs.session.id])).body.balls).toBe(0)
    expect(await theirs.record()).toMatchObject({ ids: [] })
    // An id that is another's stays another's.
    await theirs.show(true)
    await lot([{ ...shots[0], id: theirs.shots[0]!.id }], [session])
    await show(true)
    expect((await theirs.record()).ids).toHaveLength(5)
    expect(refusal(await lot([{ ...shots[1], clubId: newId() }]))).toEqual({
      'shots.0.clubId': "This club is not in the player's bag.",
    })
    expect(refusal(await lot([{ ...shots[1], sessionId: theirs.session.id }]))).toEqual({
      'shots.0.sessionId': "This session is not one of the player's.",
    })
    expect(
      (await theirs.coach.post(`/api/players/${at.playerId}/import`, { sessionIds: [session.id], visible: false }))
        .status,
    ).toBe(404)
    expect(refusal(await show(true, []))).toEqual({ sessionIds: 'No session was named.' })
  })
})
