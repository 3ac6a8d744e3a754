import type { H3Event } from 'h3'
import { noteUsed, programByToken } from '../data/programs'
import { mayDo, rightNeeded, RIGHTS } from '../../shared/rights'
import { SCOPE_WORDS } from '../../shared/choices'
import type { Coach } from '../data/coaches'
import { clientAddress } from '../limits/client-address'
import { bearerOf, hashOfToken, PROGRAM_MARK } from './device'
import { minuteLimit } from '../limits/minute-limits'
import { refuse } from '../ingest/refuse'

const MINUTE = 60
/** Ten a second: whoever copies a whole academy is through in minutes. Our choice. */
const countProgram = minuteLimit({ keyPrefix: 'program', points: 600, duration: MINUTE })
const countBadKey = minuteLimit({ keyPrefix: 'bad-key', points: 60, duration: 15 * MINUTE })

/** What people decide themselves: accounts, the academy and its people, and whatever makes keys. */
const FOR_PEOPLE = /^\/api\/(account|academy|devices|auth)(\/|$)|\/links(\/|$)|\/erase$/
/** True for a path that no key of a program opens. */
export const isForPeople = (path: string): boolean => FOR_PEOPLE.test(path)

/** True where a program's key came along in place of a cookie. */
export const isProgram = (event: H3Event): boolean => bearerOf(event)?.startsWith(PROGRAM_MARK) ?? false

/** Whoever comes too often with a wrong key is told when to come again, and still hears that the key is wrong. */
function asRetryAfter(error: unknown): void {
  if ((error as { statusCode?: number }).statusCode !== 429) throw error
}

/**
 * The coach in whose name a program asks, where its key and its scope allow it. Wrong and revoked keys are answered
 * alike. @throws 401, 403, or 429 with Retry-After
 */
export async function requireProgram(event: H3Event): Promise<Coach> {
  const program = await programByToken(hashOfToken(bearerOf(event)!))
  if (!program) {
    await countBadKey(event, clientAddress(event)).catch(asRetryAfter)
    throw refuse(401, 'This key opens nothing: make a new one under Account, Programs.')
  }
  await countProgram(event, program.id)
  const path = event.path.split('?')[0]!
  if (isForPeople(path)) throw refuse(403, 'This is for people: no key of a program opens it.')
  const needed = rightNeeded(event.method, path)
  const { coach, scope } = program
  if (RIGHTS.indexOf(scope) < RIGHTS.indexOf(needed) || !mayDo(coach.role, needed))
    throw refuse(403, `This key ${SCOPE_WORDS[scope]}: what was asked goes further.`)
  await noteUsed(program.id)
  event.context.coachId = coach.id
  return coach
}
