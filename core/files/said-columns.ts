import { BETWEEN_MARKS, CARRY_LIMITS_IN_FILE, MARK_MAX, OWN_MARKS_MAX, PLUS_RANGE_M } from '../limits'
import { FACES, type Called, type Face } from '../shot/shot'
import { FELT_RANGE } from '../shot/typed-ball'
import { yardsToMetres } from '../units'
import { readNumber, readOneOf, textCell } from './cells'
import type { Fail } from './row-fault'

/** What was said of a ball beside its strike: face, marks of the coach's own, how full it felt, what was called. */
export interface SaidOfBall {
  face?: Face
  marks?: string[]
  feltPercent?: number
  called?: Called
}

export const SAID_COLUMNS_OUT = ['face', 'marks', 'felt_percent', 'called_m', 'called_plus_m'] as const

const same = (value: number) => value

function readMarks(text: string, fail: Fail): string[] | undefined {
  const marks = [
    ...new Set(
      text
        .split(BETWEEN_MARKS)
        .map(mark => mark.trim())
        .filter(mark => mark !== ''),
    ),
  ]
  if (marks.length === 0) return undefined
  if (marks.length > OWN_MARKS_MAX) fail('marks', text, { kind: 'many-marks', most: OWN_MARKS_MAX })
  const long = marks.find(mark => mark.length > MARK_MAX)
  if (long !== undefined) fail('marks', long, { kind: 'long-mark', most: MARK_MAX })
  return marks
}

/** What the row of a table says of its ball; what cannot be is reported by name. */
export function readSaid(cells: Record<string, string>, fail: Fail): SaidOfBall {
  const face = readOneOf(cells, 'face', FACES, fail)
  const marks = readMarks(textCell(cells.marks), fail)
  const feltPercent = readNumber(cells, [['felt_percent', same]], FELT_RANGE, '%', fail)
  const { min, max } = CARRY_LIMITS_IN_FILE.m
  const targetM = readNumber(
    cells,
    [
      ['called_m', same],
      ['called_yd', yardsToMetres],
    ],
    [min, max],
    'm',
    fail,
  )
  const plusM = readNumber(
    cells,
    [
      ['called_plus_m', same],
      ['called_plus_yd', yardsToMetres],
    ],
    PLUS_RANGE_M,
    'm',
    fail,
  )
  return {
    ...(face && { face }),
    ...(marks && { marks }),
    ...(feltPercent !== undefined && { feltPercent }),
    ...(targetM !== undefined && { called: { targetM, plusM: plusM ?? 0 } }),
  }
}

/** The same columns on their way out; empty where nothing was said. @param safe keeps a text from being a formula */
export function writeSaid(said: SaidOfBall | null, safe: (text: string) => string): (number | string)[] {
  const metres = (value: number | undefined) => (value === undefined ? '' : Number(value.toFixed(4)))
  return [
    said?.face ?? '',
    safe((said?.marks ?? []).join(`${BETWEEN_MARKS} `)),
    said?.feltPercent ?? '',
    metres(said?.called?.targetM),
    metres(said?.called?.plusM),
  ]
}
