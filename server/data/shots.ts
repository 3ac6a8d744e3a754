import { and, eq } from 'drizzle-orm'
import { shots } from '../db/schema'
import { SEEN, seenBy, type Coach, type Session } from './coaches'
import { findPlayer } from './players'
import type { FieldError } from '../../shared/errors'
import { shotTimeRight } from '../../shared/clock'
import type { ShotRecord } from '../../shared/schemas/session'
import { isDuplicate } from '../db/database-errors'
import { transaction, usePool } from '../db/database'
import { Stale, Taken, Unfit } from './faults'
import { showAgain } from './sessions'
import { columnsOf, deletedAtOf, INSERT, PLACEHOLDERS, toRecord, valuesOf } from './shot-row'

const unique = (values: string[]) => [...new Set(values)]

const ownIds = (kind: string, table: string, gone = '0') => `
  select '${kind}' as kind, x.id, ${gone} as gone from players p join ${table} x on x.player_id = p.id
  where p.id = ? and p.academy_id = ? ${SEEN} and x.id in (?)`
const OWN_IDS = [
  ownIds('sessionId', 'sessions', "coalesce(json_value(x.plan, '$.gone'), 0)"),
  ownIds('clubId', 'clubs'),
  ownIds('rungId', 'rungs'),
].join(' union all ')

type Belonging = Pick<ShotRecord, 'sessionId' | 'clubId' | 'rungId'> & Partial<Pick<ShotRecord, 'deleted' | 'taken'>>

/** What the fields of a ball name that something else has to be. */
const BELONGINGS = [
  { field: 'sessionId', kind: 'sessionId', words: "This session is not one of the player's." },
  { field: 'clubId', kind: 'clubId', words: "This club is not in the player's bag." },
  { field: 'rungId', kind: 'rungId', words: "This swing length is not on the player's scale." },
  { field: 'taken.askedRungId', kind: 'rungId', words: "The swing length asked for is not on the player's scale." },
] as const
const GONE = 'This session was merged into another: give the ball to that one.'

const idOf = (record: Belonging, field: (typeof BELONGINGS)[number]['field']) =>
  field === 'taken.askedRungId' ? record.taken?.askedRungId : record[field]

/**
 * One round trip: is the player the coach's, and are all sessions, clubs and swings the player's? A session that was
 * merged into another shows no balls: it takes none but such as are deleted.
 * @param fieldOf what the field of a record is called in the refusal
 * @param hidden true for balls of an import, whose sessions are not shown yet
 */
export async function checkBelongings(
  coach: Coach,
  playerId: string,
  records: readonly Belonging[],
  fieldOf = (name: string, i: number) => `shots.${i}.${name}`,
  hidden = false,
): Promise<void> {
  const own = [playerId, coach.academyId, ...seenBy(coach)]
  const [rows] = await usePool().query(OWN_IDS, [
    ...own,
    unique(records.map(r => r.sessionId)),
    ...own,
    unique(records.map(r => r.clubId)),
    ...own,
    unique(records.flatMap(r => [r.rungId, ...(r.taken?.askedRungId ? [r.taken.askedRungId] : [])])),
  ])
  const found = rows as { kind: string; id: string; gone: number | string }[]
  // Nothing known at all is most often another academy's player; findPlayer says so.
  if (found.length === 0) await findPlayer(coach, playerId)
  const there = new Map(found.map(row => [`${row.kind} ${row.id}`, Number(row.gone) === 1]))
  const errors: FieldError[] = records.flatMap((record, i) =>
    BELONGINGS.flatMap(({ field, kind, words }) => {
      const id = idOf(record, field)
      if (id === undefined) return []
      const isGone = there.get(`${kind} ${id}`)
      if (isGone === undefined) return [{ field: fieldOf(field, i), message: words }]
      return isGone && !hidden && !record.deleted ? [{ field: fieldOf(field, i), message: GONE }] : []
    }),
  )
  if (errors.length > 0) throw new Unfit(errors[0]!.message, errors)
}

function same(a: ShotRecord, b: ShotRecord): boolean {
  // Readings stand in the order of their schema on both sides.
  return (Object.keys(a) as (keyof ShotRecord)[]).every(
    key => a[key] === b[key] || JSON.stringify(a[key]) === JSON.stringify(b[key]),
  )
}

/** Some of them are there already: each is new, the same again, or the next version of what is there. */
async function putOneByOne(playerId: string, records: readonly ShotRecord[]): Promise<void> {
  const nowMs = Date.now()
  await transaction(async tx => {
    for (const [i, sent] of records.entries()) {
      const [row] = await tx.select().from(shots).where(eq(shots.id, sent.id)).for('update')
      const known = row && toRecord(row)
      const record = shotTimeRight(sent, known, nowMs)
      const deletedAt = record.deleted ? new Date() : null
      if (!row || !known) {
        await tx.insert(shots).values({ id: record.id, playerId, ...columnsOf(record), deletedAt })
        continue
      }
      if (row.playerId === playerId && same(known, record)) continue
      if (row.playerId === playerId && row.version === record.version - 1) {
        await tx
          .update(shots)
          .set({ ...columnsOf(record), deletedAt })
          .where(and(eq(shots.id, record.id), eq(shots.playerId, playerId)))
        continue
      }
      const field = `shots.${i}.version`
      throw row.playerId === playerId
        ? new Stale(field, 'This ball was changed on another device.', known)
        : new Taken(field)
    }
  })
}

// Finds nothing to put in when the coach is not signed in, or player, session, club or swing is not the coach's.
const INSERT_OWN = `${INSERT} select p.id, ${PLACEHOLDERS}, ?
  from coaches k join players p on p.academy_id = k.academy_id
  join sessions s on s.player_id = p.id and s.id = ? and coalesce(json_value(s.plan, '$.gone'), 0) = 0
  join clubs c on c.player_id = p.id and c.id = ?
  join rungs r on r.player_id = p.id and r.id = ?
  join sign_ins i on i.coach_id = k.id and i.id = ? and i.ended_at is null
  where k.id = ? and k.sign_in_epoch = ? and k.left_at is null and k.role <> 'reader' and p.id = ?
    and (k.role <> 'coach' or p.coach_id = k.id or 'all' = (select coaches_see from academies where id = k.academy_id))`

/**
 * The usual case, one new ball, in one prepared statement that also looks the coach up.
 * @returns false when nothing was put in, for whatever reason: `putShots` then finds out which
 */
export async function logBall(session: Session, playerId: string, sent: ShotRecord): Promise<boolean> {
  // Names one thing more than the statement looks up.
  if (sent.taken?.askedRungId) return false
  const record = shotTimeRight(sent, undefined, Date.now())
  try {
    const [done] = await usePool().execute(INSERT_OWN, [
      ...(valuesOf(record) as string[]),
      deletedAtOf(record),
      record.sessionId,
      record.clubId,
      record.rungId,
      session.signInId,
      session.coachId,
      session.epoch,
      playerId,
    ])
    return (done as { affectedRows: number }).affectedRows === 1
  } catch (error) {
    if (isDuplicate(error)) return false
    throw error
  }
}

export async function insertAll(playerId: string, records: readonly ShotRecord[], ifThere = ''): Promise<void> {
  await usePool().query(`${INSERT} values ? ${ifThere}`, [
    records.map(record => [playerId, ...valuesOf(record), deletedAtOf(record)]),
  ])
}

/**
 * Which of these ids a device sent before, whatever became of their balls since. An id that nobody guesses tells
 * nothing.
 */
export async function sentBefore(ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set()
  const [rows] = await usePool().query('select id from shots where id in (?)', [ids])
  return new Set((rows as { id: string }[]).map(row => row.id))
}

/** Puts new balls that a device sent into a player's record. The same ball twice at once is there once. */
export async function addSentShots(playerId: string, records: readonly ShotRecord[]): Promise<void> {
  await insertAll(playerId, records, 'on duplicate key update id = shots.id')
  await showAgain(
    playerId,
    records.map(record => record.sessionId),
  )
}

/**
 * Puts balls as the browser knows them, all or nothing. The same ball twice changes nothing; version n + 1 replaces
 * version n.
 * @throws 404, 422 naming what is not the player's, 409 naming the ball that was changed elsewhere
 */
export async function putShots(coach: Coach, playerId: string, records: readonly ShotRecord[]): Promise<void> {
  await checkBelongings(coach, playerId, records)
  try {
    const nowMs = Date.now()
    await insertAll(
      playerId,
      records.map(record => shotTimeRight(record, undefined, nowMs)),
    )
  } catch (error) {
    if (!isDuplicate(error)) throw error
    await putOneByOne(playerId, records)
  }
  await showAgain(
    playerId,
    records.filter(record => !record.deleted).map(record => record.sessionId),
  )
}
