/** npm run test:long: what takes minutes. More simulated players, thousands of records, 100,000 rows, a storm. */
import { ensureBuild } from './lib/build.mjs'
import { conclude, ensureForTests, longLane } from './lib/lanes.mjs'
import { run, say } from './lib/say.mjs'

run(async () => {
  const started = Date.now()
  ensureForTests()
  await ensureBuild()
  say('Each tool is shown when it is done.')
  conclude(started, await longLane(started))
})
