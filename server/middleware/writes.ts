import { bearerOf } from '../auth/device'
import { refuse } from '../ingest/refuse'

/** Host of an origin; null for "null", which sandboxed pages send, and for what is no address. */
function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null
}

/** What a form of any site may send, without asking: none of our own pages does. */
const FORMS = /^(text\/plain|application\/x-www-form-urlencoded|multipart\/form-data)\b/i

/**
 * Writes come from our own pages and say how long they are. SameSite keeps the cookie off other sites' requests; this
 * is the second lock.
 */
export default defineEventHandler(event => {
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getHeader(event, 'origin')
  const from = getHeader(event, 'sec-fetch-site')
  // A browser that sends no origin still says how far away the page is (Fetch Metadata, W3C).
  const isElsewhere = origin
    ? hostOf(origin) !== getHeader(event, 'host')
    : !!from && !/^(same-origin|none)$/.test(from)
  if (isElsewhere) throw refuse(403, 'This request came from another site and was refused.')
  // Who comes with a token of their own comes with no cookie that another site could use.
  const type = getHeader(event, 'content-type') ?? ''
  if (!bearerOf(event) && FORMS.test(type))
    throw refuse(415, `What is sent must be JSON (application/json), not ${/^[\w/-]+/.exec(type)![0].toLowerCase()}.`)
  // Without a length the size limit would not see it coming.
  if (getHeader(event, 'content-length') === undefined && getHeader(event, 'transfer-encoding') !== undefined) {
    throw refuse(411, 'This request does not say how long it is and was refused.')
  }
})
