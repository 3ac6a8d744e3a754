/**
 * npm test: all set-up, then lint, format, borders and types beside the build; core beside server tests; browser tests
 * on three workers. Ends with "N passed, N failed".
 */
import { ensureBuild } from './lib/build.mjs'
import { bin, browser, check, conclude, ensureForTests, longLane, vitest } from './lib/lanes.mjs'
import { run, say } from './lib/say.mjs'

const ROOMS = ['core', 'words', 'shared', 'app', 'server', 'demo', 'devices', 'scripts']

/** Where strict rules of types hold. */
const TYPED_ROOMS = ['core', 'words', 'shared', 'server', 'app']

const borders = ['--config', '.dependency-cruiser.cjs', ...ROOMS]

/** Does the work two at a time, in order: there are two cores. */
async function twoAtATime(works) {
  const left = [...works]
  const done = []
  const worker = async () => {
    for (let work = left.shift(); work; work = left.shift()) done.push(await work())
  }
  await Promise.all([worker(), worker()])
  return done
}

/** What reads the source, while it is built in a folder of its own. The longest first. */
async function read() {
  // Types of the framework's own names: the linter and the checker of types ask for them.
  const names = await check('names of the framework', bin('nuxt/bin/nuxt.mjs', 'prepare', '--logLevel=silent'))
  const checks = await twoAtATime([
    () => ensureBuild().then(() => ({ passed: 0, failed: 0 })),
    () => check('types of the pages', bin('vue-tsc/bin/vue-tsc.js', '-p', '.nuxt/tsconfig.app.json', '--noEmit')),
    () => check('lint', bin('eslint/bin/eslint.js', '.')),
    () => check('types', bin('typescript-native/bin/tsc', '-b', 'tsconfig.native.json', '--noEmit')),
    () => check('lint that knows the types', bin('oxlint/bin/oxlint', '--type-aware', ...TYPED_ROOMS)),
    () => check('format', bin('prettier/bin/prettier.cjs', '--check', '.', '--log-level=warn')),
    () => check('borders between rooms', bin('dependency-cruiser/bin/dependency-cruise.mjs', ...borders)),
  ])
  return [names, ...checks]
}

/** Three stages, each with both cores to itself: what waits for a page is not held up by what counts. */
async function stages() {
  const reading = await read()
  const counting = await Promise.all([vitest('core tests', 'core'), vitest('server tests', 'server')])
  const driving = await browser('browser tests')
  return [...reading, ...counting, driving]
}

/** `npm test -- --long-within 20`: then the long lane too, as far as it begins within so many minutes. */
function longWithin() {
  const at = process.argv.indexOf('--long-within')
  if (at < 0) return 0
  const minutes = Number(process.argv[at + 1])
  if (!(minutes > 0)) throw new Error('--long-within takes minutes, as in --long-within 20.')
  return minutes
}

run(async () => {
  const started = Date.now()
  const minutes = longWithin()
  ensureForTests()
  say('Each tool is shown when it is done.')
  const results = await stages()
  if (minutes > 0) {
    say(`\nnpm test took ${((Date.now() - started) / 60_000).toFixed(1)} minutes. Now the long lane.`)
    results.push(...(await longLane(started, minutes)))
  }
  conclude(started, results)
})
