import { v5 } from 'uuid'
import type { Bag } from '#core/bag/bag'
import { cut } from '#core/cut'
import type { ForeignTable } from '#core/files/foreign-table'
import { planRows, type ImportChoices, type ImportPlan, type PlannedBall } from '#core/files/import-plan'
import type { Fail } from '#core/files/row-fault'
import { withStated } from '#core/flight/session-air'
import { takenOf } from '#shared/calibration-input'
import { AIRS_MAX, LABEL_LINE } from '#shared/limits'
import { ShotRecord, type SessionRecord } from '#shared/schemas/session'
import { USUAL_PLAN } from '#shared/choices'

/** What an import would do, and its sessions. */
export interface PlannedFile extends ImportPlan {
  sessions: { id: string; startedAtMs: number; balls: number }[]
}

export interface Planned {
  planned: PlannedFile
  sessions: SessionRecord[]
  shots: ShotRecord[]
}

const localMs = (year: number, month: number, day: number, hour: number, minute: number, second: number) =>
  new Date(year, month - 1, day, hour, minute, second).getTime()

/** What the server would refuse of it, by the same schema, with the column it came from. */
function* schemaFaults(shot: ShotRecord, cells: Record<string, string>): Generator<Parameters<Fail>> {
  const result = ShotRecord.safeParse(shot)
  for (const issue of result.error?.issues ?? []) {
    const field = String(issue.path.at(-1) ?? 'row')
    // Ids are ours, not the file's.
    if (/[iI]d$/.test(field)) continue
    const column = COLUMN_OF_FIELD[field]?.find(name => cells[name] !== undefined) ?? field
    yield [column, cells[column] ?? '', { kind: 'refused', why: issue.message }]
  }
}
const COLUMN_OF_FIELD: Record<string, string[] | undefined> = {
  carryM: ['carry_yd', 'carry_m'],
  heightM: ['height_m', 'height_yd'],
  frontM: ['pile_front_m', 'pile_front_yd'],
  backM: ['pile_back_m', 'pile_back_yd'],
  widthM: ['pile_width_m', 'pile_width_yd'],
  leftOut: ['left_out'],
}

/** A planned ball as the record keeps it. Marked as deleted until all are there: nothing half-imported is ever seen. */
function toRecord(ball: PlannedBall, sessionId: string): ShotRecord {
  const { id, clubId, rungId, askedRungId, figures, hitAtMs, leftOut } = ball
  const { carryM, method, balls, strike, readings = null } = figures
  const taken = takenOf({ ...figures, askedRungId })
  return {
    id,
    sessionId,
    clubId,
    rungId,
    carryM,
    method,
    balls,
    hitAtMs,
    leftOut,
    strike,
    readings,
    taken,
    deleted: true,
    version: 1,
  }
}

/** The session with one more ball, begun where there was none. */
function withBall(known: SessionRecord | undefined, id: string, ball: PlannedBall): SessionRecord {
  const { figures, hitAtMs, surface, indoors, session = '' } = ball
  return {
    id,
    startedAtMs: Math.min(hitAtMs, known?.startedAtMs ?? Infinity),
    endedAtMs: Math.max(hitAtMs, known?.endedAtMs ?? 0),
    method: figures.method,
    ball: figures.ball,
    surface,
    air: withStated(known?.air ?? [], figures.air, hitAtMs).slice(0, AIRS_MAX),
    plan: { ...USUAL_PLAN, name: cut(session, LABEL_LINE).trim(), indoors, gone: true },
    version: 1,
  }
}

/**
 * What an import would do, and the records it would make. The session of a ball is its day's, or the one that the file
 * names; another file of the same day makes sessions of its own, so that taking one import back leaves the other.
 * @param knownBalls ids of the balls on record, and what else they are known by
 * @param nowMs no ball was hit later
 */
export function planImport(
  table: ForeignTable,
  choices: ImportChoices,
  bag: Bag,
  playerId: string,
  knownBalls: ReadonlySet<string>,
  nowMs: number,
): Planned {
  const idOf = (text: string) => v5(text, playerId)
  const fileKey = idOf(JSON.stringify([table.headers, table.rows.length, table.rows[0], table.rows.at(-1)]))
  const sessions = new Map<string, SessionRecord>()
  const balls = new Map<string, number>()
  const shots: ShotRecord[] = []

  function sessionIdOf({ session, hitAtMs, figures, surface, indoors }: PlannedBall): string {
    const name = session ?? new Date(hitAtMs).toDateString()
    return idOf(`${fileKey} ${[name, figures.method, figures.ball, surface, indoors].join(' ')}`)
  }

  function take(ball: PlannedBall, cells: Record<string, string>) {
    const sessionId = sessionIdOf(ball)
    const shot = toRecord(ball, sessionId)
    const faults = [...schemaFaults(shot, cells)]
    if (faults.length > 0) return faults
    sessions.set(sessionId, withBall(sessions.get(sessionId), sessionId, ball))
    balls.set(sessionId, (balls.get(sessionId) ?? 0) + shot.balls)
    shots.push(shot)
    return []
  }

  const plan = planRows(table, choices, bag, { idOf, isKnown: id => knownBalls.has(id), toMs: localMs, nowMs, take })
  const made = [...sessions.values()]
  return {
    sessions: made,
    shots,
    planned: {
      ...plan,
      sessions: made
        .map(({ id, startedAtMs }) => ({ id, startedAtMs, balls: balls.get(id)! }))
        .sort((a, b) => a.startedAtMs - b.startedAtMs),
    },
  }
}
