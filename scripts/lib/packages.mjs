import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, statfsSync, writeFileSync } from 'node:fs'
import { hashOf } from './hash.mjs'
import { fromRoot, ROOT } from './paths.mjs'
import { stop } from './say.mjs'

// Packages 0.6 GB, build and its cache 0.1, a database 0.13 and room to grow.
const NEEDED_BYTES = 1.5e9

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    stop(`Node ${process.versions.node} is too old: install Node 20.19 or newer and start again.`)
}

function checkDisk() {
  const { bavail, bsize } = statfsSync(ROOT)
  const free = bavail * bsize
  if (free < NEEDED_BYTES)
    stop(
      `The disk has ${(free / 1e9).toFixed(1)} GB left and setting ` +
        `up needs ${NEEDED_BYTES / 1e9} GB: make room and start again.`,
    )
}

const packagesOf = (...path) => JSON.parse(readFileSync(fromRoot(...path), 'utf8')).packages

/**
 * True where somebody installed the packages of the lock file by hand: npm writes down what it put there. Who runs the
 * program in earnest may be somebody who may install nothing.
 * @param {boolean} withTools also what only building and testing needs
 */
function isThere(withTools) {
  if (!existsSync(fromRoot('node_modules', '.package-lock.json'))) return false
  const there = packagesOf('node_modules', '.package-lock.json')
  return Object.entries(packagesOf('package-lock.json')).every(
    ([path, { version, optional, devOptional, dev, link }]) =>
      path === '' || link || optional || devOptional || (dev && !withTools) || there[path]?.version === version,
  )
}

/**
 * Installs the npm packages of the lock file when they are missing or the lock file changed.
 * @param {{ quiet?: boolean, withTools?: boolean }} options quiet keeps standard output clean for commands that print
 * data; without tools what only building and testing needs may be missing
 */
export function ensurePackages({ quiet = false, withTools = true } = {}) {
  checkNode()
  const marker = fromRoot('node_modules', '.uzzet-lock')
  const wanted = hashOf('package-lock.json')
  if (existsSync(marker) && readFileSync(marker, 'utf8') === wanted) return
  if (isThere(withTools)) return
  checkDisk()
  process.stderr.write('Installing the npm packages, once (about 3 minutes)…\n')
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: ['ignore', quiet ? 2 : 'inherit', 'inherit'],
  })
  if (done.status !== 0)
    stop(
      'The npm packages could not be installed: see the lines above, ' +
        'check the connection to the package registry, and start again.',
    )
  writeFileSync(marker, wanted)
}
