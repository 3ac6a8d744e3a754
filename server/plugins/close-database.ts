import { closeThreads } from '../calibration/pool'

/** Connections and threads end with the server, so that stopping is quick and clean. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', async () => void await Promise.all([closeDatabase(), closeThreads()]))
})
