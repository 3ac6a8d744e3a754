import { log } from '../log'
import { requireCoach } from '../auth/coach'
import { setting } from '../settings'

const PATIENCE_MS = 3000
const MOST_CHARACTERS = 400

/** The newest METAR line of the range's weather station, named by UZZET_WEATHER; null where there is none. */
export default defineEventHandler(async (event): Promise<{ station: boolean; line: string | null }> => {
  await requireCoach(event)
  const address = setting('UZZET_WEATHER')
  if (!address) return { station: false, line: null }
  try {
    const text = await $fetch<string>(address, { timeout: PATIENCE_MS, retry: 0, responseType: 'text' })
    return { station: true, line: text.trim().slice(0, MOST_CHARACTERS) }
  } catch (error) {
    // The coach is told that it does not answer and types the air instead; the reason is for whoever reads the log.
    log.warn(`weather station ${address}: ${(error as Error).message}`)
    return { station: true, line: null }
  }
})
