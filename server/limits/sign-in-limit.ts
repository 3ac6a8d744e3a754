import { createHash } from 'node:crypto'
import type { H3Event } from 'h3'
import type { RateLimiterMySQL } from 'rate-limiter-flexible'
import { RateLimiterRes } from 'rate-limiter-flexible'
import { limiter } from '../data/limits'
import { clientAddress } from './client-address'
import { refuse } from '../ingest/refuse'
import { numberSetting } from '../settings'
import { waitAfter } from './wait-after'

const MINUTE = 60
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

/**
 * A club shares one address and guessers come from many: wrong tries of those who never came in from there. Our
 * choice.
 */
const STRANGERS_TRIES = 100

/**
 * All of them in the database, so that a restart forgets nothing and two servers count together. Made when first
 * asked.
 */
const limiters = lazily(() => ({
  tries: limiter({ keyPrefix: 'tries', points: Number.MAX_SAFE_INTEGER, duration: HOUR }),
  gate: limiter({ keyPrefix: 'gate', points: 1, duration: MINUTE }),
  strangersOfAddress: limiter({ keyPrefix: 'address', points: STRANGERS_TRIES, duration: 15 * MINUTE }),
  strangersOfAccount: limiter({ keyPrefix: 'account', points: STRANGERS_TRIES, duration: HOUR }),
  known: limiter({ keyPrefix: 'known', points: 1, duration: 90 * DAY }),
  mails: limiter({ keyPrefix: 'mail', points: 10, duration: HOUR }),
  // To one address, whoever asks: more would be a stranger's.
  letters: limiter({ keyPrefix: 'letter', points: 5, duration: DAY }),
  // An installation may set its own number; the default stops a script, not a course full of coaches.
  signUps: limiter({ keyPrefix: 'sign-up', points: numberSetting('UZZET_SIGN_UPS_PER_HOUR', 30), duration: HOUR }),
}))

function lazily<T>(make: () => T): () => T {
  let made: T | undefined
  return () => (made ??= make())
}

/** Neither addresses nor e-mails stand in the table. */
const keyOf = (...parts: string[]) => createHash('sha256').update(parts.join('\n')).digest('base64url')

function spoken(seconds: number): string {
  return seconds < 2 * MINUTE ? `${seconds} s` : `${Math.ceil(seconds / MINUTE)} min`
}

function tooMany(event: H3Event, wait: RateLimiterRes) {
  const seconds = Math.max(1, Math.ceil(wait.msBeforeNext / 1000))
  setHeader(event, 'retry-after', seconds)
  const message = `Too many tries. Wait ${spoken(seconds)} and try again.`
  return refuse(429, message, [{ field: 'password', message }])
}

/** Counts in order; past a limit what was counted before is given back, and the limit is told. */
async function count(
  event: H3Event,
  steps: readonly { limiter: RateLimiterMySQL; key: string; waitS?: number }[],
): Promise<void> {
  const done: (typeof steps)[number][] = []
  try {
    for (const step of steps) {
      await step.limiter.consume(step.key, 1, step.waitS === undefined ? {} : { customDuration: step.waitS })
      done.push(step)
    }
  } catch (wait) {
    for (const step of done) await step.limiter.reward(step.key)
    throw wait instanceof RateLimiterRes ? tooMany(event, wait) : wait
  }
}

/** Counts a try, which waits the longer the more there were. @returns to be called to forget them all */
async function countTry(
  event: H3Event,
  key: string,
  before: Parameters<typeof count>[1],
): Promise<() => Promise<void>> {
  const { tries, gate } = limiters()
  const { consumedPoints } = await tries.consume(key)
  const waitS = waitAfter(consumedPoints)
  try {
    await count(event, [...before, ...(waitS > 0 ? [{ limiter: gate, key, waitS }] : [])])
  } catch (error) {
    // One that was turned away at the door was no try.
    await tries.reward(key)
    throw error
  }
  return async () => {
    await Promise.all([tries.delete(key), gate.delete(key)])
  }
}

/**
 * Counts a try at a password before it is checked, so that many at once cannot slip through together. Tries count by
 * account and address together, with growing delays: a stranger keeps nobody out but themselves. Who came in from an
 * address before is not held by what strangers do there.
 * @param account the account's id, or the address that was typed where there is none
 * @returns to be called when the password was right: it gives the tries back
 * @throws 429 that says how long to wait
 */
export async function beginAttempt(event: H3Event, account: string): Promise<() => Promise<void>> {
  const { known, strangersOfAccount, strangersOfAddress } = limiters()
  const pair = keyOf(account, clientAddress(event))
  const isKnown = (await known.get(pair)) !== null
  const strangers = isKnown
    ? []
    : [
        { limiter: strangersOfAddress, key: keyOf(clientAddress(event)) },
        { limiter: strangersOfAccount, key: keyOf(account) },
      ]
  const forget = await countTry(event, pair, strangers)
  return async function succeeded() {
    await Promise.all([forget(), known.set(pair, 1, 90 * DAY), ...strangers.map(step => step.limiter.reward(step.key))])
  }
}

/**
 * The same for the current password of who is signed in: counted by the account alone, where no stranger counts.
 * @throws 429 that says how long to wait
 */
export function beginOwnAttempt(event: H3Event, coachId: string): Promise<() => Promise<void>> {
  return countTry(event, keyOf('signed in', coachId), [])
}

/** @throws 429 past the number of new accounts that one address may open in an hour */
export async function beginSignUp(event: H3Event): Promise<void> {
  await count(event, [{ limiter: limiters().signUps, key: keyOf(clientAddress(event)) }])
}

/** False where enough was written to an address today: whoever asks is told nothing of it. */
export async function mayWriteTo(email: string): Promise<boolean> {
  try {
    await limiters().letters.consume(keyOf(email.toLowerCase()))
    return true
  } catch (wait) {
    if (wait instanceof RateLimiterRes) return false
    throw wait
  }
}

/** @throws 429 past the number of mails that one address may ask for in an hour */
export async function beginMail(event: H3Event): Promise<void> {
  await count(event, [{ limiter: limiters().mails, key: keyOf(clientAddress(event)) }])
}

let hash: Promise<string> | undefined

/** A hash that no password opens, made once. */
export function unknownHash(): Promise<string> {
  return (hash ??= hashPassword(crypto.randomUUID()))
}
