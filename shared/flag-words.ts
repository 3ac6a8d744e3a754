import { flagRule } from '../core/gaps/flags'
import { GRIP_DOWN_M, type Finding, type Sureness } from '../core/gaps/flag'
import type { StockShot } from '../core/bag/bag'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'

/** What a flag says, in the reader's unit. */
export interface FlagWords {
  title: string
  why: string
  remedies: string[]
  /** "Sure: 99 in 100", and what that is of. */
  odds: string
}

/** A probability as a coach reads it: never 100 in 100, never 0. */
export function inHundred(probability: number): string {
  const n = Math.round(probability * 100)
  return n >= 100 ? 'more than 99 in 100' : n <= 0 ? 'less than 1 in 100' : `${n} in 100`
}

const SURENESS_WORDS: Record<Sureness, string> = { sure: 'Sure', likely: 'Likely', open: 'Not enough balls to tell', counted: 'Counted' }

/** What stock shots and their clubs are called. */
export interface FlagNames {
  cell: (cell: StockShot) => string
  club: (cell: StockShot) => string
}

/** Stock shots named one by one; of more than these only how many. */
const NAMED = 4
function cellList(cells: readonly StockShot[], nameOf: FlagNames['cell']): string {
  const names = cells.map(nameOf)
  if (names.length <= NAMED + 1) return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
  return `${names.slice(0, NAMED).join(', ')} and ${names.length - NAMED} more`
}

/** A figure of a finding by the ending of its name. */
function figureText(key: string, value: number, unit: DistanceUnit, decimals: 0 | 1): string {
  if (key.endsWith('M')) return distanceWithUnit(value, unit, decimals)
  if (key.endsWith('Times')) return `${value.toFixed(1)} times`
  const whole = Math.round(value)
  if (key.endsWith('Deg')) return `${whole}°`
  if (key.endsWith('Percent')) return `${whole} %`
  if (key.endsWith('Days')) return `${whole} ${whole === 1 ? 'day' : 'days'}`
  if (key.endsWith('Tenths')) return `${whole} in 10`
  return String(whole)
}

/** The step between two carries as they are read: 51 and 66 are 15 apart, though 51.4 and 65.6 are 14.2. */
export function stepBetween(shorterM: number, longerM: number, unit: DistanceUnit, decimals: 0 | 1 = 0): number {
  const read = (metres: number) => Number(distanceText(metres, unit, decimals))
  return Number((read(longerM) - read(shorterM)).toFixed(decimals))
}

/**
 * Words and units are put on a finding here and nowhere else. {shorter}, {middle}, {longer} and {cells} become stock shots,
 * {club} the club of the first; figures are written by the ending of their names.
 */
export function flagWords(finding: Finding, names: FlagNames, unit: DistanceUnit): FlagWords {
  const { meta } = flagRule(finding.flag)
  const said = { ...meta, ...meta.variants?.[finding.variant ?? ''] }
  const figures: Record<string, number> = { ...finding.data, gripDownM: GRIP_DOWN_M, fromM: finding.fromM, toM: finding.toM }
  // Whole figures, but where they would contradict the rule: 12.4 yd is more than 12, "12 is more than 12" is nonsense.
  const step = (decimals: 0 | 1) => stepBetween(finding.data.shorterM!, finding.data.longerM!, unit, decimals)
  const limitWhole = meta.difference && Number(distanceText(finding.data[meta.difference.limit]!, unit))
  const whole = !meta.difference || (meta.difference.raised === 'above' ? step(0) > limitWhole! : step(0) <= limitWhole!)
  const put = (text: string, decimals: 0 | 1) => text.replace(/\{(\w+)\}/g, (_, key: string) => {
    if (key === 'shorter') return names.cell(finding.cells[0]!)
    if (key === 'middle') return names.cell(finding.cells[1]!)
    if (key === 'longer') return names.cell(finding.cells.at(-1)!)
    if (key === 'cells') return cellList(finding.cells, names.cell)
    if (key === 'club') return names.club(finding.cells[0]!)
    if (key === meta.difference?.of) return `${step(decimals)} ${unit}`
    const value = figures[key]
    if (value === undefined) throw new RangeError(`flag "${meta.id}": its words use {${key}}, which its findings do not have`)
    return figureText(key, value, unit, decimals)
  })
  // "131 yd to 135 yd" says the unit once too often.
  const tidy = (text: string) => text.replace(new RegExp(`(\\d) ${unit} to (\\d+(?:\\.\\d)? ${unit})`, 'g'), '$1 to $2')
  // A stretch of one yard is a yard.
  const atOne = (text: string) => text.replace(new RegExp(`,? (\\d+) to \\1 ${unit}`), ` at $1 ${unit}`)
  const sureness = SURENESS_WORDS[finding.sureness]
  return {
    title: atOne(tidy(put(said.title, 0))),
    why: tidy(put(said.why, whole ? 0 : 1)),
    remedies: said.remedies.map(remedy => put(remedy, 0)),
    odds: finding.probability === null ? sureness : `${sureness}: ${inHundred(finding.probability)}`,
  }
}

/** "56° at 9:00": a stock shot as a coach says it. Full swings and one-length scales need no "at". */
export function stockShotName(club: string, swing: string): string {
  return /^\d/.test(swing) ? `${club} at ${swing}` : `${club} ${swing}`
}
