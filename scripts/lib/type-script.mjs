import { spawnSync } from 'node:child_process'
import { ensurePackages } from './packages.mjs'
import { fromRoot, ROOT } from './paths.mjs'
import { run } from './say.mjs'

/** Runs a TypeScript file as it stands, with the arguments that were given. */
export function runTypeScript(path) {
  run(async () => {
    ensurePackages()
    const done = spawnSync(process.execPath, ['--import', 'tsx', fromRoot(path), ...process.argv.slice(2)], {
      cwd: ROOT,
      stdio: 'inherit',
    })
    process.exitCode = done.status ?? 1
  })
}
