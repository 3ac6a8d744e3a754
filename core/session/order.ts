import { cellKey, clubsInUse, isStruckOut, rungsInUse, type Bag, type StockShot } from '../bag/bag'
import { yardsToMetres } from '../units'

/** Orders of work. `teach` goes by what takes most doubt off the chart; the others go through the grid. */
export const ORDERS = ['teach', 'club', 'length', 'full-first', 'free'] as const
export type Order = (typeof ORDERS)[number]

/** Inside this it is touch, not a stock shot (common practice): filling down from the full swings ends here. */
export const TOUCH_M = yardsToMetres(50)

/** Where an order begins. */
export interface OrderStart {
  /** Full first: with the club that goes furthest, or with the most lofted one. */
  begin?: 'long' | 'short'
  /** One length: with this one, the others after it. */
  rungId?: string | null
}

export interface OrderOptions extends OrderStart {
  /** Balls at one stock shot before the next. */
  atOnce: number
  /** Closed by the coach's word: it is not proposed any more. */
  closed?: (cell: StockShot) => boolean
  /** Balls left in the bucket; null without a limit. */
  left: number | null
  /** What is known of a stock shot: its carry, metres, or null. */
  carryOf: (cell: StockShot) => number | null
  /** Whether a stock shot is known well enough. */
  enough: (cell: StockShot) => boolean
}

/** The grid in the order of work; clubs from most loft to least, swings as the order has it. */
export function walk(
  order: Exclude<Order, 'teach' | 'free'>,
  bag: Bag,
  carryOf: OrderOptions['carryOf'],
  { begin = 'short', rungId = null }: OrderStart = {},
): StockShot[] {
  const clubs = begin === 'long' ? clubsInUse(bag).reverse() : clubsInUse(bag)
  const rungs = rungsInUse(bag)
  const from = Math.max(
    0,
    rungs.findIndex(rung => rung.id === rungId),
  )
  const lengths = order === 'length' ? [...rungs.slice(from), ...rungs.slice(0, from)] : [...rungs].reverse()
  const cells =
    order === 'club'
      ? clubs.flatMap(club => rungs.map(rung => ({ clubId: club.id, rungId: rung.id })))
      : lengths.flatMap(rung => clubs.map(club => ({ clubId: club.id, rungId: rung.id })))
  return cells.filter(cell => {
    if (isStruckOut(bag, cell)) return false
    const carryM = carryOf(cell)
    return order !== 'full-first' || carryM === null || carryM >= TOUCH_M
  })
}

/**
 * The stock shot to hit next in an order that goes through the grid, and how many balls; null when all are done. An
 * order that is through comes round again, for what is not known well enough. A bucket that is too small for all goes
 * to those that are not known well enough, and to as many of them as it can.
 * @param hit balls of each stock shot in this session, by its key
 */
export function nextInOrder(
  order: Exclude<Order, 'teach' | 'free'>,
  bag: Bag,
  hit: ReadonlyMap<string, number>,
  { atOnce, left, carryOf, enough, closed = () => false, ...start }: OrderOptions,
): (StockShot & { balls: number }) | null {
  const open = walk(order, bag, carryOf, start).filter(cell => !closed(cell))
  const hitOf = (cell: StockShot) => hit.get(cellKey(cell)) ?? 0
  const roundsOf = (list: readonly StockShot[]) => Math.min(...list.map(cell => Math.floor(hitOf(cell) / atOnce)))
  const cells = roundsOf(open) > 0 ? open.filter(cell => !enough(cell)) : open
  const rounds = roundsOf(cells)
  const of = (cell: StockShot) => hitOf(cell) - rounds * atOnce
  const begun = cells.find(cell => of(cell) > 0 && of(cell) < atOnce)
  const fresh = cells.filter(cell => of(cell) === 0)
  const short = left !== null && left < fresh.length * atOnce
  const wanted = short ? fresh.filter(cell => !enough(cell)) : fresh
  const each = !short || wanted.length === 0 ? atOnce : Math.max(1, Math.min(atOnce, Math.floor(left / wanted.length)))
  if (begun && of(begun) < each) return { ...begun, balls: each - of(begun) }
  const next = wanted[0]
  return next && (left === null || left > 0) ? { ...next, balls: each } : null
}
