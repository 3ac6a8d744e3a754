import mysql from 'mysql2/promise'
import { describe, expect, inject, it, vi } from 'vitest'
import type { AcademyPeople, InvitedTo, SignInPlace } from '../../shared/academy'
import { rightNeeded } from '../../shared/rights'
import type { PlayerLine } from '../../shared/player'
import type { MadeLink } from '../../shared/player-link'
import { atTheRange, Client, joined, mailsTo, newCoach, newId, newPlayer, PASSWORD, refusal } from './client'

const peopleOf = async (client: Client) => (await client.get<AcademyPeople>('/api/academy/people')).body
const idOf = async (owner: Client, email: string) =>
  (await peopleOf(owner)).people.find(person => person.email === email)!.id
const message = (body: unknown) => (body as { message: string }).message
const names = async (client: Client) =>
  (await client.get<PlayerLine[]>('/api/players')).body.map(player => player.name).sort()

describe('an invitation', () => {
  it('lets one person in, once, as what it says, and tells strangers nothing', async () => {
    const owner = await newCoach()
    const asked = { id: newId(), role: 'assistant', forWhom: 'Bo Kestrel' }
    const { body: made, status } = await owner.post<{ token: string; id: string }>('/api/academy/invitations', asked)
    expect(status).toBe(201)
    const look = (token: string) => new Client().post<InvitedTo>('/api/auth/invitation', { token })
    expect((await look(made.token)).body).toEqual({ academy: 'Test Links', role: 'assistant', forWhom: 'Bo Kestrel' })
    expect((await look('guessed')).status).toBe(404)

    const person = { token: made.token, name: 'Bo', email: `${newId()}@saltmarsh.example`, password: PASSWORD }
    // An address that has an account is refused, and the invitation stands.
    expect(refusal(await new Client().post('/api/auth/join', { ...person, email: owner.email })).email).toContain(
      'There is an account',
    )
    const bo = new Client()
    expect((await bo.post('/api/auth/join', person)).status).toBe(201)
    expect((await bo.get<{ role: string }>('/api/account')).body.role).toBe('assistant')
    const again = await new Client().post('/api/auth/join', { ...person, email: `${newId()}@saltmarsh.example` })
    expect(again.status).toBe(404)
    expect((await look(made.token)).status).toBe(404)
  })

  it('is no good when it was taken back or is too old, and only its hash is kept', async () => {
    const owner = await newCoach()
    const make = async () =>
      (
        await owner.post<{ token: string; id: string }>('/api/academy/invitations', {
          id: newId(),
          role: 'coach',
          forWhom: 'Bo',
        })
      ).body
    const [back, old] = [await make(), await make()]
    expect((await owner.send('DELETE', `/api/academy/invitations/${back.id}`)).status).toBe(200)
    const db = await mysql.createConnection(inject('databaseUrl'))
    await db.query('update invitations set expires_at = now(3) - interval 1 minute where id = ?', [old.id])
    const [rows] = await db.query('select token_hash as hash from invitations where id = ?', [old.id])
    await db.end()
    expect((rows as { hash: string }[])[0]!.hash).not.toContain(old.token)
    for (const { token } of [back, old])
      expect((await new Client().post('/api/auth/invitation', { token })).status).toBe(404)
    expect((await peopleOf(owner)).invitations).toEqual([])
  })
})

describe('people of an academy', () => {
  it('an assistant logs and neither packs a bag nor publishes; another role holds at the next request', async () => {
    const owner = await newCoach()
    const at = await atTheRange(owner)
    const bo = await joined(owner, 'assistant')
    expect((await bo.post(`/api/players/${at.playerId}/shots`, { shots: [at.shot()] })).status).toBe(202)
    const publish = () => bo.post(`/api/players/${at.playerId}/published`, { id: newId(), unit: 'yd', note: '' })
    const refused = await publish()
    expect([refused.status, message(refused.body)]).toEqual([403, 'You are here as an assistant: this is for a coach.'])

    const boId = await idOf(owner, bo.email)
    await owner.patch(`/api/academy/people/${boId}`, { role: 'coach' })
    expect((await publish()).status).toBe(201)
    // A reader logs nothing, one ball at a time either.
    await owner.patch(`/api/academy/people/${boId}`, { role: 'reader' })
    expect((await bo.post(`/api/players/${at.playerId}/shots`, { shots: [at.shot()] })).status).toBe(403)
    expect((await bo.get(`/api/players/${at.playerId}`)).status).toBe(200)
  })

  it('who leaves is out at once, on every device and with every token, and comes back with what was theirs', async () => {
    const owner = await newCoach()
    const bo = await joined(owner, 'coach')
    const { body: device } = await bo.post<{ token: string }>('/api/devices', { id: newId(), name: 'Bay 1' })
    const boId = await idOf(owner, bo.email)
    await owner.patch(`/api/academy/people/${boId}`, { left: true })
    expect((await bo.get('/api/players')).status).toBe(401)
    const sent = await new Client().send('POST', '/api/ingest/shots', {}, { authorization: `Bearer ${device.token}` })
    expect(sent.status).toBe(401)
    const again = new Client()
    const signIn = () => again.post('/api/auth/sign-in', { email: bo.email, password: PASSWORD })
    expect((await signIn()).status).toBe(401)
    await owner.patch(`/api/academy/people/${boId}`, { left: false })
    expect((await signIn()).status).toBe(200)
    expect((await again.get('/api/players')).status).toBe(200)
  })

  it('an academy keeps an owner; nobody changes the people of another', async () => {
    const [owner, other] = [await newCoach(), await newCoach()]
    const ownerId = await idOf(owner, owner.email)
    for (const change of [{ role: 'coach' }, { left: true }]) {
      const refused = await owner.patch(`/api/academy/people/${ownerId}`, change)
      expect([refused.status, message(refused.body)]).toEqual([
        422,
        'An academy needs an owner: make somebody else the owner first.',
      ])
    }
    expect((await other.patch(`/api/academy/people/${ownerId}`, { role: 'reader' })).status).toBe(404)
  })

  it('a coach sees all players, or their own alone where the owner chose so, by every way in', async () => {
    const owner = await newCoach()
    const [bo, cy] = [await joined(owner, 'coach', 'Bo'), await joined(owner, 'coach', 'Cy')]
    const at = await atTheRange(bo)
    await newPlayer(cy, 'Kit Arden')
    expect(await names(cy)).toEqual(['Kit Arden', 'Pip Marlow'])
    expect((await bo.patch('/api/academy', { coachesSee: 'own' })).status).toBe(403)
    await owner.patch('/api/academy', { coachesSee: 'own' })
    expect([await names(bo), await names(cy), await names(owner)]).toEqual([
      ['Pip Marlow'],
      ['Kit Arden'],
      ['Kit Arden', 'Pip Marlow'],
    ])
    const path = `/api/players/${at.playerId}`
    for (const ask of ['', '/bag.json', '/chart.json', '/shots.csv', '/practice', '/rounds', '/links', '/all.zip'])
      expect((await cy.get(path + ask)).status, ask).toBe(404)
    for (const shots of [[at.shot()], [at.shot(), at.shot()]])
      expect((await cy.post(`${path}/shots`, { shots })).status).toBe(404)
    expect((await bo.post(`${path}/shots`, { shots: [at.shot()] })).status).toBe(202)

    // Handed over: the other's from now on, and no longer this one's.
    const cyId = await idOf(owner, cy.email)
    const handed = await bo.patch<{ coachId: string }>(path, { version: 1, coachId: cyId })
    expect([handed.status, handed.body.coachId]).toEqual([200, cyId])
    expect([await names(bo), await names(cy)]).toEqual([[], ['Kit Arden', 'Pip Marlow']])
    const stranger = await newCoach()
    const strangerId = await idOf(stranger, stranger.email)
    expect(refusal(await cy.patch(path, { version: 2, coachId: strangerId })).coachId).toContain('no such coach')
  })
})

describe('signing out', () => {
  it('ends the cookie on the server, here or on another device, and a new password ends the others', async () => {
    const here = await newCoach()
    const signedIn = async () => {
      const client = new Client()
      await client.send(
        'POST',
        '/api/auth/sign-in',
        { email: here.email, password: PASSWORD },
        { 'user-agent': 'Mozilla/5.0 (iPad) Safari/605' },
      )
      return client
    }
    const [tablet, desk] = [await signedIn(), await signedIn()]
    const places = (await here.get<SignInPlace[]>('/api/account/sign-ins')).body
    expect(places).toHaveLength(3)
    expect(places.filter(place => place.here)).toHaveLength(1)
    expect(places.map(({ device }) => device)).toContain('a tablet')

    // A copy of a cookie opens nothing after the sign-out.
    const copy = tablet.cookie
    await tablet.post('/api/auth/sign-out')
    tablet.cookie = copy
    expect((await tablet.get('/api/account')).status).toBe(401)

    const other = (await desk.get<SignInPlace[]>('/api/account/sign-ins')).body.find(place => place.here)!
    expect((await here.send('DELETE', `/api/account/sign-ins/${other.id}`)).status).toBe(200)
    expect((await desk.get('/api/account')).status).toBe(401)
    // Nobody ends another's.
    const stranger = await newCoach()
    const mine = (await here.get<SignInPlace[]>('/api/account/sign-ins')).body[0]!
    expect((await stranger.send('DELETE', `/api/account/sign-ins/${mine.id}`)).status).toBe(404)

    const elsewhere = [await signedIn(), await signedIn()]
    expect((await here.send('DELETE', '/api/account/sign-ins')).status).toBe(200)
    for (const client of elsewhere) expect((await client.get('/api/account')).status).toBe(401)
    expect((await here.get<SignInPlace[]>('/api/account/sign-ins')).body).toHaveLength(1)
    expect((await stranger.get('/api/account')).status).toBe(200)

    const third = await signedIn()
    const copyOfThird = third.cookie
    expect((await here.post('/api/account/password', { current: PASSWORD, password: 'marram and sand' })).status).toBe(
      200,
    )
    third.cookie = copyOfThird
    expect((await third.get('/api/account')).status).toBe(401)
    expect((await here.get<SignInPlace[]>('/api/account/sign-ins')).body).toHaveLength(1)
  })
})

describe('erasing a player', () => {
  it('waits for 30 days in the archive, is the owner’s, and leaves no row in any table', async () => {
    const owner = await newCoach()
    const at = await atTheRange(owner)
    const path = `/api/players/${at.playerId}`
    await owner.post(`${path}/shots`, { shots: [at.shot(), at.shot()] })
    await owner.post(`${path}/published`, { id: newId(), unit: 'yd', note: '' })
    const link = await owner.post<{ token: string }>(`${path}/links`, { id: newId(), strength: 'log' })
    const { body: device } = await owner.post<{ id: string }>('/api/devices', { id: newId(), name: 'Bay 1' })
    await owner.put(`/api/devices/${device.id}/aim`, {
      at: {
        playerId: at.playerId,
        sessionId: at.session.id,
        clubId: at.bag.clubs[0]!.id,
        rungId: at.bag.scale.rungs[0]!.id,
      },
      atMs: Date.now(),
    })
    const erase = (client: Client = owner) => client.post(`${path}/erase`)
    expect(message((await erase()).body)).toBe('Pip Marlow is not archived: archive a player first.')
    await owner.patch(path, { version: 1, archived: true })
    expect(message((await erase()).body)).toMatch(/^Pip Marlow can be erased 30 days after being archived, from 20/)
    expect((await erase(await joined(owner, 'coach'))).status).toBe(403)
    expect((await erase(await newCoach())).status).toBe(404)

    const db = await mysql.createConnection(inject('databaseUrl'))
    await db.query('update players set archived_at = now(3) - interval 31 day where id = ?', [at.playerId])
    expect((await erase()).status).toBe(200)
    expect((await owner.get(path)).status).toBe(404)
    const opened = await new Client().send('GET', '/api/link', undefined, {
      authorization: `Bearer ${link.body.token}`,
    })
    expect(opened.status).toBe(401)
    const [tables] = await db.query(
      `select table_name as name from information_schema.columns
       where table_schema = database() and column_name = 'player_id' and table_name <> 'erasures'`,
    )
    const known = (tables as { name: string }[]).map(({ name }) => name)
    expect(known.length).toBeGreaterThan(12)
    for (const name of known) {
      const [rows] = await db.query('select count(*) as n from ?? where player_id = ?', [name, at.playerId])
      expect((rows as { n: number }[])[0]!.n, name).toBe(0)
    }
    const [kept] = await db.query('select academy_id from erasures where player_id = ?', [at.playerId])
    expect(kept).toHaveLength(1)
    await db.end()
  })
})

it('what a request asks for goes by its path and method', () => {
  expect(
    (
      [
        ['GET', '/api/players/1'],
        ['PUT', '/api/players/1/sessions/2'],
        ['PUT', '/api/players/1/bag'],
        ['POST', '/api/players/1/erase'],
        ['GET', '/api/academy/people'],
        ['PATCH', '/api/academy'],
        ['PATCH', '/api/account'],
        // What nobody thought of is for those who teach.
        ['POST', '/api/something/new'],
      ] as const
    ).map(([method, path]) => rightNeeded(method, path)),
  ).toEqual(['read', 'log', 'teach', 'own', 'teach', 'own', 'read', 'teach'])
})

describe('how long archived players are kept', () => {
  it('is chosen by the owner, holds after a day, and takes nobody who came back or is of another academy', async () => {
    const owner = await newCoach()
    const assistant = await joined(owner, 'assistant')
    const other = await newCoach()
    const keep = (by: Client, keepMonths: unknown) => by.send('PATCH', '/api/academy', { keepMonths })
    expect((await keep(assistant, 6)).status).toBe(403)
    expect(refusal(await keep(owner, 7)).keepMonths).toContain('3, 6, 12, 24, 60')
    const players = {
      old: await newPlayer(owner),
      back: await newPlayer(owner),
      stuck: await newPlayer(owner),
      young: await newPlayer(owner),
      theirs: await newPlayer(other),
    }
    const db = await mysql.createConnection(inject('databaseUrl'))
    const archived = (id: string, months: number) =>
      db.query('update players set archived_at = now(3) - interval ? month where id = ?', [months, id])
    for (const id of [players.stuck, players.old, players.back, players.theirs]) await archived(id, 7)
    await archived(players.young, 5)
    expect((await keep(owner, 6)).status).toBe(200)
    expect((await owner.get<AcademyPeople>('/api/academy/people')).body).toMatchObject({ keepMonths: 6, overdue: 3 })

    vi.stubEnv('DATABASE_URL', inject('databaseUrl'))
    const { eraseOverdue } = await import('../../server/data/erase')
    const { closeDatabase } = await import('../../server/db/database')
    const here = async () => {
      const [rows] = await db.query('select id from players where id in (?)', [Object.values(players)])
      return (rows as { id: string }[]).map(({ id }) => id).sort()
    }
    // Not within a day of choosing.
    expect(await eraseOverdue()).toEqual({ gone: 0, failures: [] })
    await db.query('update academies set keep_set_at = now(3) - interval 25 hour where keep_months is not null')
    await db.query('update players set archived_at = null where id = ?', [players.back])
    // One who cannot be erased now holds up nobody, stays whole, and goes the next time.
    await db.query(
      'create trigger stuck before delete on players for each row ' +
        `if old.id = '${players.stuck}' then signal sqlstate '45000' set message_text = 'stuck'; end if`,
    )
    expect(await eraseOverdue()).toMatchObject({ gone: 1, failures: [expect.any(Error)] })
    expect(await here()).toEqual([players.back, players.stuck, players.young, players.theirs].sort())
    await db.query('drop trigger stuck')
    expect(await eraseOverdue()).toEqual({ gone: 1, failures: [] })
    expect(await here()).toEqual([players.back, players.young, players.theirs].sort())
    const [gone] = await db.query('select player_id, erased_by from erasures where player_id = ?', [players.old])
    expect(gone).toHaveLength(1)
    expect((await keep(owner, null)).status).toBe(200)
    await archived(players.back, 90)
    expect(await eraseOverdue()).toEqual({ gone: 0, failures: [] })
    await closeDatabase()
    await db.end()
    vi.unstubAllEnvs()
  })
})

describe('a lost password', () => {
  it('is set anew once, by an address that the owner makes, and ends every sign-in there was', async () => {
    const owner = await newCoach()
    const bo = await joined(owner, 'coach')
    const boId = await idOf(owner, bo.email)
    const make = (by: Client) => by.post<{ token: string }>(`/api/academy/people/${boId}/reset`)
    expect((await make(bo)).status).toBe(403)
    expect((await make(await newCoach())).status).toBe(404)
    const first = (await make(owner)).body.token
    const { token } = (await make(owner)).body
    const look = (one: string) => new Client().post('/api/auth/reset-look', { token: one })
    // The newest alone opens, and tells whose it is.
    expect((await look(first)).status).toBe(404)
    expect((await look(token)).body).toMatchObject({ email: bo.email, academy: 'Test Links' })

    const set = (password: string) => new Client().post('/api/auth/reset', { token, password })
    expect(refusal(await set('short')).password).toContain('too short')
    expect(refusal(await set(bo.email)).password).toContain('your e-mail')
    expect((await bo.get('/api/players')).status).toBe(200)
    const fresh = new Client()
    expect((await fresh.post('/api/auth/reset', { token, password: 'a new wind blows' })).status).toBe(200)
    expect((await fresh.get('/api/players')).status).toBe(200)
    expect((await bo.get('/api/players')).status).toBe(401)
    expect((await set('another wind blows')).status).toBe(404)
    const signIn = (password: string) => new Client().post('/api/auth/sign-in', { email: bo.email, password })
    expect([(await signIn(PASSWORD)).status, (await signIn('a new wind blows')).status]).toEqual([401, 200])
  })

  it('is not guessed: its neighbours open nothing, and it goes on opening', async () => {
    const owner = await newCoach()
    const bo = await joined(owner, 'coach')
    const { token } = (await owner.post<{ token: string }>(`/api/academy/people/${await idOf(owner, bo.email)}/reset`))
      .body
    // One place changed: as near to the right one as a guess can be.
    const near = Array.from({ length: 40 }, (_, i) => {
      const at = i % token.length
      return token.slice(0, at) + (token[at] === 'A' ? 'B' : 'A') + token.slice(at + 1)
    })
    const guesser = new Client()
    const said: number[] = []
    for (const guess of near)
      said.push((await guesser.post('/api/auth/reset', { token: guess, password: 'a new wind blows' })).status)
    expect(new Set(said)).toEqual(new Set([404]))
    expect((await bo.get('/api/players')).status).toBe(200)
    expect((await guesser.post('/api/auth/reset', { token, password: 'a new wind blows' })).status).toBe(200)
  })

  describe('by mail', () => {
    const lost = (email: string) => new Client().post('/api/auth/lost', { email })

    it('is asked for by the address alone, and opens as the owner’s does; look-alike spellings are one account', async () => {
      const coach = await newCoach()
      expect((await lost(coach.email.toUpperCase())).status).toBe(202)
      const [mail] = await mailsTo(coach.email, 1)
      expect(mail!).toContain('From: uzzet@tests.example')
      // The address is the installation's own, whatever the request said of its host.
      const token = /https:\/\/uzzet\.tests\.example\/new-password#(\S+)/.exec(mail!)![1]!
      const set = await new Client().post('/api/auth/reset', { token, password: 'a new wind blows' })
      expect(set.status).toBe(200)
      const signIn = { email: coach.email, password: 'a new wind blows' }
      expect((await new Client().post('/api/auth/sign-in', signIn)).status).toBe(200)
    })

    it('answers alike for an address without an account, sends nothing there, and never more than five a day', async () => {
      const nobody = `nobody-${newId()}@club.example`
      const coach = await newCoach()
      const [theirs, others] = [await lost(coach.email), await lost(nobody)]
      expect([theirs.status, theirs.body]).toEqual([others.status, others.body])
      for (let i = 0; i < 6; i++) expect((await lost(coach.email)).status).toBe(202)
      await mailsTo(coach.email, 5)
      // The sixth and seventh had their time to come.
      await new Promise(resolve => setTimeout(resolve, 300))
      expect(await mailsTo(coach.email, 5)).toHaveLength(5)
      expect(await mailsTo(nobody, 0)).toEqual([])
      expect(refusal(await lost('no address')).email).toBeTruthy()
    })
  })

  it('stays lost by an address that is too old, or of somebody who has left; only its hash is kept', async () => {
    const owner = await newCoach()
    const bo = await joined(owner, 'reader')
    const boId = await idOf(owner, bo.email)
    const make = async () => (await owner.post<{ token: string }>(`/api/academy/people/${boId}/reset`)).body.token
    const db = await mysql.createConnection(inject('databaseUrl'))
    const old = await make()
    await db.query('update resets set expires_at = now() - interval 1 minute where coach_id = ?', [boId])
    const [rows] = await db.query('select token_hash from resets where coach_id = ?', [boId])
    await db.end()
    expect(JSON.stringify(rows)).not.toContain(old)
    const set = (token: string) => new Client().post('/api/auth/reset', { token, password: 'a new wind blows' })
    expect((await set(old)).status).toBe(404)
    const token = await make()
    await owner.send('PATCH', `/api/academy/people/${boId}`, { left: true })
    expect((await set(token)).status).toBe(404)
    expect((await owner.post(`/api/academy/people/${boId}/reset`)).status).toBe(404)
  })
})

describe('somebody under age', () => {
  const player = async (coach: Client, id: string) =>
    (await coach.get<PlayerLine[]>('/api/players')).body.find(one => one.id === id)!
  const note = async (coach: Client, id: string, guardian: object | null) =>
    coach.patch(`/api/players/${id}`, { version: (await player(coach, id)).version, guardian })
  const open = async (token: string) =>
    (await new Client().send('GET', '/api/link', undefined, { authorization: `Bearer ${token}` })).status

  it('is on nobody’s phone until a guardian has agreed, nor once it is taken back; who noted it is told', async () => {
    const coach = await newCoach()
    const id = newId()
    const guardian = { name: '', agreedAtMs: null }
    await coach.post('/api/players', { id, name: 'Kit Sorrel', level: 'beginner', note: '', guardian })
    const make = () => coach.post<MadeLink>(`/api/players/${id}/links`, { id: newId(), strength: 'read' })
    const refused = await make()
    expect([refused.status, refusal(refused)]).toEqual([422, { guardian: 'A parent or guardian has not agreed yet.' }])
    const agreed = { name: 'Rowan Sorrel', agreedAtMs: Date.now() - 86_400_000 }
    expect((await note(coach, id, agreed)).status).toBe(200)
    expect((await player(coach, id)).guardian).toEqual(agreed)
    const { body: link } = await make()
    expect(await open(link.token)).toBe(200)
    await note(coach, id, { ...agreed, agreedAtMs: null })
    expect(await open(link.token)).toBe(401)
    await note(coach, id, agreed)
    expect(await open(link.token)).toBe(200)
    // Of age by now: nobody's word is asked for.
    await note(coach, id, null)
    expect([await open(link.token), (await player(coach, id)).guardian]).toEqual([200, null])
    await vi.waitFor(async () =>
      expect(JSON.stringify((await coach.get(`/api/players/${id}/history`)).body)).toContain('consent'),
    )
  })

  it('a day without a name, or one that has not come, is refused', async () => {
    const coach = await newCoach()
    const id = await newPlayer(coach)
    expect(refusal(await note(coach, id, { name: '', agreedAtMs: Date.now() }))).toEqual({
      'guardian.name': 'Who agreed is missing: a name is needed.',
    })
    const late = { name: 'Rowan', agreedAtMs: Date.now() + 9 * 86_400_000 }
    expect(Object.keys(refusal(await note(coach, id, late)))).toEqual(['guardian.agreedAtMs'])
  })
})
