import { NEUTRAL } from '../flight/air'
import { fly } from '../flight/fly'
import { median } from '../stats/median'
import { METRES_PER_YARD, metresToYards, WIND_UNITS } from '../units'
import { figure } from './cells'
import { FOREIGN_COLUMNS, type ForeignColumn } from './foreign-columns'
import { DATE, tidyNumber, type Mapping } from './foreign-table'

/** Columns that only our own table has: read by their very names, before "height" is taken for the apex. */
const OWN_NAMES = new Set<string>(
  FOREIGN_COLUMNS.slice(FOREIGN_COLUMNS.findIndex(([id]) => id === 'asked')).map(([id]) => id),
)

/** Words that a header may use, our own first; the longest that fits decides. */
const NAMES: readonly [what: string, words: readonly string[]][] = [
  ['club', ['club', 'club name', 'club type', 'club used']],
  ['swing', ['swing', 'swing length', 'length of swing', 'shot type', 'swing type']],
  ['time', ['time', 'date', 'date time', 'timestamp', 'date and time', 'shot time', 'hit at']],
  ['session', ['session', 'session name', 'session id']],
  ['carry', ['carry', 'carry distance', 'carry dist', 'carry length', 'carry flat']],
  ['total', ['total', 'total distance', 'total dist', 'total length']],
  [
    'side',
    [
      'side',
      'side carry',
      'carry side',
      'offline',
      'off line',
      'lateral',
      'side distance',
      'carry deviation',
      'deviation',
    ],
  ],
  ['apex', ['apex', 'apex height', 'max height', 'peak height', 'height', 'maximum height']],
  ['ball_speed', ['ball speed', 'ballspeed', 'ball velocity', 'speed ball']],
  ['club_speed', ['club speed', 'clubspeed', 'club head speed', 'clubhead speed', 'head speed', 'swing speed']],
  ['launch_deg', ['launch', 'launch angle', 'vertical launch', 'vertical angle', 'launch v', 'take off angle']],
  [
    'direction_deg',
    [
      'direction',
      'launch direction',
      'horizontal launch',
      'horizontal angle',
      'azimuth',
      'start direction',
      'launch h',
    ],
  ],
  ['spin_rpm', ['spin', 'spin rate', 'back spin', 'backspin', 'total spin']],
  ['spin_axis_deg', ['spin axis', 'axis', 'axis tilt', 'tilt']],
  ['descent_deg', ['descent', 'descent angle', 'landing angle', 'land angle', 'angle of descent']],
  ['strike', ['strike']],
  ['left_out', ['left out']],
  ['balls', ['balls']],
  ['method', ['method']],
  ['ball', ['ball', 'ball type']],
  ['carry_basis', ['carry basis']],
]
const WITH_UNIT: Record<string, 'length' | 'speed'> = {
  carry: 'length',
  total: 'length',
  side: 'length',
  apex: 'length',
  ball_speed: 'speed',
  club_speed: 'speed',
}
const UNIT_WORDS: readonly [pattern: RegExp, unit: string][] = [
  [/^(yd|yds|yard|yards)$/, 'yd'],
  [/^(m|meter|meters|metre|metres|mtr)$/, 'm'],
  [/^mph$/, 'mph'],
  [/^(kmh|km h|kph|km\/h)$/, 'kmh'],
  [/^(mps|m s|m\/s|ms)$/, 'mps'],
  [/^(rpm|deg|degree|degrees|°|ft|feet|in)$/, 'other'],
]

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[[\](){}_.:-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
const unitOf = (text: string) => UNIT_WORDS.find(([pattern]) => pattern.test(plain(text).replace(' ', ' ')))?.[1]

/** "Carry Distance (yds)" is carry in yards. */
function readHeader(header: string): { what: string | undefined; unit: string | undefined } {
  const words = plain(header).split(' ')
  const last = words.at(-1) ?? ''
  const lastTwo = words.slice(-2).join(' ')
  const unit = words.length > 1 ? (unitOf(last) ?? unitOf(lastTwo)) : undefined
  const cut = unit === undefined ? words : unitOf(last) ? words.slice(0, -1) : words.slice(0, -2)
  const name = cut.join(' ')
  const what = NAMES.find(([id, names]) => names.includes(name) || plain(id) === name)?.[0]
  return { what, unit }
}

const TYPICAL_ROWS = 200

/** Numbers of one column, units and sides taken off: "4.2 R" is 4.2. */
function numbersOf(rows: readonly string[][], column: number): number[] {
  return rows
    .slice(0, TYPICAL_ROWS)
    .map(row => figure(tidyNumber(row[column] ?? '')))
    .filter(value => !Number.isNaN(value))
}

/**
 * Speed of the ball off wedges and short irons: 20 to 55 m/s, so 45 to 123 mph, 72 to 198 km/h; clubs a fifth slower.
 * Common practice.
 */
function speedUnit(values: readonly number[]): { unit: 'mps' | 'mph' | 'kmh'; sure: boolean } {
  const middle = median(values)
  if (middle > 125) return { unit: 'kmh', sure: true }
  if (middle > 62) return { unit: 'mph', sure: middle < 100 }
  if (middle < 38) return { unit: 'mps', sure: true }
  return { unit: 'mph', sure: false }
}

const PER_MPS: Record<'mps' | 'mph' | 'kmh', number> = { mps: 1, mph: WIND_UNITS.mph, kmh: WIND_UNITS['km/h'] }
/** Carry over the flight of the launch beside it: as much as this off, and it is the other unit. */
const BETWEEN_UNITS = Math.sqrt(METRES_PER_YARD)

/** Yards or metres, told by the flight of the launches beside them; undefined without launches. */
function carryUnit(
  rows: readonly string[][],
  carry: number,
  at: (what: string) => { place: number; toMs: number } | undefined,
): 'yd' | 'm' | undefined {
  const [speed, launch, spin] = [at('ball_speed'), at('launch_deg'), at('spin_rpm')]
  if (!speed || !launch || !spin) return undefined
  const ratios = rows.slice(0, TYPICAL_ROWS).flatMap(row => {
    const [carried, v, up, rpm] = [carry, speed.place, launch.place, spin.place].map(place =>
      figure(tidyNumber(row[place] ?? '')),
    ) as [number, number, number, number]
    const ms = v * speed.toMs
    if (!(carried > 0 && ms > 3 && ms < 90 && up > 2 && up < 80 && rpm > 500 && rpm < 16_000)) return []
    const flight = fly({ speedMs: ms, launchDeg: up, spinRpm: rpm, azimuthDeg: 0, tiltDeg: 0 }, NEUTRAL)
    return flight.ok && flight.carryM > 5 ? [carried / metresToYards(flight.carryM)] : []
  })
  if (ratios.length < 3) return undefined
  return median(ratios) > BETWEEN_UNITS ? 'yd' : 'm'
}

/**
 * Which column is what, from the names, the units and the figures themselves: a column of 6,000s is spin, yards and
 * metres are told apart by the flight of the launch beside them, where one was read.
 * @param units a row of units under the header, if the file has one
 */
export function guessMapping(
  headers: readonly string[],
  rows: readonly string[][],
  units?: readonly string[],
): Mapping {
  const read = headers.map((header, i) => {
    const own = header.trim().toLowerCase()
    const found = OWN_NAMES.has(own) ? { what: own, unit: undefined } : readHeader(header)
    return { ...found, unit: found.unit ?? (units ? unitOf(units[i] ?? '') : undefined), values: numbersOf(rows, i) }
  })
  // Without a name the figures may tell: thousands are turns a minute.
  if (!read.some(column => column.what === 'spin_rpm')) {
    const spin = read.find(
      column =>
        column.what === undefined &&
        column.values.length >= 3 &&
        median(column.values) > 1500 &&
        median(column.values) < 14_000,
    )
    if (spin) spin.what = 'spin_rpm'
  }
  const taken = new Set<string>()
  for (const column of read) {
    if (column.what === undefined) continue
    if (taken.has(column.what)) column.what = undefined
    else taken.add(column.what)
  }
  const unsure: number[] = []
  const speeds = new Map<number, { unit: 'mps' | 'mph' | 'kmh'; sure: boolean }>()
  read.forEach(({ what, unit, values }, i) => {
    if (what === undefined || WITH_UNIT[what] !== 'speed') return
    speeds.set(i, unit === 'mph' || unit === 'kmh' || unit === 'mps' ? { unit, sure: true } : speedUnit(values))
    if (!speeds.get(i)!.sure) unsure.push(i)
  })
  const at = (what: string) => {
    const place = read.findIndex(column => column.what === what)
    return place < 0 ? undefined : { place, toMs: PER_MPS[speeds.get(place)?.unit ?? 'mps'] }
  }
  const stated = read.find(
    column =>
      column.what !== undefined && WITH_UNIT[column.what] === 'length' && (column.unit === 'yd' || column.unit === 'm'),
  )?.unit as 'yd' | 'm' | undefined
  const carryAt = read.findIndex(column => column.what === 'carry')
  const byFlight = carryAt >= 0 && read[carryAt]!.unit === undefined ? carryUnit(rows, carryAt, at) : undefined
  const columns = read.map(({ what, unit }, i): ForeignColumn | '' => {
    if (what === undefined) return ''
    if (WITH_UNIT[what] === 'speed') return `${what}_${speeds.get(i)!.unit}` as ForeignColumn
    if (WITH_UNIT[what] !== 'length') return what as ForeignColumn
    // Feet and the like are none of ours: better left alone than misread.
    if (unit !== undefined && unit !== 'yd' && unit !== 'm') return ''
    const known = unit ?? byFlight ?? stated
    if (known === undefined) unsure.push(i)
    return `${what}_${known ?? 'yd'}` as ForeignColumn
  })
  return { columns, unsure: unsure.sort((a, b) => a - b), dayFirst: dayComesFirst(rows, columns.indexOf('time')) }
}

/** True when the cells of a row are units: a second header row. */
export function isUnitRow(row: readonly string[]): boolean {
  const said = row.filter(cell => cell.trim() !== '')
  return (
    said.length >= 2 &&
    said.filter(cell => unitOf(cell.replace(/[[\]()]/g, '')) !== undefined).length >= said.length / 2
  )
}

function dayComesFirst(rows: readonly string[][], column: number): boolean {
  if (column < 0) return true
  for (const row of rows.slice(0, TYPICAL_ROWS)) {
    const found = DATE.exec((row[column] ?? '').trim())
    if (!found || found[1]!.length === 4) continue
    if (Number(found[1]) > 12) return true
    if (Number(found[2]) > 12) return false
  }
  return true
}
