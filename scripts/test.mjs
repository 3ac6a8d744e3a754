/** npm test: all set-up, then lint, borders, types, unit, server and browser tests. Ends with "N passed, N failed". */
import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { ensureBuild, QUIET } from './lib/build.mjs'
import { DATABASE_PACKAGES, DATABASE_PROGRAMS } from './lib/database.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run, say } from './lib/say.mjs'
import { ensurePrograms } from './lib/system.mjs'

const RESULTS = fromRoot('.data/test')
const bin = (path, ...args) => [fromRoot('node_modules', path), ...args]

/** Runs one tool to its end, its output shown as it comes. @returns true when it was content */
function tool(title, args) {
  say(`\n— ${title}`)
  const started = Date.now()
  const done = spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...QUIET } })
  say(`— ${title}: ${done.status === 0 ? 'well' : 'NOT WELL'}, ${((Date.now() - started) / 1000).toFixed(0)} s`)
  return done.status === 0
}

/** A tool that counts for one. */
function check(title, args) {
  const well = tool(title, args)
  return { passed: Number(well), failed: Number(!well) }
}

/** A tool that counts its own tests in a file; one that ended badly without a failed test still counts as one. */
function suite(title, args, file, count) {
  rmSync(file, { force: true })
  const well = tool(title, args)
  const { passed, failed } = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 1 }
  return { passed, failed: failed === 0 && (!well || passed === 0) ? 1 : failed }
}

run(async () => {
  ensurePackages()
  ensurePrograms('MariaDB', DATABASE_PROGRAMS, DATABASE_PACKAGES)
  ensurePrograms('Chromium', ['chromium'], ['chromium'])
  // What was printed is read back by a general PDF tool.
  ensurePrograms('Poppler', ['pdftotext', 'pdftoppm'], ['poppler-utils'])
  mkdirSync(RESULTS, { recursive: true })
  ensureBuild()
  const unit = fromRoot('.data/test/unit.json')
  const browser = fromRoot('.data/test/browser.json')
  const results = [
    check('lint', bin('eslint/bin/eslint.js', '.')),
    check('borders between rooms', bin('dependency-cruiser/bin/dependency-cruise.mjs', '--config', '.dependency-cruiser.cjs', 'core', 'shared', 'app', 'server', 'demo', 'devices', 'scripts')),
    // Types of the auto-imported names; the build does not write them.
    check('names of auto-imports', bin('nuxt/bin/nuxt.mjs', 'prepare', '--logLevel=silent')),
    check('types', bin('vue-tsc/bin/vue-tsc.js', '-b', '--noEmit')),
    suite('unit and server tests', bin('vitest/vitest.mjs', 'run', '--project=core', '--project=server', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`), unit,
      ({ numPassedTests, numFailedTests }) => ({ passed: numPassedTests, failed: numFailedTests })),
    suite('browser tests', bin('@playwright/test/cli.js', 'test'), browser,
      ({ stats }) => ({ passed: stats.expected, failed: stats.unexpected + stats.flaky })),
  ]
  const sum = key => results.reduce((total, result) => total + result[key], 0)
  say(`\n${sum('passed')} passed, ${sum('failed')} failed`)
  if (sum('failed') > 0) process.exitCode = 1
})
