import { eraseOverdue } from '../data/erase'
import { log } from '../log'

const FIRST_MS = 60_000
const EVERY_MS = 3_600_000

/** What an academy keeps no longer goes by itself, an hour late at most. */
export default defineNitroPlugin(nitro => {
  const failed = ({ name }: Error) => log.error({ kind: name }, 'erasing what is kept no longer failed')
  const work = () => {
    eraseOverdue()
      .then(({ gone, failures }) => {
        if (gone > 0) log.warn({ gone }, 'archived players erased, as their owners chose')
        failures.forEach(failed)
      })
      .catch((error: unknown) => failed(error as Error))
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
