import { cellKey, type StockShot } from '../bag/bag'
import { practised, withPractised, type PracticeLeave } from '../chart/practice-scatter'
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
  /** Balls of practice that speak in it. */
  practised: number
}

/**
 * Of every stock shot of the grid that has a ball, by `cellKey`; leaves at a distance in practice speak with them.
 */
export function ownScatters(
  shots: readonly NeutralShot[],
  { fit, indexOf, verdicts }: GridFit,
  aim: AimedSides,
  sides: SidePattern,
  practice: readonly PracticeLeave[] = [],
): Map<string, OwnScatter> {
  const found = new Map<string, OwnScatter>()
  const inPractice = practised(practice, fit.spread)
  for (const [key, pile] of groupByCell(shots)) {
    const i = indexOf.get(key)
    if (i === undefined) continue
    const judged = pile.flatMap(shot => (shot.balls === 1 && verdicts.get(shot.id)) || [])
    const own: OwnScatter = {
      looseness: fit.looseness[i]!,
      degrees: MODEL.loosenessBalls + fit.cellDegrees[i]!,
      sideBias: aim.bias[i]!,
      sideBiasSd: Math.sqrt(sides.variance[i]!),
      balls: judged.length,
      mishits: judged.reduce((sum, { fault, clean }) => sum + (fault === 'mishit' ? 1 - clean : 0), 0),
      practised: inPractice.get(key)?.told ?? 0,
    }
    const more = inPractice.get(key)
    found.set(key, more ? withPractised(own, more) : own)
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
