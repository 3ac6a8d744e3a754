import type { Role } from './rights'
import type { LockIn } from '../core/session/lock-in'
import type { DistanceUnit } from '../core/units'
import type { CoachSettings } from './schemas/account'

/** Whether signing in asks for a second step, and spare codes that are left. */
export interface SecondFactorState {
  on: boolean
  spare: number
}
/** What an app is set up with: to type, or as an address for a picture. Shown once. */
export interface FactorToSetUp {
  secret: string
  uri: string
}
export interface SpareCodes {
  codes: string[]
}

/** How new accounts are opened: at once, by an address that is mailed, or not at all. */
export type SignUpDoor = 'at once' | 'by mail' | 'closed'

export interface Account {
  id: string
  name: string
  email: string
  academy: string
  unit: DistanceUnit
  /** One pace of this coach, metres; null until it was measured. */
  paceM: number | null
  lockIn: LockIn
  settings: CoachSettings
  role: Role
}
