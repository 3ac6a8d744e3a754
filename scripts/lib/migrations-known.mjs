import { readFileSync } from 'node:fs'
import { fromRoot } from './paths.mjs'

/** Migrations that this program knows. */
export const knownMigrations = () =>
  JSON.parse(readFileSync(fromRoot('server/db/migrations/meta/_journal.json'), 'utf8')).entries.length
