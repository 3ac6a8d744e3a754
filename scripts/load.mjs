/**
 * npm run load: a full academy day on this machine alone, for ten minutes: coaches who log, devices that send, lines
 * that are open, charts that are asked for. `-- --minutes 2 --coaches 50 --devices 10 --charts 5`.
 */
import { spawnSync } from 'node:child_process'
import { ensureBuild } from './lib/build.mjs'
import { DATABASE_PACKAGES, DATABASE_PROGRAMS } from './lib/database.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'
import { ensurePrograms } from './lib/system.mjs'

run(async () => {
  ensurePackages()
  ensurePrograms('MariaDB', DATABASE_PROGRAMS, DATABASE_PACKAGES)
  await ensureBuild()
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', fromRoot('tests/load/run.ts'), ...process.argv.slice(2)],
    {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, TSX_TSCONFIG_PATH: fromRoot('tsconfig.tools.json') },
    },
  )
  process.exitCode = done.status ?? 1
})
