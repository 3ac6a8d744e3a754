/** npm run bench: speeds as ratios within one run. A benchmark, never a test: nothing fails by being slow. */
import { spawnSync } from 'node:child_process'
import { ensureBuild } from './lib/build.mjs'
import { startDatabase } from './lib/database.mjs'
import { migrateDatabase } from './lib/migrate.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { freePortFrom } from './lib/ports.mjs'
import { run } from './lib/say.mjs'
import { startServer } from './lib/server.mjs'

run(async () => {
  ensurePackages()
  const bench = (file, env = {}) =>
    spawnSync(process.execPath, ['--import', 'tsx', fromRoot('tests/bench', file), ...process.argv.slice(2)], {
      cwd: ROOT,
      stdio: 'inherit',
      env: { ...process.env, TSX_TSCONFIG_PATH: fromRoot('tsconfig.tools.json'), ...env },
    }).status ?? 1
  // Needs neither server nor database, so it goes first: nothing else is running.
  const only = ['--stress', '--growth'].find(one => process.argv.includes(one))
  if (!only)
    process.exitCode = ['model.ts', 'flight.ts', 'gaps.ts', 'pick.ts', 'files.ts'].reduce(
      (code, file) => code || bench(file),
      0,
    )
  if (process.argv.includes('--model')) return
  await ensureBuild()
  // The demo's kind of database, which writes each commit to the disk, as a real one does.
  const database = await startDatabase('bench', { fresh: true })
  try {
    await migrateDatabase(database.url)
    const server = await startServer({
      port: await freePortFrom(4740),
      databaseUrl: database.url,
      sessionSecret: 'a secret of the benchmark, thrown away',
      env: { UZZET_SIGN_UPS_PER_HOUR: '100' },
    })
    try {
      const at = { BENCH_URL: server.url, BENCH_DATABASE_URL: database.url }
      // Ten million rows take a quarter of an hour and 6 GB: only when they are asked for.
      const files = { '--stress': ['stress.ts'], '--growth': ['growth.ts'] }[only] ?? ['stress.ts', 'slice.ts']
      for (const file of files) process.exitCode ||= bench(file, at)
    } finally {
      await server.stop()
    }
  } finally {
    await database.stop()
  }
})
