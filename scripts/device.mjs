/** npm run device: a simulated launch monitor that speaks to the open ingest door alone. */
import { spawnSync } from 'node:child_process'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

run(async () => {
  ensurePackages()
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', fromRoot('devices/monitor-run.ts'), ...process.argv.slice(2)],
    { cwd: ROOT, stdio: 'inherit' },
  )
  process.exitCode = done.status ?? 1
})
