import { CARRY_BASES, READING_NAMES, READING_RANGE, type ReadingName, type Readings } from '../shot/readings'
import { fromWind, yardsToMetres } from '../units'
import { readNumber, readOneOf, type NumberColumn } from './cells'
import type { Fail } from './row-fault'

const same = (value: number) => value
const speeds = (name: string): NumberColumn[] => [
  [`${name}_mps`, same],
  [`${name}_mph`, value => fromWind(value, 'mph')],
  [`${name}_kmh`, value => fromWind(value, 'km/h')],
]
const lengths = (name: string): NumberColumn[] => [
  [`${name}_m`, same],
  [`${name}_yd`, yardsToMetres],
]

/**
 * Columns of each reading, the one it is written in first; the unit its limits are told in, and decimals that are
 * known at most.
 */
const COLUMNS: Record<ReadingName, { columns: NumberColumn[]; unit: string; decimals: number }> = {
  sideM: { columns: lengths('side'), unit: 'm', decimals: 4 },
  totalM: { columns: lengths('total'), unit: 'm', decimals: 4 },
  apexM: { columns: lengths('apex'), unit: 'm', decimals: 4 },
  ballSpeedMs: { columns: speeds('ball_speed'), unit: 'm/s', decimals: 4 },
  clubSpeedMs: { columns: speeds('club_speed'), unit: 'm/s', decimals: 4 },
  launchDeg: { columns: [['launch_deg', same]], unit: '°', decimals: 2 },
  directionDeg: { columns: [['direction_deg', same]], unit: '°', decimals: 2 },
  spinRpm: { columns: [['spin_rpm', same]], unit: 'rpm', decimals: 0 },
  spinAxisDeg: { columns: [['spin_axis_deg', same]], unit: '°', decimals: 2 },
  descentDeg: { columns: [['descent_deg', same]], unit: '°', decimals: 2 },
}
const ORDER = Object.keys(COLUMNS) as ReadingName[]

export const READING_COLUMNS_OUT = [...ORDER.map(name => COLUMNS[name].columns[0]![0]), 'carry_basis']

/** All columns that readings are taken from. */
export const READING_COLUMNS_IN = [
  ...ORDER.flatMap(name => COLUMNS[name].columns.map(([column]) => column)),
  'carry_basis',
  'indoors',
]

/**
 * What a row tells beside its carry, or undefined when that is nothing. Indoors a device sees no flight: its carry is
 * worked out, unless the row says otherwise.
 */
export function readReadings(cells: Record<string, string>, fail: Fail): Readings | undefined {
  const readings: Readings = {}
  for (const name of READING_NAMES) {
    const { columns, unit } = COLUMNS[name]
    const value = readNumber(cells, columns, READING_RANGE[name], unit, fail)
    if (value !== undefined) readings[name] = value
  }
  const basis = readOneOf(cells, 'carry_basis', CARRY_BASES, fail)
  const indoors = readOneOf(cells, 'indoors', ['yes', 'no'] as const, fail)
  if (basis ?? indoors === 'yes') readings.carryBasis = basis ?? 'computed'
  return Object.keys(readings).length === 0 ? undefined : readings
}

/** The same columns on their way out; empty where nothing was read. */
export function writeReadings(readings: Readings | null): (number | string)[] {
  return [
    ...ORDER.map(name => {
      const value = readings?.[name]
      return value === undefined ? '' : Number(value.toFixed(COLUMNS[name].decimals))
    }),
    readings?.carryBasis ?? '',
  ]
}
