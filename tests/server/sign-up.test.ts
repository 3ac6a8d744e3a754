import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { Client, mailsTo, newCoach, newId, PASSWORD } from './client'

const ORIGIN = 'https://uzzet.tests.example'

/** An installation that sends mail, and says nothing about new accounts. */
describe('an account is opened by mail', () => {
  let server: Awaited<ReturnType<typeof startServer>>
  beforeAll(async () => {
    server = await startServer({
      port: await freePortFrom(4720),
      databaseUrl: inject('databaseUrl'),
      sessionSecret: 'a secret of the tests, thrown away afterwards',
      env: {
        UZZET_SIGN_UP: '',
        UZZET_SIGN_UPS_PER_HOUR: '1000',
        UZZET_MAIL: `folder:${inject('mails')}`,
        UZZET_MAIL_FROM: 'uzzet@tests.example',
        UZZET_URL: ORIGIN,
      },
    })
  })
  afterAll(() => server.stop())

  const account = (email: string) => ({ name: 'Ada Marl', academy: 'Marram Links', email, password: PASSWORD })
  const tokenIn = (mail: string) => new RegExp(`${ORIGIN}/sign-up#(\\S+)`).exec(mail)?.[1]

  it('the address in the mail opens it, once; until then there is none', async () => {
    const visitor = new Client(server.url)
    expect((await visitor.get<{ signUp: string }>('/api/auth/doors')).body.signUp).toBe('by mail')
    const email = `${newId()}@saltmarsh.example`
    const asked = await visitor.post('/api/auth/sign-up', account(email))
    expect([asked.status, asked.body]).toEqual([202, { ok: true, mailed: true }])
    expect((await visitor.get('/api/account')).status).toBe(401)
    expect((await visitor.post('/api/auth/sign-in', { email, password: PASSWORD })).status).toBe(401)
    const mail = (await mailsTo(email, 1))[0]!
    // A stranger could send words of their own to anybody.
    expect(mail).not.toMatch(/Ada Marl|Marram Links/)
    const token = tokenIn(mail)
    expect((await visitor.post('/api/auth/open-account', { token })).status).toBe(201)
    const { body } = await visitor.get<{ email: string; academy: string }>('/api/account')
    expect(body).toMatchObject({ email, academy: 'Marram Links' })
    expect((await new Client(server.url).post('/api/auth/open-account', { token })).status).toBe(409)
  })

  it('a stranger hears the same of an address that has an account, and its owner is written to', async () => {
    const { email } = await newCoach()
    const stranger = new Client(server.url)
    const taken = await stranger.post('/api/auth/sign-up', account(email))
    const free = await stranger.post('/api/auth/sign-up', account(`${newId()}@saltmarsh.example`))
    expect([taken.status, taken.body]).toEqual([free.status, free.body])
    const [mail] = await mailsTo(email, 1)
    expect(mail).toContain('You have an account with Uzzet')
    expect(tokenIn(mail!)).toBeUndefined()
  })

  it('five mails a day go to one address, whoever asks, and a sixth is answered the same', async () => {
    const email = `${newId()}@saltmarsh.example`
    for (let i = 0; i < 7; i++)
      expect((await new Client(server.url).post('/api/auth/sign-up', account(email))).status).toBe(202)
    expect(await mailsTo(email, 6)).toHaveLength(5)
  })

  it.each([
    ['one that was changed', (token: string) => `${token.slice(0, -4)}AAAA`],
    ['one that was cut off', (token: string) => token.slice(0, 40)],
    ['none of ours', () => 'x'],
  ])('%s opens nothing', async (_what, spoiled) => {
    const email = `${newId()}@saltmarsh.example`
    const visitor = new Client(server.url)
    await visitor.post('/api/auth/sign-up', account(email))
    const token = tokenIn((await mailsTo(email, 1))[0]!)!
    expect((await visitor.post('/api/auth/open-account', { token: spoiled(token) })).status).toBe(404)
    expect((await visitor.get('/api/account')).status).toBe(401)
  })
})
