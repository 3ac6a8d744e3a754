import type { Bag } from '../core/bag/bag'
import type { METHODS, Strike } from '../core/shot/shot'
import { CARRY_BASES, READING_NAMES, type ReadingName, type Readings } from '../core/shot/readings'
import type { PublishedNumbers } from '../core/history/published-numbers'
import type { CellRemarkRecord } from './schemas/cell-remark'
import type { FlagAnswerRecord } from './schemas/flag-answer'
import type { AcademyThresholds } from './schemas/player'
import type { Player } from './player'
import type { SessionRecord, ShotRecord, TakenRecord } from './schemas/session'

/**
 * All shots of a player, column by column: one list a field, all of the same length. Five thousand shots are then
 * a tenth of the bytes, and the ids of clubs, swings and sessions stand once. `…Index` points into the lists beside it.
 */
export interface ShotColumns {
  id: string[]
  sessionIds: string[]
  sessionIndex: number[]
  clubIds: string[]
  clubIndex: number[]
  rungIds: string[]
  rungIndex: number[]
  carryM: number[]
  method: (typeof METHODS)[number][]
  balls: number[]
  hitAtMs: number[]
  leftOut: (string | null)[]
  /** Of the few that were called: place in the lists, and what was called. */
  strikes: [index: number, strike: Strike][]
  readings: ReadingColumns
  /** Of the few that were taken in more than a figure: place in the lists, and how. */
  taken: [index: number, taken: TakenRecord][]
  version: number[]
}

/**
 * Readings of the balls that have any: their places in the lists, then one list for each reading, null where it was
 * not read.
 */
export interface ReadingColumns extends Record<ReadingName, (number | null)[]> {
  at: number[]
  /** Place in `CARRY_BASES`. */
  basis: (number | null)[]
}

export function noReadings(): ReadingColumns {
  return {
    at: [],
    basis: [],
    ...(Object.fromEntries(READING_NAMES.map(name => [name, [] as (number | null)[]])) as Record<
      ReadingName,
      (number | null)[]
    >),
  }
}

/** A player who has not hit a ball yet. */
export const noShots = (): ShotColumns => ({
  id: [],
  sessionIds: [],
  sessionIndex: [],
  clubIds: [],
  clubIndex: [],
  rungIds: [],
  rungIndex: [],
  carryM: [],
  method: [],
  balls: [],
  hitAtMs: [],
  leftOut: [],
  strikes: [],
  readings: noReadings(),
  taken: [],
  version: [],
})

export function addReadings(columns: ReadingColumns, at: number, readings: Readings): void {
  columns.at.push(at)
  columns.basis.push(readings.carryBasis ? CARRY_BASES.indexOf(readings.carryBasis) : null)
  for (const name of READING_NAMES) columns[name].push(readings[name] ?? null)
}

function readingsByShot(columns: ReadingColumns): Map<number, Readings> {
  return new Map(
    columns.at.map((at, i) => {
      const readings: Readings = {}
      for (const name of READING_NAMES) {
        const value = columns[name][i]!
        if (value !== null) readings[name] = value
      }
      const basis = columns.basis[i]!
      if (basis !== null) readings.carryBasis = CARRY_BASES[basis]!
      return [at, readings]
    }),
  )
}

/** Everything a stage needs of one player. */
export interface PlayerRecord {
  player: Player
  bag: Bag
  bagVersion: number
  sessions: SessionRecord[]
  shots: ShotColumns
  /** Oldest first. */
  words: CellRemarkRecord[]
  /** What flags are judged by where the player has no figures of their own. */
  academyThresholds: AcademyThresholds
  /** The chart the player carries: the newest that was published. */
  published: PublishedNumbers | null
  /** What coaches said to flags, oldest first. */
  answers: FlagAnswerRecord[]
}

/** Finds the place of a value in a growing list, adding it when it is new. */
export function indexer(values: string[]): (value: string) => number {
  const places = new Map(values.map((value, i) => [value, i]))
  return value => {
    const known = places.get(value)
    if (known !== undefined) return known
    places.set(value, values.length)
    return values.push(value) - 1
  }
}

/** Shots from their columns. */
export function fromColumns(columns: ShotColumns): ShotRecord[] {
  const strikes = new Map(columns.strikes)
  const readings = readingsByShot(columns.readings)
  const taken = new Map(columns.taken)
  return columns.id.map((id, i) => ({
    id,
    sessionId: columns.sessionIds[columns.sessionIndex[i]!]!,
    clubId: columns.clubIds[columns.clubIndex[i]!]!,
    rungId: columns.rungIds[columns.rungIndex[i]!]!,
    carryM: columns.carryM[i]!,
    method: columns.method[i]!,
    balls: columns.balls[i]!,
    hitAtMs: columns.hitAtMs[i]!,
    leftOut: columns.leftOut[i]!,
    strike: strikes.get(i) ?? null,
    readings: readings.get(i) ?? null,
    taken: taken.get(i) ?? null,
    version: columns.version[i]!,
    deleted: false,
  }))
}
