import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { fromRoot } from './paths.mjs'

function* filesUnder(path) {
  if (!statSync(path).isDirectory()) {
    yield path
    return
  }
  for (const name of readdirSync(path).sort()) yield* filesUnder(join(path, name))
}

/** A hash over names and contents of files and folders; those that do not exist count as absent. */
export function hashOf(...parts) {
  const hash = createHash('sha256')
  for (const part of parts) {
    const path = fromRoot(part)
    if (!statSync(path, { throwIfNoEntry: false })) continue
    for (const file of filesUnder(path))
      hash.update(file.slice(fromRoot().length)).update('\0').update(readFileSync(file)).update('\0')
  }
  return hash.digest('hex')
}
