import { spawnSync } from 'node:child_process'
import { ensurePackages } from './packages.mjs'
import { fromRoot } from './paths.mjs'
import { run } from './say.mjs'

/** Runs `scripts/NAME.ts` with the arguments that were given, in TypeScript as it stands. */
export function openDoor(name) {
  run(async () => {
    ensurePackages({ quiet: true })
    const done = spawnSync(
      process.execPath,
      ['--import', import.meta.resolve('tsx'), fromRoot(`scripts/${name}.ts`), ...process.argv.slice(2)],
      { stdio: 'inherit' },
    )
    process.exitCode = done.status ?? 1
  })
}
