/** npm start: a real installation. Reads DATABASE_URL and SESSION_SECRET, installs nothing, migrates, serves. */
import { existsSync } from 'node:fs'
import { fromRoot } from './lib/paths.mjs'
import { isFree } from './lib/ports.mjs'
import { DATABASE_URL_FORM } from '../server/db/connection-options.mjs'
import { run, say, stop } from './lib/say.mjs'
import { setting } from './lib/settings.mjs'

run(async () => {
  const [address, secret, host, port] = [
    setting('DATABASE_URL'),
    setting('SESSION_SECRET'),
    setting('HOST') ?? '127.0.0.1',
    setting('PORT') ?? '4600',
  ]
  if (!address) stop(`DATABASE_URL is not set: give ${DATABASE_URL_FORM}.`)
  if (!secret || secret.length < 32)
    stop('SESSION_SECRET is not set or shorter than 32 characters: make one with "openssl rand -hex 32" and keep it.')
  if (!existsSync(fromRoot('node_modules')) || !existsSync(fromRoot('.output/server/index.mjs')))
    stop('The application is not built: run "npm ci" and "npm run build" first.')
  if (!(await isFree(Number(port)))) stop(`Port ${port} is taken: stop what uses it, or set PORT to another.`)
  const { migrateDatabase } = await import('./lib/migrate.mjs')
  const { serveUntilStopped, startServer } = await import('./lib/server.mjs')
  await migrateDatabase(address)
  // Cookies go over TLS only; browsers take loopback for safe as well.
  const server = await startServer({
    port: Number(port),
    host,
    databaseUrl: address,
    sessionSecret: secret,
    secureCookie: true,
  })
  say(`Uzzet serves ${server.url}`)
  await serveUntilStopped(server, [server.stop])
})
