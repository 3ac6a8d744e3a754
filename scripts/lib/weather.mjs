import { spawn } from 'node:child_process'
import { freePortFrom } from './ports.mjs'
import { fromRoot, ROOT } from './paths.mjs'

/** Starts the stand-in weather station on a free port of loopback. */
export async function startWeather() {
  const port = await freePortFrom(4650)
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', fromRoot('devices/weather-run.ts'), '--port', String(port)],
    { cwd: ROOT, detached: true, stdio: ['ignore', 'ignore', 'inherit'] },
  )
  return { env: { UZZET_WEATHER: `http://127.0.0.1:${port}/` }, stop: () => child.kill('SIGTERM') }
}
