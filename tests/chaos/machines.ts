import { spawn } from 'node:child_process'
import { setTimeout as wait } from 'node:timers/promises'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { loadDemo } from '../../scripts/lib/demo-data.mjs'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { openGateway } from './gateway'
import type { Machines } from './storm'

/** What several processes would share, on loopback; it keeps nothing. */
function startStore(port: number) {
  const quiet = ['--save', '', '--appendonly', 'no', '--bind', '127.0.0.1', '--loglevel', 'warning']
  return spawn('redis-server', ['--port', String(port), ...quiet], { stdio: 'ignore' })
}

/** A database, a store, a server and a gateway of their own, which may be killed. `stop` ends them. */
export async function startMachines(): Promise<Machines & { serverUrl: string; stop: () => Promise<void> }> {
  let database = await startDatabase('chaos', { fresh: true })
  await migrateDatabase(database.url)
  loadDemo(database.url)
  const port = await freePortFrom(4760)
  const storePort = await freePortFrom(6395)
  let store = startStore(storePort)
  const serve = () =>
    startServer({
      port,
      databaseUrl: database.url,
      sessionSecret: 'a secret of the storm, thrown away afterwards',
      demo: true,
      env: {
        UZZET_SIGN_UPS_PER_HOUR: '1000',
        UZZET_CALIBRATION_WORKER: '',
        UZZET_REDIS: `redis://127.0.0.1:${storePort}`,
      },
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
    restartStore: async () => {
      store.kill('SIGKILL')
      await wait(1000)
      store = startStore(storePort)
    },
    freezeStore: async ms => {
      store.kill('SIGSTOP')
      await wait(ms)
      store.kill('SIGCONT')
    },
    stop: async () => {
      store.kill('SIGKILL')
      await gateway.close()
      await server.stop()
      await database.stop()
    },
  }
}
