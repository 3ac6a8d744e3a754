/** npm run weather: the stand-in weather station on loopback; its address goes into UZZET_WEATHER. */
import { spawnSync } from 'node:child_process'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

run(async () => {
  ensurePackages()
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', fromRoot('devices/weather-run.ts'), ...process.argv.slice(2)],
    { cwd: ROOT, stdio: 'inherit' },
  )
  process.exitCode = done.status ?? 1
})
