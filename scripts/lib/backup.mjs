/** A database saved whole into one file, and brought back from it. */
import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  createReadStream,
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, dirname, join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { addressOf, connectTo } from './connect.mjs'
import { knownMigrations } from './migrations-known.mjs'
import { stop } from './say.mjs'
import { ensurePrograms, findProgram } from './system.mjs'
import { beginRestore, endRestore, MARK, refuseUnfinished } from './unfinished.mjs'

const FORMAT = 'uzzet-backup'
const DAY_MS = 86_400_000
/** The last line of a dump that is whole. */
const COMPLETED = '-- Dump completed'

/** The client programs with the address in a file of their own: a password in an argument is seen by everybody. */
async function withClient(url, work) {
  ensurePrograms('the MariaDB client', ['mariadb', 'mariadb-dump'], ['mariadb-client'])
  const { host, port, user, password, database, ssl } = addressOf(url)
  const folder = mkdtempSync(join(tmpdir(), 'uzzet-backup-'))
  try {
    const file = join(folder, 'client.cnf')
    const quoted = text => `"${String(text).replaceAll('\\', '\\\\').replaceAll('"', '\\"')}"`
    const ca = join(folder, 'ca.pem')
    if (ssl?.ca) writeFileSync(ca, ssl.ca, { mode: 0o600 })
    const lines = [
      '[client]',
      `host=${quoted(host)}`,
      `port=${port}`,
      `user=${quoted(user)}`,
      `password=${quoted(password)}`,
      'default-character-set=utf8mb4',
      ...(ssl ? ['ssl', ...(ssl.ca ? [`ssl-ca=${quoted(ca)}`] : [])] : []),
      ...(ssl?.rejectUnauthorized ? ['ssl-verify-server-cert'] : []),
    ]
    writeFileSync(file, `${lines.join('\n')}\n`, { mode: 0o600 })
    return await work([`--defaults-file=${file}`], database)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

function begin(program, args, stdio) {
  const child = spawn(findProgram(program), args, { stdio })
  const said = []
  child.stderr.on('data', chunk => said.push(chunk))
  const ended = new Promise(done => child.once('close', code => done({ code, said: Buffer.concat(said).toString() })))
  return { child, ended }
}

/** Counts the rows of each table as a dump goes by, and sees whether it ends as a whole one does. */
function counter() {
  const tables = {}
  let left = ''
  let last = ''
  const line = text => {
    if (text.trim() !== '') last = text
    const row = /^INSERT INTO `([^`]+)` /.exec(text)
    const table = /^CREATE TABLE `([^`]+)` /.exec(text)
    if (row) tables[row[1]] = (tables[row[1]] ?? 0) + 1
    if (table) tables[table[1]] ??= 0
  }
  const decoder = new TextDecoder()
  return {
    tables,
    isWhole: () => last.startsWith(COMPLETED),
    through: new Transform({
      transform(chunk, _encoding, done) {
        const lines = (left + decoder.decode(chunk, { stream: true })).split('\n')
        left = lines.pop()
        for (const text of lines) line(text)
        done(null, chunk)
      },
      flush(done) {
        line(left)
        done()
      },
    }),
  }
}

async function hashOf(path) {
  const hash = createHash('sha256')
  await pipeline(createReadStream(path), hash)
  return hash.digest('hex')
}

/** A moment as part of a file name. */
const stampOf = date =>
  date
    .toISOString()
    .replace(/\.\d+Z$/, 'Z')
    .replaceAll(':', '-')

/** Backups of a folder, oldest first. */
function backupsIn(folder) {
  return readdirSync(folder)
    .filter(name => /^uzzet-.*\.json$/.test(name))
    .map(name => ({ name, ...JSON.parse(readFileSync(join(folder, name), 'utf8')) }))
    .filter(({ format }) => format === FORMAT)
    .sort((a, b) => (a.at < b.at ? -1 : 1))
}

/**
 * Saves a database as it is at one moment, while others write; nothing half-written stays.
 * @param {string} url
 * @param {string} folder
 * @param {number} keepDays older ones go, but never the newest
 * @returns {Promise<{ file: string, tables: Record<string, number>, dropped: number }>}
 */
export async function backUp(url, folder, keepDays = Infinity) {
  await onConnection(url, refuseUnfinished).catch(error => stop(`Nothing was saved. ${error.message}`))
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const at = new Date()
  const file = join(folder, `uzzet-${stampOf(at)}.sql.gz`)
  const partial = `${file}.part`
  const counted = counter()
  try {
    await withClient(url, async (client, database) => {
      const { child, ended } = begin(
        'mariadb-dump',
        [
          ...client,
          '--single-transaction',
          '--quick',
          '--hex-blob',
          '--no-tablespaces',
          '--skip-dump-date',
          '--skip-add-drop-table',
          '--skip-extended-insert',
          '--skip-lock-tables',
          '--skip-add-locks',
          '--no-autocommit',
          '--order-by-primary',
          database,
        ],
        ['ignore', 'pipe', 'pipe'],
      )
      const out = createWriteStream(partial, { mode: 0o600 })
      await pipeline(child.stdout, counted.through, createGzip(), out)
      const { code, said } = await ended
      if (code !== 0 || !counted.isWhole()) stop(`Nothing was saved: ${said.trim() || 'the dump was cut off'}.`)
    })
    const manifest = {
      format: FORMAT,
      version: 1,
      at: at.toISOString(),
      file: basename(file),
      sha256: await hashOf(partial),
      migrations: counted.tables.__drizzle_migrations ?? 0,
      tables: counted.tables,
      // Whoever is erased by now must not come back with an older backup.
      erased: await erasedIn(url),
    }
    renameSync(partial, file)
    writeFileSync(file.replace(/\.sql\.gz$/, '.json'), `${JSON.stringify(manifest, null, 2)}\n`, { mode: 0o600 })
  } finally {
    rmSync(partial, { force: true })
  }
  const old = backupsIn(folder)
    .slice(0, -1)
    .filter(one => at.getTime() - Date.parse(one.at) > keepDays * DAY_MS)
  for (const one of old) for (const name of [one.file, one.name]) rmSync(join(folder, name), { force: true })
  return { file, tables: counted.tables, dropped: old.length }
}

async function onConnection(url, work) {
  const connection = await connectTo(url)
  try {
    return await work(connection)
  } finally {
    await connection.end()
  }
}

/** Players who were erased for good, and by whom. */
const erasedIn = url =>
  onConnection(url, async connection => {
    if (!(await tablesOf(connection)).includes('erasures')) return []
    const [rows] = await connection.query(
      'select player_id as playerId, academy_id as academyId, erased_by as erasedBy, erased_at as erasedAt ' +
        'from erasures order by player_id',
    )
    return rows
  })

/**
 * Forgets again whom a newer backup beside this one knows as erased.
 * @returns {Promise<number>} how many had come back
 */
async function eraseAgain(connection, file) {
  const erased = backupsIn(dirname(file)).flatMap(manifest => manifest.erased ?? [])
  const unique = [...new Map(erased.map(one => [one.playerId, one])).values()]
  const tables = await tablesOf(connection)
  if (unique.length === 0 || !tables.includes('players')) return 0
  const ids = unique.map(({ playerId }) => playerId)
  const [[{ n }]] = await connection.query('select count(*) as n from players where id in (?)', [ids])
  const [parts] = await connection.query(
    `select table_name as name from information_schema.columns
     where table_schema = database() and column_name = 'player_id' and table_name <> 'erasures'`,
  )
  await connection.query('set foreign_key_checks = 0')
  for (const { name } of parts) await connection.query('delete from ?? where player_id in (?)', [name, ids])
  await connection.query('delete from players where id in (?)', [ids])
  await connection.query('set foreign_key_checks = 1')
  if (tables.includes('erasures'))
    for (const { playerId, academyId, erasedBy, erasedAt } of unique)
      await connection.query('insert ignore into erasures values (?, ?, ?, ?)', [
        playerId,
        academyId,
        erasedBy,
        new Date(erasedAt),
      ])
  return Number(n)
}

/** What a backup says of itself, after its file was held against it. */
async function checkedManifest(file) {
  const path = file.replace(/\.sql\.gz$/, '.json')
  if (!existsSync(file) || !existsSync(path)) stop(`${file} and its .json beside it are needed: both belong together.`)
  const manifest = JSON.parse(readFileSync(path, 'utf8'))
  if (manifest.format !== FORMAT || manifest.version !== 1) stop(`${path} is no backup of this program.`)
  if ((await hashOf(file)) !== manifest.sha256) stop(`${file} is not as it was saved: nothing was brought back.`)
  if (manifest.migrations > knownMigrations())
    stop(`${file} was saved by a newer program: bring this one up to date first. Nothing was brought back.`)
  return manifest
}

async function tablesOf(connection) {
  const [tables] = await connection.query('show tables')
  return tables.map(row => Object.values(row)[0])
}

/**
 * Brings a backup back into an empty database, and counts what came.
 * @returns {Promise<{ counts: Record<string, number>, erased: number }>} rows of each table as they were saved, and
 * how many players were forgotten again
 */
export async function restore(url, file) {
  const manifest = await checkedManifest(file)
  const connection = await connectTo(url)
  try {
    await refuseUnfinished(connection)
    const there = await tablesOf(connection)
    if (there.length > 0)
      stop(
        `The database holds ${there.length} tables: a backup is brought back into an empty one. Nothing was touched.`,
      )
    await beginRestore(connection, basename(file))
    await withClient(url, async (client, database) => {
      const { child, ended } = begin('mariadb', [...client, '--batch', database], ['pipe', 'ignore', 'pipe'])
      // A client that ends early says why on its way out; the pipe then has nobody to write to.
      const [written, { code, said }] = await Promise.all([
        pipeline(createReadStream(file), createGunzip(), child.stdin).then(
          () => null,
          error => error,
        ),
        ended,
      ])
      if (code !== 0 || written)
        stop(`Brought back in part only: ${said.trim() || written.message}. Empty the database and begin again.`)
    })
    const counts = {}
    for (const table of (await tablesOf(connection)).filter(name => name !== MARK)) {
      const [[row]] = await connection.query('select count(*) as n from ??', [table])
      counts[table] = Number(row.n)
    }
    for (const [table, rows] of Object.entries(manifest.tables))
      if (counts[table] !== rows)
        stop(`${table} has ${counts[table] ?? 'no'} rows, ${rows} were saved. Empty the database and begin again.`)
    const erased = await eraseAgain(connection, file)
    await endRestore(connection)
    return { counts, erased }
  } finally {
    await connection.end()
  }
}

/** Rows whose foreign key leads nowhere, by key. */
export async function orphansOf(url) {
  const connection = await connectTo(url)
  try {
    await refuseUnfinished(connection)
    const [keys] = await connection.query(
      `select constraint_name as name, table_name as child, column_name as fk, referenced_table_name as parent,
        referenced_column_name as pk
      from information_schema.key_column_usage where table_schema = database() and referenced_table_name is not null`,
    )
    const orphans = []
    for (const { name, child, fk, parent, pk } of keys) {
      const [[row]] = await connection.query(
        'select count(*) as n from ?? c left join ?? p on p.?? = c.?? where c.?? is not null and p.?? is null',
        [child, parent, pk, fk, fk, pk],
      )
      if (Number(row.n) > 0) orphans.push({ name, table: child, rows: Number(row.n) })
    }
    return { keys: keys.length, orphans }
  } finally {
    await connection.end()
  }
}

/** The newest backup of a folder; a file is itself. */
export function backupAt(path) {
  if (path.endsWith('.sql.gz')) return path
  const newest = existsSync(path) ? backupsIn(path).at(-1) : undefined
  return newest ? join(path, newest.file) : stop(`There is no backup in ${path}.`)
}
