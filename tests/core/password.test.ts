import { describe, expect, it } from 'vitest'
import { guessable } from '../../shared/password'

describe('a password that others would guess', () => {
  it.each([
    '123456789012',
    '890123456789',
    '210987654321',
    'abcabcabcabc',
    'abcdabcdabcda',
    '1212121212123',
    'abcdefghijkl',
    'zzzzzzzzzzzz',
  ])('%s is refused', password => expect(guessable(password, [])).toMatch(/first that are tried/))

  it.each(['saltmarsh heron', 'links and wind', '830417295586', 'abcdefghijkx', 'tide tide tern'])(
    '%s is taken',
    password => expect(guessable(password, [])).toBeUndefined(),
  )

  it('is the own address or name, also with a year behind it', () => {
    expect(guessable('ada.vane2026', ['ada.vane@saltmarsh.example'])).toMatch(/your e-mail or your name/)
  })
})
