import { v5 } from 'uuid'
import { labelsOf } from '#core/bag/labels'
import type { Bag } from '#core/bag/bag'
import { toCells, type ForeignTable } from '#core/files/foreign-table'
import { withStated } from '#core/flight/session-air'
import { cut, isWholeText, wholeText } from '#core/cut'
import { readOneOf } from '#core/files/cells'
import { readRowFigures, type RowError } from '#core/files/shot-table'
import { REASON_MAX } from '#core/limits'
import { takenOf } from '#shared/calibration-input'
import { AIRS_MAX, LABEL_LINE, ShotRecord, SURFACES, USUAL_PLAN, type SessionRecord } from '#shared/session'
import { ballKey, type Choices, type PlannedFile } from './import-protocol'

/** A label of the file that is to be left away with its rows. */
export const SKIP = 'skip'
const SAMPLE = 8
const REFUSED_SHOWN = 200
/** Nothing real was measured before. */
const FIRST_MS = Date.UTC(2000, 0, 1)
/** Balls without a time are taken to have been hit so far apart, as long as that fits into their day. */
const MS_APART = 30_000

export interface Planned { planned: PlannedFile, sessions: SessionRecord[], shots: ShotRecord[] }

const localMs = (year: number, month: number, day: number, hour: number, minute: number, second: number) => new Date(year, month - 1, day, hour, minute, second).getTime()
const same = (a: string, b: string) => a.replace(/[°º\s]/g, '').toLowerCase() === b.replace(/[°º\s]/g, '').toLowerCase()

/** Short names of clubs that everybody uses. Common practice. */
const SHORT = new Map([['lw', 'lob wedge'], ['sw', 'sand wedge'], ['gw', 'gap wedge'], ['aw', 'gap wedge'], ['uw', 'gap wedge'], ['pw', 'pitching wedge']])
const longName = (label: string) => SHORT.get(label.trim().toLowerCase()) ?? label.replace(/^\s*(\d)\s*i(ron)?\s*$/i, '$1 iron')

/** What a label of the file most likely means in the bag: by its very name, else without regard to case, blanks and degrees. */
export function guessChoice(label: string, known: readonly { id: string, labels: string[] }[]): string | null {
  const by = (fits: (own: string) => boolean, places: (labels: string[]) => string[] = labels => labels) => known.filter(item => places(item.labels).some(own => own !== '' && fits(own)))
  // What the player calls it comes before any club's long name.
  const exact = [...by(own => own === label.trim(), labels => labels.slice(0, 1)), ...by(own => own === label.trim()), ...by(own => own.toLowerCase() === label.trim().toLowerCase()), ...by(own => same(own, label))]
  if (exact.length > 0) return exact[0]!.id
  // By its long name only when just one club has it.
  const named = by(own => same(own, longName(label)))
  return named.length === 1 ? named[0]!.id : null
}

/**
 * Moments of balls that have none: from noon of their day on, half a minute apart, sooner and closer where the day, or what
 * has passed of it, is too short for all of them. In order, and never later than now.
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

function* wordFaults(cells: Record<string, string>): Generator<[column: string, value: string, allowed: string]> {
  for (const column of WORD_COLUMNS) {
    const text = cells[column] ?? ''
    if (CONTROL.test(text)) yield [column, text.replace(/\s+/g, ' '), 'holds a line break or control character: one line of plain text is allowed']
    if (!isWholeText(text)) yield [column, wholeText(text), 'holds half a character: plain text is allowed']
  }
}

function* timeFaults(hitAtMs: number | null, text: string, nowMs: number): Generator<[column: string, value: string, allowed: string]> {
  if (hitAtMs === null) return
  if (hitAtMs < FIRST_MS) yield ['time', text, 'lies before the year 2000']
  if (hitAtMs > nowMs) yield ['time', text, 'lies in the future: up to now is allowed']
}

/** What the server would refuse of it, by the same schema, with the column it came from. */
function* schemaFaults(shot: ShotRecord, cells: Record<string, string>): Generator<[column: string, value: string, allowed: string]> {
  const result = ShotRecord.safeParse(shot)
  for (const issue of result.error?.issues ?? []) {
    const field = String(issue.path.at(-1) ?? 'row')
    // Ids are ours, not the file's.
    if (/[iI]d$/.test(field)) continue
    const column = COLUMN_OF_FIELD[field]?.find(name => cells[name] !== undefined) ?? field
    yield [column, cells[column] ?? '', `cannot be taken: ${issue.message}`]
  }
}
const COLUMN_OF_FIELD: Record<string, string[] | undefined> = {
  carryM: ['carry_yd', 'carry_m'], heightM: ['height_m', 'height_yd'], frontM: ['pile_front_m', 'pile_front_yd'], backM: ['pile_back_m', 'pile_back_yd'], widthM: ['pile_width_m', 'pile_width_yd'], leftOut: ['left_out'],
}

/**
 * What an import would do, and the records it would make. The id of a ball is made of its row, so that the same file twice
 * adds nothing; the session of a ball is its day's, or the one that the file names.
 * @param knownBalls ids of the balls on record, and what else they are known by
 * @param nowMs no ball was hit later
 */
export function planImport(table: ForeignTable, choices: Choices, bag: Bag, playerId: string, knownBalls: ReadonlySet<string>, nowMs: number): Planned {
  const { mapping, clubs, swings, swing, dateMs } = choices
  const names = labelsOf(bag)
  const knownClubs = bag.clubs.filter(club => !club.retired).map(club => ({ id: club.id, labels: [club.label, club.name] }))
  const knownSwings = bag.scale.rungs.filter(rung => !rung.retired).map(rung => ({ id: rung.id, labels: [names({ clubId: '', rungId: rung.id }).swing] }))
  const clubRows = new Map<string, number>()
  const swingRows = new Map<string, number>()
  const count = (counts: Map<string, number>, label: string) => counts.set(label, (counts.get(label) ?? 0) + 1)
  const choiceOf = (label: string, made: Record<string, string>, known: typeof knownClubs) => Object.hasOwn(made, label) ? made[label]! : guessChoice(label, known)
  // Another file of the same day makes sessions of its own: taking one import back leaves the other.
  const fileKey = v5(JSON.stringify([table.headers, table.rows.length, table.rows[0], table.rows.at(-1)]), playerId)
  const refused: RowError[] = []
  let [refusedRows, present, skipped] = [0, 0, 0]
  const repeats = new Map<string, number>()
  const sessions = new Map<string, SessionRecord>()
  const balls = new Map<string, number>()
  const shots: ShotRecord[] = []
  const sample: PlannedFile['sample'] = []

  const momentOf = spreadOverDay(dateMs, table.rows.length, nowMs)
  const silent = { ...(choices.ball === 'range' && { ball: 'range' }), ...(choices.surface === 'mat' && { surface: 'mat' }), ...(choices.indoors && { indoors: 'yes' }) }

  table.rows.forEach((row, i) => {
    if (row.every(cell => cell.trim() === '')) return
    const line = table.lines[i]!
    const cells = toCells(row, mapping, localMs)
    const faults: RowError[] = []
    const fault = (column: string, value: string, allowed: string) => faults.push({ row: line, column, value: cut(value, 40), allowed })
    const refuseRow = () => {
      refusedRows += 1
      if (refused.length < REFUSED_SHOWN) refused.push(...faults)
    }
    const figures = readRowFigures({ ...silent, ...cells }, fault)
    const surface = readOneOf({ ...silent, ...cells }, 'surface', SURFACES, fault) ?? 'grass'
    const indoors = readOneOf({ ...silent, ...cells }, 'indoors', ['yes', 'no'] as const, () => {}) === 'yes'
    for (const one of wordFaults(cells)) fault(...one)
    for (const one of timeFaults(figures.hitAtMs, cells.time ?? '', nowMs)) fault(...one)
    const club = (cells.club ?? '').trim()
    const swingLabel = (cells.swing ?? '').trim()
    if (club === '') faults.push({ row: line, column: 'club', value: '', allowed: 'is empty: which club was it?' })
    if (faults.length > 0) return refuseRow()
    count(clubRows, club)
    for (const label of new Set([swingLabel, (cells.asked ?? '').trim()])) if (label !== '') count(swingRows, label)
    const clubId = choiceOf(club, clubs, knownClubs)
    const rungId = swingLabel === '' ? swing : choiceOf(swingLabel, swings, knownSwings)
    if (clubId === SKIP || rungId === SKIP) {
      skipped += 1
      return
    }
    const raw = row.join('\u001F')
    const nth = (repeats.get(raw) ?? 0) + 1
    repeats.set(raw, nth)
    const id = v5(`${raw}\u001F${nth}`, playerId)
    if (knownBalls.has(id) || (figures.hitAtMs !== null && clubId && rungId && knownBalls.has(ballKey({ hitAtMs: figures.hitAtMs, clubId, rungId, carryM: figures.carryM })))) {
      present += 1
      return
    }
    if (!clubId || !rungId) return
    const asked = (cells.asked ?? '').trim()
    const askedRungId = asked === '' ? null : choiceOf(asked, swings, knownSwings)
    const hitAtMs = figures.hitAtMs ?? momentOf(i)
    // Marked as deleted until all of them are there: nothing half-imported is ever seen.
    const shot: ShotRecord = {
      id, sessionId: '', clubId, rungId, carryM: figures.carryM, method: figures.method, balls: figures.balls, hitAtMs, leftOut: cut(cells.left_out ?? '', REASON_MAX).trim() || null, strike: figures.strike,
      readings: figures.readings ?? null, taken: takenOf({ ...figures, askedRungId: askedRungId && askedRungId !== SKIP && askedRungId !== rungId ? askedRungId : undefined }), deleted: true, version: 1,
    }
    const sessionKey = `${cells.session ?? new Date(hitAtMs).toDateString()} ${figures.method} ${figures.ball} ${surface} ${indoors}`
    shot.sessionId = v5(`${fileKey} ${sessionKey}`, playerId)
    for (const one of schemaFaults(shot, cells)) fault(...one)
    if (faults.length > 0) return refuseRow()
    const { sessionId } = shot
    const known = sessions.get(sessionId)
    sessions.set(sessionId, {
      id: sessionId, startedAtMs: Math.min(hitAtMs, known?.startedAtMs ?? Infinity), endedAtMs: Math.max(hitAtMs, known?.endedAtMs ?? 0), method: figures.method, ball: figures.ball, surface,
      air: withStated(known?.air ?? [], figures.air, hitAtMs).slice(0, AIRS_MAX), plan: { ...USUAL_PLAN, name: cut(cells.session ?? '', LABEL_LINE).trim(), indoors, gone: true }, version: 1,
    })
    balls.set(sessionId, (balls.get(sessionId) ?? 0) + figures.balls)
    shots.push(shot)
    if (sample.length < SAMPLE) sample.push({ line, ...names({ clubId, rungId }), carryM: figures.carryM, cells })
  })
  const labels = (counts: Map<string, number>, made: Record<string, string>, known: typeof knownClubs) =>
    [...counts].map(([label, rows]) => ({ label, rows, choice: choiceOf(label, made, known) })).sort((a, b) => b.rows - a.rows)
  return {
    sessions: [...sessions.values()], shots,
    planned: {
      fresh: shots.length, sample, present, skipped, refused: refused.slice(0, REFUSED_SHOWN), refusedRows, clubs: labels(clubRows, clubs, knownClubs), swings: labels(swingRows, swings, knownSwings),
      sessions: [...sessions.values()].map(({ id, startedAtMs }) => ({ id, startedAtMs, balls: balls.get(id)! })).sort((a, b) => a.startedAtMs - b.startedAtMs),
    },
  }
}
