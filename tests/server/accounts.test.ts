import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import mysql from 'mysql2/promise'
import { describe, expect, inject, it } from 'vitest'
import type { Account } from '../../shared/account'
import { waitAfter } from '../../server/limits/wait-after'
import { Client, newCoach, newId, newPlayer, PASSWORD, refusal } from './client'

describe('signing in', () => {
  it('opens with the right password and no other, and does not tell which of the two was wrong', async () => {
    const { email } = await newCoach()
    const client = new Client()
    const wrong = await client.post('/api/auth/sign-in', { email, password: 'not this one' })
    const nobody = await client.post('/api/auth/sign-in', {
      email: 'nobody@saltmarsh.example',
      password: 'not this one',
    })
    expect([wrong.status, nobody.status]).toEqual([401, 401])
    expect(refusal(wrong)).toEqual(refusal(nobody))
    expect((await client.get('/api/account')).status).toBe(401)
    expect(
      (await client.post('/api/auth/sign-in', { email: ` ${email.toUpperCase()} `, password: PASSWORD })).status,
    ).toBe(200)
    expect((await client.get<Account>('/api/account')).body).toMatchObject({ email, academy: 'Test Links', unit: 'yd' })
  })

  it('lets nobody stay out for a password of before that is tried first, and asks for another', async () => {
    const { email } = await newCoach()
    const signIn = (password: string) =>
      new Client().post<{ triedFirst: boolean }>('/api/auth/sign-in', { email, password })
    expect((await signIn(PASSWORD)).body.triedFirst).toBe(false)
    const db = await mysql.createConnection(inject('databaseUrl'))
    const hash = await new Hash(new Scrypt({})).make('liverpool2024')
    await db.query('update coaches set password_hash = ? where email = ?', [hash, email])
    await db.end()
    expect(await signIn('liverpool2024')).toMatchObject({ status: 200, body: { triedFirst: true } })
  })

  it('gives a sealed cookie that scripts cannot read and other sites cannot send', async () => {
    const { email } = await newCoach()
    const reply = await new Client().post('/api/auth/sign-in', { email, password: PASSWORD })
    const cookie = reply.headers.get('set-cookie')!
    expect(cookie).toMatch(/HttpOnly/i)
    expect(cookie).toMatch(/SameSite=Lax/i)
    expect(decodeURIComponent(cookie)).not.toContain(email)
  })

  it('lets no cache between keep what the API answers, and asks for TLS only where cookies go over TLS alone', async () => {
    const coach = await newCoach()
    for (const path of ['/api/account', '/api/players', '/api/nothing-here']) {
      const { headers } = await coach.get(path)
      expect(headers.get('cache-control')).toBe('no-store')
      expect(headers.get('strict-transport-security')).toBeNull()
    }
  })

  it('keeps the password only as a scrypt hash', async () => {
    const { email } = await newCoach()
    const connection = await mysql.createConnection(inject('databaseUrl'))
    const [rows] = await connection.query('select * from coaches where email = ?', [email])
    await connection.end()
    const text = JSON.stringify(rows)
    expect(text).toContain('$scrypt$')
    expect(text).not.toContain(PASSWORD)
  })

  it('stops a guesser after a few tries, also the right password, and says how long to wait', async () => {
    const { email } = await newCoach()
    const client = new Client()
    const tries = await Promise.all(
      Array.from({ length: 12 }, (_, i) => client.post('/api/auth/sign-in', { email, password: `guess ${i}` })),
    )
    // Five mistakes are free, the sixth shuts the gate for two seconds.
    expect(tries.filter(t => t.status === 429)).toHaveLength(6)
    const late = await client.post('/api/auth/sign-in', { email, password: PASSWORD })
    expect([late.status, Number(late.headers.get('retry-after'))]).toEqual([429, expect.any(Number)])
    expect(refusal(late).password).toMatch(/Wait \d s and try again/)
  })

  it('makes each further try wait longer, up to a quarter of an hour', () => {
    expect([1, 5, 6, 7, 8, 12, 20].map(waitAfter)).toEqual([0, 0, 2, 4, 8, 128, 900])
  })

  it("a stranger's tries keep out neither who is signed in nor who came in from there before", async () => {
    const coach = await newCoach()
    const strangers = await Promise.all(
      Array.from({ length: 12 }, () =>
        new Client().post('/api/auth/sign-in', { email: `nobody-${newId()}@saltmarsh.example`, password: 'guess' }),
      ),
    )
    expect(strangers.every(({ status }) => status === 401)).toBe(true)
    expect(
      (await coach.post('/api/account/password', { current: PASSWORD, password: `${PASSWORD} again` })).status,
    ).toBe(200)
    expect(
      (await new Client().post('/api/auth/sign-in', { email: coach.email, password: `${PASSWORD} again` })).status,
    ).toBe(200)
  })

  it('counts addresses that look alike as one account', async () => {
    const { email } = await newCoach()
    const alike = [
      email.toUpperCase(),
      email.replace('coach', 'c\u00F3ach'),
      email.replace('coach', '\uFF43oach'),
      email,
    ]
    const tries = []
    for (let i = 0; i < 8; i++)
      tries.push(
        (await new Client().post('/api/auth/sign-in', { email: alike[i % alike.length], password: 'guess' })).status,
      )
    expect(tries.filter(status => status === 429)).toHaveLength(2)
    // Nor is a new account opened that looks like another's.
    const open = (address: string) =>
      new Client().post('/api/auth/sign-up', { name: 'A', academy: 'B', email: address, password: PASSWORD })
    expect((await open(email.replace('coach', 'c\u00F3ach'))).status).toBe(422)
    expect((await open(email.toUpperCase())).status).toBe(409)
  })

  it('gives back its tries after a right password', async () => {
    const { email } = await newCoach()
    const client = new Client()
    for (let round = 0; round < 3; round++) {
      for (let i = 0; i < 5; i++)
        expect((await client.post('/api/auth/sign-in', { email, password: 'mistyped' })).status).toBe(401)
      expect((await client.post('/api/auth/sign-in', { email, password: PASSWORD })).status).toBe(200)
    }
  })

  it('ends with signing out', async () => {
    const coach = await newCoach()
    await coach.post('/api/auth/sign-out')
    expect((await coach.get('/api/account')).status).toBe(401)
  })

  it('has no demo door outside the demo', async () => {
    const client = new Client()
    expect((await client.post('/api/auth/demo')).status).toBe(404)
    expect((await client.get('/api/auth/doors')).body).toEqual({ demo: false, signUp: 'at once', mail: true })
  })
})

describe('an account', () => {
  it('is opened once for one address, whatever its case', async () => {
    const { email } = await newCoach()
    const again = await new Client().post('/api/auth/sign-up', {
      name: 'B',
      academy: 'C',
      email: email.toUpperCase(),
      password: PASSWORD,
    })
    expect(again.status).toBe(409)
    expect(refusal(again).email).toMatch(/already/)
  })

  it('names every field that is wrong', async () => {
    const reply = await new Client().post('/api/auth/sign-up', {
      name: '',
      academy: 'n'.repeat(10_000),
      email: 'x',
      password: 'short',
    })
    expect(reply.status).toBe(422)
    expect(Object.keys(refusal(reply)).sort()).toEqual(['academy', 'email', 'name', 'password'])
  })

  it('keeps the unit of distance', async () => {
    const coach = await newCoach()
    expect((await coach.patch<Account>('/api/account', { unit: 'm' })).body.unit).toBe('m')
    expect((await coach.get<Account>('/api/account')).body.unit).toBe('m')
    expect(refusal(await coach.patch('/api/account', { unit: 'furlong' })).unit).toBe(
      'Unit "furlong" is not known: one of yd, m.',
    )
  })

  it('changes its password only with the old one, and then ends all other sessions', async () => {
    const coach = await newCoach()
    const other = new Client()
    await other.post('/api/auth/sign-in', { email: coach.email, password: PASSWORD })
    expect(
      refusal(await coach.post('/api/account/password', { current: 'wrong', password: 'a longer one' })).current,
    ).toMatch(/not right/)
    expect((await coach.post('/api/account/password', { current: PASSWORD, password: 'a longer one' })).status).toBe(
      200,
    )
    expect((await coach.get('/api/account')).status).toBe(200)
    expect((await other.get('/api/account')).status).toBe(401)
    expect((await other.post('/api/auth/sign-in', { email: coach.email, password: 'a longer one' })).status).toBe(200)
  })

  it("of a forged cookie is nobody's", async () => {
    const coach = await newCoach()
    coach.cookie = `${coach.cookie.slice(0, -9)}forged123`
    expect((await coach.get('/api/account')).status).toBe(401)
  })
})

describe('the door of the server', () => {
  it('tells version, database and migrations', async () => {
    const { status, body } = await new Client().get('/api/health')
    expect(status).toBe(200)
    expect(body).toMatchObject({
      version: expect.stringMatching(/^\d+\.\d+\.\d+$/),
      database: 'up',
      migrations: { applied: expect.any(Number) },
    })
  })

  it('refuses writes from another site', async () => {
    const coach = await newCoach()
    for (const origin of ['https://elsewhere.example', 'null']) {
      expect((await coach.send('POST', '/api/players', { id: 'x' }, { origin })).status).toBe(403)
    }
    expect((await coach.send('PATCH', '/api/account', { unit: 'm' }, { origin: inject('url') })).status).toBe(200)
    // A browser that sends no origin says at least how far away the page is.
    const site = (far: string) => coach.send('PATCH', '/api/account', { unit: 'yd' }, { 'sec-fetch-site': far })
    expect((await site('cross-site')).status).toBe(403)
    expect((await site('same-site')).status).toBe(403)
    expect((await site('same-origin')).status).toBe(200)
  })

  it.each(['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'])(
    'refuses a write as %s: any site can send one',
    async type => {
      const coach = await newCoach()
      const reply = await coach.send('PATCH', '/api/account', '{"unit":"m"}', { 'content-type': type })
      expect([reply.status, (reply.body as { message: string }).message]).toEqual([
        415,
        expect.stringMatching(/^What is sent must be JSON/),
      ])
      expect((await coach.get<Account>('/api/account')).body.unit).toBe('yd')
    },
  )

  it.each(['<a@saltmarsh.example>', 'a\u0000@saltmarsh.example', 'a@[127.0.0.1]', 'аda@saltmarsh.example', 'a@b'])(
    'opens no account for %s',
    async email => {
      const account = { name: 'Ada', academy: 'Links', email, password: 'links and wind' }
      expect(refusal(await new Client().post('/api/auth/sign-up', account)).email).toMatch(/is not an address such as/)
    },
  )

  it('refuses a body that is no JSON, an empty one, one that is no object, and one of 3 MB', async () => {
    const coach = await newCoach()
    for (const body of ['{"name":', 'name=Pip', '']) {
      const reply = await coach.send('POST', '/api/players', body)
      expect([reply.status, refusal(reply).body]).toEqual([422, 'What was sent is not JSON.'])
    }
    expect(refusal(await coach.post('/api/players', [1])).body).toMatch(/not a JSON object/)
    expect((await coach.post('/api/players', { name: 'x'.repeat(3e6) })).status).toBe(413)
  })

  it('answers an unknown address plainly, and guards the browser with its headers', async () => {
    const reply = await new Client().get('/api/nowhere')
    expect([reply.status, (reply.body as { message: string }).message]).toEqual([404, 'There is no such address.'])
    const page = await new Client().get('/')
    expect(page.headers.get('content-security-policy')).toMatch(/default-src 'self'/)
    expect(page.headers.get('access-control-allow-origin')).toBeNull()
    expect(page.headers.get('content-security-policy')).toMatch(/frame-ancestors 'none'/)
    expect(page.headers.get('x-frame-options')).toBe('DENY')
    expect(page.headers.get('x-content-type-options')).toBe('nosniff')
  })
})

it('an academy that begins in metres judges by figures round in metres, kept as lengths; the unit is its own too', async () => {
  const coach = new Client()
  const account = { name: 'Ada', academy: 'Links', email: `${newId()}@saltmarsh.example`, password: 'links and wind' }
  expect((await coach.post('/api/auth/sign-up', { ...account, unit: 'm' })).status).toBe(201)
  expect((await coach.get<{ unit: string }>('/api/account')).body.unit).toBe('m')
  const kept = { widestStepM: 11, closestM: 4, withinM: 3, unevenM: 4, floorM: 45 }
  const playerId = await newPlayer(coach)
  const judgedBy = async () =>
    (await coach.get<{ academyThresholds: object }>(`/api/players/${playerId}`)).body.academyThresholds
  expect(await judgedBy()).toEqual(kept)
  // Another unit to read in changes no length.
  await coach.send('PATCH', '/api/account', { unit: 'yd' })
  expect(await judgedBy()).toEqual(kept)
  const furlongs = { ...account, email: `${newId()}@saltmarsh.example`, unit: 'furlong' }
  expect((await new Client().post('/api/auth/sign-up', furlongs)).status).toBe(422)
})

it.each([
  ['password1234', 'among the first that are tried'],
  ['P@ssw0rd2026!', 'among the first that are tried'],
  ['aaaaaaaaaaaa', 'among the first that are tried'],
  ['abcdefghijkl', 'among the first that are tried'],
  ['marram.grass9', 'your e-mail or your name'],
  ['Links Of Marram', 'your e-mail or your name'],
])('a new account with the password "%s" is refused', async (password, words) => {
  const account = { name: 'Ada', academy: 'Links of Marram', email: 'marram.grass@saltmarsh.example', password }
  const refused = await new Client().post('/api/auth/sign-up', account)
  expect([refused.status, refusal(refused).password]).toEqual([422, expect.stringContaining(words)])
})
