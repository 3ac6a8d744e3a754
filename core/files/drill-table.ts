import Papa from 'papaparse'
import { CALLS, ASKED_FLIGHTS, type DrillBall, type DrillTask } from '../practice/drill-spec'
import { CARRY_LIMITS_IN_FILE } from '../limits'
import { CURVE_WAYS } from '../shot/hand'
import { READING_RANGE } from '../shot/readings'
import { fromWind, yardsToMetres } from '../units'
import { readNumber, type NumberColumn } from './cells'
import type { Fail, RowError } from './row-fault'

/** Balls of a go from a file: what was asked, and what came of each, in the order of the file. */
export interface DrillTable {
  tasks: DrillTask[]
  balls: DrillBall[]
  /** Labels by ball, as the file has them; '' where it has none. */
  labels: { club: string; swing: string }[]
  errors: RowError[]
}

const same = (metres: number) => metres
const distance = (name: string): NumberColumn[] => [
  [`${name}_yd`, yardsToMetres],
  [`${name}_m`, same],
]
const speed = (name: string): NumberColumn[] => [
  [`${name}_mph`, value => fromWind(value, 'mph')],
  [`${name}_kmh`, value => fromWind(value, 'km/h')],
  [`${name}_ms`, same],
]
const { min, max } = CARRY_LIMITS_IN_FILE.m
const METRES = [min, max] as const
const SIDES = READING_RANGE.sideM

type Cells = Record<string, string>

const parse = (text: string): Cells[] =>
  Papa.parse<Cells>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: name => name.trim().toLowerCase(),
  }).data

function wordOf<T extends string>(cells: Cells, column: string, values: readonly T[], fail: Fail): T | undefined {
  const value = (cells[column] ?? '').trim().toLowerCase()
  if (value === '') return undefined
  const found = values.find(one => one === value)
  if (!found) fail(column, value, { kind: 'one-of', words: values.join(', ') })
  return found
}

/** What a row says of its ball, whatever was asked. */
function ballOf(cells: Cells, fail: Fail): Omit<DrillBall, 'id' | 'task' | 'atMs'> {
  const endM = readNumber(cells, distance('carry'), METRES, 'm', fail)
  const sideM = readNumber(cells, distance('side'), SIDES, 'm', fail)
  const speedMs = readNumber(cells, speed('club_speed'), READING_RANGE.clubSpeedMs, 'm/s', fail)
  const launchDeg = readNumber(cells, [['launch_deg', same]], READING_RANGE.launchDeg, '°', fail)
  const spinRpm = readNumber(cells, [['spin_rpm', same]], READING_RANGE.spinRpm, 'rpm', fail)
  const curve = readNumber(cells, [['curve', same]], [-2, 2], '', fail)
  const good = wordOf(cells, 'good', ['yes', 'no'], fail)
  const call = wordOf(cells, 'call', CALLS, fail)
  return {
    ...(endM !== undefined && { endM }),
    ...(sideM !== undefined && { sideM }),
    ...(speedMs !== undefined && { speedMs }),
    ...(launchDeg !== undefined && { launchDeg }),
    ...(spinRpm !== undefined && { spinRpm }),
    ...(curve !== undefined && { curve: Math.round(curve) }),
    ...(good && { good: good === 'yes' }),
    ...(call && { call }),
  }
}

/**
 * Balls of a file alone, in order, for a go that knows itself what it asks. Rows of which nothing is told are left
 * away; one that cannot be read is named in `errors`.
 * @example readGoBalls('carry_m,side_m\n72,-1.5').balls[0] // => { endM: 72, sideM: -1.5 }
 */
export function readGoBalls(text: string): { balls: Omit<DrillBall, 'id' | 'task' | 'atMs'>[]; errors: RowError[] } {
  const errors: RowError[] = []
  const balls = parse(text).map((cells, i) =>
    ballOf(cells, (column, value, fault) => errors.push({ row: i + 2, column, value, fault })),
  )
  return { balls: balls.filter(ball => Object.keys(ball).length > 0), errors }
}

/**
 * The shot table with `target_yd` or `target_m` (and `target_side_yd` or `_m`), in order; or with `called_speed_mph`,
 * `curve_asked`, `flight_asked`. One of `carry_…`, `side_…`, `good`, `club_speed_…`, `curve` tells what came of a ball.
 * Rows that cannot be read are named in `errors`; the others are kept.
 */
export function readDrillTable(text: string): DrillTable {
  const table: DrillTable = { tasks: [], balls: [], labels: [], errors: [] }
  const places = new Map<string, number>()
  for (const [i, cells] of parse(text).entries()) {
    const row = i + 2
    const before = table.errors.length
    const fail: Fail = (column, value, fault) => table.errors.push({ row, column, value, fault })
    const targetM = readNumber(cells, distance('target'), METRES, 'm', fail)
    const targetSideM = readNumber(cells, distance('target_side'), SIDES, 'm', fail) ?? 0
    const speedMs = readNumber(cells, speed('called_speed'), READING_RANGE.clubSpeedMs, 'm/s', fail)
    const curve = wordOf(cells, 'curve_asked', CURVE_WAYS, fail)
    const flight = wordOf(cells, 'flight_asked', ASKED_FLIGHTS, fail)
    const ball = ballOf(cells, fail)
    const task: DrillTask = {
      ...(targetM !== undefined && { targetM }),
      ...(speedMs !== undefined && { speedMs }),
      ...(curve && { curve }),
      ...(flight && { flight }),
    }
    if (table.errors.length === before && Object.keys(task).length === 0) fail('target_m', '', { kind: 'no-task' })
    if (table.errors.length > before) continue
    const key = JSON.stringify(task)
    if (!places.has(key)) {
      places.set(key, table.tasks.length)
      table.tasks.push(task)
    }
    table.balls.push({
      id: String(row),
      task: places.get(key)!,
      atMs: i,
      ...ball,
      ...(ball.sideM !== undefined && { sideM: ball.sideM - targetSideM }),
    })
    table.labels.push({ club: (cells.club ?? '').trim(), swing: (cells.swing ?? '').trim() })
  }
  return table
}
