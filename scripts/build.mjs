/** npm run build: packages and the production build, when something changed. */
import { ensureBuild } from './lib/build.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { run } from './lib/say.mjs'

run(async () => {
  ensurePackages()
  await ensureBuild()
})
