/** A database into which a backup is being brought back, or was until it was cut off: nobody works with half of it. */
import { stop } from './say.mjs'

/** Stands in the database from the first statement of a restore to its last. */
export const MARK = 'uzzet_restoring'

/** @returns what is being brought back, since when; null for a database that is whole */
async function unfinished(connection) {
  const [tables] = await connection.query('show tables like ?', [MARK])
  if (tables.length === 0) return null
  const [rows] = await connection.query('select file, begun from ??', [MARK])
  return rows[0] ?? { file: 'a backup', begun: null }
}

export async function beginRestore(connection, file) {
  await connection.query('create table ?? (file varchar(200) not null, begun datetime not null)', [MARK])
  await connection.query('insert into ?? values (?, utc_timestamp())', [MARK, file])
}

export const endRestore = connection => connection.query('drop table ??', [MARK])

/** Says what is to be done, and ends, where a restore was not ended. */
export async function refuseUnfinished(connection) {
  const what = await unfinished(connection)
  if (what)
    stop(
      `Bringing ${what.file} back into this database was begun and not ended: it holds a part only. ` +
        'Empty it ("drop database", "create database"), restore again, and start then. Nothing was changed.',
    )
}
