import { closeLines, hearOthers } from '../live'

/** Live lines end as soon as the server is told to stop, so that stopping is quick. */
export default defineNitroPlugin(() => {
  const deafen = hearOthers()
  for (const signal of ['SIGTERM', 'SIGINT'] as const)
    process.once(signal, () => {
      closeLines()
      deafen()
    })
})
