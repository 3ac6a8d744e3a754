import { cellKey, type StockShot } from '../core/bag/bag'
import type { Compared } from '../core/chart/compare'
import type { PublishedChart } from '../core/chart/published'
import { distanceText, type DistanceUnit } from '../core/units'

/** How sure a move is, as a coach says it. */
export function movedWords({ fromM, toM, certain, balls }: Compared, unit: DistanceUnit): string {
  return `from ${distanceText(fromM!, unit)} to ${distanceText(toM!, unit)} ${unit}, by ${balls} new balls: ${certain ? 'certain' : 'likely'}`
}

const list = (words: string[]) => words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

/** One line on what changed between two published charts. Without an earlier one it says so. */
export function changedWords(earlier: PublishedChart | null, cells: PublishedChart['cells'], compared: readonly Compared[], unit: DistanceUnit, nameOf: (cell: StockShot) => string): string {
  if (!earlier) return 'The first published chart.'
  const before = new Map(earlier.cells.map(cell => [cellKey(cell), cell]))
  const moved = compared.filter(one => one.moved).map(one => `${nameOf(one)} ${movedWords(one, unit)}`)
  const written = cells.filter(cell => cell.kind === 'written' && before.get(cellKey(cell))?.carry?.[unit] !== cell.carry![unit]).map(nameOf)
  const fresh = cells.filter(cell => cell.kind === 'measured' && ['predicted', 'unhit', undefined].includes(before.get(cellKey(cell))?.kind)).map(nameOf)
  const out = cells.filter(cell => cell.kind === 'struck-out' && before.get(cellKey(cell))?.kind !== 'struck-out').map(nameOf)
  const parts = [
    ...(moved.length > 0 ? [`Moved: ${moved.join('; ')}`] : []), ...(fresh.length > 0 ? [`New: ${list(fresh)}`] : []),
    ...(written.length > 0 ? [`Written: ${list(written)}`] : []), ...(out.length > 0 ? [`Struck out: ${list(out)}`] : []),
  ]
  return parts.length === 0 ? 'Nothing moved.' : `${parts.join('. ')}.`
}
