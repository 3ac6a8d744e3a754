import { fromHeight, fromUnit, fromWind, type DistanceUnit, type HeightUnit, type WindUnit } from '../units'
import { READING_RANGE, type ReadingName, type Readings } from './readings'
import { readTypedCarry, type CarryFault } from './typed-carry'

/** Readings that a line of keys can hold; the others have their fields in the ball's own dialog. */
export const TYPED_READINGS = [
  'sideM',
  'totalM',
  'spinRpm',
  'launchDeg',
  'ballSpeedMs',
  'clubSpeedMs',
  'apexM',
] as const satisfies readonly ReadingName[]
export type TypedReading = (typeof TYPED_READINGS)[number]

/** A ball as it is typed: its carry, and with a letter what else was seen. Right of the line is positive. */
export interface TypedBall extends Pick<Readings, TypedReading> {
  carryM: number
  /** How full it felt, per cent of the player's all. */
  feltPercent?: number
}

/** The units that figures without one are meant in. */
export interface TypedUnits {
  distance: DistanceUnit
  speed: WindUnit
  height: HeightUnit
}

/** What is wrong, and with which part of what was typed. */
export type BallFault =
  | { fault: CarryFault; part: string }
  | { fault: TypedReading | 'feltPercent' | 'unit' | 'extra'; part: string }

/** How full a swing may feel, per cent. */
export const FELT_RANGE = [1, 150] as const
/** A launch under 8° is no wedge shot's: who types l4 means 4l, 4 to the left. Our choice. */
const LEAST_TYPED_LAUNCH_DEG = 8

/** What may be typed, in metres, m/s, degrees, rpm and per cent: what a ball can do, but for such a launch. */
export const TYPED_RANGE: Record<TypedReading | 'feltPercent', readonly [least: number, most: number]> = {
  ...READING_RANGE,
  launchDeg: [LEAST_TYPED_LAUNCH_DEG, READING_RANGE.launchDeg[1]],
  feltPercent: FELT_RANGE,
}

/** Letter before its figure. `l` alone also stands behind it, as `r` does: 4l is 4 left, l29 a launch of 29°. */
const LETTERS: Record<string, TypedReading | 'feltPercent'> = {
  r: 'sideM',
  t: 'totalM',
  s: 'spinRpm',
  l: 'launchDeg',
  b: 'ballSpeedMs',
  c: 'clubSpeedMs',
  h: 'apexM',
  f: 'feltPercent',
}
const UNITS: Record<string, { kind: keyof TypedUnits; name: DistanceUnit | WindUnit | HeightUnit }[]> = {
  'm': [
    { kind: 'distance', name: 'm' },
    { kind: 'height', name: 'm' },
  ],
  'yd': [{ kind: 'distance', name: 'yd' }],
  'y': [{ kind: 'distance', name: 'yd' }],
  'ft': [{ kind: 'height', name: 'ft' }],
  'mph': [{ kind: 'speed', name: 'mph' }],
  'km/h': [{ kind: 'speed', name: 'km/h' }],
  'kmh': [{ kind: 'speed', name: 'km/h' }],
  'm/s': [{ kind: 'speed', name: 'm/s' }],
  'mps': [{ kind: 'speed', name: 'm/s' }],
}
const KIND: Partial<Record<TypedReading | 'feltPercent', keyof TypedUnits>> = {
  sideM: 'distance',
  totalM: 'distance',
  ballSpeedMs: 'speed',
  clubSpeedMs: 'speed',
  apexM: 'height',
}

const FIGURE = '\\d+(?:[.,]\\d*)?'
const UNIT = '(m|yd|y|ft|mph|km/h|kmh|m/s|mps)?'
const BEFORE = new RegExp(`^([rtslbchf<>])(${FIGURE})${UNIT}$`, 'i')
const BEHIND = new RegExp(`^(${FIGURE})([lrt])$`, 'i')
const CARRY = new RegExp(`^([+-]?${FIGURE}|[.,]\\d+)(m|yd|y)$`, 'i')

const numberOf = (text: string) => Number(text.replace(',', '.'))

/** The figure in the unit that stands behind it, else in the one that is usual for its kind; null for no such unit. */
function metric(name: TypedReading | 'feltPercent', value: number, typed: string, units: TypedUnits): number | null {
  const kind = KIND[name]
  if (!kind) return typed === '' ? value : null
  const found = typed === '' ? { name: units[kind] } : UNITS[typed]!.find(one => one.kind === kind)
  if (!found) return null
  if (kind === 'distance') return fromUnit(value, found.name as DistanceUnit)
  return kind === 'speed' ? fromWind(value, found.name as WindUnit) : fromHeight(value, found.name as HeightUnit)
}

function isPossible(name: TypedReading | 'feltPercent', value: number): boolean {
  const [least, most] = TYPED_RANGE[name]
  return value >= least && value <= most && !(name === 'totalM' && value === 0)
}

type Part = { name: TypedReading | 'feltPercent'; value: number } | { fault: BallFault['fault'] }

function readPart(part: string, units: TypedUnits): Part {
  const side = BEHIND.exec(part)
  if (side) {
    const metres = fromUnit(numberOf(side[1]!), units.distance)
    const letter = side[2]!.toLowerCase()
    const name = letter === 't' ? 'totalM' : 'sideM'
    return isPossible(name, metres) ? { name, value: letter === 'l' ? -metres : metres } : { fault: name }
  }
  const found = BEFORE.exec(part)
  if (!found) return { fault: 'extra' }
  const letter = found[1]!.toLowerCase()
  const name = letter === '<' || letter === '>' ? 'sideM' : LETTERS[letter]!
  const value = metric(name, numberOf(found[2]!), (found[3] ?? '').toLowerCase(), units)
  if (value === null) return { fault: 'unit' }
  if (!isPossible(name, value)) return { fault: name }
  return { name, value: letter === '<' ? -value : value }
}

/** "72r4s6600" is "72 r4 s6600": on glass there is no need of a space. */
function splitLetters(part: string): string[] {
  const joined = /^([\d.,]+)((?:[rtslbchf<>][\d.,]+)+)$/i.exec(part)
  return joined ? [joined[1]!, ...joined[2]!.match(/[rtslbchf<>][\d.,]+/gi)!] : [part]
}

/**
 * A ball in one line: "72" is a carry, "72 4r s6600 l29 c68" one that pitched 4 right of the line with 6,600 rpm of
 * spin, a launch of 29° and 68 of club speed; t its total, b its ball speed, h its height, f how full it felt. On glass
 * < and > stand for left and right. A unit may stand behind a figure: "66m c30m/s".
 * @param units those that figures without a unit are meant in
 * @example readTypedBall('72 4r', { distance: 'm', speed: 'km/h', height: 'm' }) // => { carryM: 72, sideM: 4 }
 * @example readTypedBall('72 4q', { distance: 'm', speed: 'km/h', height: 'm' }) // => { fault: 'extra', part: '4q' }
 */
export function readTypedBall(text: string, units: TypedUnits): TypedBall | BallFault {
  // A letter may stand apart from its figure: "72 r 4".
  const parts = text
    .trim()
    .replace(/(?<![\d.,])([rtslbchf<>])\s+(?=\d)/gi, '$1')
    .split(/\s+/)
  const [first = '', ...rest] = parts.flatMap(splitLetters)
  const withUnit = CARRY.exec(first)
  const carry = withUnit
    ? readTypedCarry(withUnit[1]!, withUnit[2]!.toLowerCase() === 'm' ? 'm' : 'yd')
    : readTypedCarry(first, units.distance)
  if ('fault' in carry) return { fault: carry.fault, part: first }
  const ball: TypedBall = { carryM: carry.carryM }
  for (const part of rest) {
    const read = readPart(part, units)
    if ('fault' in read) return { fault: read.fault, part }
    ball[read.name] = read.value
  }
  return ball
}
