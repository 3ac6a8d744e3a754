import { spawn } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { setTimeout as wait } from 'node:timers/promises'
import { fromRoot, ROOT } from './paths.mjs'
import { stop } from './say.mjs'

/** Under a second on a quiet machine. */
const START_MS = 120_000

/** The version of the application that was built. */
export function version() {
  return JSON.parse(readFileSync(fromRoot('package.json'), 'utf8')).version
}

/**
 * Starts the built server and waits until it answers that it is well.
 * @param {{ port: number, databaseUrl: string, sessionSecret: string, demo?: boolean, secureCookie?: boolean, host?:
 * string, env?: Record<string, string>, log?: number }} options log is an open file for what it says
 */
export async function startServer({
  port,
  databaseUrl,
  sessionSecret,
  demo = false,
  secureCookie = false,
  host = '127.0.0.1',
  env = {},
  log,
}) {
  if (!existsSync(fromRoot('.output/server/index.mjs'))) stop('There is no build yet: run "npm run build" first.')
  // detached: Ctrl-C reaches this script alone, which then ends things in order.
  const child = spawn(process.execPath, [fromRoot('.output/server/index.mjs')], {
    cwd: ROOT,
    detached: true,
    stdio: ['ignore', log ?? 'inherit', log ?? 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NITRO_HOST: host,
      NITRO_PORT: String(port),
      DATABASE_URL: databaseUrl,
      NUXT_SESSION_PASSWORD: sessionSecret,
      NUXT_SESSION_COOKIE_SECURE: String(secureCookie),
      UZZET_DEMO: demo ? '1' : '',
      // On this machine alone anybody opens an account; an installation says for itself.
      UZZET_SIGN_UP: process.env.UZZET_SIGN_UP ?? (secureCookie ? '' : 'open'),
      ...env,
    },
  })
  let exitCode = null
  const ended = new Promise(done =>
    child.once('exit', code => {
      exitCode = code ?? 1
      done(exitCode)
    }),
  )
  const url = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`
  const until = Date.now() + START_MS
  while (exitCode === null && Date.now() < until) {
    const reply = await fetch(`${url}/api/health`).catch(() => null)
    if (reply?.ok)
      return { url, ended, stop: () => endServer(child, ended), kill: () => child.kill('SIGKILL'), pid: child.pid }
    await wait(80)
  }
  await endServer(child, ended)
  return stop('The server did not come up: see the lines above.')
}

async function endServer(child, ended) {
  child.kill('SIGTERM')
  const late = setTimeout(() => child.kill('SIGKILL'), 8000)
  await ended
  clearTimeout(late)
}

/** Waits for Ctrl-C or the end of the server, then runs the endings one after the other, once. */
export async function serveUntilStopped(server, endings) {
  const signal = new Promise(done =>
    ['SIGINT', 'SIGTERM', 'SIGHUP'].forEach(name => process.on(name, () => done(name))),
  )
  const reason = await Promise.race([signal, server.ended])
  if (typeof reason === 'number') process.exitCode = reason || 1
  for (const ending of endings) await ending()
}
