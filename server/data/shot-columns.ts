import { LRUCache } from 'lru-cache'
import { toColumns, type ShotColumns } from '../../shared/shot-columns'
import { usePool } from '../db/database'
import { hitAtMsOf, idOfRow, SELECTED, valueOf, type ShotRow } from './shot-row'

/**
 * A change is dated when its statement begins, and seen when its transaction ends: what is younger than this is read
 * again each time.
 */
export const SETTLED_S = 60

/** A player's balls as they were read, up to a moment; what was changed after it is read anew. */
interface Known {
  upTo: string
  /** Tells of a session that came or went with its balls. */
  sessions: string
  rows: Map<string, ShotRow>
  columns: ShotColumns
}

const MOST_ROWS = 100_000
const KEPT_MS = 15 * 60_000
/** Players who were opened lately: opening them again reads what changed since, not every ball there is. */
const known = new LRUCache<string, Known>({
  maxSize: MOST_ROWS,
  sizeCalculation: ({ rows }) => rows.size + 1,
  // All of it is read again after a while, however often it was asked for: a clock set back hides no ball for long.
  ttl: KEPT_MS,
  noUpdateTTL: true,
})

const MOMENT = `select date_format(now(3) - interval ${SETTLED_S} second, '%Y-%m-%d %H:%i:%s.%f') as up_to,
  (select concat_ws(' ', count(*), sum(version), bit_xor(crc32(id))) from sessions where player_id = ?) as sessions`

/** Rows of a player, of all that were changed after a moment. */
async function rowsSince(playerId: string, upTo: string): Promise<ShotRow[]> {
  // Straight through the driver, prepared, rows as lists: several times as quick for thousands of shots.
  const [rows] = await usePool().execute(
    { sql: `select ${SELECTED} from shots where player_id = ? and changed_at > ?`, rowsAsArray: true },
    [playerId, upTo],
  )
  return rows as unknown as ShotRow[]
}

function columnsOf(rows: Iterable<ShotRow>): ShotColumns {
  // Put in order here: the database takes four times as long over it (measured with 5,000 shots).
  const inTime = [...rows].sort((a, b) => hitAtMsOf(a) - hitAtMsOf(b) || (idOfRow(a) < idOfRow(b) ? -1 : 1))
  return toColumns(field => inTime.map(row => valueOf(row, field)))
}

/** What was known with what came since. @returns null where nothing is different */
function merged(rows: ReadonlyMap<string, ShotRow>, came: readonly ShotRow[]): Map<string, ShotRow> | null {
  const news = came.filter(row => {
    const was = rows.get(idOfRow(row))
    return row.at(-1) === 1 ? was !== undefined : !was || JSON.stringify(was) !== JSON.stringify(row)
  })
  if (news.length === 0) return null
  const all = new Map(rows)
  for (const row of news) {
    if (row.at(-1) === 1) all.delete(idOfRow(row))
    else all.set(idOfRow(row), row)
  }
  return all
}

const BEFORE_ALL = '1000-01-01'

/**
 * All shots of a player that the caller has already found to be the coach's, in the order hit, column by column.
 * The answer is shared: nobody changes it.
 */
export async function shotColumnsOf(playerId: string): Promise<ShotColumns> {
  const [moment] = await usePool().execute(MOMENT, [playerId])
  const { up_to: upTo, sessions } = (moment as { up_to: string; sessions: string }[])[0]!
  const was = known.get(playerId)
  const before = was?.sessions === sessions ? was : undefined
  const rows = merged(before?.rows ?? new Map(), await rowsSince(playerId, before?.upTo ?? BEFORE_ALL))
  const now = {
    upTo,
    sessions,
    rows: rows ?? before?.rows ?? new Map(),
    columns: rows || !before ? columnsOf(rows?.values() ?? []) : before.columns,
  }
  known.set(playerId, now)
  return now.columns
}
