/** npm run dev: the demo's set-up with a database of its own, served by Nuxt with reloading. */
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { QUIET } from './lib/build.mjs'
import { keptSecret, startDatabase } from './lib/database.mjs'
import { loadDemo } from './lib/demo-data.mjs'
import { migrateDatabase } from './lib/migrate.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'
import { setting } from './lib/settings.mjs'

run(async () => {
  ensurePackages()
  const database = await startDatabase('dev', { fresh: process.argv.includes('--fresh') })
  try {
    await migrateDatabase(database.url)
    const env = {
      ...process.env,
      ...QUIET,
      DATABASE_URL: database.url,
      NUXT_SESSION_PASSWORD: keptSecret(fromRoot('.data/dev/session.secret')),
      UZZET_DEMO: '1',
      UZZET_CALIBRATION_WORKER: fromRoot('server/calibration/worker.ts'),
    }
    loadDemo(database.url)
    const nuxt = spawn(
      process.execPath,
      [fromRoot('node_modules/nuxt/bin/nuxt.mjs'), 'dev', '--host', '127.0.0.1', '--port', setting('PORT') ?? '4610'],
      { cwd: ROOT, stdio: 'inherit', env },
    )
    for (const name of ['SIGINT', 'SIGTERM']) process.on(name, () => nuxt.kill(name))
    await once(nuxt, 'exit')
  } finally {
    await database.stop()
  }
})
