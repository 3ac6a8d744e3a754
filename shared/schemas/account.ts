import { z } from 'zod'
import { COACHES_SEE } from '../rights'
import { BLOCK_RANGE, NAME_MAX, OWN_MARKS_MAX, PACE_MAX_M, PACE_MIN_M } from '../../core/limits'
import { LOCK_IN_RANGE } from '../../core/session/lock-in'
import {
  DISTANCE_UNITS,
  HEIGHT_UNITS,
  SPEED_UNITS,
  TEMP_UNITS,
  WIND_UNITS,
  type HeightUnit,
  type WindUnit,
} from '../../core/units'
import { KEEP_MONTHS } from '../keep-times'
import { guessable, PASSWORD_MAX, PASSWORD_MIN } from '../password'
import { AcademyThresholds } from './player'
import { OwnMark } from './session'
import { boundedNumber, lineOfText, oneOf } from './text'
import { quoted } from '../text'

export const Email = z
  .string({ error: 'E-mail is missing.' })
  .trim()
  .max(254, { error: 'E-mail is too long: at most 254 characters are allowed.' })
  .regex(/^[^\s@]+@[^\s@]+\.[^\s@]+$/, {
    error: iss => `E-mail ${quoted(iss.input)} is not an address such as name@example.org.`,
  })

/**
 * The address of a new account, as browsers know one (WHATWG HTML, valid e-mail address): letters of one alphabet, so
 * that no two look alike.
 */
export const NewEmail = Email.regex(z.regexes.html5Email, {
  error: iss => `E-mail ${quoted(iss.input)} is not an address such as name@example.org.`,
  abort: true,
})

export const NewPassword = z
  .string({ error: 'Password is missing.' })
  .min(PASSWORD_MIN, { error: `Password is too short: ${PASSWORD_MIN} to ${PASSWORD_MAX} characters are needed.` })
  .max(PASSWORD_MAX, { error: `Password is too long: ${PASSWORD_MIN} to ${PASSWORD_MAX} characters are allowed.` })
  .superRefine((password, issues) => {
    const message = guessable(password, [])
    if (message) issues.addIssue({ code: 'custom', message })
  })

/** A form in which an address or a name stands beside a new password. */
export function refuseOwnWords(
  { password, email, name, academy = '' }: { password: string; email: string; name: string; academy?: string },
  issues: z.RefinementCtx,
): void {
  const message = guessable(password, [email, name, academy])
  if (message) issues.addIssue({ code: 'custom', path: ['password'], message })
}

/** Figures of an app, or a spare code; spaces and dashes are no part of it. */
export const Code = z.string({ error: 'The code is missing.' }).max(20, { error: 'A code has at most 20 characters.' })

/** The current password, for what only its owner may change. */
export const OwnPassword = z.strictObject({
  current: z
    .string({ error: 'The current password is missing.' })
    .min(1, { error: 'The current password is empty.' })
    .max(PASSWORD_MAX, { error: `Password is too long: at most ${PASSWORD_MAX} characters.` }),
})
export const FactorCode = z.strictObject({ code: Code })

export const SignIn = z.object({
  email: Email,
  // Not the rule for new passwords: whatever was once accepted may be typed.
  password: z
    .string({ error: 'Password is missing.' })
    .min(1, { error: 'Password is empty.' })
    .max(PASSWORD_MAX, { error: `Password is too long: at most ${PASSWORD_MAX} characters.` }),
  code: Code.optional(),
})
export type SignIn = z.infer<typeof SignIn>

export const SignUp = z
  .object({
    name: lineOfText('Your name', NAME_MAX),
    academy: lineOfText('Academy', NAME_MAX),
    email: NewEmail,
    password: NewPassword,
    /** What the academy begins in; missing from what an older page sent. */
    unit: oneOf('Unit', DISTANCE_UNITS).default('yd'),
  })
  .superRefine(refuseOwnWords)
export type SignUp = z.infer<typeof SignUp>

/** What a mailed address carries: the account that waits, sealed. */
export const OpenAccount = z.strictObject({
  token: z.string({ error: 'The link is not whole.' }).min(1).max(4000, { error: 'The link is too long.' }),
})

const Habit = boundedNumber('Balls', ...LOCK_IN_RANGE, '')
  .int({ error: 'Balls must be a whole number.' })
  .optional()

const WIND_UNIT_NAMES = Object.keys(WIND_UNITS) as [WindUnit, ...WindUnit[]]
const HEIGHT_UNIT_NAMES = Object.keys(HEIGHT_UNITS) as [HeightUnit, ...HeightUnit[]]

/** Habits that a coach wants marked; one that is missing is not. */
export const LockInChange = z.strictObject({ alike: Habit, straight: Habit, count: Habit })

/** What a coach reads beside distances, for each unit of them. */
const ReadingUnits = z.strictObject({
  speed: oneOf('Unit of speed', SPEED_UNITS).optional(),
  wind: oneOf('Unit of wind', WIND_UNIT_NAMES).optional(),
  temp: oneOf('Unit of temperature', TEMP_UNITS).optional(),
  height: oneOf('Unit of height', HEIGHT_UNIT_NAMES).optional(),
})
export type ReadingUnits = z.infer<typeof ReadingUnits>

/** Of one coach; what is missing is what is usual. */
export const CoachSettings = z.strictObject({
  units: z.strictObject({ yd: ReadingUnits.optional(), m: ReadingUnits.optional() }).optional(),
  /** Marks of a ball, besides those that everybody has. */
  marks: z
    .array(OwnMark, { error: 'Marks must be a list.' })
    .max(OWN_MARKS_MAX, { error: `At most ${OWN_MARKS_MAX} marks of your own are possible.` })
    .optional(),
  /** Balls at one stock shot before the next is proposed. */
  block: boundedNumber('Block', ...BLOCK_RANGE, ' balls')
    .int({ error: 'Block must be a whole number of balls.' })
    .optional(),
})
export type CoachSettings = z.infer<typeof CoachSettings>

export const AccountChange = z.object({
  settings: CoachSettings.optional(),
  lockIn: LockInChange.optional(),
  unit: oneOf('Unit', DISTANCE_UNITS).optional(),
  name: lineOfText('Your name', NAME_MAX).optional(),
  paceM: boundedNumber('Pace', PACE_MIN_M, PACE_MAX_M, ' m').nullable().optional(),
})
export type AccountChange = z.infer<typeof AccountChange>

/** All figures at once: one that is missing is what is usual. */
export const AcademyChange = z.strictObject({
  thresholds: AcademyThresholds.optional(),
  /** For an owner to choose. */
  coachesSee: oneOf('Coaches see', COACHES_SEE).optional(),
  /** Who sees their own players alone may change ranges and drills that all use. */
  coachesChange: z.boolean({ error: 'Coaches change is yes or no.' }).optional(),
  /** Months that archived players are kept; null until an owner erases them. */
  keepMonths: z
    .union(
      KEEP_MONTHS.map(months => z.literal(months)),
      { error: `Months to keep archived players are ${KEEP_MONTHS.join(', ')}, or nothing.` },
    )
    .nullable()
    .optional(),
})
export type AcademyChange = z.infer<typeof AcademyChange>

export const PasswordChange = z.object({
  current: z
    .string({ error: 'Current password is missing.' })
    .min(1, { error: 'Current password is empty.' })
    .max(PASSWORD_MAX, { error: 'Current password is too long.' }),
  password: NewPassword,
})
export type PasswordChange = z.infer<typeof PasswordChange>
