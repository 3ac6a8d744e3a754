/** npm run test:long: what takes minutes. More simulated players, thousands of records, 100,000 rows, a storm. */
import { spawnSync } from 'node:child_process'
import { ensureBuild } from './lib/build.mjs'
import { DATABASE_PACKAGES, DATABASE_PROGRAMS } from './lib/database.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'
import { ensurePrograms } from './lib/system.mjs'

const tool = (path, ...args) =>
  spawnSync(process.execPath, [fromRoot('node_modules', path), ...args], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, UZZET_LONG_TESTS: '1' },
  }).status === 0

run(async () => {
  ensurePackages()
  ensurePrograms('MariaDB', DATABASE_PROGRAMS, DATABASE_PACKAGES)
  ensurePrograms('Chromium', ['chromium'], ['chromium'])
  ensurePrograms('pkill', ['pkill'], ['procps'])
  await ensureBuild()
  const well = [
    tool('vitest/vitest.mjs', 'run', '--project=long'),
    tool('@playwright/test/cli.js', 'test', '--pass-with-no-tests'),
  ]
  process.exitCode = well.every(Boolean) ? 0 : 1
})
