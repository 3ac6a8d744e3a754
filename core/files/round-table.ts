import Papa from 'papaparse'
import { CARRY_MAX_M } from '../limits'
import { LIE_NAMES, type Lie } from '../pick/lies'
import type { Approach } from '../rounds/approach'
import { READING_RANGE } from '../shot/readings'
import { yardsToMetres } from '../units'
import { plainText, readNumber, readOneOf, textCell, type NumberColumn } from './cells'
import type { Fail, RowError } from './row-fault'

/** An approach of a file: labels as the file has them, '' where it has none. */
export interface ApproachRow {
  approach: Approach
  club: string
  swing: string
}

/** A round of a file, its approaches in order. */
export interface RoundRows {
  round: string
  /** As it stands there: a day, or a moment. */
  date: string
  rows: ApproachRow[]
}

const same = (value: number) => value
const distance = (name: string): NumberColumn[] => [
  [`${name}_yd`, yardsToMetres],
  [`${name}_m`, same],
]
const DAY = /^\d{4}-\d{2}-\d{2}/
const MOST_HOLES = 36
const MOST_PENALTY = 4

/**
 * Rounds as a table, a row an approach: `round`, `date`, `hole`, `chance` (yes, no; yes where it is missing),
 * `distance_yd` or `_m`, `club`, `swing`, `lie`, `finish_long_yd` or `_m` (past the target is +), `finish_right_yd` or
 * `_m`, `penalty`, `tee` (par 3, par 4). Rows that cannot be read are named in `errors`; the others are kept. Rounds
 * come by their day.
 * @example readRoundTable('round,date,distance_m\n1,2026-05-04,92').rounds[0]?.rows.length // => 1
 */
export function readRoundTable(text: string): { rounds: RoundRows[]; errors: RowError[] } {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: name => name.trim().toLowerCase(),
  })
  const errors: RowError[] = []
  const rounds = new Map<string, RoundRows>()
  for (const [i, cells] of data.entries()) {
    const before = errors.length
    const fail: Fail = (column, value, fault) => errors.push({ row: i + 2, column, value, fault })
    const distanceM = readNumber(cells, distance('distance'), [1, CARRY_MAX_M], 'm', fail)
    const offM = readNumber(cells, distance('finish_long'), [-CARRY_MAX_M, CARRY_MAX_M], 'm', fail)
    const sideM = readNumber(cells, distance('finish_right'), READING_RANGE.sideM, 'm', fail)
    const hole = readNumber(cells, [['hole', same]], [1, MOST_HOLES], '', fail)
    const penalty = readNumber(cells, [['penalty', same]], [0, MOST_PENALTY], 'strokes', fail)
    const chance = readOneOf(cells, 'chance', ['yes', 'no'], fail)
    const lie = readOneOf(cells, 'lie', LIE_NAMES, fail)
    const tee = readOneOf(cells, 'tee', ['par 3', 'par 4'], fail)
    const date = (cells.date ?? '').trim()
    if (!DAY.test(date)) fail('date', date, { kind: 'no-day' })
    if (distanceM === undefined && errors.length === before) fail('distance_m', '', { kind: 'missing' })
    if (errors.length > before) continue
    const name = textCell(cells.round) || date
    const round = rounds.get(name) ?? { round: name, date, rows: [] }
    rounds.set(name, round)
    round.rows.push({
      approach: {
        chance: chance !== 'no',
        distanceM: distanceM!,
        ...(hole !== undefined && { hole: Math.round(hole) }),
        ...(lie && { lie: lie satisfies Lie }),
        ...(tee && { tee: tee === 'par 3' ? (3 as const) : (4 as const) }),
        ...(offM !== undefined && { offM }),
        ...(sideM !== undefined && { sideM }),
        ...(penalty !== undefined && penalty > 0 && { penalty: Math.round(penalty) }),
      },
      club: textCell(cells.club),
      swing: textCell(cells.swing),
    })
  }
  return { rounds: [...rounds.values()].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0)), errors }
}

const COLUMNS = [
  'round',
  'date',
  'hole',
  'chance',
  'distance_m',
  'club',
  'swing',
  'lie',
  'finish_long_m',
  'finish_right_m',
  'penalty',
  'tee',
] as const

/** The same table out: metres to the centimetre, names as they are. */
export function writeRoundTable(rounds: readonly RoundRows[]): string {
  const metres = (value: number | undefined) => (value === undefined ? '' : value.toFixed(2))
  const rows = rounds.flatMap(({ round, date, rows: own }) =>
    own.map(({ approach, club, swing }) => [
      plainText(round),
      date,
      approach.hole ?? '',
      approach.chance ? 'yes' : 'no',
      metres(approach.distanceM),
      plainText(club),
      plainText(swing),
      approach.lie ?? '',
      metres(approach.offM),
      metres(approach.sideM),
      approach.penalty ?? '',
      approach.tee ? `par ${approach.tee}` : '',
    ]),
  )
  return `${Papa.unparse([[...COLUMNS], ...rows])}\r\n`
}
