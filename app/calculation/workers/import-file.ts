import Papa from 'papaparse'
import type { CellValue } from 'read-excel-file/web-worker'
import { guessMapping, isUnitRow } from '#core/files/column-guess'
import type { ForeignTable, Mapping } from '#core/files/foreign-table'
import { unzipSync } from 'fflate'
import { cut } from '#core/cut'
import { FILE_MAX_BYTES, ROWS_MAX } from './import-limits'
import {
  CELL_CHARACTERS_MAX,
  CELLS_MAX,
  COLUMNS_MAX,
  DELIMITERS,
  walkSheet,
  walkText,
  type Beyond,
  type Bounds,
} from './table-bounds'

/** What is wrong with a file, in a sentence for the coach. */
export class FileFault extends Error {}

/** A workbook may grow to so much when it is unpacked; more is no table of shots. */
const UNPACKED_MAX_BYTES = 150e6
const CELL_MAX = 300

/**
 * Size of all parts of a zip when unpacked, by its directory; null when it is none. (PKWARE APPNOTE 4.3.12, 4.3.16.)
 */
export function unpackedSize(bytes: Uint8Array): number | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  // The end of the directory stands in the last 64 KiB.
  for (let at = bytes.length - 22; at >= Math.max(0, bytes.length - 65_557); at--) {
    if (view.getUint32(at, true) !== 0x06054b50) continue
    let place = view.getUint32(at + 16, true)
    const entries = view.getUint16(at + 10, true)
    let size = 0
    for (let i = 0; i < entries; i++) {
      if (place + 46 > bytes.length || view.getUint32(place, true) !== 0x02014b50) return null
      size += view.getUint32(place + 24, true)
      place +=
        46 + view.getUint16(place + 28, true) + view.getUint16(place + 30, true) + view.getUint16(place + 32, true)
    }
    return size
  }
  return null
}

/** Text of a file: UTF-8 or UTF-16 by its mark, UTF-8 when it is, else as old Windows programs write. */
export function decode(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes)
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes)
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes)
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return new TextDecoder('windows-1252').decode(bytes)
  }
}

/** What a cell shows; the workbook's reader types its dates as their constructor. */
const words = (value: CellValue | null | undefined) =>
  cut(
    value === null || value === undefined
      ? ''
      : typeof value === 'object'
        ? (value as Date).toISOString()
        : String(value),
    CELL_MAX,
  )

/** Lines of preamble that are looked past for the header. */
const HEADER_WITHIN = 15
/** Rows that may stand beside the shots: a preamble, units, blank lines at the end. */
const ROWS_BESIDE = 1000
const BOUNDS: Bounds = {
  rows: ROWS_MAX + ROWS_BESIDE,
  columns: COLUMNS_MAX,
  cells: CELLS_MAX,
  cellCharacters: CELL_CHARACTERS_MAX,
}
const many = (n: number) => n.toLocaleString('en-GB')

/** @throws FileFault */
function refuseBeyond(beyond: Beyond | null): void {
  if (!beyond) return
  const sentences: Record<Beyond['bound'], string> = {
    rows: `This file has more than ${many(ROWS_MAX)} rows: at most ${many(ROWS_MAX)} can be read at once.`,
    columns: `Line ${beyond.line} has more than ${COLUMNS_MAX} columns: at most ${COLUMNS_MAX} can be read.`,
    cells: `This file has more than ${many(CELLS_MAX)} cells: leave out columns that are not shots.`,
    cell: `Line ${beyond.line} has a cell of more than ${many(CELL_CHARACTERS_MAX)} characters: shorten it.`,
    quote: `Line ${beyond.line}: a quotation mark is left open, so where a cell ends cannot be told.`,
  }
  throw new FileFault(sentences[beyond.bound])
}

/** What is read of a file, row by row, and the line that each row begins on. */
interface Read {
  rows: string[][]
  lines: number[]
}

async function readWorkbook(bytes: Uint8Array<ArrayBuffer>): Promise<Read> {
  const size = unpackedSize(bytes)
  if (size === null) throw new FileFault('This spreadsheet cannot be read: it is damaged, or another kind of zip.')
  if (size > UNPACKED_MAX_BYTES)
    throw new FileFault(
      `Unpacked this spreadsheet has ${Math.round(size / 1e6)} MB: at most ${UNPACKED_MAX_BYTES / 1e6} MB can be read.`,
    )
  const { default: readExcelFile } = await import('read-excel-file/web-worker')
  try {
    const sheetParts = unzipSync(bytes, { filter: ({ name }) => /^xl\/worksheets\/[^/]*\.xml$/i.test(name) })
    for (const xml of Object.values(sheetParts)) refuseBeyond(walkSheet(xml, BOUNDS).beyond)
    const sheets = await readExcelFile(new Blob([bytes]))
    const first = sheets.find(sheet => sheet.data.length > 0)
    const rows = (first?.data ?? []).map(row => row.map(words))
    return { rows, lines: rows.map((_, i) => i + 1) }
  } catch (error) {
    if (error instanceof FileFault) throw error
    throw new FileFault(`This spreadsheet cannot be read: ${(error as Error).message.slice(0, 120)}`)
  }
}

const columnsNamed = (row: readonly string[]) => guessMapping(row, []).columns.filter(column => column !== '').length

/**
 * The delimiter that finds the most columns known by name; where none finds two, the one that has rows alike. Cells
 * speak last: a club may be called ";".
 */
function delimiterOf(text: string): Pick<Papa.ParseConfig, 'delimiter' | 'delimitersToGuess'> {
  const named = DELIMITERS.map(delimiter => {
    const { data } = Papa.parse<string[]>(text, { delimiter, preview: HEADER_WITHIN })
    return { delimiter, columns: Math.max(0, ...data.map(columnsNamed)) }
  })
  const best = named.reduce((a, b) => (b.columns > a.columns ? b : a))
  return best.columns >= 2 ? { delimiter: best.delimiter } : { delimitersToGuess: DELIMITERS }
}

function readCsv(bytes: Uint8Array): Read {
  const text = decode(bytes)
    .replace(/^\uFEFF/, '')
    .replace(/\r\n?/g, '\n')
  if (text.includes('\0')) throw new FileFault('This file is no table of text: save it as CSV or XLSX.')
  refuseBeyond(walkText(text, BOUNDS).beyond)
  const { data } = Papa.parse<string[]>(text, { ...delimiterOf(text), skipEmptyLines: false })
  let line = 1
  const lines = data.map(row => {
    const begins = line
    line += 1 + row.reduce((sum, cell) => sum + (cell.split('\n').length - 1), 0)
    return begins
  })
  return { rows: data.map(row => row.map(words)), lines }
}

/** The row that names columns: the first with a carry or a club in it, else the first with two cells. */
function headerAt(rows: readonly string[][]): number {
  const named = rows.slice(0, HEADER_WITHIN).findIndex(row => {
    const { columns } = guessMapping(row, [])
    return columns.some(column => /^(carry|total)_/.test(column)) && row.filter(cell => cell.trim() !== '').length >= 2
  })
  return named >= 0 ? named : rows.findIndex(row => row.filter(cell => cell.trim() !== '').length >= 2)
}

/**
 * A file as a table, and what its columns seem to be.
 * @throws FileFault with a sentence that says what is wrong and what is allowed
 */
export async function openFile(
  name: string,
  bytes: Uint8Array<ArrayBuffer>,
): Promise<{ table: ForeignTable; mapping: Mapping }> {
  if (bytes.length > FILE_MAX_BYTES)
    throw new FileFault(
      `${name} has ${Math.round(bytes.length / 1e6)} MB: at most ${FILE_MAX_BYTES / 1e6} MB can be read.`,
    )
  if (bytes.length === 0) throw new FileFault(`${name} is empty.`)
  const isZip = bytes[0] === 0x50 && bytes[1] === 0x4b
  const { rows: all, lines } = isZip ? await readWorkbook(bytes) : readCsv(bytes)
  const at = headerAt(all)
  if (at < 0) throw new FileFault(`${name} has no row with names of columns.`)
  const headers = all[at]!.map(cell => cell.trim())
  const units = all[at + 1] && isUnitRow(all[at + 1]!) ? all[at + 1]! : undefined
  const from = at + (units ? 2 : 1)
  const rows = all.slice(from)
  while (rows.length > 0 && rows.at(-1)!.every(cell => cell.trim() === '')) rows.pop()
  if (rows.length === 0) throw new FileFault(`${name} has names of columns and no row below them.`)
  if (rows.length > ROWS_MAX)
    throw new FileFault(`${name} has ${many(rows.length)} rows: at most ${many(ROWS_MAX)} can be read at once.`)
  return {
    table: { headers, rows, lines: lines.slice(from, from + rows.length) },
    mapping: guessMapping(headers, rows, units),
  }
}
