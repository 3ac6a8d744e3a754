import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startDatabase } from '../../scripts/lib/database.mjs'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'

declare module 'vitest' {
  export interface ProvidedContext {
    url: string
    databaseUrl: string
    /** Where mails are written instead of being sent. */
    mails: string
  }
}

/** What a collector of figures shows. */
export const METRICS_TOKEN = 'a collector of the tests'

/** A fresh database and the built server, once for all server tests. */
export default async function setup(project: TestProject) {
  const database = await startDatabase('test', { fresh: true })
  await migrateDatabase(database.url)
  const mails = mkdtempSync(join(tmpdir(), 'uzzet-mails-'))
  const server = await startServer({
    port: await freePortFrom(4700),
    databaseUrl: database.url,
    sessionSecret: 'a secret of the tests, thrown away afterwards',
    env: {
      UZZET_SIGN_UPS_PER_HOUR: '1000',
      UZZET_METRICS_TOKEN: METRICS_TOKEN,
      UZZET_MAIL: `folder:${mails}`,
      UZZET_MAIL_FROM: 'uzzet@tests.example',
      UZZET_URL: 'https://uzzet.tests.example/anything',
    },
  })
  project.provide('url', server.url)
  project.provide('databaseUrl', database.url)
  project.provide('mails', mails)
  return async () => {
    await server.stop()
    await database.stop()
    rmSync(mails, { recursive: true })
  }
}
