/**
 * npm test: all set-up, then lint, format, borders and types beside the build; core beside server tests; browser tests
 * on three workers. Ends with "N passed, N failed".
 */
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { ensureBuild, QUIET } from './lib/build.mjs'
import { DATABASE_PACKAGES, DATABASE_PROGRAMS } from './lib/database.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run, say } from './lib/say.mjs'
import { ensurePrograms } from './lib/system.mjs'

const RESULTS = fromRoot('.data/test')
const ROOMS = ['core', 'words', 'shared', 'app', 'server', 'demo', 'devices', 'scripts']
const bin = (path, ...args) => [fromRoot('node_modules', path), ...args]

/** Titles of the tools that ended badly: they are named at the end, where they are looked for. */
const notWell = []

/** Runs one tool to its end; what it says is shown when it is done, so that two tools do not talk at once. */
async function tool(title, args) {
  const started = Date.now()
  const said = []
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...QUIET },
  })
  for (const stream of [child.stdout, child.stderr]) stream.on('data', chunk => said.push(chunk))
  const code = await new Promise(done => child.once('close', done))
  if (code !== 0) notWell.push(title)
  const seconds = ((Date.now() - started) / 1000).toFixed(0)
  say(`\n${Buffer.concat(said).toString().trimEnd()}\n— ${title}: ${code === 0 ? 'well' : 'NOT WELL'}, ${seconds} s`)
  return code === 0
}

/** A tool that counts for one. */
async function check(title, args) {
  const well = await tool(title, args)
  return { passed: Number(well), failed: Number(!well) }
}

/** A tool that counts its own tests in a file; one that ended badly without a failed test still counts as one. */
async function suite(title, args, file, count) {
  rmSync(file, { force: true })
  const well = await tool(title, args)
  const { passed, failed } = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 }
  return { passed, failed: failed === 0 && (!well || passed === 0) ? 1 : failed }
}

/** One project of the unit tests. */
function vitest(title, project) {
  const file = fromRoot(`.data/test/${project}.json`)
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`]
  return suite(
    title,
    bin('vitest/vitest.mjs', 'run', `--project=${project}`, ...reporters),
    file,
    ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
  )
}

const borders = ['--config', '.dependency-cruiser.cjs', ...ROOMS]
const browserFile = fromRoot('.data/test/browser.json')

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
    () => check('types', bin('vue-tsc/bin/vue-tsc.js', '-b', '--noEmit')),
    () => check('lint', bin('eslint/bin/eslint.js', '.')),
    () => check('format', bin('prettier/bin/prettier.cjs', '--check', '.', '--log-level=warn')),
    () => check('borders between rooms', bin('dependency-cruiser/bin/dependency-cruise.mjs', ...borders)),
  ])
  return [names, ...checks]
}

/** Three stages, each with both cores to itself: what waits for a page is not held up by what counts. */
async function stages() {
  const reading = await read()
  const counting = await Promise.all([vitest('core tests', 'core'), vitest('server tests', 'server')])
  const driving = await suite('browser tests', bin('@playwright/test/cli.js', 'test'), browserFile, ({ stats }) => {
    if (stats.flaky > 0) say(`\n${stats.flaky} flaky: passed at the second go only, named above.`)
    return { passed: stats.expected + stats.flaky, failed: stats.unexpected }
  })
  return [...reading, ...counting, driving]
}

run(async () => {
  const started = Date.now()
  ensurePackages()
  ensurePrograms('MariaDB', DATABASE_PROGRAMS, DATABASE_PACKAGES)
  ensurePrograms('Chromium', ['chromium'], ['chromium'])
  // What was printed is read back by a general PDF tool.
  ensurePrograms('Poppler', ['pdftotext', 'pdftoppm'], ['poppler-utils'])
  mkdirSync(RESULTS, { recursive: true })
  say('Each tool is shown when it is done.')
  const results = await stages()
  const sum = key => results.reduce((total, result) => total + result[key], 0)
  if (notWell.length > 0) say(`\nNot well: ${notWell.join(', ')}.`)
  say(`\nIn ${((Date.now() - started) / 60_000).toFixed(1)} minutes.\n${sum('passed')} passed, ${sum('failed')} failed`)
  if (sum('failed') > 0) process.exitCode = 1
})
