import { measuresToRest } from '../shot/measuring'
import Papa from 'papaparse'
import { BALLS_MAX, CARRY_LIMITS_IN_FILE, HEIGHT_RANGE_M } from '../limits'
import { FIRMNESS_MS2, type Firmness } from '../flight/run-out'
import { isPossibleHeight } from '../shot/landing-height'
import { METHODS, STRIKES, type Method, type Strike } from '../shot/shot'
import { figure, plainText, readNumber, readOneOf, textCell } from './cells'
import type { Fail, RowError } from './row-fault'
import { AIR_COLUMNS_OUT, readAirColumns, writeAirColumns, type RowAir } from './air-columns'
import { READING_COLUMNS_OUT, readReadings, writeReadings } from './reading-columns'
import { readSaid, SAID_COLUMNS_OUT, writeSaid, type SaidOfBall } from './said-columns'
import type { Readings } from '../shot/readings'
import { fromUnit, yardsToMetres, type DistanceUnit } from '../units'

/** One row of the shot table, labels as in the bag. */
export interface ShotRow {
  /** Line of the file, the header being 1. */
  row: number
  /** Whose shot it is, or null when the file does not say. */
  player: string | null
  club: string
  swing: string
  carryM: number
  method: Method
  balls: number
  /** Milliseconds since 1970, or null when the file does not say. */
  hitAtMs: number | null
  /** The calendar day of that time, where it was taken; null when the file does not say. */
  day: string | null
  session: string | null
  leftOut: string | null
  /** Label of the swing length that was asked for, where another was swung; null when none is said. */
  asked: string | null
  strike: Strike | null
  ball: 'own' | 'range'
  /** Set when the distance is to where it lies, on this ground. */
  lies?: Firmness
  /** How far it pitched above where it was hit from, metres; undefined when level or not said. */
  heightM?: number
  /** Where the front and the back of a pile lie, and how wide it is; undefined when not measured. */
  frontM?: number
  backM?: number
  widthM?: number
  /** What was said of it beside its strike. */
  said?: SaidOfBall
  /** What else was read of it. */
  readings?: Readings
  /** Air as this row states it; once a session is enough. */
  air?: RowAir
}

const COLUMNS_OUT = [
  'player',
  'session',
  'time',
  'club',
  'swing',
  'carry_m',
  'method',
  'balls',
  'strike',
  'ball',
  'left_out',
  'asked',
  'measured_at',
  'firmness',
  'height_m',
  'pile_front_m',
  'pile_back_m',
  'pile_width_m',
  ...SAID_COLUMNS_OUT,
  ...READING_COLUMNS_OUT,
  ...AIR_COLUMNS_OUT,
]

/** One shot on its way out, words already looked up. */
export interface ShotRowOut {
  player: string
  session: string
  hitAtMs: number
  club: string
  swing: string
  carryM: number
  method: Method
  balls: number
  strike: Strike | null
  ball: 'own' | 'range'
  leftOut: string | null
  asked: string | null
  readings: Readings | null
  /** How it was taken, as far as it is more than a figure. */
  taken: (Pick<ShotRow, 'lies' | 'heightM' | 'frontM' | 'backM' | 'widthM'> & SaidOfBall) | null
  /** Air it was hit in, or null. */
  air: RowAir | null
}

/**
 * The shot table as CSV (RFC 4180, UTF-8, header row). Carries in metres with four decimals: a tenth of a
 * millimetre, so that a carry typed in yards comes back as the same number of yards.
 * A text cell that a spreadsheet would run as a formula gets a leading apostrophe; numbers are written as numbers.
 */
export function writeShotTable(rows: readonly ShotRowOut[]): string {
  const safe = plainText
  return (
    Papa.unparse(
      {
        fields: [...COLUMNS_OUT],
        data: rows.map(r => [
          safe(r.player),
          r.session,
          new Date(r.hitAtMs).toISOString(),
          safe(r.club),
          safe(r.swing),
          Number(r.carryM.toFixed(4)),
          r.method,
          r.balls,
          r.strike ?? '',
          r.ball,
          safe(r.leftOut ?? ''),
          safe(r.asked ?? ''),
          r.taken?.lies ? 'rest' : 'pitch',
          r.taken?.lies ?? '',
          ...[r.taken?.heightM, r.taken?.frontM, r.taken?.backM, r.taken?.widthM].map(metres =>
            metres === undefined ? '' : Number(metres.toFixed(4)),
          ),
          ...writeSaid(r.taken, safe),
          ...writeReadings(r.readings),
          ...writeAirColumns(r.air),
        ]),
      },
      { newline: '\r\n' },
    ) + '\r\n'
  )
}

/** Lines of the file that a row takes: one more for each line break inside a cell. */
function linesOf(row: readonly string[]): number {
  return row.reduce((sum, cell) => sum + cell.split(/\r\n|\r|\n/).length - 1, 1)
}

function readCarry(cells: Record<string, string>, fail: Fail): number {
  const given = (['carry_yd', 'carry_m'] as const).filter(column => (cells[column] ?? '').trim() !== '')
  if (given.length === 2) fail('carry_m', cells.carry_m!, { kind: 'both-units', column: 'carry_yd' })
  const column = given[0]
  if (column === undefined) {
    fail('carry_yd' in cells ? 'carry_yd' : 'carry_m', '', { kind: 'no-carry' })
    return Number.NaN
  }
  const unit: DistanceUnit = column === 'carry_yd' ? 'yd' : 'm'
  const { min, max } = CARRY_LIMITS_IN_FILE[unit]
  const text = cells[column]!.trim()
  const value = figure(text)
  if (!(value >= min && value <= max)) fail(column, text, { kind: 'number', least: min, most: max })
  return fromUnit(value, unit)
}

function readBalls(cells: Record<string, string>, fail: Fail): number {
  const text = (cells.balls ?? '').trim()
  const balls = text === '' ? 1 : Number(text)
  if (!Number.isInteger(balls) || balls < 1 || balls > BALLS_MAX)
    fail('balls', text, { kind: 'whole-number', least: 1, most: BALLS_MAX })
  return balls
}

/** A length that may stand in either unit and may be missing. */
function readLength(
  cells: Record<string, string>,
  name: string,
  range: readonly [minM: number, maxM: number],
  fail: Fail,
): number | undefined {
  return readNumber(
    cells,
    [
      [`${name}_m`, value => value],
      [`${name}_yd`, yardsToMetres],
    ],
    range,
    'm',
    fail,
  )
}

const FIRMNESSES = Object.keys(FIRMNESS_MS2) as Firmness[]

function readLies(cells: Record<string, string>, method: Method, fail: Fail): Firmness | undefined {
  const at =
    readOneOf(cells, 'measured_at', ['pitch', 'rest'] as const, fail) ?? (measuresToRest(method) ? 'rest' : 'pitch')
  const firmness = readOneOf(cells, 'firmness', FIRMNESSES, fail)
  return at === 'rest' ? (firmness ?? 'soft') : undefined
}

function readTime(cells: Record<string, string>, fail: Fail): number | null {
  const text = (cells.time ?? '').trim()
  if (text === '') return null
  // A time without a zone means something else on every machine.
  const hitAtMs = /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$/.test(text)
    ? Date.parse(text)
    : Number.NaN
  if (Number.isNaN(hitAtMs)) fail('time', text, { kind: 'no-time' })
  return hitAtMs
}

/** What one row says but for who hit what, and when: each value that cannot be taken is reported. */
export type RowFigures = Pick<
  ShotRow,
  | 'carryM'
  | 'balls'
  | 'hitAtMs'
  | 'method'
  | 'strike'
  | 'ball'
  | 'lies'
  | 'heightM'
  | 'frontM'
  | 'backM'
  | 'widthM'
  | 'said'
  | 'readings'
  | 'air'
>

/** The figures of one row, from cells by column name in lower case. Not to be used when anything was reported. */
export function readRowFigures(cells: Record<string, string>, fail: Fail): RowFigures {
  const carryM = readCarry(cells, fail)
  const balls = readBalls(cells, fail)
  const hitAtMs = readTime(cells, fail)
  const method = readOneOf(cells, 'method', METHODS, fail) ?? 'monitor'
  const strike = readOneOf(cells, 'strike', STRIKES, fail)
  const ball = readOneOf(cells, 'ball', ['own', 'range'] as const, fail) ?? 'own'
  const [frontM, backM, widthM] = ['pile_front', 'pile_back', 'pile_width'].map(name =>
    readLength(cells, name, [0, CARRY_LIMITS_IN_FILE.m.max], fail),
  )
  const lies = readLies(cells, method, fail)
  const heightM = readLength(cells, 'height', HEIGHT_RANGE_M, fail)
  if (heightM && carryM > 0 && !isPossibleHeight(carryM, heightM))
    fail('height_m', cells.height_m ?? cells.height_yd ?? '', { kind: 'no-height', carryM: Number(carryM.toFixed(1)) })
  const said = readSaid(cells, fail)
  const readings = readReadings(cells, fail)
  const air = readAirColumns(cells, fail)
  return {
    carryM,
    balls,
    hitAtMs,
    method,
    strike,
    ball,
    ...(lies && { lies }),
    ...(heightM && { heightM }),
    ...(frontM !== undefined && { frontM }),
    ...(backM !== undefined && { backM }),
    ...(widthM !== undefined && { widthM }),
    ...(Object.keys(said).length > 0 && { said }),
    ...(readings && { readings }),
    ...(air && { air }),
  }
}

/**
 * Reads a shot table. Nothing is guessed: each value that cannot be taken is an error with row and column.
 * Unknown columns are left alone.
 * @param text the file, header row first; a byte-order mark is removed
 * @returns the rows that could be read, and all errors, in the order of the file
 * @example readShotTable('club,swing,carry_yd\n56°,9:00,72').rows[0].carryM // => 65.8368
 */
export function readShotTable(text: string): { rows: ShotRow[]; errors: RowError[] } {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter: ',' })
  const [header = [], ...body] = parsed.data
  const columns = header.map(name => name.trim().toLowerCase())
  const errors: RowError[] = []
  for (const column of ['club', 'swing']) {
    if (!columns.includes(column))
      errors.push({ row: 1, column, value: columns.join(','), fault: { kind: 'no-column', column } })
  }
  if (!columns.includes('carry_yd') && !columns.includes('carry_m')) {
    errors.push({
      row: 1,
      column: 'carry_yd',
      value: columns.join(','),
      fault: { kind: 'no-carry-column' },
    })
  }
  if (errors.length > 0) return { rows: [], errors }

  for (const { type, row, message } of parsed.errors) {
    // Rows with too few or too many cells are read as far as they go; an open quote makes the rest unreadable.
    if (type === 'Quotes')
      errors.push({
        row: parsed.data.slice(0, row ?? 0).reduce((sum, cells) => sum + linesOf(cells), 1),
        column: 'the row',
        value: message,
        fault: { kind: 'open-quote' },
      })
  }
  const rows: ShotRow[] = []
  let line = 1 + linesOf(header)
  for (const values of body) {
    const row = line
    line += linesOf(values)
    if (values.every(cell => cell.trim() === '')) continue
    const cells = Object.fromEntries(columns.map((column, i) => [column, values[i] ?? '']))
    const before = errors.length
    const fail: Fail = (column, value, fault) => errors.push({ row, column, value, fault })
    const figures = readRowFigures(cells, fail)
    if (errors.length > before) continue
    rows.push({
      row,
      ...figures,
      day: (cells.time ?? '').trim().slice(0, 10) || null,
      club: textCell(cells.club),
      swing: textCell(cells.swing),
      player: textCell(cells.player) || null,
      session: textCell(cells.session) || null,
      leftOut: textCell(cells.left_out) || null,
      asked: textCell(cells.asked) || null,
    })
  }
  return { rows, errors }
}
