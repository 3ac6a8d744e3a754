import { readdirSync } from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import { aBag, atTheRange, Client, newCoach, newId } from './client'

/** Routes that need no coach. Everything else must stand in the table below. */
const OPEN = ['[...].ts', 'auth/demo.post.ts', 'auth/doors.get.ts', 'auth/sign-in.post.ts', 'auth/sign-out.post.ts', 'auth/sign-up.post.ts', 'health.get.ts']

interface Row {
  route: string
  /** A request that the owner of the player may make. */
  ask: (at: Awaited<ReturnType<typeof atTheRange>>) => [method: string, path: string, body?: unknown]
  /** True when the route names a player: another academy gets 404. */
  ofPlayer: boolean
}

const ROUTES: Row[] = [
  { route: 'account.get.ts', ofPlayer: false, ask: () => ['GET', '/api/account'] },
  { route: 'account.patch.ts', ofPlayer: false, ask: () => ['PATCH', '/api/account', { unit: 'm' }] },
  { route: 'account/password.post.ts', ofPlayer: false, ask: () => ['POST', '/api/account/password', { current: 'links and wind', password: 'links and wind' }] },
  { route: 'weather.get.ts', ofPlayer: false, ask: () => ['GET', '/api/weather'] },
  { route: 'players/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/players'] },
  { route: 'players/index.post.ts', ofPlayer: false, ask: () => ['POST', '/api/players', { id: newId(), name: 'New', level: 'good', note: '' }] },
  { route: 'players/[playerId]/index.get.ts', ofPlayer: true, ask: at => ['GET', `/api/players/${at.playerId}`] },
  { route: 'players/[playerId]/index.patch.ts', ofPlayer: true, ask: at => ['PATCH', `/api/players/${at.playerId}`, { version: 1, name: 'Taken over' }] },
  { route: 'players/[playerId]/bag.json.get.ts', ofPlayer: true, ask: at => ['GET', `/api/players/${at.playerId}/bag.json`] },
  { route: 'players/[playerId]/chart.json.get.ts', ofPlayer: true, ask: at => ['GET', `/api/players/${at.playerId}/chart.json`] },
  { route: 'players/[playerId]/shots.csv.get.ts', ofPlayer: true, ask: at => ['GET', `/api/players/${at.playerId}/shots.csv`] },
  { route: 'players/[playerId]/shots.post.ts', ofPlayer: true, ask: at => ['POST', `/api/players/${at.playerId}/shots`, { shots: [at.shot()] }] },
  { route: 'players/[playerId]/sessions/[sessionId].put.ts', ofPlayer: true, ask: at => ['PUT', `/api/players/${at.playerId}/sessions/${at.session.id}`, at.session] },
  // Last, since it makes another bag of it.
  { route: 'players/[playerId]/bag.put.ts', ofPlayer: true, ask: at => ['PUT', `/api/players/${at.playerId}/bag`, aBag(2)] },
]

describe('every route', () => {
  const files = (readdirSync('server/api', { recursive: true }) as string[]).filter(file => file.endsWith('.ts')).sort()

  it('stands in the table, or among those that need no coach', () => {
    expect([...OPEN, ...ROUTES.map(row => row.route)].sort()).toEqual(files)
  })

  let owner: Client
  let stranger: Client
  let at: Awaited<ReturnType<typeof atTheRange>>
  beforeAll(async () => {
    owner = await newCoach()
    stranger = await newCoach('A Stranger')
    at = await atTheRange(owner)
  })

  it.each(ROUTES)('$route answers 401 to nobody', async ({ ask }) => {
    const [method, path, body] = ask(at)
    expect((await new Client().send(method, path, body)).status).toBe(401)
  })

  it.each(ROUTES.filter(row => row.ofPlayer))('$route answers another academy 404, like an id that is not there, and its owner well', async ({ ask }) => {
    const [method, path, body] = ask(at)
    const theirs = await stranger.send(method, path, body)
    const nobodys = await stranger.send(method, path.replace(at.playerId, newId()), body)
    expect([theirs.status, nobodys.status]).toEqual([404, 404])
    expect((theirs.body as { message: string }).message).toBe((nobodys.body as { message: string }).message)
    expect((await stranger.send(method, path.replace(at.playerId, 'not-an-id'), body)).status).toBe(404)
    expect((await owner.send(method, path, body)).status).toBeLessThan(300)
  })

  it('leaves a player as it was after all that strangers tried', async () => {
    const [first, again] = [await newCoach(), await newCoach()]
    const range = await atTheRange(first)
    const before = (await first.get(`/api/players/${range.playerId}`)).body
    for (const { ask } of ROUTES.filter(row => row.ofPlayer)) await again.send(...ask(range))
    expect((await first.get(`/api/players/${range.playerId}`)).body).toEqual(before)
    expect((await again.get('/api/players')).body).toEqual([])
  })
})
