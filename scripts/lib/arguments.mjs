import { stop } from './say.mjs'

/** What follows a name on the command line; undefined where it is not there. @returns {string | undefined} */
export function argument(name) {
  const at = process.argv.indexOf(`--${name}`)
  if (at < 0) return undefined
  const value = process.argv[at + 1]
  return value === undefined || value.startsWith('--') ? stop(`--${name} needs a value.`) : value
}
