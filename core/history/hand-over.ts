import { cellKey } from '../bag/bag'
import { CALM, stationPressurePa } from '../flight/air'
import { todayOf, toToday } from '../flight/neutral'
import { fromUnit, type DistanceUnit } from '../units'
import { figureOf, type PublishedCell, type PublishedChart } from './published'

/** Air that a card can be printed for: the home course on its usual day, without wind. */
export interface HomeAir {
  tempC: number
  altitudeM: number
}

const DAY_HUMIDITY = 0.5

/** The published figures as they are in another air; what cannot fly there has none. */
export function inAir(chart: PublishedChart, { tempC, altitudeM }: HomeAir): PublishedChart {
  const today = todayOf(tempC, stationPressurePa(altitudeM), DAY_HUMIDITY, CALM, 'calm')
  const lofts = new Map(chart.clubs.map(club => [club.id, club.loftDeg]))
  const moved = (cell: PublishedCell): PublishedCell => {
    if (!cell.carry) return cell
    const carryM =
      cell.kind === 'written' || cell.modelM === null ? fromUnit(cell.carry[chart.unit], chart.unit) : cell.modelM
    const flown = toToday(lofts.get(cell.clubId)!, carryM, today)
    // It runs on as far as it did.
    const runM = cell.total ? fromUnit(cell.total[chart.unit] - cell.carry[chart.unit], chart.unit) : 0
    return {
      ...cell,
      carry: flown.ok ? figureOf(flown.carryM) : null,
      ...(cell.total && flown.ok && { total: figureOf(flown.carryM + runM) }),
    }
  }
  return { ...chart, cells: chart.cells.map(moved) }
}

/** The figure that the player reads of a cell that has one: the total where totals are read, else the carry. */
export const readFigure = (cell: PublishedCell, unit: DistanceUnit): number => (cell.total ?? cell.carry!)[unit]

/** The cells that have a number, longest first: what a player reads by the yardage. */
export function inOrder(chart: PublishedChart, unit: DistanceUnit): PublishedCell[] {
  return chart.cells.filter(cell => cell.carry).sort((a, b) => readFigure(b, unit) - readFigure(a, unit))
}

export function cellOf(chart: PublishedChart): (clubId: string, swingId: string) => PublishedCell | undefined {
  const cells = new Map(chart.cells.map(cell => [cellKey(cell), cell]))
  return (clubId, rungId) => cells.get(cellKey({ clubId, rungId }))
}
