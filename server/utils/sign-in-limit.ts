import type { H3Event } from 'h3'
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'

const MINUTES = 60

// A person mistypes a few times; a club shares one address; a guesser needs thousands. Our choice.
const byAccount = new RateLimiterMemory({ keyPrefix: 'account', points: 8, duration: 15 * MINUTES })
const byAddress = new RateLimiterMemory({ keyPrefix: 'address', points: 60, duration: 15 * MINUTES })
// An installation may set its own number; the default stops a script, not a course full of coaches.
const signUps = new RateLimiterMemory({ keyPrefix: 'sign-up', points: Number(process.env.UZZET_SIGN_UPS_PER_HOUR ?? 30), duration: 60 * MINUTES })

function tooMany(wait: unknown) {
  if (!(wait instanceof RateLimiterRes)) throw wait
  const minutes = Math.max(1, Math.ceil(wait.msBeforeNext / 60_000))
  const message = `Too many tries. Wait ${minutes} min and try again.`
  return refuse(429, message, [{ field: 'password', message }])
}

const addressOf = (event: H3Event) => getRequestIP(event) ?? 'unknown'

/**
 * Counts a try at a password before it is checked, so that many at once cannot slip through together.
 * @returns to be called when the password was right: it gives the account its tries back
 * @throws 429 that says how long to wait
 */
export async function beginAttempt(event: H3Event, email: string) {
  const account = `${email.toLowerCase()} ${addressOf(event)}`
  await Promise.all([byAccount.consume(account), byAddress.consume(addressOf(event))]).catch((wait) => {
    throw tooMany(wait)
  })
  return async function succeeded() {
    await byAccount.delete(account)
    await byAddress.reward(addressOf(event))
  }
}

/** @throws 429 past the number of new accounts that one address may open in an hour */
export async function beginSignUp(event: H3Event): Promise<void> {
  await signUps.consume(addressOf(event)).catch((wait) => {
    throw tooMany(wait)
  })
}

let hash: Promise<string> | undefined

/** A hash that no password opens, made once. */
export function unknownHash(): Promise<string> {
  return hash ??= hashPassword(crypto.randomUUID())
}
