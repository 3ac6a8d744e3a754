import { cellKey } from '../core/bag/bag'
import { todayOf, toToday } from '../core/flight/neutral'
import { CALM, stationPressurePa } from '../core/flight/air'
import { figureOf, type PublishedCell, type PublishedChart } from '../core/chart/published'
import { fromUnit, type DistanceUnit } from '../core/units'
import { stockShotName } from './flag-words'

/** Air that a card can be printed for: the home course on its usual day, without wind. */
export interface HomeAir { tempC: number, altitudeM: number }

const DAY_HUMIDITY = 0.5

/** The published figures as they are in another air; what cannot fly there has none. */
export function inAir(chart: PublishedChart, { tempC, altitudeM }: HomeAir): PublishedChart {
  const today = todayOf(tempC, stationPressurePa(altitudeM), DAY_HUMIDITY, CALM, 'calm')
  const lofts = new Map(chart.clubs.map(club => [club.id, club.loftDeg]))
  const moved = (cell: PublishedCell): PublishedCell => {
    if (!cell.carry) return cell
    const carryM = cell.kind === 'written' || cell.modelM === null ? fromUnit(cell.carry[chart.unit], chart.unit) : cell.modelM
    const flown = toToday(lofts.get(cell.clubId)!, carryM, today)
    // It runs on as far as it did.
    const runM = cell.total ? fromUnit(cell.total[chart.unit] - cell.carry[chart.unit], chart.unit) : 0
    return { ...cell, carry: flown.ok ? figureOf(flown.carryM) : null, ...(cell.total && flown.ok && { total: figureOf(flown.carryM + runM) }) }
  }
  return { ...chart, cells: chart.cells.map(moved) }
}

/** The figure that the player reads of a cell that has one: the total where totals are read, else the carry. */
export const readFigure = (cell: PublishedCell, unit: DistanceUnit): number => (cell.total ?? cell.carry!)[unit]

/** What the figures are: "Carry in yards", "Total in yards, medium ground". */
export const figuresAre = ({ totalOn }: PublishedChart, unit: DistanceUnit): string => `${totalOn ? 'Total' : 'Carry'} in ${unit === 'yd' ? 'yards' : 'metres'}${totalOn ? `, ${totalOn} ground` : ''}`

/** The cells that have a number, longest first: what a player reads by the yardage. */
export function inOrder(chart: PublishedChart, unit: DistanceUnit): PublishedCell[] {
  return chart.cells.filter(cell => cell.carry).sort((a, b) => readFigure(b, unit) - readFigure(a, unit))
}

export function cellOf(chart: PublishedChart): (clubId: string, swingId: string) => PublishedCell | undefined {
  const cells = new Map(chart.cells.map(cell => [cellKey(cell), cell]))
  return (clubId, rungId) => cells.get(cellKey({ clubId, rungId }))
}

export const dayText = (ms: number) => new Date(ms).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' })

/** Which air the numbers are of. */
export function airText(chart: PublishedChart): string {
  return chart.air === 'neutral' ? 'neutral air: 20 °C, calm, sea level' : 'as measured'
}

/** The chart as text to send: longest first, one line each. */
export function sentText(player: string, chart: PublishedChart, unit: DistanceUnit): string {
  const mark = (cell: PublishedCell) => cell.kind === 'written' ? ' (written)' : cell.kind === 'predicted' ? ' (predicted)' : ''
  const lines = inOrder(chart, unit).map(cell => `${readFigure(cell, unit)} ${unit}  ${stockShotName(cell.club, cell.swing)}${mark(cell)}`)
  return [`${player}, ${chart.totalOn ? `totals on ${chart.totalOn} ground` : 'carry chart'} ${chart.number}, ${dayText(chart.publishedAtMs)}, ${airText(chart)}`, ...lines, ...(chart.note ? [chart.note] : [])].join('\n')
}
