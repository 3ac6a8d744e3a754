import { refuse } from '../ingest/refuse'

/** Host of an origin; null for "null", which sandboxed pages send, and for what is no address. */
function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null
}

/**
 * Writes come from our own pages and say how long they are. SameSite keeps the cookie off other sites' requests; this
 * is the second lock.
 */
export default defineEventHandler(event => {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getHeader(event, 'origin')
  if (origin && hostOf(origin) !== getHeader(event, 'host')) {
    throw refuse(403, 'This request came from another site and was refused.')
  }
  // Without a length the size limit would not see it coming.
  if (getHeader(event, 'content-length') === undefined && getHeader(event, 'transfer-encoding') !== undefined) {
    throw refuse(411, 'This request does not say how long it is and was refused.')
  }
})
