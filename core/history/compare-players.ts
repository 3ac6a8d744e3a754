import { cellKey, clubsInUse, rungsInUse, type Bag } from '../bag/bag'
import { rungName } from '../swing/scale'
import { plusMinusM, type CarryChart, type ChartCell } from '../chart/chart-cell'
import { normalCdf, Z_80 } from '../stats/normal'

/** Clubs of two bags are the same club when their lofts are no further apart, degrees. */
export const SAME_LOFT_DEG = 1
/** All that are called different together: falsely so in at most this share of comparisons. */
const FALSE_ALARMS = 0.05

export interface ChartOfPlayer {
  bag: Bag
  chart: CarryChart
}

/** One stock shot that both have. */
export interface Pair {
  club: string
  otherClub: string
  swing: string
  carryM: number
  plusMinusM: number
  otherM: number
  otherPlusMinusM: number
  /** The balls bear it out that the two carry differently. */
  differs: boolean
}

const known = (cell: ChartCell | undefined): cell is ChartCell & { carryM: number; certainty80M: [number, number] } =>
  !!cell && cell.carryM !== null && cell.certainty80M !== null && cell.kind !== 'struck-out'

/**
 * The stock shots that two players both have: the same swing length by its name, with clubs of about the same loft.
 * *Differs* is said by Bonferroni's rule: the odds of any false one among all pairs are 1 in 20 at most.
 */
export function comparePlayers(one: ChartOfPlayer, other: ChartOfPlayer): Pair[] {
  const cellsOf = ({ chart }: ChartOfPlayer) => new Map(chart.map(cell => [cellKey(cell), cell]))
  const [mine, theirs] = [cellsOf(one), cellsOf(other)]
  const swings = new Map(rungsInUse(other.bag).map(rung => [rungName(rung).toLowerCase(), rung.id]))
  const pairs = clubsInUse(one.bag).flatMap(club => {
    const near = clubsInUse(other.bag)
      .map(theirClub => ({ theirClub, offDeg: Math.abs(theirClub.loftDeg - club.loftDeg) }))
      .sort((a, b) => a.offDeg - b.offDeg)[0]
    if (!near || near.offDeg > SAME_LOFT_DEG) return []
    return rungsInUse(one.bag).flatMap(rung => {
      const rungId = swings.get(rungName(rung).toLowerCase())
      const [a, b] = [
        mine.get(cellKey({ clubId: club.id, rungId: rung.id })),
        rungId === undefined ? undefined : theirs.get(cellKey({ clubId: near.theirClub.id, rungId })),
      ]
      if (!known(a) || !known(b)) return []
      return [
        {
          club: club.label,
          otherClub: near.theirClub.label,
          swing: rungName(rung),
          carryM: a.carryM,
          plusMinusM: plusMinusM(a)!,
          otherM: b.carryM,
          otherPlusMinusM: plusMinusM(b)!,
        },
      ]
    })
  })
  return pairs.map(pair => {
    const sd = Math.hypot(pair.plusMinusM, pair.otherPlusMinusM) / Z_80
    const z = Math.abs(pair.carryM - pair.otherM) / sd
    return { ...pair, differs: sd > 0 && 2 * (1 - normalCdf(z)) <= FALSE_ALARMS / pairs.length }
  })
}
