/** Who may do what in an academy, in words and by route: one table, which the server asks and the screens show. */

/** From the one who may do all to the one who looks on. */
export const ROLES = ['owner', 'coach', 'assistant', 'reader'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_WORDS: Record<Role, { name: string; may: string }> = {
  owner: { name: 'Owner', may: 'All of it: people, the academy, and erasing a player for good.' },
  coach: { name: 'Coach', may: 'Players, bags, charts, publishing, ranges and drills.' },
  assistant: { name: 'Assistant', may: 'Logs balls, practice and rounds; changes no bag and publishes nothing.' },
  reader: { name: 'Reader', may: 'Looks on; changes nothing.' },
}

/** Whom a coach sees: all players of the academy, or their own alone. */
export const COACHES_SEE = ['all', 'own'] as const
export type CoachesSee = (typeof COACHES_SEE)[number]

/** What a request asks for. Each role has the rights below its own too. */
export const RIGHTS = ['read', 'log', 'teach', 'own'] as const
export type Right = (typeof RIGHTS)[number]

const RIGHT_OF_ROLE: Record<Role, Right> = { owner: 'own', coach: 'teach', assistant: 'log', reader: 'read' }

/** @example mayDo('assistant', 'teach') // => false */
export function mayDo(role: Role, right: Right): boolean {
  return RIGHTS.indexOf(RIGHT_OF_ROLE[role]) >= RIGHTS.indexOf(right)
}

/** Writes that ask for less, or more, than teaching does; the first that fits holds. */
const WRITES: readonly (readonly [path: RegExp, right: Right])[] = [
  [/^\/api\/account(\/|$)/, 'read'],
  [/^\/api\/academy(\/|$)/, 'own'],
  [/^\/api\/players\/[^/]+\/erase$/, 'own'],
  [/^\/api\/players\/[^/]+\/(shots|own-balls|import|import\/lot)$/, 'log'],
  [/^\/api\/players\/[^/]+\/(sessions|goes|rounds)\/[^/]+(\/move)?$/, 'log'],
  [/^\/api\/devices(\/|$)/, 'log'],
]
/** What is read by those alone who may do more: colleagues and their addresses. */
const READS: readonly (readonly [path: RegExp, right: Right])[] = [
  [/^\/api\/academy\/all\.zip$/, 'own'],
  [/^\/api\/academy(\/|$)/, 'teach'],
]

/**
 * What a request of a signed-in person asks for.
 * @param path without its query
 * @example rightNeeded('PUT', '/api/players/1/bag') // => 'teach'
 */
export function rightNeeded(method: string, path: string): Right {
  const isRead = method === 'GET' || method === 'HEAD'
  return (isRead ? READS : WRITES).find(([of]) => of.test(path))?.[1] ?? (isRead ? 'read' : 'teach')
}

const WHO: Record<Right, string> = {
  read: 'anybody of the academy',
  log: 'an assistant or a coach',
  teach: 'a coach',
  own: 'the owner',
}
/** Why something may not be done, as a person reads it. */
export function forbiddenText(role: Role, right: Right): string {
  return `You are here as ${role === 'assistant' || role === 'owner' ? 'an' : 'a'} ${role}: this is for ${WHO[right]}.`
}
