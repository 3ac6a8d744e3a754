/**
 * npm run demo: all set-up, then the application with demo data on 127.0.0.1. `-- --fresh` starts the data anew, `--
 * --port 4700` takes another port.
 */
import { ensureBuild } from './lib/build.mjs'
import { keptSecret, startDatabase } from './lib/database.mjs'
import { loadDemo } from './lib/demo-data.mjs'
import { migrateDatabase } from './lib/migrate.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot } from './lib/paths.mjs'
import { setting } from './lib/settings.mjs'
import { isFree } from './lib/ports.mjs'
import { run, say, stop } from './lib/say.mjs'
import { serveUntilStopped, startServer } from './lib/server.mjs'
import { startWeather } from './lib/weather.mjs'

function options(args) {
  const at = args.indexOf('--port')
  const port = Number(at >= 0 ? args[at + 1] : (setting('PORT') ?? 4600))
  if (!Number.isInteger(port) || port < 1024 || port > 65535)
    stop(`Port "${args[at + 1] ?? setting('PORT')}" is not possible: give a whole number from 1024 to 65535.`)
  return { port, fresh: args.includes('--fresh') }
}

run(async () => {
  const { port, fresh } = options(process.argv.slice(2))
  if (!(await isFree(port)))
    stop(`Port ${port} is taken: stop what uses it, or run "npm run demo -- --port ${port + 1}".`)
  ensurePackages()
  const database = await startDatabase('demo', { fresh })
  const weather = await startWeather()
  try {
    await migrateDatabase(database.url)
    loadDemo(database.url)
    await ensureBuild()
    const server = await startServer({
      port,
      databaseUrl: database.url,
      sessionSecret: keptSecret(fromRoot('.data/demo/session.secret')),
      demo: true,
      env: {
        ...weather.env,
        UZZET_MAIL: `folder:${fromRoot('.data/demo/mails')}`,
        UZZET_MAIL_FROM: 'uzzet@demo.example',
        UZZET_URL: `http://127.0.0.1:${port}`,
      },
    })
    say(`\n  Uzzet is at ${server.url}\n  Enter with the button "Enter the demo". Ctrl-C stops it; the data stays.\n`)
    await serveUntilStopped(server, [server.stop])
  } finally {
    weather.stop()
    await database.stop()
  }
})
