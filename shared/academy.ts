import type { CoachesSee, Role } from './rights'

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
  /** Who sees their own players alone may change ranges and drills that all use. */
  coachesChange: boolean
  /** Months that archived players are kept; null until an owner erases them. */
  keepMonths: number | null
  /** Archived players who were archived longer ago than that. */
  overdue: number
  people: Person[]
  invitations: Invitation[]
}
/** What somebody sees who was invited. */
export interface InvitedTo {
  academy: string
  role: Role
  forWhom: string
}

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

/** Where this person is signed in. */
export interface SignInPlace {
  id: string
  device: string
  begunAtMs: number
  seenAtMs: number
  /** The one that asks. */
  here: boolean
}
