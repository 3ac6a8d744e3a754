import type { StockShot } from '../bag/bag'
import { NEXT } from '../model/constants'
import { Z_80 } from '../stats/quantiles'
import type { Pile } from './pile'

/** `predicted`: no ball counts, the number is what the others make of it. `unhit`: nothing to make one of. */
export type CellKind = 'measured' | 'predicted' | 'unhit' | 'struck-out'

/** What a number leans on, as shares that add up to about 1. */
export interface LeansOn {
  own: number
  /** What is usual for such lofts and swing lengths. */
  usual: number
  others: (StockShot & { share: number })[]
}

/** Whose balls tell a side: those of the club, or the player's of all clubs. */
export interface SideTold {
  balls: number
  by: 'club' | 'player'
}

/** What is known of one stock shot. */
export interface ChartCell extends Pile {
  kind: CellKind
  /** A club outside the grid's lofts: a robust record of its own balls alone. */
  plain: boolean
  /** Stock carry, metres; null when nothing tells it. */
  carryM: number | null
  /** 8 in 10 that the stock carry lies here, metres. */
  certainty80M: [number, number] | null
  /** Where the next clean ball lands 8 times in 10, metres. */
  window80M: [number, number] | null
  leansOn: LeansOn | null
  /** Where the number lies beyond all its balls: what the others have it carry without them, metres. */
  othersM?: number
  /**
   * Where it lies beside the line, right positive, and where 8 balls in 10 do, metres; only when sides were measured.
   */
  sideM?: number
  sideWindow80M?: [number, number]
  /** Whose balls tell that side, and how many; missing while they are too few, and it is on the line till then. */
  sideTold?: SideTold
  /** The number is the coach's own, and what the balls say instead; null where they say nothing. */
  written?: true
  ballsM?: number | null
}

export type CarryChart = ChartCell[]

/** Half of the stretch in which the number lies 8 times in 10, metres: the "±" beside it. */
export function plusMinusM({ certainty80M }: Pick<ChartCell, 'certainty80M'>): number | null {
  return certainty80M && (certainty80M[1] - certainty80M[0]) / 2
}

/**
 * How one clean ball scatters along the line, metres: its window without the doubt about the number. Null where no ball
 * tells it.
 * @example ballSdM({ kind: 'measured', certainty80M: null, window80M: [70, 80] }) // => 3.90
 */
export function ballSdM({
  kind,
  certainty80M,
  window80M,
}: Pick<ChartCell, 'kind' | 'certainty80M' | 'window80M'>): number | null {
  if (kind !== 'measured' || !window80M) return null
  const half = (span: [number, number] | null) => (span ? (span[1] - span[0]) / 2 / Z_80 : 0)
  return Math.sqrt(Math.max(0, half(window80M) ** 2 - half(certainty80M) ** 2))
}

/**
 * The "±" beside a number after so many more balls of its own, metres: as its scatter has it, other stock shots' balls
 * left aside. Null where nothing tells how it scatters.
 * @param leftM as much of the "±" as such balls never take away
 * @example halfAfter({ certainty80M: [65, 75], window80M: [60, 80] }, 3) // => 3.63
 */
export function halfAfter(
  cell: Pick<ChartCell, 'certainty80M' | 'window80M'>,
  balls: number,
  leftM = 0,
): number | null {
  const half = plusMinusM(cell)
  if (half === null || !cell.window80M) return null
  const window = (cell.window80M[1] - cell.window80M[0]) / 2
  const ball2 = window ** 2 - half ** 2
  const left = Math.min(half, leftM)
  const told2 = half ** 2 - left ** 2
  return ball2 <= 0 ? half : Math.sqrt(left ** 2 + told2 / (1 + (NEXT.cleanOfAll * balls * told2) / ball2))
}

/**
 * How far the chart has come: cells of the grid hit, of the cells in use (struck-out ones and longer clubs are not).
 */
export function chartProgress(chart: CarryChart): { hit: number; inUse: number } {
  const used = chart.filter(cell => cell.kind !== 'struck-out' && !cell.plain)
  return { hit: used.filter(cell => cell.kind === 'measured').length, inUse: used.length }
}
