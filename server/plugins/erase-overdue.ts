import { eraseOverdue } from '../data/erase'
import { log } from '../log'

const FIRST_MS = 60_000
const EVERY_MS = 3_600_000

/** What an academy keeps no longer goes by itself, an hour late at most. */
export default defineNitroPlugin(nitro => {
  const work = () => {
    eraseOverdue()
      .then(gone => gone > 0 && log.warn({ gone }, 'archived players erased, as their owners chose'))
      .catch((error: unknown) => log.error({ kind: (error as Error).name }, 'erasing what is kept no longer failed'))
  }
  const first = setTimeout(work, FIRST_MS)
  const again = setInterval(work, EVERY_MS)
  first.unref()
  again.unref()
  nitro.hooks.hook('close', () => {
    clearTimeout(first)
    clearInterval(again)
  })
})
