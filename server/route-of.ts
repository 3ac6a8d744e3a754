import type { H3Event } from 'h3'

/** The pattern that a request matched, such as `/api/players/:playerId`: no id of anybody stands in it. */
export function routeOf({ context, path }: H3Event): string {
  const { matchedRoute } = context as { matchedRoute?: { path?: string } }
  if (!path.startsWith('/api/')) return 'page'
  return matchedRoute?.path?.includes('/api/') ? matchedRoute.path : 'unknown'
}
