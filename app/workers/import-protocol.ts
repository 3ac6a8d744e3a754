import type { Bag } from '#core/bag/bag'
import type { ForeignColumn, Mapping } from '#core/files/foreign-table'
import type { RowError } from '#core/files/shot-table'
import type { ShotRecord } from '#shared/session'

/** At most so much of a file, and so many rows. */
export const FILE_MAX_BYTES = 25e6
export const ROWS_MAX = 100_000

/** What the coach decided about labels of the file: an id of the bag, or to leave such rows away. */
export interface Choices {
  mapping: Mapping
  clubs: Record<string, string>
  swings: Record<string, string>
  /** Swing length of rows that name none. */
  swing: string | null
  /** Day on which rows without a time were hit, at its noon. */
  dateMs: number
  /** What holds for all rows where no column says it. */
  ball: 'own' | 'range'
  surface: 'grass' | 'mat'
  indoors: boolean
}

/** What a ball that came another way is known by: one that went out in a table and comes back is the same ball. */
export function ballKey({ hitAtMs, clubId, rungId, carryM }: Pick<ShotRecord, 'hitAtMs' | 'clubId' | 'rungId' | 'carryM'>): string {
  return [hitAtMs, clubId, rungId, carryM.toFixed(4)].join(' ')
}

/** What the page tells the worker, one after the other. */
export type ImportAsk
  = | { do: 'open', file: File }
    | { do: 'plan', choices: Choices, bag: Bag, playerId: string, knownBalls: string[] }
    | { do: 'send' }
    | { do: 'stop' }

export interface OpenedFile {
  name: string
  headers: string[]
  /** The first rows, as they stand in the file. */
  sample: string[][]
  rows: number
  mapping: Mapping
}

export interface PlannedFile {
  /** Rows that would be added, and what they are, the first of them. */
  fresh: number
  sample: { line: number, club: string, swing: string, carryM: number, cells: Partial<Record<ForeignColumn, string>> }[]
  /** Rows that are in the record already, and rows left away by choice. */
  present: number
  skipped: number
  /** Rows that cannot be taken: the first of them, and how many in all. */
  refused: RowError[]
  refusedRows: number
  /** Labels of the file, and how often: those that no choice was made for are still open. */
  clubs: { label: string, rows: number, choice: string | null }[]
  swings: { label: string, rows: number, choice: string | null }[]
  sessions: { id: string, startedAtMs: number, balls: number }[]
}

export type ImportAnswer
  = | { did: 'open', opened: OpenedFile }
    | { did: 'plan', planned: PlannedFile }
    | { did: 'progress', done: number, of: number }
    | { did: 'send', sessionIds: string[], balls: number }
    | { did: 'stop' }
    | { did: 'fail', reason: string }
