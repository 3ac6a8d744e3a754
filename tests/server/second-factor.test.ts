import { Secret, TOTP } from 'otpauth'
import mysql from 'mysql2/promise'
import { describe, expect, inject, it } from 'vitest'
import type { AcademyPeople } from '../../shared/academy'
import type { FactorToSetUp, SecondFactorState, SpareCodes } from '../../shared/account'
import { Client, joined, mailsTo, newCoach, PASSWORD, refusal } from './client'

/** The figures that a phone shows, so many half minutes from now. RFC 6238 by the library, from the address alone. */
function figures(secret: string, later = 0): string {
  return new TOTP({ secret: Secret.fromBase32(secret) }).generate({ timestamp: Date.now() + later * 30_000 })
}

async function withFactor(coach: Client) {
  const { secret, uri } = (await coach.post<FactorToSetUp>('/api/account/second-factor', { current: PASSWORD })).body
  const on = await coach.post<SpareCodes>('/api/account/second-factor/confirm', { code: figures(secret, -1) })
  return { secret, uri, status: on.status, codes: on.body.codes }
}
const signIn = (email: string, code?: string) =>
  new Client().post('/api/auth/sign-in', { email, password: PASSWORD, ...(code !== undefined && { code }) })
const stateOf = async (coach: Client) => (await coach.get<SecondFactorState>('/api/account/second-factor')).body

it('figures are those of the standard: the first of its own table (RFC 6238, appendix B, SHA-1, last six)', () => {
  const totp = new TOTP({ secret: Secret.fromUTF8('12345678901234567890') })
  expect([59, 1111111109, 20000000000].map(s => totp.generate({ timestamp: s * 1000 }))).toEqual([
    '287082',
    '081804',
    '353130',
  ])
})

describe('a second step at sign-in', () => {
  it('asks nobody for it before its first figures were typed, and everybody else after that', async () => {
    const coach = await newCoach()
    const elsewhere = new Client()
    await elsewhere.post('/api/auth/sign-in', { email: coach.email, password: PASSWORD })
    expect(await stateOf(coach)).toEqual({ on: false, spare: 0 })
    expect(refusal(await coach.post('/api/account/second-factor', { current: 'wrong' })).current).toContain('not right')
    const { secret, uri } = (await coach.post<FactorToSetUp>('/api/account/second-factor', { current: PASSWORD })).body
    expect(uri).toContain(`secret=${secret}`)
    expect(decodeURIComponent(uri)).toContain(coach.email)
    expect((await signIn(coach.email)).status).toBe(200)
    const wrong = await coach.post('/api/account/second-factor/confirm', { code: '000000' })
    expect(refusal(wrong).code).toContain('clock of the phone')
    const on = await coach.post<SpareCodes>('/api/account/second-factor/confirm', { code: figures(secret, -1) })
    expect([on.status, new Set(on.body.codes).size, await stateOf(coach)]).toEqual([200, 8, { on: true, spare: 8 }])
    // Where the password alone let in, it does no more.
    expect([(await coach.get('/api/players')).status, (await elsewhere.get('/api/players')).status]).toEqual([200, 401])

    expect(refusal(await signIn(coach.email)).code).toContain('six digits')
    expect(refusal(await signIn(coach.email, '123456')).code).toBe('The code is not right.')
    const [a, b] = [figures(secret).slice(0, 3), figures(secret).slice(3)]
    expect((await signIn(coach.email, `${a} ${b}`)).status).toBe(200)
  })

  it('opens once with the same figures, and once with each spare code', async () => {
    const coach = await newCoach()
    const { secret, codes } = await withFactor(coach)
    const now = figures(secret)
    expect((await signIn(coach.email, now)).status).toBe(200)
    expect(refusal(await signIn(coach.email, now)).code).toContain('used already')
    const spare = codes[3]!.toUpperCase().replace(/(.{5})/, '$1-')
    expect((await signIn(coach.email, spare)).status).toBe(200)
    expect(refusal(await signIn(coach.email, spare)).code).toBe('The code is not right.')
    expect(await stateOf(coach)).toEqual({ on: true, spare: 7 })
  })

  it('holds back a guesser of codes who knows the password', async () => {
    const coach = await newCoach()
    await withFactor(coach)
    const answers = []
    for (let i = 0; i < 12; i++) answers.push((await signIn(coach.email, String(100_000 + i))).status)
    expect(answers).toContain(429)
    // Who is signed in is not held by it.
    expect((await coach.get('/api/players')).status).toBe(200)
  })

  it('is set up once, switched off by the password, and neither secret nor codes lie open in the database', async () => {
    const coach = await newCoach()
    const { secret, codes } = await withFactor(coach)
    expect((await coach.post('/api/account/second-factor', { current: PASSWORD })).status).toBe(409)
    expect((await coach.post('/api/account/second-factor/confirm', { code: figures(secret) })).status).toBe(404)
    const db = await mysql.createConnection(inject('databaseUrl'))
    const [rows] = await db.query('select * from second_factors')
    await db.end()
    const all = JSON.stringify(rows)
    for (const open of [secret, ...codes]) expect(all).not.toContain(open)
    expect(refusal(await coach.post('/api/account/second-factor/off', { current: 'wrong' })).current).toBeTruthy()
    expect((await coach.post('/api/account/second-factor/off', { current: PASSWORD })).status).toBe(200)
    expect((await signIn(coach.email)).status).toBe(200)
    // Whose it is hears of it, in case it was somebody else; and of a new password.
    await coach.post('/api/account/password', { current: PASSWORD, password: 'a new wind blows' })
    const mails = await mailsTo(coach.email, 3)
    for (const what of ['your password was changed', 'second step was switched on', 'second step was switched off'])
      expect(mails.filter(mail => mail.includes(what))).toHaveLength(1)
  })

  it("is asked by the way to a new password too, and taken off by the owner of one's own academy alone", async () => {
    const owner = await newCoach()
    const bo = await joined(owner, 'coach')
    const { secret } = await withFactor(bo)
    const person = async (by: Client) =>
      (await by.get<AcademyPeople>('/api/academy/people')).body.people.find(one => one.email === bo.email)!
    expect([(await person(owner)).secondFactor, (await person(bo)).secondFactor]).toEqual([true, false])
    const { id } = await person(owner)
    const { token } = (await owner.post<{ token: string }>(`/api/academy/people/${id}/reset`)).body
    const reset = (code?: string) =>
      new Client().post('/api/auth/reset', { token, password: 'a new wind blows', ...(code && { code }) })
    expect(refusal(await reset()).code).toContain('six digits')
    expect(refusal(await reset('123456')).code).toBe('The code is not right.')
    expect((await reset(figures(secret))).status).toBe(200)

    const off = (by: Client) => by.send('DELETE', `/api/academy/people/${id}/second-factor`)
    expect([(await off(await newCoach())).status, (await off(owner)).status]).toEqual([404, 200])
    const plain = { email: bo.email, password: 'a new wind blows' }
    expect((await new Client().post('/api/auth/sign-in', plain)).status).toBe(200)
  })
})
