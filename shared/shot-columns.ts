import { CARRY_BASES, READING_NAMES, type ReadingName, type Readings } from '../core/shot/readings'
import type { ShotRecord } from './schemas/session'

export type ShotField = Exclude<keyof ShotRecord, 'deleted'>

/**
 * What a shot has, once: what is stored, sent, read back and laid over follows from this list. A value stands for
 * each shot (`each`), as a place in a list of ids (`place`), or for the few that have one (`few`).
 */
export const SHOT_FIELDS = {
  id: { each: 'id' },
  sessionId: { place: 'sessionIndex', ids: 'sessionIds' },
  clubId: { place: 'clubIndex', ids: 'clubIds' },
  rungId: { place: 'rungIndex', ids: 'rungIds' },
  carryM: { each: 'carryM' },
  method: { each: 'method' },
  balls: { each: 'balls' },
  hitAtMs: { each: 'hitAtMs' },
  leftOut: { each: 'leftOut' },
  strike: { few: 'strikes' },
  readings: { few: 'readings' },
  taken: { few: 'taken' },
  version: { each: 'version' },
} as const satisfies Record<ShotField, { each: string } | { place: string; ids: string } | { few: string }>

type Fields = typeof SHOT_FIELDS
export const SHOT_FIELD_NAMES = Object.keys(SHOT_FIELDS) as ShotField[]

/**
 * Readings of the balls that have any: their places in the lists, then one list for each reading, null where it was
 * not read.
 */
export interface ReadingColumns extends Record<ReadingName, (number | null)[]> {
  at: number[]
  /** Place in `CARRY_BASES`. */
  basis: (number | null)[]
}

/**
 * All shots of a player, column by column: one list a field, all of the same length. Five thousand shots are then
 * a tenth of the bytes, and the ids of clubs, swings and sessions stand once. `…Index` points into the lists beside it;
 * of what few shots have there is the place in the lists, and the value.
 */
export type ShotColumns = {
  [F in ShotField as Fields[F] extends { each: infer Name extends string } ? Name : never]: ShotRecord[F][]
} & {
  [F in ShotField as Fields[F] extends { place: infer Name extends string } ? Name : never]: number[]
} & {
  [F in ShotField as Fields[F] extends { ids: infer Name extends string } ? Name : never]: string[]
} & {
  [F in Exclude<ShotField, 'readings'> as Fields[F] extends { few: infer Name extends string } ? Name : never]: [
    index: number,
    value: NonNullable<ShotRecord[F]>,
  ][]
} & { readings: ReadingColumns }

export function readingColumns(readings: Iterable<readonly [at: number, Readings]>): ReadingColumns {
  const lists = Object.fromEntries(READING_NAMES.map(name => [name, [] as (number | null)[]]))
  const columns = { at: [], basis: [], ...lists } as unknown as ReadingColumns
  for (const [at, values] of readings) {
    columns.at.push(at)
    columns.basis.push(values.carryBasis ? CARRY_BASES.indexOf(values.carryBasis) : null)
    for (const name of READING_NAMES) columns[name].push(values[name] ?? null)
  }
  return columns
}

function* readingsOf(columns: ReadingColumns): Generator<[at: number, Readings]> {
  for (const [i, at] of columns.at.entries()) {
    const readings: Readings = {}
    for (const name of READING_NAMES) {
      const value = columns[name][i]!
      if (value !== null) readings[name] = value
    }
    const basis = columns.basis[i]!
    if (basis !== null) readings.carryBasis = CARRY_BASES[basis]!
    yield [at, readings]
  }
}

function indexed(values: readonly string[]): { ids: string[]; places: number[] } {
  const placeOf = new Map<string, number>()
  const places = values.map(value => {
    const place = placeOf.get(value) ?? placeOf.size
    placeOf.set(value, place)
    return place
  })
  return { ids: [...placeOf.keys()], places }
}

/** Columns of shots. @param valuesOf all values of a field, in the order of the shots */
export function toColumns(valuesOf: (field: ShotField) => readonly unknown[]): ShotColumns {
  const columns: Record<string, unknown> = {}
  for (const field of SHOT_FIELD_NAMES) {
    const way = SHOT_FIELDS[field]
    const values = valuesOf(field)
    if ('each' in way) columns[way.each] = values
    else if ('place' in way) {
      const { ids, places } = indexed(values as string[])
      columns[way.ids] = ids
      columns[way.place] = places
    } else {
      const few = [...values.entries()].filter(([, value]) => value !== null)
      columns[way.few] = field === 'readings' ? readingColumns(few as [number, Readings][]) : few
    }
  }
  return columns as unknown as ShotColumns
}

/** A player who has not hit a ball yet. */
export const noShots = (): ShotColumns => toColumns(() => [])

/** Shots from their columns. */
export function fromColumns(columns: ShotColumns): ShotRecord[] {
  const lists = columns as unknown as Record<string, unknown[]>
  const ways = SHOT_FIELD_NAMES.map((field): [ShotField, (i: number) => unknown] => {
    const way = SHOT_FIELDS[field]
    if ('each' in way) return [field, i => lists[way.each]![i]]
    if ('place' in way) return [field, i => lists[way.ids]![lists[way.place]![i] as number]]
    const few = new Map<number, unknown>(
      field === 'readings' ? readingsOf(columns.readings) : (lists[way.few] as [number, unknown][]),
    )
    return [field, i => few.get(i) ?? null]
  })
  return columns.id.map((_, i) => {
    const shot: Record<string, unknown> = { deleted: false }
    for (const [field, valueAt] of ways) shot[field] = valueAt(i)
    return shot as unknown as ShotRecord
  })
}
