import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import mysql, { type Connection, type RowDataPacket } from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import journal from '../../server/db/migrations/meta/_journal.json'
import { fromRoot } from '../../scripts/lib/paths.mjs'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'

/** Databases beside the one of the tests: this user may make what begins with its name. */
const beside = (name: string) => inject('databaseUrl').replace(/\/uzzet$/, `/uzzet_${name}`)

describe('migrations', () => {
  let admin: Connection
  beforeAll(async () => {
    admin = await mysql.createConnection(inject('databaseUrl'))
  })
  afterAll(async () => {
    for (const name of ['whole', 'cut', 'twice']) await admin.query(`drop database if exists uzzet_${name}`)
    await admin.end()
  })

  async function fresh(name: string): Promise<string> {
    await admin.query(`drop database if exists uzzet_${name}`)
    await admin.query(`create database uzzet_${name} character set utf8mb4 collate utf8mb4_unicode_ci`)
    return beside(name)
  }

  /** All tables, columns, keys and rules, in words that can be compared. */
  async function shapeOf(name: string): Promise<string[]> {
    const schema = `uzzet_${name}`
    const rows = async (sql: string) =>
      (await admin.query<RowDataPacket[]>(sql, [schema]))[0].map(row => JSON.stringify(row))
    return [
      ...(await rows(
        'select table_name, column_name, column_type, is_nullable, column_default from information_schema.columns where table_schema = ? order by 1, 2',
      )),
      ...(await rows(
        'select table_name, index_name, column_name, non_unique, seq_in_index from information_schema.statistics where table_schema = ? order by 1, 2, 5',
      )),
      ...(await rows(
        'select constraint_name, table_name, referenced_table_name, delete_rule from information_schema.referential_constraints where constraint_schema = ? order by 1',
      )),
    ].filter(row => !row.includes('__drizzle_migrations'))
  }

  const statementsOf = (tag: string) =>
    readFileSync(fromRoot('server/db/migrations', `${tag}.sql`), 'utf8')
      .split('--> statement-breakpoint')
      .map(statement => statement.trim())
      .filter(Boolean)

  it('that were cut off after any of their statements are taken up again, and end in the same tables', async () => {
    await migrateDatabase(await fresh('whole'))
    const whole = await shapeOf('whole')
    const connection = await mysql.createConnection(await fresh('cut'))
    let cuts = 0
    for (const { tag } of journal.entries) {
      const statements = statementsOf(tag)
      // Cut off after each statement and begun again from the first: by the end each was repeated in every state.
      for (let last = 1; last <= statements.length; last++) {
        for (const statement of statements.slice(0, last)) await connection.query(statement)
        cuts += 1
      }
    }
    await connection.end()
    expect(cuts).toBeGreaterThan(80)
    expect(await shapeOf('cut')).toEqual(whole)
    // Nothing of it is noted as done: the real thing goes over all of it once more.
    await migrateDatabase(beside('cut'))
    expect(await shapeOf('cut')).toEqual(whole)
  })

  it('of two servers that start at once are done by one while the other waits', async () => {
    const url = await fresh('twice')
    const code = `import { migrateDatabase } from '${fromRoot('scripts/lib/migrate.mjs')}'; await migrateDatabase('${url}')`
    const runs = await Promise.all(
      Array.from({ length: 3 }, async () => {
        const run = spawn(process.execPath, ['--input-type=module', '-e', code], { stdio: 'inherit' })
        return (await once(run, 'exit'))[0] as number
      }),
    )
    expect(runs).toEqual([0, 0, 0])
    const [rows] = await admin.query<RowDataPacket[]>('select count(*) as n from uzzet_twice.__drizzle_migrations')
    expect(rows[0]!.n).toBe(journal.entries.length)
  })

  it('say in one sentence why they could not be done, and what to do', async () => {
    const url = inject('databaseUrl')
    const tries: [string, RegExp][] = [
      [url.replace(/:[^:@]+@/, ':wrong@'), /refuses the user or the password/],
      [url.replace(/\/uzzet$/, '/uzzet_none'), /no such database for this user/],
      [url.replace(/127\.0\.0\.1:\d+/, '127.0.0.1:1'), /Nothing answers at .*ECONNREFUSED/],
      ['postgres://a@b/c', /"mysql:\/\/" or "mariadb:\/\/" is needed/],
      [`${url}?ssl-mode=REQUIRED`, /do not agree on TLS/],
    ]
    for (const [address, words] of tries)
      await expect(migrateDatabase(address), address.replace(/:[^:@]+@/, ':…@')).rejects.toThrow(words)
  })
})
