import { randomInt } from 'node:crypto'
import { Secret, TOTP } from 'otpauth'
import type { SecondFactor } from '../data/second-factors'
import { useSpare, useStep } from '../data/second-factors'
import { hashOfToken } from './device'
import { refuse } from '../ingest/refuse'
import { seal, unseal } from './seal'

/** Figures of the half minute before and after hold too: clocks of phones differ. RFC 6238, 5.2. */
const STEPS_EITHER_WAY = 1
const SPARE_CODES = 8
const SPARE_LETTERS = 10
/** Without what is easily mistaken for another. */
const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789'

const SETTINGS = { issuer: 'Uzzet', algorithm: 'SHA1', digits: 6, period: 30 } as const
const totpOf = (base32: string, label = '') => new TOTP({ ...SETTINGS, label, secret: Secret.fromBase32(base32) })

/** What an app is set up with: typed, or read from a picture of the address. RFC 6238 over 160 random bits. */
export function newFactor(email: string): { sealed: string; secret: string; uri: string } {
  const secret = new Secret({ size: 20 }).base32
  return { sealed: seal(secret, 'second factor'), secret, uri: totpOf(secret, email).toString() }
}

/** @returns the half minute that these figures are of, or null for wrong ones */
export function stepOf(sealed: string, figures: string): number | null {
  const secret = unseal(sealed, 'second factor')
  if (secret === null) return null
  const now = Date.now()
  const delta = totpOf(secret).validate({ token: figures, timestamp: now, window: STEPS_EITHER_WAY })
  return delta === null ? null : Math.floor(now / (SETTINGS.period * 1000)) + delta
}

/** Codes for a lost phone: fifty bits each, shown once. */
export function newSpareCodes(): { codes: string[]; hashes: string[] } {
  const codes = Array.from({ length: SPARE_CODES }, () =>
    Array.from({ length: SPARE_LETTERS }, () => LETTERS[randomInt(LETTERS.length)]!).join(''),
  )
  return { codes, hashes: codes.map(hashOfToken) }
}

/**
 * Checks what somebody typed beside a right password: figures of the app, or a code for a lost phone. Each opens once.
 * @throws 401 that asks for it, or says that it is not right
 */
export async function checkSecondFactor(coachId: string, factor: SecondFactor, typed: string | undefined) {
  const asked = typed?.replace(/[\s-]/g, '').toLowerCase()
  if (!asked) throw wrong('Now the six digits from the app on your phone, or one of your spare codes.')
  const step = /^\d{6}$/.test(asked) ? stepOf(factor.sealed, asked) : null
  if (step !== null) {
    if (await useStep(coachId, step)) return
    throw wrong('This code was used already: wait for the next one.')
  }
  if (!(await useSpare(coachId, hashOfToken(asked)))) throw wrong('The code is not right.')
}

const wrong = (message: string) => refuse(401, message, [{ field: 'code', message }])
