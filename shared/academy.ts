import { z } from 'zod'
import { NAME_MAX } from '../core/limits'
import { Code, Email, NewPassword, refuseOwnWords } from './account'
import { ROLES, type CoachesSee, type Role } from './rights'
import { Id, lineOfText, oneOf } from './text'

export const INVITATIONS_MAX = 50

export const NewInvitation = z.strictObject({
  id: Id,
  role: oneOf('Role', ROLES),
  /** Whom it is for, to be told apart from others. */
  forWhom: lineOfText('For whom', NAME_MAX),
})
export type NewInvitation = z.infer<typeof NewInvitation>

export interface Invitation {
  id: string
  role: Role
  forWhom: string
  expiresAtMs: number
}
/** As it is made: its token is shown this once, and kept only as a hash. */
export interface MadeInvitation extends Invitation {
  token: string
}

export interface Person {
  id: string
  name: string
  email: string
  role: Role
  /** Their sign-in opens nothing any more; what they did stays. */
  left: boolean
  seenAtMs: number | null
  /** Signing in asks them for a second step; told to the owner alone. */
  secondFactor: boolean
}

export interface AcademyPeople {
  coachesSee: CoachesSee
  /** Months that archived players are kept; null until an owner erases them. */
  keepMonths: number | null
  /** Archived players who were archived longer ago than that. */
  overdue: number
  people: Person[]
  invitations: Invitation[]
}

export const PersonChange = z.strictObject({
  role: oneOf('Role', ROLES).optional(),
  left: z.boolean({ error: 'Left is yes or no.' }).optional(),
})
export type PersonChange = z.infer<typeof PersonChange>

const Token = z.string({ error: 'The invitation is missing.' }).max(100, { error: 'This is no invitation.' })
export const InvitationLook = z.strictObject({ token: Token })
/** What somebody sees who was invited. */
export interface InvitedTo {
  academy: string
  role: Role
  forWhom: string
}

export const Join = z
  .object({
    token: Token,
    name: lineOfText('Your name', NAME_MAX),
    email: Email,
    password: NewPassword,
  })
  .superRefine(refuseOwnWords)
export type Join = z.infer<typeof Join>

/** As the owner makes it: its token is shown this once, and kept only as a hash. */
export interface MadeReset {
  token: string
  expiresAtMs: number
}
/** Whose new password it is. */
export interface ResetLook {
  name: string
  email: string
  academy: string
}
/** Who lost a password asks for a mail. */
export const LostPassword = z.strictObject({ email: Email })
export const ResetToken = z.strictObject({ token: Token })
export const Reset = z.strictObject({ token: Token, password: NewPassword, code: Code.optional() })

/** Where this person is signed in. */
export interface SignInPlace {
  id: string
  device: string
  begunAtMs: number
  seenAtMs: number
  /** The one that asks. */
  here: boolean
}
