import Papa from 'papaparse'
import { CALLS, ASKED_CURVES, ASKED_FLIGHTS, type DrillBall, type DrillTask } from '../practice/drill-spec'
import { CARRY_LIMITS_IN_FILE } from '../limits'
import { READING_RANGE } from '../shot/readings'
import { fromWind, yardsToMetres } from '../units'
import { readNumber, type NumberColumn } from './cells'
import type { RowError } from './shot-table'

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

/**
 * The shot table with `target_yd` or `target_m` (and `target_side_yd` or `_m`), in order; or with `called_speed_mph`,
 * `curve_asked`, `flight_asked`. One of `carry_…`, `side_…`, `good`, `club_speed_…`, `curve` tells what came of a ball.
 * Rows that cannot be read are named in `errors`; the others are kept.
 */
export function readDrillTable(text: string): DrillTable {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: name => name.trim().toLowerCase(),
  })
  const table: DrillTable = { tasks: [], balls: [], labels: [], errors: [] }
  const places = new Map<string, number>()
  for (const [i, cells] of parsed.data.entries()) {
    const row = i + 2
    const before = table.errors.length
    const fail = (column: string, value: string, allowed: string) => table.errors.push({ row, column, value, allowed })
    const oneOf = <T extends string>(column: string, values: readonly T[]): T | undefined => {
      const value = (cells[column] ?? '').trim().toLowerCase()
      if (value === '') return undefined
      const found = values.find(one => one === value)
      if (!found) fail(column, value, `is not one of ${values.join(', ')}`)
      return found
    }
    const side = [READING_RANGE.sideM[0], READING_RANGE.sideM[1]] as const
    const targetM = readNumber(cells, distance('target'), METRES, 'm', fail)
    const targetSideM = readNumber(cells, distance('target_side'), side, 'm', fail) ?? 0
    const speedMs = readNumber(cells, speed('called_speed'), READING_RANGE.clubSpeedMs, 'm/s', fail)
    const curve = oneOf('curve_asked', ASKED_CURVES)
    const flight = oneOf('flight_asked', ASKED_FLIGHTS)
    const endM = readNumber(cells, distance('carry'), METRES, 'm', fail)
    const sideM = readNumber(cells, distance('side'), side, 'm', fail)
    const clubMs = readNumber(cells, speed('club_speed'), READING_RANGE.clubSpeedMs, 'm/s', fail)
    const launchDeg = readNumber(cells, [['launch_deg', same]], READING_RANGE.launchDeg, '°', fail)
    const curved = readNumber(cells, [['curve', same]], [-2, 2], '', fail)
    const good = oneOf('good', ['yes', 'no'])
    const call = oneOf('call', CALLS)
    const task: DrillTask = {
      ...(targetM !== undefined && { targetM }),
      ...(speedMs !== undefined && { speedMs }),
      ...(curve && { curve }),
      ...(flight && { flight }),
    }
    if (table.errors.length === before && Object.keys(task).length === 0)
      fail('target_m', '', 'is missing: a target, a called speed, a curve or a flight is needed')
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
      ...(endM !== undefined && { endM }),
      ...(sideM !== undefined && { sideM: sideM - targetSideM }),
      ...(clubMs !== undefined && { speedMs: clubMs }),
      ...(launchDeg !== undefined && { launchDeg }),
      ...(curved !== undefined && { curve: Math.round(curved) }),
      ...(good && { good: good === 'yes' }),
      ...(call && { call }),
    })
    table.labels.push({ club: (cells.club ?? '').trim(), swing: (cells.swing ?? '').trim() })
  }
  return table
}
