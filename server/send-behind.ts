import type { H3Event } from 'h3'
import { log } from './log'

/**
 * Sends a mail behind the answer, which does not wait for it. The error of a mail server may hold the recipient: what
 * kind it was is enough for the log.
 */
export function sendBehind(event: H3Event, send: () => Promise<void>): void {
  event.waitUntil(send().catch((error: unknown) => log.error({ kind: (error as Error).name }, 'mail not sent')))
}
