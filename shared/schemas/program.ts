import { z } from 'zod'
import { NAME_MAX } from '../../core/limits'
import { Id, lineOfText, oneOf } from './text'
import { SCOPES } from '../choices'

/** A key for a program of the coach's own: it works in their name, as far as its scope goes. */
export const NewProgram = z.strictObject({ id: Id, name: lineOfText('Name', NAME_MAX), scope: oneOf('Scope', SCOPES) })
export type NewProgram = z.infer<typeof NewProgram>
