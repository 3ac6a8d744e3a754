/**
 * npm run cluster: three database nodes, two servers and a small balancer on this machine alone; one node and one
 * server are killed while coaches log. `-- --coaches 50 --seconds 60`.
 */
import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { ensureBuild } from './lib/build.mjs'
import { DATABASE_PACKAGES, DATABASE_PROGRAMS } from './lib/database.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run, stop } from './lib/say.mjs'
import { ensurePrograms } from './lib/system.mjs'

const GALERA = '/usr/lib/galera/libgalera_smm.so'

run(async () => {
  ensurePackages()
  ensurePrograms('MariaDB', DATABASE_PROGRAMS, DATABASE_PACKAGES)
  ensurePrograms('Redis', ['redis-server'], ['redis-server'])
  // Of it Debian's package brings a program too: the arbitrator.
  ensurePrograms('Galera', ['garbd'], ['galera-4', 'galera-arbitrator-4'])
  if (!existsSync(GALERA)) stop(`${GALERA} is missing: install Debian's galera-4.`)
  await ensureBuild()
  const done = spawnSync(
    process.execPath,
    ['--import', 'tsx', fromRoot('tests/cluster/run.ts'), ...process.argv.slice(2)],
    {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, TSX_TSCONFIG_PATH: fromRoot('tsconfig.tools.json'), UZZET_GALERA: GALERA },
    },
  )
  process.exitCode = done.status ?? 1
})
