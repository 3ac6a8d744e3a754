/** What may be wrong with a value of a file, and the figures and words that tell what is allowed instead. */
interface RowFaults {
  'number': { least: number; most: number }
  'number-of': { least: number; most: number; unit: string }
  'whole-number': { least: number; most: number }
  'one-of': { words: string }
  'both-units': { column: string }
  'no-carry': object
  'no-club': object
  'no-hour': object
  'no-task': object
  'missing': object
  'no-column': { column: string }
  'no-carry-column': object
  'open-quote': object
  'no-time': object
  'no-day': object
  'no-moment': object
  'too-early': object
  'too-late': object
  'no-height': { carryM: number }
  'many-marks': { most: number }
  'long-mark': { most: number }
  'line-break': object
  'half-character': object
  'refused': { why: string }
  'not-in-bag': { words: string }
  'not-on-scale': { words: string }
  'document-type': object
  'unreadable': { why: string }
  'no-gpx': object
  'many-points': { most: number }
  'no-places': object
  'no-place': { most: number }
  'no-stop-times': object
  'few-places': object
  'no-shots': object
  'many-shots': { shots: number; most: number }
  'many-approaches': { approaches: number; most: number }
  'no-past-day': object
}
export type RowFaultKind = keyof RowFaults

/** What is wrong with a value, without the words for it. */
export type RowFault = { [K in RowFaultKind]: { kind: K } & RowFaults[K] }[RowFaultKind]

/** What is wrong with one value of a file. */
export interface RowError {
  /** Its line in the file, the header being 1; 0 for the file as a whole. */
  row: number
  column: string
  value: string
  fault: RowFault
}

/** Reports what is wrong with one value of a row: its column, itself, and what of it. */
export type Fail = (column: string, value: string, fault: RowFault) => void
