import { labelsOf } from '../bag/labels'
import type { Bag, StockShot } from '../bag/bag'
import { cut, isWholeText, wholeText } from '../cut'
import { REASON_MAX } from '../limits'
import { readOneOf } from './cells'
import type { ForeignColumn } from './foreign-columns'
import { toCells, type ForeignTable, type Mapping } from './foreign-table'
import type { Fail, RowError } from './row-fault'
import { readRowFigures, type RowFigures } from './shot-table'

/** A label of the file that is to be left away with its rows. */
export const SKIP = 'skip'
/** So many rows are shown, of those that are taken and of those that are refused. */
const SAMPLE = 8
const REFUSED_SHOWN = 200
/** Nothing real was measured before. */
const FIRST_MS = Date.UTC(2000, 0, 1)
/** Balls without a time are taken to have been hit so far apart, as long as that fits into their day. */
const MS_APART = 30_000

/** What the coach decided about labels of the file: an id of the bag, or to leave such rows away. */
export interface ImportChoices {
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
export function ballKey({ hitAtMs, clubId, rungId, carryM }: StockShot & { hitAtMs: number; carryM: number }): string {
  return [hitAtMs, clubId, rungId, carryM.toFixed(4)].join(' ')
}

const same = (a: string, b: string) => a.replace(/[°º\s]/g, '').toLowerCase() === b.replace(/[°º\s]/g, '').toLowerCase()

/** Short names of clubs that everybody uses. Common practice. */
const SHORT = new Map([
  ['lw', 'lob wedge'],
  ['sw', 'sand wedge'],
  ['gw', 'gap wedge'],
  ['aw', 'gap wedge'],
  ['uw', 'gap wedge'],
  ['pw', 'pitching wedge'],
])
const longName = (label: string) =>
  SHORT.get(label.trim().toLowerCase()) ?? label.replace(/^\s*(\d)\s*i(ron)?\s*$/i, '$1 iron')

/**
 * What a label of the file most likely means in the bag: by its very name, else without regard to case, blanks and
 * degrees.
 */
export function guessChoice(label: string, known: readonly { id: string; labels: string[] }[]): string | null {
  const by = (fits: (own: string) => boolean, places: (labels: string[]) => string[] = labels => labels) =>
    known.filter(item => places(item.labels).some(own => own !== '' && fits(own)))
  // What the player calls it comes before any club's long name.
  const exact = [
    ...by(
      own => own === label.trim(),
      labels => labels.slice(0, 1),
    ),
    ...by(own => own === label.trim()),
    ...by(own => own.toLowerCase() === label.trim().toLowerCase()),
    ...by(own => same(own, label)),
  ]
  if (exact.length > 0) return exact[0]!.id
  // By its long name only when just one club has it.
  const named = by(own => same(own, longName(label)))
  return named.length === 1 ? named[0]!.id : null
}

/**
 * Moments of balls that have none: from noon of their day on, half a minute apart, sooner and closer where the day, or
 * what has passed of it, is too short for all of them. In order, and never later than now.
 * @param noonMs noon of the day
 */
export function spreadOverDay(noonMs: number, count: number, nowMs: number): (i: number) => number {
  const [firstMs, lastMs] = [noonMs - 43_200_000, Math.min(nowMs, noonMs + 43_199_999)]
  const wanted = (count - 1) * MS_APART
  const from = Math.max(firstMs, Math.min(noonMs, lastMs - wanted))
  const apart = count < 2 ? 0 : Math.min(MS_APART, Math.max(0, (lastMs - from) / (count - 1)))
  return i => Math.floor(from + i * apart)
}

// eslint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u001F\u007F]/
/** Columns of words that go into the record as they stand. */
const WORD_COLUMNS = ['club', 'swing', 'asked', 'session', 'left_out'] as const

function* wordFaults(cells: Record<string, string>): Generator<Fault> {
  for (const column of WORD_COLUMNS) {
    const text = cells[column] ?? ''
    if (CONTROL.test(text)) yield [column, text.replace(/\s+/g, ' '), { kind: 'line-break' }]
    if (!isWholeText(text)) yield [column, wholeText(text), { kind: 'half-character' }]
  }
}

function* timeFaults(hitAtMs: number | null, text: string, nowMs: number): Generator<Fault> {
  if (hitAtMs === null) return
  if (hitAtMs < FIRST_MS) yield ['time', text, { kind: 'too-early' }]
  if (hitAtMs > nowMs) yield ['time', text, { kind: 'too-late' }]
}

/** A ball of the file, as it would be taken. */
export interface PlannedBall extends StockShot {
  id: string
  /** The swing length that was asked for, where another was swung. */
  askedRungId?: string
  figures: RowFigures
  hitAtMs: number
  surface: 'grass' | 'mat'
  indoors: boolean
  /** The session that the file names; missing for one of its day. */
  session?: string
  leftOut: string | null
}

type Fault = Parameters<Fail>

/** What a plan cannot know by itself. */
export interface ImportContext {
  /** An id made of a text: the same for the same text. */
  idOf: (text: string) => string
  /** True for a ball that is on record, by its id or by what it was known by before. */
  isKnown: (idOrKey: string) => boolean
  /** A moment by the clock of this place. */
  toMs: Parameters<typeof toCells>[2]
  /** No ball was hit later. */
  nowMs: number
  /** Takes a ball into the record, or says what is refused of it. */
  take: (ball: PlannedBall, cells: Record<string, string>) => readonly Fault[]
}

/** What an import would do. */
export interface ImportPlan {
  /** Rows that would be added, and what they are, the first of them. */
  fresh: number
  sample: { line: number; club: string; swing: string; carryM: number; cells: Partial<Record<ForeignColumn, string>> }[]
  /** Rows that are in the record already, and rows left away by choice. */
  present: number
  skipped: number
  /** Rows that cannot be taken: the first of them, and how many in all. */
  refused: RowError[]
  refusedRows: number
  /** Labels of the file, and how often: those that no choice was made for are still open. */
  clubs: { label: string; rows: number; choice: string | null }[]
  swings: { label: string; rows: number; choice: string | null }[]
}

type Known = readonly { id: string; labels: string[] }[]

/** Labels of one kind: how often each stands in the file, and what it means. */
class Labels {
  private readonly rows = new Map<string, number>()
  constructor(
    private readonly made: Record<string, string>,
    private readonly known: Known,
  ) {}

  count(label: string): void {
    this.rows.set(label, (this.rows.get(label) ?? 0) + 1)
  }

  choice(label: string): string | null {
    return Object.hasOwn(this.made, label) ? this.made[label]! : guessChoice(label, this.known)
  }

  get all(): ImportPlan['clubs'] {
    return [...this.rows]
      .map(([label, rows]) => ({ label, rows, choice: this.choice(label) }))
      .sort((a, b) => b.rows - a.rows)
  }
}

/** What holds for all rows where no column says it. */
function silentCells({ ball, surface, indoors }: ImportChoices): Record<string, string> {
  return {
    ...(ball === 'range' && { ball: 'range' }),
    ...(surface === 'mat' && { surface: 'mat' }),
    ...(indoors && { indoors: 'yes' }),
  }
}

const labelsOfBag = (bag: Bag): { clubs: Known; swings: Known } => {
  const names = labelsOf(bag)
  return {
    clubs: bag.clubs.filter(club => !club.retired).map(club => ({ id: club.id, labels: [club.label, club.name] })),
    swings: bag.scale.rungs
      .filter(rung => !rung.retired)
      .map(rung => ({ id: rung.id, labels: [names({ clubId: '', rungId: rung.id }).swing] })),
  }
}

interface ReadRow {
  club: string
  swing: string
  asked: string
  figures: RowFigures
  surface: 'grass' | 'mat'
  indoors: boolean
}

/** One row as it stands, with all that cannot be. */
function readRow(cells: Record<string, string>, silent: Record<string, string>, nowMs: number): [ReadRow, Fault[]] {
  const faults: Fault[] = []
  const fail = (...fault: Fault) => void faults.push(fault)
  const whole = { ...silent, ...cells }
  const figures = readRowFigures(whole, fail)
  const surface = readOneOf(whole, 'surface', ['grass', 'mat'] as const, fail) ?? 'grass'
  const indoors = readOneOf(whole, 'indoors', ['yes', 'no'] as const, () => {}) === 'yes'
  faults.push(...wordFaults(cells), ...timeFaults(figures.hitAtMs, cells.time ?? '', nowMs))
  const [club, swing, asked] = ['club', 'swing', 'asked'].map(column => (cells[column] ?? '').trim())
  if (club === '') fail('club', '', { kind: 'no-club' })
  return [{ club: club!, swing: swing!, asked: asked!, figures, surface, indoors }, faults]
}

/** What one row comes to: left alone, refused, or a ball that is taken in. */
type RowOutcome =
  | { kind: 'skipped' | 'present' | 'undecided' }
  | { kind: 'refused'; faults: readonly Fault[] }
  | { kind: 'fresh'; shot: StockShot; carryM: number }

/** Ids of balls by their rows: of rows that are alike to the letter each has its own. */
function rowIds(idOf: ImportContext['idOf']): (row: readonly string[]) => string {
  const repeats = new Map<string, number>()
  return row => {
    const raw = row.join('\u001F')
    const nth = (repeats.get(raw) ?? 0) + 1
    repeats.set(raw, nth)
    return idOf(`${raw}\u001F${nth}`)
  }
}

function rowReader(
  choices: ImportChoices,
  rows: number,
  context: ImportContext,
  labels: Record<'clubs' | 'swings', Labels>,
) {
  const { idOf, isKnown, nowMs, take } = context
  const { clubs, swings } = labels
  const idOfRow = rowIds(idOf)
  const momentOf = spreadOverDay(choices.dateMs, rows, nowMs)
  const silent = silentCells(choices)
  const isPresent = (id: string, { hitAtMs, carryM }: RowFigures, clubId?: string | null, rungId?: string | null) =>
    isKnown(id) || (hitAtMs !== null && !!clubId && !!rungId && isKnown(ballKey({ hitAtMs, clubId, rungId, carryM })))

  return (row: readonly string[], i: number, cells: Record<string, string>): RowOutcome => {
    const [read, faults] = readRow(cells, silent, nowMs)
    if (faults.length > 0) return { kind: 'refused', faults }
    const { figures, surface, indoors } = read
    clubs.count(read.club)
    for (const label of new Set([read.swing, read.asked])) if (label !== '') swings.count(label)
    const clubId = clubs.choice(read.club)
    const rungId = read.swing === '' ? choices.swing : swings.choice(read.swing)
    if (clubId === SKIP || rungId === SKIP) return { kind: 'skipped' }
    const id = idOfRow(row)
    if (isPresent(id, figures, clubId, rungId)) return { kind: 'present' }
    if (!clubId || !rungId) return { kind: 'undecided' }
    const asked = read.asked === '' ? null : swings.choice(read.asked)
    const refused = take(
      {
        id,
        clubId,
        rungId,
        figures,
        surface,
        indoors,
        hitAtMs: figures.hitAtMs ?? momentOf(i),
        leftOut: cut(cells.left_out ?? '', REASON_MAX).trim() || null,
        ...(cells.session !== undefined && { session: cells.session }),
        ...(asked && asked !== SKIP && asked !== rungId && { askedRungId: asked }),
      },
      cells,
    )
    return refused.length > 0
      ? { kind: 'refused', faults: refused }
      : { kind: 'fresh', shot: { clubId, rungId }, carryM: figures.carryM }
  }
}

/**
 * What an import would do with each row, and the balls it would make. The id of a ball is made of its row, so that the
 * same file twice adds nothing.
 */
export function planRows(table: ForeignTable, choices: ImportChoices, bag: Bag, context: ImportContext): ImportPlan {
  const names = labelsOf(bag)
  const known = labelsOfBag(bag)
  const labels = { clubs: new Labels(choices.clubs, known.clubs), swings: new Labels(choices.swings, known.swings) }
  const outcomeOf = rowReader(choices, table.rows.length, context, labels)
  const plan: Omit<ImportPlan, 'clubs' | 'swings'> = {
    fresh: 0,
    sample: [],
    present: 0,
    skipped: 0,
    refused: [],
    refusedRows: 0,
  }
  table.rows.forEach((row, i) => {
    if (row.every(cell => cell.trim() === '')) return
    const line = table.lines[i]!
    const cells: Record<string, string> = toCells(row, choices.mapping, context.toMs)
    const outcome = outcomeOf(row, i, cells)
    if (outcome.kind === 'refused') {
      plan.refusedRows += 1
      for (const [column, value, fault] of outcome.faults)
        if (plan.refused.length < REFUSED_SHOWN) plan.refused.push({ row: line, column, value: cut(value, 40), fault })
    } else if (outcome.kind === 'fresh') {
      plan.fresh += 1
      if (plan.sample.length < SAMPLE) plan.sample.push({ line, ...names(outcome.shot), carryM: outcome.carryM, cells })
    } else if (outcome.kind !== 'undecided') plan[outcome.kind] += 1
  })
  return { ...plan, clubs: labels.clubs.all, swings: labels.swings.all }
}
