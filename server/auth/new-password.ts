import { TRIED_FIRST_WORDS } from '../../shared/password'
import { refuse } from '../ingest/refuse'
import { isTriedFirst } from './tried-first'

/** @returns its hash @throws 422 for one that is tried first */
export async function hashOfNew(password: string): Promise<string> {
  if (isTriedFirst(password)) throw refuse(422, TRIED_FIRST_WORDS, [{ field: 'password', message: TRIED_FIRST_WORDS }])
  return hashPassword(password)
}
