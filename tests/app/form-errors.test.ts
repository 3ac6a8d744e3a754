import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'

beforeEach(() => vi.stubGlobal('ref', ref))

const form = async () => (await import('../../app/ui/useFormErrors')).useFormErrors()
const schemas = async () => (await import('../../app/ui/form-schemas')).formSchemas

describe('a form that is checked', () => {
  it('gives the clean value, or says beside which field what is wrong', async () => {
    const { check, of, general } = await form()
    const { SignIn } = await schemas()
    expect(await check(SignIn, { email: 'a@b.example', password: '' })).toBeNull()
    expect(of('password')).toBeTruthy()
    const typed = { email: 'a@b.example', password: 'long enough to be one' }
    expect(await check(SignIn, typed)).toEqual(typed)
    expect([of('password'), general.value]).toEqual([undefined, undefined])
  })

  it('says so when its schema cannot be fetched, and goes through once there is a network', async () => {
    const { check, of, general, errors } = await form()
    const { SignIn } = await schemas()
    const typed = { email: 'a@b.example', password: 'long enough to be one' }
    errors.value = [{ field: 'password', message: 'of before' }]
    expect(await check(() => Promise.reject(new TypeError('Failed to fetch')), typed)).toBeNull()
    expect(general.value).toMatch(/no network.*stays/)
    expect(of('password')).toBeUndefined()
    expect(await check(SignIn, typed)).toEqual(typed)
    expect(general.value).toBeUndefined()
  })

  it('every schema that a form asks for is one', async () => {
    for (const [name, load] of Object.entries(await schemas()))
      expect(typeof (await load()).safeParse, name).toBe('function')
  })
})
