import { describe, expect, it } from 'vitest'
import { isTriedFirst } from '../../server/auth/tried-first'

describe('a password that is tried first', () => {
  it.each([
    'password1234',
    'P@ssw0rd2026!',
    'football2023!',
    'liverpool2024',
    'golfgolf2026',
    'sunshine12345',
    'zaq12wsxcde3',
    'qwertyuiop12',
    'iloveyou1234',
    'welcome123456',
    'letmein12345',
    'qwertyqwerty',
    'Summer2026!!',
    ' 123456789012 ',
  ])('%s is found', password => expect(isTriedFirst(password)).toBe(true))

  it.each([
    'links and wind',
    'saltmarsh heron',
    '830417295586',
    'tide tide tern',
    'sandy-links-2026',
    'the 46 flies low',
  ])('%s is not', password => expect(isTriedFirst(password)).toBe(false))
})
