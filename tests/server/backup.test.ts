import { spawn, spawnSync } from 'node:child_process'
import { copyFileSync, mkdtempSync, openSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import mysql, { type Connection } from 'mysql2/promise'
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest'
import { migrateDatabase } from '../../scripts/lib/migrate.mjs'
import { fromRoot } from '../../scripts/lib/paths.mjs'
import { freePortFrom } from '../../scripts/lib/ports.mjs'
import { startServer } from '../../scripts/lib/server.mjs'
import { atTheRange, Client, newCoach, PASSWORD } from './client'

const beside = (name: string) => inject('databaseUrl').replace(/\/uzzet$/, `/uzzet_${name}`)
const NAMES = ['source', 'saved', 'back', 'full', 'newer']

function command(name: string, url: string, ...args: string[]) {
  const done = spawnSync(process.execPath, [fromRoot('scripts', `${name}.mjs`), ...args], {
    cwd: fromRoot('.'),
    env: { ...process.env, DATABASE_URL: url },
    encoding: 'utf8',
  })
  return { code: done.status, said: done.stdout + done.stderr }
}

describe('backup and restore', () => {
  let admin: Connection
  let folder: string
  /** A small database of its own: a backup takes all there is, and each chart of it is worked out three times. */
  const source = beside('source')
  const dump = (): string => {
    const name = readdirSync(folder)
      .filter(one => one.endsWith('.sql.gz'))
      .sort()
      .at(-1)!
    return join(folder, name)
  }
  const textOf = (file: string) => gunzipSync(readFileSync(file)).toString()
  const fresh = async (name: string) => {
    await admin.query(`drop database if exists uzzet_${name}`)
    await admin.query(`create database uzzet_${name} character set utf8mb4 collate utf8mb4_unicode_ci`)
    return beside(name)
  }
  /** Two academies, with names that are hard to keep, and balls. */
  async function fill() {
    await migrateDatabase(await fresh('source'))
    const server = await startServer({
      port: await freePortFrom(4780),
      databaseUrl: source,
      sessionSecret: 'a secret of the tests, thrown away afterwards',
      log: openSync('/dev/null', 'a'),
      env: { UZZET_SIGN_UP: 'open' },
    })
    try {
      for (const name of ['Zoë “O’Vane” \\ 雪', 'Bo Kestrel']) {
        const coach = await newCoach(name, server.url)
        const { log, shot } = await atTheRange(coach)
        await log(shot(), shot({ carryM: 71 }))
      }
    } finally {
      await server.stop()
    }
  }
  beforeAll(async () => {
    admin = await mysql.createConnection(inject('databaseUrl'))
    folder = mkdtempSync(join(tmpdir(), 'uzzet-backups-'))
    await fill()
  })
  afterAll(async () => {
    for (const name of NAMES) await admin.query(`drop database if exists uzzet_${name}`)
    await admin.end()
    rmSync(folder, { recursive: true })
  })

  it('brings back into an empty database what was saved, to the byte, and all of it can be used', async () => {
    expect(command('backup', source, '--to', folder)).toMatchObject({ code: 0 })
    const saved = dump()
    const url = await fresh('back')
    const back = command('restore', url, '--from', folder)
    expect(back).toMatchObject({ code: 0, said: expect.stringContaining('is back') })
    const again = mkdtempSync(join(tmpdir(), 'uzzet-backups-'))
    command('backup', url, '--to', again)
    const second = join(
      again,
      readdirSync(again).find(name => name.endsWith('.sql.gz'))!,
    )
    const withoutName = (text: string) => text.replaceAll(/uzzet_(back|source)\b/g, 'uzzet')
    expect(withoutName(textOf(second))).toBe(withoutName(textOf(saved)))
    rmSync(again, { recursive: true })
    const checked = command('check', url)
    expect(checked).toMatchObject({ code: 0, said: expect.stringMatching(/foreign keys hold, every chart can be/) })
    // A second time the database is not empty any more.
    expect(command('restore', url, '--from', folder)).toMatchObject({
      code: 1,
      said: expect.stringContaining('an empty one. Nothing was touched.'),
    })
  })

  it('does not bring back who was erased after it was saved', async () => {
    const url = await fresh('saved')
    command('restore', url, '--from', folder)
    await admin.query('use uzzet_saved')
    const [players] = await admin.query('select id, academy_id as academyId from players limit 1')
    const { id, academyId } = (players as { id: string; academyId: string }[])[0]!
    await admin.query('insert into erasures values (?, ?, ?, now(3))', [id, academyId, academyId])
    const shelf = mkdtempSync(join(tmpdir(), 'uzzet-backups-'))
    const older = dump()
    for (const name of [older, older.replace('.sql.gz', '.json')]) copyFileSync(name, join(shelf, basename(name)))
    // Names go by the second.
    await new Promise(resolve => setTimeout(resolve, 1100))
    expect(command('backup', url, '--to', shelf)).toMatchObject({ code: 0 })
    const again = await fresh('full')
    const back = command('restore', again, '--from', join(shelf, basename(older)))
    expect(back.said).toContain('1 of its players were erased since: they are gone again.')
    await admin.query('use uzzet_full')
    for (const table of ['players', 'shots', 'sessions', 'clubs']) {
      const [rows] = await admin.query('select * from ?? where ?? = ?', [
        table,
        table === 'players' ? 'id' : 'player_id',
        id,
      ])
      expect(rows, table).toEqual([])
    }
    expect(command('check', again)).toMatchObject({ code: 0 })
    await admin.query('use uzzet')
    rmSync(shelf, { recursive: true })
  })

  it('that was cut off is neither started, checked nor saved, and says the way out', async () => {
    const url = await fresh('full')
    command('restore', url, '--from', folder)
    // As it stands when the program is killed half-way: the mark of the beginning, and some of the tables.
    await admin.query('use uzzet_full')
    await admin.query('create table uzzet_restoring (file varchar(200) not null, begun datetime not null)')
    await admin.query("insert into uzzet_restoring values ('uzzet-2026.sql.gz', now())")
    await admin.query('set foreign_key_checks = 0')
    await admin.query('drop table shots')
    await admin.query('use uzzet')
    const half = 'Bringing uzzet-2026.sql.gz back into this database was begun and not ended'
    for (const [name, ...args] of [['check'], ['backup', '--to', folder], ['restore', '--from', folder]] as const) {
      const { code, said } = command(name, url, ...args)
      expect([name, code, said]).toEqual([name, 1, expect.stringContaining(half)])
      expect(said).not.toMatch(/ at .*\.[mt]js:\d/)
    }
    await expect(migrateDatabase(url)).rejects.toThrow(half)
    // Emptied, it takes the backup, and leaves no mark.
    await fresh('full')
    expect(command('restore', url, '--from', folder)).toMatchObject({ code: 0 })
    expect(command('check', url)).toMatchObject({ code: 0 })
  })

  it('whose program is killed half-way leaves the mark', async () => {
    const url = await fresh('full')
    const slow = spawn(process.execPath, [fromRoot('scripts/restore.mjs'), '--from', folder], {
      cwd: fromRoot('.'),
      env: { ...process.env, DATABASE_URL: url },
      stdio: 'ignore',
    })
    const marked = async () => {
      const [rows] = await admin.query("show tables from uzzet_full like 'uzzet_restoring'")
      return (rows as unknown[]).length > 0
    }
    await expect.poll(marked, { timeout: 30_000, interval: 5 }).toBe(true)
    slow.kill('SIGKILL')
    await new Promise(done => slow.once('close', done))
    expect(await marked()).toBe(true)
    expect(command('check', url).said).toContain('was begun and not ended')
  })

  it('finds a row that leads nowhere', async () => {
    const url = await fresh('full')
    command('restore', url, '--from', folder)
    await admin.query('use uzzet_full')
    await admin.query('set foreign_key_checks = 0')
    await admin.query('delete from sessions where id = (select session_id from shots limit 1)')
    const { code, said } = command('check', url)
    expect([code, said]).toEqual([1, expect.stringMatching(/shots: \d+ rows lead nowhere by /)])
    await admin.query('use uzzet')
  })

  it('takes no file that is not as it was saved, and none of a newer program', async () => {
    const file = dump()
    const [bytes, manifest] = [readFileSync(file), readFileSync(file.replace('.sql.gz', '.json'), 'utf8')]
    const url = await fresh('saved')
    writeFileSync(file, gzipSync(`${textOf(file)}x`))
    expect(command('restore', url, '--from', file).said).toContain('is not as it was saved')
    writeFileSync(file, bytes)
    const newer = { ...(JSON.parse(manifest) as object), migrations: 999 }
    writeFileSync(file.replace('.sql.gz', '.json'), JSON.stringify(newer))
    expect(command('restore', url, '--from', file).said).toContain('saved by a newer program')
    writeFileSync(file.replace('.sql.gz', '.json'), manifest)
    const [tables] = await admin.query('show tables from uzzet_saved')
    expect(tables).toEqual([])
    expect(command('restore', url, '--from', join(folder, 'nothing')).said).toContain('There is no backup in')
  })

  it('lets old ones go, never the newest, and leaves nothing half-written where the database is away', () => {
    const manifest = JSON.parse(readFileSync(dump().replace('.sql.gz', '.json'), 'utf8')) as {
      at: string
      file: string
    }
    const old = { ...manifest, at: '2020-01-01T00:00:00.000Z', file: 'uzzet-2020-01-01T00-00-00Z.sql.gz' }
    writeFileSync(join(folder, old.file), '')
    writeFileSync(join(folder, old.file.replace('.sql.gz', '.json')), JSON.stringify(old))
    const done = command('backup', source, '--to', folder, '--keep-days', '30')
    expect(done.said).toContain('1 old ones are gone.')
    expect(readdirSync(folder)).not.toContain(old.file)
    const before = readdirSync(folder)
    const away = inject('databaseUrl').replace(/:\d+\/uzzet$/, ':1/uzzet')
    expect(command('backup', away, '--to', folder).said).toContain('Nothing was saved')
    expect(readdirSync(folder)).toEqual(before)
    expect(command('backup', source, '--to', folder, '--keep-days', '0').said).toContain('not possible')
  })

  it('gives a coach who has lost theirs a new password, and ends what is signed in; nobody else', async () => {
    const coach = await newCoach()
    const given = command('new-password', inject('databaseUrl'), '--email', coach.email.toUpperCase())
    const password = /is (\S+)$/m.exec(given.said)![1]!
    expect((await coach.get('/api/account')).status).toBe(401)
    const client = new Client()
    expect((await client.post('/api/auth/sign-in', { email: coach.email, password: PASSWORD })).status).toBe(401)
    expect((await client.post('/api/auth/sign-in', { email: coach.email, password })).status).toBe(200)
    const nobody = command('new-password', inject('databaseUrl'), '--email', 'nobody@saltmarsh.example')
    expect(nobody).toMatchObject({ code: 1, said: expect.stringContaining('No coach signs in with') })
  })

  it('a program refuses a database that a newer one has changed', async () => {
    const url = await fresh('newer')
    await migrateDatabase(url)
    await admin.query("insert into uzzet_newer.__drizzle_migrations (hash, created_at) values ('of tomorrow', 1)")
    await expect(migrateDatabase(url)).rejects.toThrow(/by a newer program.*Nothing was changed/)
  })
})
