/**
 * npm run test:browsers: one coach's way from the account to the player's card, in three engines, while the server
 * goes away and comes back; what stands on the screens must be the same in all of them. Firefox and WebKit come from
 * Debian's packages, their drivers into tools/browsers, both at the first use. Pictures go to .data/browsers.
 */
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { startDatabase } from './lib/database.mjs'
import { ensureBuild } from './lib/build.mjs'
import { hashOf } from './lib/hash.mjs'
import { ensureForTests } from './lib/lanes.mjs'
import { migrateDatabase } from './lib/migrate.mjs'
import { fromRoot } from './lib/paths.mjs'
import { freePortFrom } from './lib/ports.mjs'
import { run, say, stop } from './lib/say.mjs'
import { startServer } from './lib/server.mjs'
import { ensurePrograms } from './lib/system.mjs'

const TOOLS = fromRoot('tools/browsers')
const PICTURES = fromRoot('.data/browsers')
const FIRST_PORT = 4840

function ensureDrivers() {
  ensurePrograms('Firefox', ['firefox-esr'], ['firefox-esr'])
  ensurePrograms('WebKit', ['WebKitWebDriver', 'Xvfb'], ['webkit2gtk-driver', 'xvfb'])
  const marker = join(TOOLS, 'node_modules', '.uzzet-lock')
  const wanted = hashOf('tools/browsers/package-lock.json')
  if (existsSync(marker) && readFileSync(marker, 'utf8') === wanted) return
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: TOOLS, stdio: 'inherit' })
  if (done.status !== 0) stop('The packages of tools/browsers could not be installed: see the lines above.')
  writeFileSync(marker, wanted)
}

run(async () => {
  ensureForTests()
  ensureDrivers()
  await ensureBuild()
  mkdirSync(PICTURES, { recursive: true })
  const { ENGINES } = await import('../tools/browsers/engines.mjs')
  const { walk } = await import('../tools/browsers/walk.mjs')
  const csv = join(PICTURES, 'monitor.csv')
  writeFileSync(csv, 'Club,Shot,Carry\n,,yds\n52,full,101\n52,full,104\n58,full,81\n46,full,120\n')

  const database = await startDatabase('engines', { fresh: true })
  await migrateDatabase(database.url)
  const port = await freePortFrom(FIRST_PORT)
  const begin = () =>
    startServer({ port, databaseUrl: database.url, sessionSecret: 'a secret of the engines, thrown away afterwards' })
  let server = await begin()
  const seen = new Map()
  const only = process.argv.slice(2)
  try {
    for (const [name, start] of Object.entries(ENGINES)) {
      if (only.length > 0 && name !== 'chromium' && !only.includes(name)) continue
      const engine = await start()
      try {
        const screens = await walk(engine, {
          url: server.url,
          csv,
          picture: step => engine.picture(join(PICTURES, `${name}-${step}.png`)),
          serverAway: async work => {
            await server.stop()
            await work()
            server = await begin()
          },
        })
        seen.set(name, screens)
        say(`${engine.name}: ${screens.chart.length} stock shots, "${screens.verdict}"`)
      } catch (error) {
        await engine.picture(join(PICTURES, `${name}-stopped.png`)).catch(() => {})
        throw error
      } finally {
        await engine.close()
      }
    }
  } finally {
    await server.stop()
    await database.stop()
  }
  const told = seen.get('chromium')
  for (const [name, screens] of seen)
    for (const [what, value] of Object.entries(told))
      if (JSON.stringify(screens[what]) !== JSON.stringify(value))
        stop(`${name} shows another ${what} than Chromium:\n${JSON.stringify(screens[what])}\n${JSON.stringify(value)}`)
  say('The same numbers in all of them.')
})
