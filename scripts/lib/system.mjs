import { spawnSync } from 'node:child_process'
import { accessSync, constants } from 'node:fs'
import { join } from 'node:path'
import { say, stop } from './say.mjs'

const isRoot = process.getuid?.() === 0

/** Full path of a program, /usr/sbin included, which plain users may lack; null when it is not there. */
export function findProgram(name) {
  for (const dir of [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin', '/usr/bin']) {
    try {
      accessSync(join(dir, name), constants.X_OK)
      return join(dir, name)
    } catch {
      // Not in this folder: look in the next.
    }
  }
  return null
}

function apt(args) {
  const command = isRoot ? ['apt-get', ...args] : ['sudo', '-n', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args]
  return (
    spawnSync(command[0], command.slice(1), {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    }).status === 0
  )
}

/**
 * Makes sure that programs are there, from Debian's packages.
 * @param {string} what the name a person knows: "MariaDB"
 * @param {string[]} programs all of them are needed
 * @param {string[]} packages Debian packages that bring them
 */
export function ensurePrograms(what, programs, packages) {
  if (programs.every(findProgram)) return
  const byHand = `apt-get install --no-install-recommends ${packages.join(' ')}`
  if (!findProgram('apt-get'))
    stop(`${what} is missing and this is no Debian machine: install ${programs.join(', ')} and start again.`)
  if (!isRoot && (!findProgram('sudo') || spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status !== 0)) {
    stop(
      `${what} is missing and this user may not install it: ask an administrator to run "${byHand}", then start again.`,
    )
  }
  say(`Installing ${what} from Debian's packages, once…`)
  const install = ['install', '-y', '-qq', '--no-install-recommends', ...packages]
  // On a fresh machine the package lists are missing or old: fetch them and try again.
  if (!apt(install) && !(apt(['update', '-qq']) && apt(install))) {
    stop(`${what} could not be installed: run "${byHand}" by hand to see why, then start again.`)
  }
  const missing = programs.filter(name => !findProgram(name))
  if (missing.length > 0)
    stop(`${what} was installed but ${missing.join(', ')} is still missing: install it by hand and start again.`)
}
