import { v5 } from 'uuid'
import { labelsOf } from '#core/bag/labels'
import type { Bag } from '#core/bag/bag'
import { toCells, type ForeignTable } from '#core/files/foreign-table'
import { withStated } from '#core/flight/session-air'
import { readRowFigures, type RowError } from '#core/files/shot-table'
import { takenOf } from '#shared/calibration-input'
import { AIRS_MAX, USUAL_PLAN, type SessionRecord, type ShotRecord } from '#shared/session'
import { ballKey, type Choices, type PlannedFile } from './import-protocol'

/** A label of the file that is to be left away with its rows. */
export const SKIP = 'skip'
const SAMPLE = 8
const REFUSED_SHOWN = 200
const SECONDS_APART = 30

export interface Planned { planned: PlannedFile, sessions: SessionRecord[], shots: ShotRecord[] }

const localMs = (year: number, month: number, day: number, hour: number, minute: number, second: number) => new Date(year, month - 1, day, hour, minute, second).getTime()
const same = (a: string, b: string) => a.replace(/[°º\s]/g, '').toLowerCase() === b.replace(/[°º\s]/g, '').toLowerCase()

/** Short names of clubs that everybody uses. Common practice. */
const SHORT: Record<string, string> = { lw: 'lob wedge', sw: 'sand wedge', gw: 'gap wedge', aw: 'gap wedge', uw: 'gap wedge', pw: 'pitching wedge' }
const longName = (label: string) => SHORT[label.trim().toLowerCase()] ?? label.replace(/^\s*(\d)\s*i(ron)?\s*$/i, '$1 iron')

/** What a label of the file most likely means in the bag. */
export function guessChoice(label: string, known: readonly { id: string, labels: string[] }[]): string | null {
  const found = (text: string) => known.filter(item => item.labels.some(other => other !== '' && same(other, text)))
  const exact = found(label)
  if (exact.length > 0) return exact[0]!.id
  // By its long name only when just one club has it.
  const named = found(longName(label))
  return named.length === 1 ? named[0]!.id : null
}

/**
 * What an import would do, and the records it would make. The id of a ball is made of its row, so that the same file twice
 * adds nothing; the session of a ball is its day's, or the one that the file names.
 * @param knownBalls ids of the balls on record, and what else they are known by
 */
export function planImport(table: ForeignTable, { mapping, clubs, swings, swing, dateMs }: Choices, bag: Bag, playerId: string, knownBalls: ReadonlySet<string>): Planned {
  const names = labelsOf(bag)
  const knownClubs = bag.clubs.filter(club => !club.retired).map(club => ({ id: club.id, labels: [club.label, club.name] }))
  const knownSwings = bag.scale.rungs.filter(rung => !rung.retired).map(rung => ({ id: rung.id, labels: [names({ clubId: '', rungId: rung.id }).swing] }))
  const clubRows = new Map<string, number>()
  const swingRows = new Map<string, number>()
  const count = (counts: Map<string, number>, label: string) => counts.set(label, (counts.get(label) ?? 0) + 1)
  const choiceOf = (label: string, made: Record<string, string>, known: typeof knownClubs) => made[label] ?? guessChoice(label, known)
  // Another file of the same day makes sessions of its own: taking one import back leaves the other.
  const fileKey = v5(JSON.stringify([table.headers, table.rows.length, table.rows[0], table.rows.at(-1)]), playerId)
  const refused: RowError[] = []
  let [refusedRows, present, skipped] = [0, 0, 0]
  const repeats = new Map<string, number>()
  const sessions = new Map<string, SessionRecord>()
  const balls = new Map<string, number>()
  const shots: ShotRecord[] = []
  const sample: PlannedFile['sample'] = []

  table.rows.forEach((row, i) => {
    if (row.every(cell => cell.trim() === '')) return
    const line = table.firstLine + i
    const cells = toCells(row, mapping, localMs)
    const before = refused.length
    const faults: RowError[] = []
    const figures = readRowFigures(cells, (column, value, allowed) => faults.push({ row: line, column, value: value.slice(0, 40), allowed }))
    const club = (cells.club ?? '').trim()
    const swingLabel = (cells.swing ?? '').trim()
    if (club === '') faults.push({ row: line, column: 'club', value: '', allowed: 'is empty: which club was it?' })
    if (faults.length > 0) {
      refusedRows += 1
      if (before < REFUSED_SHOWN) refused.push(...faults)
      return
    }
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
    const hitAtMs = figures.hitAtMs ?? dateMs + i * SECONDS_APART * 1000
    const sessionKey = `${cells.session ?? new Date(hitAtMs).toDateString()} ${figures.method}`
    const sessionId = v5(`${fileKey} ${sessionKey}`, playerId)
    const known = sessions.get(sessionId)
    sessions.set(sessionId, {
      id: sessionId, startedAtMs: Math.min(hitAtMs, known?.startedAtMs ?? Infinity), endedAtMs: Math.max(hitAtMs, known?.endedAtMs ?? 0), method: figures.method, ball: figures.ball, surface: known?.surface ?? 'grass',
      air: withStated(known?.air ?? [], figures.air, hitAtMs).slice(0, AIRS_MAX), plan: { ...USUAL_PLAN, name: (cells.session ?? '').slice(0, 40), gone: true }, version: 1,
    })
    balls.set(sessionId, (balls.get(sessionId) ?? 0) + figures.balls)
    // Marked as deleted until all of them are there: nothing half-imported is ever seen.
    shots.push({
      id, sessionId, clubId, rungId, carryM: figures.carryM, method: figures.method, balls: figures.balls, hitAtMs, leftOut: (cells.left_out ?? '').slice(0, 120) || null, strike: figures.strike,
      readings: figures.readings ?? null, taken: takenOf({ ...figures, askedRungId: askedRungId && askedRungId !== SKIP && askedRungId !== rungId ? askedRungId : undefined }), deleted: true, version: 1,
    })
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
