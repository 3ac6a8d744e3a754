/** Tools that a test run starts: what they say is shown when they end, what they counted is read from their files. */
import { spawn } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { QUIET } from './build.mjs'
import { DATABASE_PACKAGES, DATABASE_PROGRAMS } from './database.mjs'
import { ensurePackages } from './packages.mjs'
import { fromRoot, ROOT } from './paths.mjs'
import { say } from './say.mjs'
import { ensurePrograms } from './system.mjs'

/** A program of a package, with what it is told. */
export const bin = (path, ...args) => [fromRoot('node_modules', path), ...args]

/** Titles of the tools that ended badly: they are named at the end, where they are looked for. */
export const notWell = []

/** Runs one tool to its end; what it says is shown when it is done, so that two tools do not talk at once. */
async function tool(title, args, env = {}) {
  const started = Date.now()
  const said = []
  const child = spawn(process.execPath, args, {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...QUIET, ...env },
  })
  for (const stream of [child.stdout, child.stderr]) stream.on('data', chunk => said.push(chunk))
  const code = await new Promise(done => child.once('close', done))
  if (code !== 0) notWell.push(title)
  const seconds = ((Date.now() - started) / 1000).toFixed(0)
  say(`\n${Buffer.concat(said).toString().trimEnd()}\n— ${title}: ${code === 0 ? 'well' : 'NOT WELL'}, ${seconds} s`)
  return code === 0
}

/** A tool that counts for one. */
export async function check(title, args) {
  const well = await tool(title, args)
  return { passed: Number(well), failed: Number(!well) }
}

/** A tool that counts its own tests in a file; one that ended badly without a failed test still counts as one. */
async function suite(title, args, file, count, env) {
  rmSync(file, { force: true })
  const well = await tool(title, args, env)
  const { passed, failed } = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 }
  return { passed, failed: failed === 0 && (!well || passed === 0) ? 1 : failed }
}

/** Projects of the unit tests, side by side. */
export function vitest(title, projects, env) {
  const file = fromRoot(`.data/test/${projects.join('-')}.json`)
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`]
  return suite(
    title,
    bin('vitest/vitest.mjs', 'run', ...projects.map(project => `--project=${project}`), ...reporters),
    file,
    ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests }),
    env,
  )
}

/** Browser tests: all of a lane, or those that the arguments name. */
export function browser(title, env, ...args) {
  const file = fromRoot('.data/test/browser.json')
  const count = ({ stats }) => {
    if (stats.flaky > 0) say(`\n${stats.flaky} flaky: passed at the second go only, named above.`)
    return { passed: stats.expected + stats.flaky, failed: stats.unexpected }
  }
  return suite(title, bin('@playwright/test/cli.js', 'test', ...args), file, count, env)
}

/** What a test of any lane needs on the machine. */
export function ensureForTests() {
  ensurePackages()
  ensurePrograms('MariaDB', DATABASE_PROGRAMS, DATABASE_PACKAGES)
  ensurePrograms('Chromium', ['chromium'], ['chromium'])
  // Between two processes of the server tests.
  ensurePrograms('Redis', ['redis-server'], ['redis-server'])
  // What was printed is read back by a general PDF tool.
  ensurePrograms('Poppler', ['pdftotext', 'pdftoppm'], ['poppler-utils'])
  ensurePrograms('pkill', ['pkill'], ['procps'])
  mkdirSync(fromRoot('.data/test'), { recursive: true })
}

/**
 * The long lane, part by part, the browser's first; a part begins only within the given minutes from the start.
 */
export async function longLane(started, minutes = Infinity) {
  const env = { UZZET_LONG_TESTS: '1' }
  const results = []
  for (const part of [
    () => browser('long browser tests, desk', env, '--project=desk'),
    () => vitest('long tests', ['long'], env),
    () => browser('long browser tests, phone', env, '--project=phone'),
  ]) {
    if (Date.now() - started > minutes * 60_000) say('\nNo time left for the rest of the long lane: npm run test:long.')
    else results.push(await part())
  }
  return results
}

/** Says how all ended, the counts last, and sets the exit code. */
export function conclude(started, results) {
  const sum = key => results.reduce((total, result) => total + result[key], 0)
  if (notWell.length > 0) say(`\nNot well: ${notWell.join(', ')}.`)
  say(`\nIn ${((Date.now() - started) / 60_000).toFixed(1)} minutes.\n${sum('passed')} passed, ${sum('failed')} failed`)
  if (sum('failed') > 0) process.exitCode = 1
}
