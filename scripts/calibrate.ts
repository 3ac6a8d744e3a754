/**
 * The headless door: a bag and shot tables in, a chart out. Uses core/ alone: no server, no database.
 * npm run --silent calibrate -- --bag bag.json --shots shots.csv [--shots more.csv] [--unit yd] [--as-of ISO]
 */
import { readFileSync, statSync } from 'node:fs'
import { basename } from 'node:path'
import { parseArgs } from 'node:util'
import type { Bag } from '../core/bag/bag'
import { calibrate } from '../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../core/calibration/calibration'
import type { CellRemark } from '../core/history/coach-remarks'
import type { Level } from '../core/level'
import { readBagFile, readBelieved, type Believed } from '../core/files/bag-file'
import { moment, writeChartFile, type CellNames } from '../core/files/chart-file'
import { readShotTable, type ShotRow } from '../core/files/shot-table'
import { withStated } from '../core/flight/session-air'
import type { Session, Shot } from '../core/shot/shot'
import type { DistanceUnit } from '../core/units'
import { BagFile } from '../shared/bag-file'
import { chartFileWords } from '../words/chart-file'

const MOST_BYTES = 25e6
const USAGE =
  'usage: npm run --silent calibrate -- --bag bag.json --shots shots.csv ' +
  '[--shots more.csv] [--unit yd|m] [--as-of 2026-05-04T17:30:00Z]'

/** What is wrong with what was given; one line for standard error. */
class Fault extends Error {}

function readFile(path: string): string {
  const found = statSync(path, { throwIfNoEntry: false })
  if (!found) throw new Fault(`${path}: there is no such file`)
  if (!found.isFile()) throw new Fault(`${path} is not a file`)
  if (found.size > MOST_BYTES)
    throw new Fault(
      `${basename(path)} has ${Math.round(found.size / 1e6)} MB: at most ${MOST_BYTES / 1e6} MB is allowed`,
    )
  return readFileSync(path, 'utf8').replace(/^\uFEFF/, '')
}

function readBag(path: string): { bag: Bag; believed: Believed[]; player: string | undefined; level: Level } {
  const text = readFile(path)
  const name = basename(path)
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    throw new Fault(`${name} is not JSON: ${(error as Error).message}`)
  }
  const read = BagFile.safeParse(json)
  if (!read.success) {
    const { path: at, message } = read.error.issues[0]!
    throw new Fault(`${name}, ${at.length > 0 ? at.join('.') : 'the whole'}: ${message}`)
  }
  try {
    return {
      bag: readBagFile(read.data),
      believed: readBelieved(read.data),
      player: read.data.player,
      level: read.data.level ?? 'unknown',
    }
  } catch (error) {
    if (error instanceof RangeError) throw new Fault(`${name}, ${error.message}`)
    throw error
  }
}

/** Rows of the player the bag belongs to; a file of one player, or without the column, is taken whole. */
function rowsOf(player: string | undefined, rows: ShotRow[], name: string): ShotRow[] {
  const players = new Set(rows.map(row => row.player))
  if (players.size <= 1 && (player === undefined || players.has(null) || players.has(player))) return rows
  if (player === undefined) throw new Fault(`${name} holds ${players.size} players: name one as "player" in the bag`)
  const own = rows.filter(row => row.player === player)
  if (own.length === 0) throw new Fault(`${name}, player: "${player}" of the bag has no row in it`)
  return own
}

/** The day's work a row belongs to: its session where the file names one, else its calendar day. */
const sessionOf = (row: ShotRow) => row.session ?? row.day ?? ''

function readShots(path: string, bag: Bag, player: string | undefined): { row: ShotRow; shot: Shot }[] {
  const name = basename(path)
  const { rows, errors } = readShotTable(readFile(path))
  const clubs = new Set(bag.clubs.map(club => club.id))
  const swings = new Set(bag.scale.rungs.map(rung => rung.id))
  const own = errors.length > 0 ? [] : rowsOf(player, rows, name)
  for (const row of own) {
    if (!clubs.has(row.club))
      errors.push({
        row: row.row,
        column: 'club',
        value: row.club,
        allowed: `is not in the bag: ${[...clubs].join(', ')}`,
      })
    if (!swings.has(row.swing))
      errors.push({
        row: row.row,
        column: 'swing',
        value: row.swing,
        allowed: `is not on the scale: ${[...swings].join(', ')}`,
      })
  }
  const first = errors[0]
  if (first) {
    const value = first.value.length > 40 ? `${first.value.slice(0, 40)}…` : first.value
    const more = errors.length > 1 ? ` (and ${errors.length - 1} more)` : ''
    throw new Fault(`${name} row ${first.row}, ${first.column}: "${value}" ${first.allowed}${more}`)
  }
  return own.map(row => {
    const { carryM, method, balls, leftOut, strike, lies, heightM, frontM, backM, readings } = row
    const shot: Shot = {
      id: `${name}:${row.row}`,
      sessionId: sessionOf(row),
      clubId: row.club,
      rungId: row.swing,
      carryM,
      method,
      balls,
      leftOut,
      strike,
      // Without times the order of the file is the order in which they were hit.
      hitAtMs: row.hitAtMs ?? row.row,
      ...(lies && { lies }),
      ...(heightM && { heightM }),
      ...(frontM !== undefined && backM !== undefined && { extentM: Math.abs(backM - frontM) }),
      ...(readings && { readings }),
      ...(readings?.sideM !== undefined && { sideM: readings.sideM }),
    }
    return { row, shot }
  })
}

/** The sessions that the rows speak of. One ball off the range's own makes it a session with range balls. */
function sessionsOf(read: readonly { row: ShotRow; shot: Shot }[]): Session[] {
  const sessions = new Map<string, Session>()
  for (const { row, shot } of [...read].sort((a, b) => a.shot.hitAtMs - b.shot.hitAtMs)) {
    const known = sessions.get(shot.sessionId)
    sessions.set(shot.sessionId, {
      id: shot.sessionId,
      method: shot.method,
      startedAtMs: Math.min(shot.hitAtMs, known?.startedAtMs ?? Infinity),
      ball: row.ball === 'range' || known?.ball === 'range' ? 'range' : 'own',
      air: withStated(known?.air ?? [], row.air, shot.hitAtMs),
    })
  }
  return [...sessions.values()]
}

function readArguments(args: string[]) {
  const parse = () =>
    parseArgs({
      args,
      options: {
        'bag': { type: 'string' },
        'shots': { type: 'string', multiple: true },
        'unit': { type: 'string' },
        'as-of': { type: 'string' },
      },
    }).values
  let values: ReturnType<typeof parse>
  try {
    values = parse()
  } catch (error) {
    throw new Fault(`${(error as Error).message.split('.')[0]}; ${USAGE}`)
  }
  const { bag, shots, unit = 'yd', 'as-of': asOf } = values
  if (!bag || !shots) throw new Fault(`--bag and --shots are needed; ${USAGE}`)
  if (unit !== 'yd' && unit !== 'm') throw new Fault(`--unit: "${unit}" is not yd or m`)
  if (
    asOf !== undefined &&
    (!/^\d{4}-\d\d-\d\d(T.+(Z|[+-]\d\d:\d\d))?$/.test(asOf) || Number.isNaN(Date.parse(asOf)))
  ) {
    throw new Fault(
      `--as-of: "${asOf}" is not an ISO 8601 day or a time with its zone, such as 2026-05-04 or 2026-05-04T17:30:00Z`,
    )
  }
  return { bag, shots, unit: unit as DistanceUnit, asOf }
}

/** A day means until its end, UTC. */
function endOf(asOf: string): number {
  return Date.parse(asOf.length === 10 ? `${asOf}T23:59:59.999Z` : asOf)
}

function answer(args: string[]): string {
  const given = readArguments(args)
  const { bag, believed, player, level } = readBag(given.bag)
  const all = given.shots.flatMap(path => readShots(path, bag, player))
  const read = given.asOf === undefined ? all : all.filter(({ shot }) => shot.hitAtMs <= endOf(given.asOf!))
  const shots = read.map(({ shot }) => shot)
  const lastMs = shots.reduce((last, shot) => Math.max(last, shot.hitAtMs), 0)
  const nowMs = given.asOf === undefined ? lastMs : endOf(given.asOf)
  const calibration = calibrate(
    { bag, level, shots, sessions: sessionsOf(read), nowMs },
    {
      ...USUAL_OPTIONS,
      words: believed.map((one, i): CellRemark => ({
        ...one,
        id: String(i),
        kind: 'believed',
        why: '',
        saidAtMs: 0,
        holds: true,
      })),
    },
  )
  // In a bag file the labels are the ids.
  const names: CellNames = cell => ({ club: cell.clubId, swing: cell.rungId })
  const file = writeChartFile(given.asOf ?? moment(lastMs), calibration, names, chartFileWords(names, given.unit))
  return `${JSON.stringify(file, null, 2)}\n`
}

try {
  process.stdout.write(answer(process.argv.slice(2)))
} catch (error) {
  if (!(error instanceof Fault)) throw error
  process.stderr.write(`${error.message}\n`)
  process.exitCode = 2
}
