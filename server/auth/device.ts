import { createHash, randomBytes } from 'node:crypto'
import type { H3Event } from 'h3'
import { deviceByToken, deviceHeard, type KnownDevice } from '../data/devices'
import { clientAddress } from '../limits/client-address'
import { minuteLimit } from '../limits/minute-limits'
import { refuse } from '../ingest/refuse'
import { numberSetting } from '../settings'

/**
 * 24 random bytes cannot be guessed, so that a plain hash keeps them safe. The mark in front tells a finder what it
 * is.
 */
export function newToken(mark = 'uzzet_'): string {
  return `${mark}${randomBytes(24).toString('base64url')}`
}
/** The same in front of the key of a program. */
export const PROGRAM_MARK = 'uzzetp_'

export function hashOfToken(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

/** The token that came along, if any. */
export function bearerOf(event: H3Event): string | undefined {
  return /^Bearer (\S{1,200})$/i.exec(getHeader(event, 'authorization') ?? '')?.[1]
}

const MINUTE = 60
// A monitor sends a ball every few seconds, a bay of them twenty a second, and what was kept back in lots of hundreds.
// Our choice.
const countDevice = minuteLimit({
  keyPrefix: 'device',
  points: numberSetting('UZZET_DEVICE_REQUESTS_PER_MINUTE', 1500),
  duration: MINUTE,
})
// A device with a token of long ago tries again and again; a guesser tries thousands.
const countBadToken = minuteLimit({ keyPrefix: 'token', points: 60, duration: 15 * MINUTE })

const HEARD_EVERY_MS = 10_000
const heard = new Map<string, number>()

/**
 * The device whose token came along. Missing, wrong and revoked tokens are answered alike.
 * @throws 401, or 429 with Retry-After
 */
export async function requireDevice(event: H3Event): Promise<KnownDevice> {
  const token = bearerOf(event)
  const device = token ? await deviceByToken(hashOfToken(token)) : undefined
  if (!device) {
    await countBadToken(event, clientAddress(event))
    setHeader(event, 'www-authenticate', 'Bearer')
    throw refuse(401, 'The device token is missing or is not valid any more: make a new one in the account.')
  }
  await countDevice(event, device.id)
  const now = Date.now()
  if (now - (heard.get(device.id) ?? 0) > HEARD_EVERY_MS) {
    heard.set(device.id, now)
    await deviceHeard(device, now)
  }
  return device
}

/** A clock so good is believed to the millisecond. */
const CLOCK_GOOD_MS = 3000

/**
 * How far the sender's clock is behind ours, milliseconds, by its Date header; 0 when it sends none. A monitor's clock
 * is set by nobody: what counts is how long ago a ball was hit.
 */
export function clockOffBy(event: H3Event, nowMs: number): number {
  const offMs = nowMs - Date.parse(getHeader(event, 'date') ?? '')
  // The header counts in whole seconds, and the way here takes its time: so little says nothing about the clock.
  return Number.isNaN(offMs) || Math.abs(offMs) < CLOCK_GOOD_MS ? 0 : offMs
}
