/** What the headless doors share: files read and checked, each fault one line for standard error. */
import { readFileSync, statSync } from 'node:fs'
import { basename } from 'node:path'
import { parseArgs, type ParseArgsConfig } from 'node:util'
import type { z } from 'zod'
import type { DistanceUnit } from '../core/units'
import type { Bag } from '../core/bag/bag'
import type { Level } from '../core/level'
import { readBagFile, readBelieved, type Believed } from '../core/files/bag-file'
import { readShotTable, type ShotRow } from '../core/files/shot-table'
import { withStated } from '../core/flight/session-air'
import type { Session, Shot } from '../core/shot/shot'
import { BagFile } from '../shared/schemas/bag-file'
import { rowFaultText } from '../words/row-faults'

const MOST_BYTES = 25e6

/** What is wrong with what was given; one line for standard error. */
export class Fault extends Error {}

export function readFile(path: string): string {
  const found = statSync(path, { throwIfNoEntry: false })
  if (!found) throw new Fault(`${path}: there is no such file`)
  if (!found.isFile()) throw new Fault(`${path} is not a file`)
  if (found.size > MOST_BYTES)
    throw new Fault(
      `${basename(path)} has ${Math.round(found.size / 1e6)} MB: at most ${MOST_BYTES / 1e6} MB is allowed`,
    )
  return readFileSync(path, 'utf8').replace(/^\uFEFF/, '')
}

/** A JSON file that fits its schema. @throws Fault naming the file and the value */
export function readJson<T>(path: string, schema: z.ZodType<T>): T {
  const text = readFile(path)
  const name = basename(path)
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    throw new Fault(`${name} is not JSON: ${(error as Error).message}`)
  }
  const read = schema.safeParse(json)
  if (!read.success) {
    const { path: at, message } = read.error.issues[0]!
    throw new Fault(`${name}, ${at.length > 0 ? at.join('.') : 'the whole'}: ${message}`)
  }
  return read.data
}

export function readBag(path: string): { bag: Bag; believed: Believed[]; player: string | undefined; level: Level } {
  const file = readJson(path, BagFile)
  try {
    return {
      bag: readBagFile(file),
      believed: readBelieved(file),
      player: file.player,
      level: file.level ?? 'unknown',
    }
  } catch (error) {
    if (error instanceof RangeError) throw new Fault(`${basename(path)}, ${error.message}`)
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

export function readShots(path: string, bag: Bag, player: string | undefined): { row: ShotRow; shot: Shot }[] {
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
        fault: { kind: 'not-in-bag', words: [...clubs].join(', ') },
      })
    if (!swings.has(row.swing))
      errors.push({
        row: row.row,
        column: 'swing',
        value: row.swing,
        fault: { kind: 'not-on-scale', words: [...swings].join(', ') },
      })
  }
  const first = errors[0]
  if (first) {
    const value = first.value.length > 40 ? `${first.value.slice(0, 40)}…` : first.value
    const more = errors.length > 1 ? ` (and ${errors.length - 1} more)` : ''
    throw new Fault(`${name} row ${first.row}, ${first.column}: "${value}" ${rowFaultText(first.fault)}${more}`)
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
export function sessionsOf(read: readonly { row: ShotRow; shot: Shot }[]): Session[] {
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

/** Arguments of a door by their names. @throws Fault with the usage */
export function readArgs<T extends NonNullable<ParseArgsConfig['options']>>(args: string[], options: T, usage: string) {
  try {
    return parseArgs({ args, options }).values
  } catch (error) {
    throw new Fault(`${(error as Error).message.split('.')[0]}; ${usage}`)
  }
}

/** @throws Fault for what is no unit */
export function unitOf(unit: string): DistanceUnit {
  if (unit !== 'yd' && unit !== 'm') throw new Fault(`--unit: "${unit}" is not yd or m`)
  return unit
}

/** Says what an answer is, or what is wrong with what was given: one line, and exit code 2. */
export function open(answer: (args: string[]) => string): void {
  try {
    process.stdout.write(answer(process.argv.slice(2)))
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    process.stderr.write(`${error.message}\n`)
    process.exitCode = 2
  }
}
