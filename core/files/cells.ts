import type { Fail } from './row-fault'

/** A column that may hold a figure, and how it becomes the core's unit. */
export type NumberColumn = readonly [name: string, convert: (value: number) => number]

/** A plain decimal figure, or not a number. */
export function figure(text: string): number {
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(text) ? Number(text) : Number.NaN
}

/**
 * The first of these columns that has a value; undefined when none has, or when what stands there was reported.
 * @param range in the core's unit, both ends allowed
 */
export function readNumber(
  cells: Record<string, string>,
  columns: readonly NumberColumn[],
  [least, most]: readonly [number, number],
  unit: string,
  fail: Fail,
): number | undefined {
  for (const [name, convert] of columns) {
    const text = (cells[name] ?? '').trim()
    if (text === '') continue
    const value = convert(figure(text))
    // The ends may come from another unit.
    if (value >= least - 1e-9 && value <= most + 1e-9) return value
    fail(name, text, { kind: 'number-of', least, most, unit })
  }
  return undefined
}

/** One of a few words, without regard to case; null when the cell is empty, or when what stands there was reported. */
export function readOneOf<T extends string>(
  cells: Record<string, string>,
  column: string,
  allowed: readonly T[],
  fail: Fail,
): T | null {
  const text = (cells[column] ?? '').trim().toLowerCase()
  if (text === '') return null
  const found = allowed.find(word => word === text)
  if (!found) fail(column, text, { kind: 'one-of', words: allowed.join(', ') })
  return found ?? null
}

/**
 * Where a formula would begin: at the start, and behind what another country's tables are delimited by, which a
 * spreadsheet there takes for the end of a cell. In full width too: a spreadsheet of East Asia runs those.
 */
const BEGINS = String.raw`(^|[;\t|])`
const FORMULA = String.raw`=+\-@＝＋－＠`
const ADDED = new RegExp(`${BEGINS}'(?='*[${FORMULA}])`, 'g')
const WOULD_RUN = new RegExp(`${BEGINS}(?='*[${FORMULA}])|^(?='*[\\t\\r])`, 'g')

/** A text cell, with the apostrophe that `writeShotTable` puts before a would-be formula taken off again. */
export function textCell(cell: string | undefined): string {
  return (cell ?? '').trim().replace(ADDED, '$1')
}

/**
 * A text that begins like a formula is one in a spreadsheet: an apostrophe before it makes it text. One that has such
 * an apostrophe of its own gets another, so that it comes back with it.
 */
export const plainText = (text: string): string => text.replace(WOULD_RUN, "$1'")
