import { cellKey, type StockShot } from '../bag/bag'
import type { GridFit } from '../chart/grid-fit'
import { MODEL } from '../model/constants'
import type { SidePattern } from '../model/side'
import type { NeutralShot } from '../shot/shot'
import { groupByCell } from '../shot/by-cell'
import type { AimedSides } from './aim'

/** How one stock shot strays from the player's own ways, each with its doubt. */
export interface OwnScatter {
  /** Variance of one ball over the player's usual, and the balls' worth of knowledge behind it. */
  looseness: number
  degrees: number
  /** Beside the line, beyond what the aim takes out, share of the carry, and the standard deviation of that. */
  sideBias: number
  sideBiasSd: number
  /** Single balls judged, and how many of them were mishit, by odds. */
  balls: number
  mishits: number
}

/** Of every stock shot of the grid that has a ball, by `cellKey`. */
export function ownScatters(
  shots: readonly NeutralShot[],
  { fit, indexOf, verdicts }: GridFit,
  aim: AimedSides,
  sides: SidePattern,
): Map<string, OwnScatter> {
  const found = new Map<string, OwnScatter>()
  for (const [key, pile] of groupByCell(shots)) {
    const i = indexOf.get(key)
    if (i === undefined) continue
    const judged = pile.flatMap(shot => (shot.balls === 1 && verdicts.get(shot.id)) || [])
    found.set(key, {
      looseness: fit.looseness[i]!,
      degrees: MODEL.loosenessBalls + fit.cellDegrees[i]!,
      sideBias: aim.bias[i]!,
      sideBiasSd: Math.sqrt(sides.variance[i]!),
      balls: judged.length,
      mishits: judged.reduce((sum, { fault, clean }) => sum + (fault === 'mishit' ? 1 - clean : 0), 0),
    })
  }
  return found
}

/** @returns null for a stock shot without a ball, or outside the grid */
export type OwnScatterOf = (cell: StockShot) => OwnScatter | null

/** Worked out when it is first asked for. */
export function byCell(work: () => ReadonlyMap<string, OwnScatter>): OwnScatterOf {
  let found: ReadonlyMap<string, OwnScatter> | undefined
  return cell => (found ??= work()).get(cellKey(cell)) ?? null
}
