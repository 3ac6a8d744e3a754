import { spawnSync } from 'node:child_process'
import { fromRoot, ROOT } from './paths.mjs'
import { stop } from './say.mjs'

/** Loads the made-up academy; does nothing when it is there already. */
export function loadDemo(url) {
  const done = spawnSync(process.execPath, ['--import', 'tsx', fromRoot('demo/load.ts')], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, DATABASE_URL: url },
  })
  if (done.status !== 0)
    stop(
      'The demo data could not be loaded: see the lines above, ' +
        'or run "npm run demo -- --fresh" to start the data anew.',
    )
}
