import { z } from 'zod'
import { NAME_MAX } from '../core/limits'
import type { Right } from './rights'
import { Id, lineOfText, oneOf } from './text'

/** What a program may do with a key: never what only people of the academy decide. */
export const SCOPES = ['read', 'log', 'teach'] as const satisfies readonly Right[]
export type Scope = (typeof SCOPES)[number]
export const SCOPE_WORDS: Record<Scope, string> = {
  read: 'reads players, charts and files',
  log: 'reads, and logs balls, practice and rounds',
  teach: 'does what a coach does: bags, publishing, ranges too',
}
/** More keys than anybody keeps apart. */
export const PROGRAMS_MAX = 30

/** A key for a program of the coach's own: it works in their name, as far as its scope goes. */
export const NewProgram = z.strictObject({ id: Id, name: lineOfText('Name', NAME_MAX), scope: oneOf('Scope', SCOPES) })
export type NewProgram = z.infer<typeof NewProgram>

export interface Program extends NewProgram {
  createdAtMs: number
  /** Null when it never came. */
  usedAtMs: number | null
}
/** With its key, which is shown this once. */
export type MadeProgram = Program & { token: string }
