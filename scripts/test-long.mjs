/** npm run test:long: what takes minutes. More simulated players, thousands of records. */
import { spawnSync } from 'node:child_process'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

run(async () => {
  ensurePackages()
  const done = spawnSync(process.execPath, [fromRoot('node_modules/vitest/vitest.mjs'), 'run', '--project=long'], { cwd: ROOT, stdio: 'inherit' })
  process.exitCode = done.status ?? 1
})
