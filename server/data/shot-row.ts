import { shots } from '../db/schema'
import { SHOT_FIELD_NAMES, type ShotField } from '../../shared/shot-columns'
import type { ShotRecord } from '../../shared/schemas/session'

/** A field without a column does not compile. */
const columnOf = (field: ShotField) => (field === 'hitAtMs' ? shots.hitAt : shots[field])
const NAMES = SHOT_FIELD_NAMES.map(field => columnOf(field).name)
const HIT_AT = NAMES.indexOf(shots.hitAt.name)

/** A shot as it goes into the database: its fields in their order. */
export function valuesOf(shot: ShotRecord): unknown[] {
  return SHOT_FIELD_NAMES.map(field => {
    const value = shot[field]
    if (field === 'hitAtMs') return new Date(shot.hitAtMs)
    return value !== null && typeof value === 'object' ? JSON.stringify(value) : value
  })
}

export const deletedAtOf = ({ deleted }: ShotRecord): Date | null => (deleted ? new Date() : null)

/** Begins a statement that puts shots in: player, fields, when it was deleted. */
export const INSERT = `insert into shots (player_id, ${NAMES.join(', ')}, deleted_at)`
export const PLACEHOLDERS = NAMES.map(() => '?').join(', ')

/** A shot as the driver reads it by `SELECTED`: its fields in their order, then whether it is deleted. */
export type ShotRow = [...fields: unknown[], deleted: number]
export const SELECTED = [
  ...NAMES.map((name, i) => (i === HIT_AT ? `timestampdiff(microsecond, '1970-01-01', ${name}) div 1000` : name)),
  'deleted_at is not null',
].join(', ')

const ID = SHOT_FIELD_NAMES.indexOf('id')
export const idOfRow = (row: ShotRow) => row[ID] as string
/** The driver hands out whole numbers of such a size as text, or not, as it likes. */
export const hitAtMsOf = (row: ShotRow) => Number(row[HIT_AT])
export const valueOf = (row: ShotRow, field: ShotField): unknown =>
  field === 'hitAtMs' ? hitAtMsOf(row) : row[SHOT_FIELD_NAMES.indexOf(field)]

/** A row of the table as the query builder hands it out. */
export function toRecord(row: typeof shots.$inferSelect): ShotRecord {
  const record: Record<string, unknown> = { deleted: row.deletedAt !== null }
  for (const field of SHOT_FIELD_NAMES) record[field] = field === 'hitAtMs' ? row.hitAt.getTime() : row[field]
  return record as unknown as ShotRecord
}

/** What a change writes: all but the id. */
export function columnsOf({ id: _, hitAtMs, deleted: __, ...fields }: ShotRecord) {
  return { ...fields, hitAt: new Date(hitAtMs) }
}
