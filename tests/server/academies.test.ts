import { readdirSync } from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import { mayDo, rightNeeded, ROLES, type Role } from '../../shared/rights'
import { atTheRange, Client, joined, newCoach, newId } from './client'
import { FORMS, ROUTE_NOTES } from '../../server/openapi/table'
import { OPEN, patternOf, ROUTES } from './routes'

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

  it.each(ROUTES.filter(row => row.ofPlayer))(
    '$route answers another academy 404, like an id that is not there, and its owner well',
    async ({ route, ask }) => {
      const [method, path, body] = ask(at)
      const theirs = await stranger.send(method, path, body)
      const nobodys = await stranger.send(method, path.replace(at.playerId, newId()), body)
      expect([theirs.status, nobodys.status]).toEqual([404, 404])
      expect((theirs.body as { message: string }).message).toBe((nobodys.body as { message: string }).message)
      expect((await stranger.send(method, path.replace(at.playerId, 'not-an-id'), body)).status).toBe(404)
      const well = await owner.send(method, path, body)
      // As it is told to programs: status, form, and what is in it.
      const { status = 200, gives, answer } = ROUTE_NOTES[patternOf(route)]!
      expect(well.status).toBe(status)
      expect(well.headers.get('content-type')).toContain(gives ? FORMS[gives] : 'application/json')
      if (answer) expect(answer.safeParse(well.body).error).toBeUndefined()
    },
  )

  describe('asked by the people of its academy', () => {
    const people = new Map<Role, Client>()
    beforeAll(async () => {
      for (const role of ROLES) people.set(role, role === 'owner' ? owner : await joined(owner, role))
    })
    // A player's phone and a device come with keys of their own.
    const rows = ROUTES.filter(({ route }) => !/^(link|ingest)\//.test(route))

    it.each(rows)('$route lets those in whose role it is for, and tells the others whose it is', async ({ ask }) => {
      const [method, path, body] = ask(at)
      const needed = rightNeeded(method, path.split('?')[0]!)
      for (const role of ROLES) {
        const { status, body: said } = await people.get(role)!.send(method, path, body)
        if (mayDo(role, needed)) expect([401, 403], role).not.toContain(status)
        else {
          expect(status, role).toBe(403)
          expect((said as { message: string }).message).toContain(`this is for`)
        }
      }
    })
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
