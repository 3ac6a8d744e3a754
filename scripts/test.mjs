/**
 * npm test: all set-up, then the build and the server's tests beside lint, types, borders and the core's tests; then
 * browser tests on three workers. Ends with "N passed, N failed".
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

/**
 * What needs no browser. The build, and the server's tests on it, keep one core until they are done; what reads the
 * source takes the other, the longest first.
 */
async function withoutBrowser() {
  // Types of the framework's own names: the linter and the checker of types ask for them.
  const names = await check('names of the framework', bin('nuxt/bin/nuxt.mjs', 'prepare', '--logLevel=silent'))
  const rest = await twoAtATime([
    () => check('format', bin('oxfmt/bin/oxfmt', '--check', '.')),
    () => ensureBuild().then(() => vitest('server tests', ['server'])),
    () => check('types of the pages', bin('vue-tsc/bin/vue-tsc.js', '-p', '.nuxt/tsconfig.app.json', '--noEmit')),
    () => vitest('core and app tests', ['core', 'app']),
    () => check('lint', bin('eslint/bin/eslint.js', '.')),
    () => check('types', bin('typescript-native/bin/tsc', '-b', 'tsconfig.native.json', '--noEmit')),
    () => check('lint that knows the types', bin('oxlint/bin/oxlint', '--type-aware', ...TYPED_ROOMS)),
    () => check('borders between rooms', bin('dependency-cruiser/bin/dependency-cruise.mjs', ...borders)),
  ])
  return [names, ...rest]
}

/** The browser has both cores to itself: what waits for a page is not held up by what counts. */
async function stages() {
  const results = await withoutBrowser()
  return [...results, await browser('browser tests')]
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
