import type { H3Event } from 'h3'
import { clientAddress } from './client-address'
import { minuteLimit } from './minute-limits'

// A person opens a link once or twice, and whole schools share an address; a program asks without end.
const countLook = minuteLimit({ keyPrefix: 'look', points: 120, duration: 15 * 60 })

/** Counts who asks where a link leads, signed out. @throws 429 with Retry-After */
export const beginLook = (event: H3Event): Promise<void> => countLook(event, clientAddress(event))
