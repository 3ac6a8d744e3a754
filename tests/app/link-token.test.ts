import { expect, it } from 'vitest'
import { tokenInHash } from '../../app/features/published/link-token'

it.each([
  ['#uzzetl_0123456789abcdef0123', 'uzzetl_0123456789abcdef0123'],
  ['', ''],
  ['#', ''],
  ['#%E0%A4%A', ''],
  ['#uzzetl_01', ''],
  ['#uzzetl_0123456789abcdef0123">', ''],
])('a link that ends in "%s" has the token "%s"', (hash, token) => expect(tokenInHash(hash)).toBe(token))
