import { cellKey, type StockShot } from '../core/bag/bag'
import type { Compared } from '../core/history/compare'
import type { PublishedCell, PublishedChart } from '../core/history/published'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { CHANGES } from './en/changes'
import { listed, write } from './message'

/** How sure a move is, as a coach says it. */
export function moveText({ fromM, toM, certain, balls }: Compared, unit: DistanceUnit): string {
  return write(CHANGES.move, {
    from: distanceText(fromM!, unit),
    to: distanceWithUnit(toM!, unit),
    balls: String(balls),
    sure: certain ? 'certain' : 'likely',
  })
}

/** The numbers of a chart, and how they were compared with those of the one before. */
interface Publication {
  cells: readonly PublishedCell[]
  compared: readonly Compared[]
}

/** One line on what changed between two published charts. Without an earlier one it says so. */
export function changesText(
  earlier: PublishedChart | null,
  { cells, compared }: Publication,
  unit: DistanceUnit,
  nameOf: (cell: StockShot) => string,
): string {
  if (!earlier) return write(CHANGES.first)
  const before = new Map(earlier.cells.map(cell => [cellKey(cell), cell]))
  const kindBefore = (cell: PublishedCell) => before.get(cellKey(cell))?.kind
  const moved = compared.filter(one => one.moved).map(one => `${nameOf(one)} ${moveText(one, unit)}`)
  const written = cells.filter(
    cell => cell.kind === 'written' && before.get(cellKey(cell))?.carry?.[unit] !== cell.carry![unit],
  )
  const fresh = cells.filter(
    cell => cell.kind === 'measured' && ['predicted', 'unhit', undefined].includes(kindBefore(cell)),
  )
  const out = cells.filter(cell => cell.kind === 'struck-out' && kindBefore(cell) !== 'struck-out')
  const parts: [message: string, list: string][] = [
    [CHANGES.moved, moved.join('; ')],
    [CHANGES.fresh, listed(fresh.map(nameOf))],
    [CHANGES.written, listed(written.map(nameOf))],
    [CHANGES.struckOut, listed(out.map(nameOf))],
  ]
  const said = parts.filter(([, list]) => list !== '').map(([message, list]) => write(message, { list }))
  return said.length === 0 ? write(CHANGES.none) : `${said.join('. ')}.`
}
