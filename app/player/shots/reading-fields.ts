import { READING_RANGE, type ReadingName, type Readings } from '#core/shot/readings'
import {
  fromHeight,
  fromUnit,
  fromWind,
  toHeight,
  toUnit,
  toWind,
  type DistanceUnit,
  type HeightUnit,
  type SpeedUnit,
} from '#core/units'
import { typedNumber } from '~/ui/numbers'

/** The units that a coach reads a ball in. */
export interface BallUnits {
  distance: DistanceUnit
  speed: SpeedUnit
  height: HeightUnit
}

interface ReadingField {
  name: ReadingName
  label: string
  kind: 'distance' | 'speed' | 'height' | '°' | 'rpm'
  decimals: number
}

/** In the order a coach reads them. */
export const READING_FIELDS: readonly ReadingField[] = [
  { name: 'sideM', label: 'Side, right +', kind: 'distance', decimals: 1 },
  { name: 'totalM', label: 'Total', kind: 'distance', decimals: 1 },
  { name: 'spinRpm', label: 'Spin', kind: 'rpm', decimals: 0 },
  { name: 'launchDeg', label: 'Launch', kind: '°', decimals: 1 },
  { name: 'ballSpeedMs', label: 'Ball speed', kind: 'speed', decimals: 1 },
  { name: 'clubSpeedMs', label: 'Club speed', kind: 'speed', decimals: 1 },
  { name: 'apexM', label: 'Height', kind: 'height', decimals: 0 },
  { name: 'descentDeg', label: 'Descent', kind: '°', decimals: 1 },
  { name: 'directionDeg', label: 'Direction, right +', kind: '°', decimals: 1 },
  { name: 'spinAxisDeg', label: 'Axis, curves right +', kind: '°', decimals: 1 },
]

export const unitOfField = ({ kind }: ReadingField, units: BallUnits): string =>
  kind === '°' || kind === 'rpm' ? kind : units[kind]

function shown({ kind }: ReadingField, value: number, units: BallUnits): number {
  if (kind === 'distance') return toUnit(value, units.distance)
  if (kind === 'speed') return toWind(value, units.speed)
  return kind === 'height' ? toHeight(value, units.height) : value
}
function stored({ kind }: ReadingField, value: number, units: BallUnits): number {
  if (kind === 'distance') return fromUnit(value, units.distance)
  if (kind === 'speed') return fromWind(value, units.speed)
  return kind === 'height' ? fromHeight(value, units.height) : value
}

export type ReadingDraft = Record<ReadingName, string>

/** Readings as they stand in their fields; what was not read is empty. */
export function readingDraft(readings: Readings | null, units: BallUnits): ReadingDraft {
  return Object.fromEntries(
    READING_FIELDS.map(field => {
      const value = readings?.[field.name]
      return [field.name, value === undefined ? '' : String(Number(shown(field, value, units).toFixed(field.decimals)))]
    }),
  ) as ReadingDraft
}

/**
 * Readings from their fields, or what is wrong, field by field, with what is allowed in the unit it was typed in. An
 * untouched field keeps its exact value.
 */
export function readReadingDraft(
  draft: ReadingDraft,
  was: Readings | null,
  units: BallUnits,
): { readings: Readings | null } | { faults: Partial<Record<ReadingName, string>> } {
  const before = readingDraft(was, units)
  const readings: Readings = {}
  const faults: Partial<Record<ReadingName, string>> = {}
  for (const field of READING_FIELDS) {
    const { name } = field
    const typed = draft[name].trim()
    if (typed === '') continue
    if (was?.[name] !== undefined && draft[name] === before[name]) {
      readings[name] = was[name]
      continue
    }
    const value = stored(field, typedNumber(typed.replace('−', '-')), units)
    const [least, most] = READING_RANGE[name]
    if (value >= least && value <= most) readings[name] = value
    else {
      const ends = [Math.ceil(shown(field, least, units)), Math.floor(shown(field, most, units))]
      faults[name] = `"${typed}" is not possible: ${ends[0]} to ${ends[1]} ${unitOfField(field, units)}.`
    }
  }
  if (Object.keys(faults).length > 0) return { faults }
  if (was?.carryBasis) readings.carryBasis = was.carryBasis
  return { readings: Object.keys(readings).length === 0 ? null : readings }
}
