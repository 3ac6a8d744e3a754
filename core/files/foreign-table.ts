import { textCell } from './cells'
import type { ForeignColumn } from './foreign-columns'

/** A table as it came, whoever wrote it: its header row, and the rows below it as text. */
export interface ForeignTable {
  headers: string[]
  rows: string[][]
  /** Line of the file that each row begins on, the first line being 1. */
  lines: number[]
}

export interface Mapping {
  /** For each column of the file what it is, or '' when it is left alone. */
  columns: (ForeignColumn | '')[]
  /** Places of columns whose unit is a guess: to be asked. */
  unsure: number[]
  /** In dates the day stands before the month. */
  dayFirst: boolean
}

/**
 * A number as people write it: a comma for a point, a unit behind it, a thousands space or comma, and L or R for the
 * side.
 */
export function tidyNumber(text: string): string {
  let t = text
    .trim()
    .replace(/^'/, '')
    .replace(/−/g, '-')
    .replace(/\s*(yds?|yards?|m|mph|km\/?h|m\/s|rpm|deg|°)\.?$/i, '')
    .replace(/[\u00A0\u202F ](?=\d{3}\b)/g, '')
  t = /^-?\d{1,3}(,\d{3})+(\.\d+)?$/.test(t)
    ? t.replace(/,/g, '')
    : t.replace(/^(-?\d+),(\d{1,2}|\d{4,})(?=\s|[a-z°%]|$)/i, '$1.$2')
  const sided = /^([LR])\s*(\d+\.?\d*)|^(\d+\.?\d*)\s*([LR])(?:ight|eft)?$/i.exec(t)
  if (sided) return `${/l/i.test((sided[1] ?? sided[4])!) ? '-' : ''}${sided[2] ?? sided[3]}`
  return t
}

/** A day, with or without a time of day, in whatever order. */
export const DATE =
  /^(\d{1,4})[./-](\d{1,2})[./-](\d{1,4})(?:[ T,]+(\d{1,2}):(\d{2})(?::(\d{2}))?(?:\.\d+)?\s*(am|pm)?)?$/i

/**
 * A date, with or without a time of day, as ISO 8601 with its zone; null when it is none.
 * @param toMs milliseconds since 1970 of a local time: where the file was written is not known, so it is where it is
 * read
 */
export function readDate(
  text: string,
  dayFirst: boolean,
  toMs: (year: number, month: number, day: number, hour: number, minute: number, second: number) => number,
): string | null {
  const t = text.trim()
  if (/^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:?\d\d)$/.test(t)) {
    const ms = Date.parse(t)
    return Number.isNaN(ms) ? null : new Date(ms).toISOString()
  }
  const found = DATE.exec(t)
  if (!found) return null
  const [a, b, c] = [Number(found[1]), Number(found[2]), Number(found[3])]
  const [year, month, day] = found[1]!.length === 4 ? [a, b, c] : dayFirst ? [c, b, a] : [c, a, b]
  const hour = (Number(found[4] ?? 12) % (found[7] ? 12 : 24)) + (/pm/i.test(found[7] ?? '') ? 12 : 0)
  const fullYear = year < 100 ? 2000 + year : year
  if (month < 1 || month > 12 || day < 1 || day > 31 || fullYear < 2000 || fullYear > 2100) return null
  const ms = toMs(fullYear, month, day, hour, Number(found[5] ?? 0), Number(found[6] ?? 0))
  return Number.isNaN(ms) ? null : new Date(ms).toISOString()
}

/** Text columns: left as they are. */
const TEXT = new Set<ForeignColumn>([
  'club',
  'swing',
  'session',
  'strike',
  'left_out',
  'method',
  'ball',
  'carry_basis',
  'asked',
  'face',
  'marks',
  'surface',
  'indoors',
  'measured_at',
  'firmness',
])

/**
 * One row as cells of the shot table, by the mapping; what cannot be read stays as it is, and is refused there by
 * name.
 */
export function toCells(
  row: readonly string[],
  { columns, dayFirst }: Mapping,
  toMs: Parameters<typeof readDate>[2],
): Record<string, string> {
  const cells: Record<string, string> = {}
  columns.forEach((column, i) => {
    const text = (row[i] ?? '').trim()
    if (column === '' || text === '' || cells[column] !== undefined) return
    cells[column] =
      column === 'time'
        ? (readDate(text, dayFirst, toMs) ?? text)
        : TEXT.has(column)
          ? textCell(text)
          : tidyNumber(text)
  })
  return cells
}
