/** npm run --silent calibrate: the headless door. Needs the packages, but no build, server or database. */
import { spawnSync } from 'node:child_process'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

run(async () => {
  ensurePackages({ quiet: true })
  const done = spawnSync(
    process.execPath,
    ['--import', import.meta.resolve('tsx'), fromRoot('scripts/calibrate.ts'), ...process.argv.slice(2)],
    { stdio: 'inherit' },
  )
  process.exitCode = done.status ?? 1
})
