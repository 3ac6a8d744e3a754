import type { Bag } from '../core/bag/bag'
import type { METHODS, Strike } from '../core/shot/shot'
import type { Player } from './player'
import type { SessionRecord, ShotRecord } from './session'

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
  method: typeof METHODS[number][]
  balls: number[]
  hitAtMs: number[]
  leftOut: (string | null)[]
  /** Of the few that were called: place in the lists, and what was called. */
  strikes: [index: number, strike: Strike][]
  version: number[]
}

/** Everything a stage needs of one player. */
export interface PlayerRecord {
  player: Player
  bag: Bag
  bagVersion: number
  sessions: SessionRecord[]
  shots: ShotColumns
}

/** Finds the place of a value in a growing list, adding it when it is new. */
export function indexer(values: string[]): (value: string) => number {
  const places = new Map(values.map((value, i) => [value, i]))
  return (value) => {
    const known = places.get(value)
    if (known !== undefined) return known
    places.set(value, values.length)
    return values.push(value) - 1
  }
}

/** Shots from their columns. */
export function fromColumns(columns: ShotColumns): ShotRecord[] {
  const strikes = new Map(columns.strikes)
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
    version: columns.version[i]!,
    deleted: false,
  }))
}
