import { z } from 'zod'
import { NAME_MAX } from '../../core/limits'
import { Code, Email, NewEmail, NewPassword, refuseOwnWords } from './account'
import { ROLES } from '../rights'
import { Id, lineOfText, oneOf } from './text'

export const NewInvitation = z.strictObject({
  id: Id,
  role: oneOf('Role', ROLES),
  /** Whom it is for, to be told apart from others. */
  forWhom: lineOfText('For whom', NAME_MAX),
})
export type NewInvitation = z.infer<typeof NewInvitation>

export const PersonChange = z.strictObject({
  role: oneOf('Role', ROLES).optional(),
  left: z.boolean({ error: 'Left is yes or no.' }).optional(),
})
export type PersonChange = z.infer<typeof PersonChange>

const Token = z.string({ error: 'The invitation is missing.' }).max(100, { error: 'This is no invitation.' })
export const InvitationLook = z.strictObject({ token: Token })

export const Join = z
  .object({
    token: Token,
    name: lineOfText('Your name', NAME_MAX),
    email: NewEmail,
    password: NewPassword,
  })
  .superRefine(refuseOwnWords)
export type Join = z.infer<typeof Join>
/** Who lost a password asks for a mail. */
export const LostPassword = z.strictObject({ email: Email })
export const ResetToken = z.strictObject({ token: Token })
export const Reset = z.strictObject({ token: Token, password: NewPassword, code: Code.optional() })
