import type { StockShot } from '../core/bag/bag'
import type { Next, Ready } from '../core/calibration/calibration'
import type { Order } from '../core/session/order'
import { doubtText, doubtWithUnit, limitWithUnit, type DistanceUnit } from '../core/units'
import { BLOCK_ENDS, NEXT, ORDERS } from './en/next'
import { listedUpTo } from './listed-up-to'
import { write } from './message'

/** Named at most; the others are only counted. */
const MOST_NAMED = 2

/** Why this stock shot is the one to hit next. */
export function nextText(
  { others, asked }: Pick<Next, 'others' | 'asked'>,
  nameOf: (cell: StockShot) => string,
): string {
  const taught =
    others.length === 0 ? write(NEXT.most) : write(NEXT.others, { others: listedUpTo(others.map(nameOf), MOST_NAMED) })
  const share = Math.round(100 * (asked ?? 0))
  return share === 0 ? taught : `${taught} ${write(NEXT.mostAsked, { share: String(share) })}`
}

/**
 * What so many balls would gain.
 * @example gainText(5, 3, 3, 'm') // => 'Known to ± 5 m; 3 balls make it about ± 3.'
 */
export function gainText(halfM: number, afterM: number, balls: number, unit: DistanceUnit): string {
  const [now, then] = [doubtText(halfM, unit), doubtText(afterM, unit)]
  const figures = { now: doubtWithUnit(halfM, unit), after: then, n: balls }
  return write(now === then ? NEXT.gainsLittle : NEXT.gains, figures)
}

/** Why a stock shot is proposed before the order of work is. */
export const settleText = (balls: number) => write(NEXT.settle, { n: balls })

/** When a block ends. */
export const blockEndTexts: Record<'count' | 'alike' | 'enough', string> = BLOCK_ENDS

/** What an order of work is called, and why it proposes what it does. */
export const orderTexts: Record<Order, { name: string; why: string }> = ORDERS

/**
 * How ready the chart is, in one line.
 * @param helped it is said beside it which balls of one's own would help
 */
export function readyText(
  { cellsWithin, cellsInUse, goodEnough, ballsToGo, ownBallsToGo, withinM }: Ready,
  unit: DistanceUnit,
  helped = false,
): string {
  const limit = limitWithUnit(withinM, unit)
  const within = write(NEXT.within, { within: String(cellsWithin), all: String(cellsInUse), limit })
  if (goodEnough) return write(NEXT.enough, { within })
  if (ballsToGo === null && ownBallsToGo && helped) return write(NEXT.ownFirst, { within })
  if (ballsToGo === null && ownBallsToGo) return write(NEXT.ownToGo, { within, n: ownBallsToGo })
  return ballsToGo === null ? write(NEXT.manyToGo, { within }) : write(NEXT.ballsToGo, { within, n: ballsToGo })
}
