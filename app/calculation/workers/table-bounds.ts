/**
 * What is taken for a table of shots at most. Beyond it a file is refused before it is taken apart, so that none can
 * hang the page.
 */
export const COLUMNS_MAX = 256
export const CELLS_MAX = 3_000_000
/** Longer than any remark that a device writes. */
export const CELL_CHARACTERS_MAX = 2000

export interface Bounds {
  rows: number
  columns: number
  cells: number
  cellCharacters: number
}

/**
 * Where a file goes beyond a bound. `line` counts from 1; an open quotation mark is named by the line that it stands
 * on.
 */
export interface Beyond {
  bound: 'rows' | 'columns' | 'cells' | 'cell' | 'quote'
  line: number
}

/** What may stand between two cells of a text. */
export const DELIMITERS = [',', ';', '\t', '|']

/**
 * Walks once over a text that is to be read as a table, whatever its delimiter, and stops where it goes beyond.
 * @param text lines end with "\n"
 * @returns null when all is within bounds, and how many characters were looked at: never more than there are
 */
export function walkText(text: string, bounds: Bounds): { beyond: Beyond | null; steps: number } {
  const columns = new Uint32Array(DELIMITERS.length)
  let [line, rows, cells, length, steps] = [1, 0, 0, 0, 0]
  let quotedFrom = 0
  let atStart = true
  const over = (bound: Beyond['bound'], at = line) => ({ beyond: { bound, line: at }, steps })
  for (let i = 0; i < text.length; i++) {
    const character = text[i]!
    steps += 1
    length += 1
    if (length > bounds.cellCharacters) return quotedFrom > 0 ? over('quote', quotedFrom) : over('cell')
    if (character === '"') {
      if (quotedFrom > 0) {
        // Two in a row are one that belongs to the text.
        if (text[i + 1] === '"') {
          i += 1
          steps += 1
        } else quotedFrom = 0
      } else if (atStart) quotedFrom = line
      atStart = false
      continue
    }
    if (character === '\n') line += 1
    if (quotedFrom > 0) continue
    if (character === '\n') {
      rows += 1
      cells += 1 + Math.max(...columns)
      columns.fill(0)
      if (rows > bounds.rows) return over('rows')
      if (cells > bounds.cells) return over('cells')
      length = 0
      atStart = true
      continue
    }
    const delimiter = DELIMITERS.indexOf(character)
    if (delimiter < 0) {
      if (character !== ' ') atStart = false
      continue
    }
    columns[delimiter]! += 1
    if (columns[delimiter]! >= bounds.columns) return over('columns')
    length = 0
    atStart = true
  }
  return quotedFrom > 0 ? over('quote', quotedFrom) : { beyond: null, steps }
}

/** Place of a cell of a spreadsheet. @example placeOf('AB', '7') // { column: 28, row: 7 } */
function placeOf(letters: string, digits: string): { column: number; row: number } {
  let column = 0
  for (const letter of letters) column = 26 * column + letter.charCodeAt(0) - 64
  return { column, row: Number(digits) }
}

const SLICE_BYTES = 1 << 20
/** A reference that is cut in two by a slice is seen in the next: longer than any. */
const OVERLAP_BYTES = 64

/**
 * Walks over a sheet of a workbook (ECMA-376, `<c r="AB7">`): one cell far out makes a reader build all rows before it.
 * @returns as `walkText`; steps are the cells
 */
export function walkSheet(xml: Uint8Array, bounds: Bounds): { beyond: Beyond | null; steps: number } {
  const decoder = new TextDecoder('latin1')
  let steps = 0
  for (let from = 0; from < xml.length; from += SLICE_BYTES) {
    const text = decoder.decode(xml.subarray(from, Math.min(xml.length, from + SLICE_BYTES + OVERLAP_BYTES)))
    for (const found of text.matchAll(/\br="([A-Z]{1,7})(\d{1,9})"/g)) {
      if (found.index >= SLICE_BYTES) break
      steps += 1
      const { column, row } = placeOf(found[1]!, found[2]!)
      if (row > bounds.rows) return { beyond: { bound: 'rows', line: row }, steps }
      if (column > bounds.columns) return { beyond: { bound: 'columns', line: row }, steps }
      if (steps > bounds.cells) return { beyond: { bound: 'cells', line: row }, steps }
    }
  }
  return { beyond: null, steps }
}
