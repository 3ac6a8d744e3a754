import { spawn } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { hashOf } from './hash.mjs'
import { fromRoot, ROOT } from './paths.mjs'
import { say, stop } from './say.mjs'

const SOURCES = ['app', 'core', 'server', 'shared', 'words', 'public', 'nuxt.config.ts', 'package-lock.json']

/** Environment of every build tool: nothing is reported anywhere. */
export const QUIET = { NUXT_TELEMETRY_DISABLED: '1' }

/** Builds the application when its sources changed since the last build. */
export async function ensureBuild() {
  const marker = fromRoot('.output', 'sources')
  const wanted = hashOf(...SOURCES)
  if (existsSync(marker) && readFileSync(marker, 'utf8') === wanted) return
  say('Building the application (about a minute and a half)…')
  // The settings of the compiler stand in a folder that a fresh clone does not have yet.
  if (!existsSync(fromRoot('.nuxt', 'tsconfig.app.json'))) await nuxt(['prepare'], {})
  await nuxt(['build'], { NODE_ENV: 'production', UZZET_BUILD_DIR: fromRoot('.data/build') })
  writeFileSync(marker, wanted)
}

/** One of the framework's own commands; stops with what it said when it fails. */
async function nuxt(command, env) {
  const said = []
  const child = spawn(process.execPath, [fromRoot('node_modules/nuxt/bin/nuxt.mjs'), ...command, '--logLevel=silent'], {
    cwd: ROOT,
    env: { ...process.env, ...QUIET, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  for (const stream of [child.stdout, child.stderr]) stream.on('data', chunk => said.push(chunk))
  const code = await new Promise(done => child.once('close', done))
  if (code !== 0) stop(`${Buffer.concat(said)}\nThe application could not be built: see the lines above.`)
}
