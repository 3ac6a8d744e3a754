import { describe, expect, it } from 'vitest'
import { addressWithoutPassword, connectionOptions, whyNoConnection } from '../../server/db/connection-options.mjs'

describe('DATABASE_URL', () => {
  it.each([
    ['mysql://u:p@h:3307/db', { host: 'h', port: 3307, user: 'u', password: 'p', database: 'db' }],
    ['mariadb://u:p@h/my-golf-db', { port: 3306, database: 'my-golf-db' }],
    ['mysql://some%40one:p%40ss%3A%2F%25@h/db', { user: 'some@one', password: 'p@ss:/%' }],
    ['mysql://u@h/db', { password: '' }],
    ['mysql://u:p@[::1]:3306/db', { host: '::1' }],
    ['mysql://u:p@h/db?ssl=true', { ssl: { rejectUnauthorized: true } }],
    ['mysql://u:p@h/db?ssl-mode=required', { ssl: { rejectUnauthorized: false } }],
    ['mysql://u:p@h/db?ssl_mode=VERIFY_CA', { ssl: { rejectUnauthorized: true } }],
    ['mysql://u:p@h/db?sslmode=disabled', { host: 'h' }],
  ])('%s is read', (address, options) => {
    expect(connectionOptions(address)).toMatchObject(options)
  })

  it.each([
    ['nonsense', /is no address/],
    ['http://h/db', /begins with "http:\/\/"/],
    ['mysql://u:p@h', /names no database/],
    ['mysql://u:p@h/a/b', /names no database/],
    ['mysql://u:100%@h/db', /write "%" as "%25"/],
    ['mysql://u:p@h/db?ssl-mode=maybe', /ssl-mode "MAYBE" is not known/],
    ['mysql://u:p@h/db?ssl-ca=/no/such/file', /certificate "\/no\/such\/file" cannot be read/],
  ])('%s is refused in words', (address, words) => {
    expect(() => connectionOptions(address)).toThrow(words)
  })

  it('is never shown with its password', () => {
    const address = 'mysql://u:secret@h/db'
    expect(addressWithoutPassword(address)).toBe('mysql://h/db')
    for (const code of ['ER_ACCESS_DENIED_ERROR', 'ER_BAD_DB_ERROR', 'ENOTFOUND', 'HANDSHAKE_NO_SSL_SUPPORT', 'ER_ODD'])
      expect(whyNoConnection({ code }, address)).not.toContain('secret')
    expect(
      new Set(
        ['ER_ACCESS_DENIED_ERROR', 'ER_BAD_DB_ERROR', 'ENOTFOUND', 'HANDSHAKE_NO_SSL_SUPPORT', 'ER_ODD'].map(code =>
          whyNoConnection({ code }, address),
        ),
      ).size,
    ).toBe(5)
  })
})
