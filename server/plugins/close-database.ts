import { closeThreads } from '../calibration/pool'
import { closeDatabase } from '../db/database'

/** Connections and threads end with the server, so that stopping is quick and clean. */
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('close', async () => {
    await Promise.all([closeDatabase(), closeThreads()])
  })
})
