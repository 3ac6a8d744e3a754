/** Tokens are letters, figures, dashes and underscores; what is shorter was cut off on its way. */
const WHOLE = /^[\w-]{20,200}$/

/**
 * The token behind the "#" of a link's address; nothing where it is broken or cut off, so that it takes the place of no
 * whole one.
 * @example tokenInHash('#uzzetl_0123456789abcdef0123') // => 'uzzetl_0123456789abcdef0123'
 */
export function tokenInHash(hash: string): string {
  const text = hash.replace(/^#/, '').trim()
  return WHOLE.test(text) ? text : ''
}
