/** Half a year, as is usual for HSTS (RFC 6797). */
const HSTS = 'max-age=15552000'

/**
 * What the API answers is somebody's: no cache between keeps it. Where cookies go over TLS only, browsers are told to
 * come by TLS only.
 */
export default defineEventHandler(event => {
  if (event.path.startsWith('/api/')) setHeader(event, 'cache-control', 'no-store')
  if (useRuntimeConfig(event).session.cookie.secure) setHeader(event, 'strict-transport-security', HSTS)
})
