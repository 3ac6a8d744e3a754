import { setTimeout as wait } from 'node:timers/promises'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { loadDemo } from '../../scripts/lib/demo-data.mjs'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { openGateway } from './gateway'
import type { Machines } from './storm'

/** A database, a server and a gateway of their own, which may be killed. `stop` ends them. */
export async function startMachines(): Promise<Machines & { serverUrl: string; stop: () => Promise<void> }> {
  let database = await startDatabase('chaos', { fresh: true })
  await migrateDatabase(database.url)
  loadDemo(database.url)
  const port = await freePortFrom(4760)
  const serve = () =>
    startServer({
      port,
      databaseUrl: database.url,
      sessionSecret: 'a secret of the storm, thrown away afterwards',
      demo: true,
      env: { UZZET_SIGN_UPS_PER_HOUR: '1000', UZZET_CALIBRATION_WORKER: '' },
    })
  let server = await serve()
  const gateway = await openGateway(server.url, await freePortFrom(4780))
  return {
    gateway,
    databaseUrl: database.url,
    serverUrl: server.url,
    restartServer: async () => {
      server.kill()
      await server.ended
      await wait(300)
      server = await serve()
    },
    restartDatabase: async () => {
      process.kill(database.pid, 'SIGKILL')
      await wait(500)
      database = await startDatabase('chaos')
    },
    freezeDatabase: async ms => {
      process.kill(database.pid, 'SIGSTOP')
      await wait(ms)
      process.kill(database.pid, 'SIGCONT')
    },
    stop: async () => {
      await gateway.close()
      await server.stop()
      await database.stop()
    },
  }
}
