/**
 * Sheets of labels by their size, as they are sold for office printers (common practice; margins worked out from page
 * and size).
 */
export interface LabelSheet {
  name: string
  pageMm: [width: number, height: number]
  columns: number
  rows: number
  labelMm: [width: number, height: number]
  leftMm: number
  topMm: number
  /** From one label to the next, across and down. */
  pitchMm: [across: number, down: number]
  /** Plain paper: lines to cut along. */
  cut: boolean
}

const A4: [number, number] = [210, 297]
const LETTER: [number, number] = [215.9, 279.4]

export const LABEL_SHEETS = {
  strips: {
    name: 'Plain A4, strips to cut, 180 × 12 mm',
    pageMm: A4,
    columns: 1,
    rows: 20,
    labelMm: [180, 12],
    leftMm: 15,
    topMm: 18,
    pitchMm: [180, 13],
    cut: true,
  },
  a4x24: {
    name: 'A4, 24 labels of 70 × 37 mm',
    pageMm: A4,
    columns: 3,
    rows: 8,
    labelMm: [70, 37],
    leftMm: 0,
    topMm: 0.5,
    pitchMm: [70, 37],
    cut: false,
  },
  a4x65: {
    name: 'A4, 65 labels of 38 × 21 mm',
    pageMm: A4,
    columns: 5,
    rows: 13,
    labelMm: [38.1, 21.2],
    leftMm: 4.75,
    topMm: 10.7,
    pitchMm: [40.6, 21.2],
    cut: false,
  },
  letterx30: {
    name: 'US Letter, 30 labels of 67 × 25 mm',
    pageMm: LETTER,
    columns: 3,
    rows: 10,
    labelMm: [66.7, 25.4],
    leftMm: 4.75,
    topMm: 12.7,
    pitchMm: [69.85, 25.4],
    cut: false,
  },
} as const satisfies Record<string, LabelSheet>
export type LabelSheetId = keyof typeof LABEL_SHEETS
export const LABEL_SHEET_IDS = Object.keys(LABEL_SHEETS) as [LabelSheetId, ...LabelSheetId[]]
export const MOST_SKIPPED = 64
