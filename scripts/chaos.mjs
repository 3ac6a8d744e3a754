/**
 * npm run chaos: kills, portals, hanging stores, wrong clocks and full disks over two tablets; mutated requests and
 * files. `-- --seed 7 --steps 300 --requests 0 --files 0 --verbose`.
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
  ensurePrograms('Redis', ['redis-server'], ['redis-server'])
  ensurePrograms('Chromium', ['chromium'], ['chromium'])
  ensurePrograms('pkill', ['pkill'], ['procps'])
  await ensureBuild()
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', fromRoot('tests/chaos/run.ts'), ...process.argv.slice(2)],
    {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, TSX_TSCONFIG_PATH: fromRoot('tsconfig.tools.json') },
    },
  )
  process.exitCode = done.status ?? 1
})
