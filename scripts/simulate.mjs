/** npm run simulate: redraws the tables of docs/model.md with simulated players, about half an hour. */
import { spawnSync } from 'node:child_process'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

run(async () => {
  ensurePackages()
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', fromRoot('tests/bench/simulation/run.ts'), ...process.argv.slice(2)],
    { cwd: ROOT, stdio: 'inherit' },
  )
  process.exitCode = done.status ?? 1
})
