import { v5, v7 as newId } from 'uuid'
import { USUAL_PLAN } from '../../shared/choices'
import { EXPERT_BAG, expertVisits } from '../core/expert'
import { expect, test } from './coach'

const DAY_MS = 86_400_000
const LOT = 200

test('five visits later the page names the one number that moved by 8 yd of nineteen, and no other @long', async ({
  page,
  signUp,
}) => {
  await signUp()
  const playerId = newId()
  const id = (name: string) => v5(name, playerId)
  const send = async (method: 'put' | 'post', path: string, data: object) => {
    const reply = await page.request[method](path, { data })
    expect(reply.ok(), `${path} ${reply.status()}`).toBe(true)
  }
  // At noon of a day six weeks back, so that every visit lies within its day.
  const fromMs = Math.floor(Date.now() / DAY_MS) * DAY_MS - 37 * DAY_MS + DAY_MS / 2
  const { shots, sessions } = expertVisits(EXPERT_BAG, 4, -8, 5, 4, fromMs)
  await send('post', '/api/players', { id: playerId, name: 'Ros Tarn', level: 'expert', note: '' })
  await send('put', `/api/players/${playerId}/bag`, {
    version: 1,
    clubs: EXPERT_BAG.clubs.map(club => ({ ...club, id: id(club.id) })),
    struckOut: EXPERT_BAG.struckOut.map(cell => ({ clubId: id(cell.clubId), rungId: id(cell.rungId) })),
    scale: { ...EXPERT_BAG.scale, rungs: EXPERT_BAG.scale.rungs.map(rung => ({ ...rung, id: id(rung.id) })) },
  })
  for (const session of sessions)
    await send('put', `/api/players/${playerId}/sessions/${id(session.id)}`, {
      ...session,
      id: id(session.id),
      endedAtMs: session.startedAtMs + 3_600_000,
      surface: 'grass',
      air: [],
      plan: USUAL_PLAN,
      version: 1,
    })
  const sent = shots.map(shot => ({
    ...shot,
    id: id(shot.id),
    sessionId: id(shot.sessionId),
    clubId: id(shot.clubId),
    rungId: id(shot.rungId),
    readings: null,
    taken: null,
    deleted: false,
    version: 1,
  }))
  for (let at = 0; at < sent.length; at += LOT)
    await send('post', `/api/players/${playerId}/shots`, { shots: sent.slice(at, at + LOT) })

  await page.goto(
    `/players/${playerId}/chart/compare?fromDay=${new Date(fromMs + 2 * DAY_MS).toISOString().slice(0, 10)}`,
  )
  await expect(page.getByRole('heading', { name: 'One number moved.' })).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: /by 20 new balls/ })).toHaveText(
    /^\s*52° full from \d+ to \d+ yd, by 20 new balls: certain\.\s*$/,
  )
  const rows = page.getByRole('table', { name: 'All numbers of both days' }).getByRole('row')
  await expect(rows.filter({ hasText: 'not enough to say it moved' })).toHaveCount(18)
  await expect(rows.filter({ hasText: 'moved, certain' })).toHaveCount(1)
})
