import { groupBy } from '../group-by'
import { yardsToMetres } from '../units'

/**
 * How far a stock shot may be stretched beyond its number and held back from it: by a share of it, by so much at least,
 * and, where the same club has another length, up to half the way to its number. Full is a ceiling: who swings full has
 * no more to give than this. What is more is another shot, or gripped down for. Common practice; the shares are our
 * choice.
 */
const REACH = {
  share: 0.07,
  leastM: yardsToMetres(3),
  toNeighbour: 0.5,
  pastFullM: yardsToMetres(2),
} as const

/** What is asked of a stock shot here. Metres. */
export interface ReachOf {
  clubId: string
  carryM: number
  /** A full swing, or the longest of the scale. */
  isFull: boolean
}

/** How far a shot may be stretched and held back. Metres, not negative. */
export interface Reach {
  mostPlusM: number
  mostMinusM: number
  /** By so much more, or less, its balls scatter a tenth more; beyond it in proportion. Our choice. */
  tenthPlusM: number
  tenthMinusM: number
}

/** Half the way from a number to the next of its club on that side; 0 where there is none. */
const halfWayTo = (fromM: number, others: readonly number[]): number =>
  others.length === 0 ? 0 : REACH.toNeighbour * Math.min(...others.map(other => Math.abs(other - fromM)))

/**
 * How far each stock shot may be stretched and held back, in the order of the shots. Metres of neutral carry.
 * @param shots all stock shots that the player has
 * @example reaches([{ clubId: 'a', carryM: 100, isFull: true }])[0].mostPlusM // => 1.8288
 */
export function reaches(shots: readonly ReachOf[]): Reach[] {
  const byClub = groupBy([...shots], shot => shot.clubId)
  return shots.map(({ clubId, carryM, isFull }) => {
    const own = byClub.get(clubId)!.map(shot => shot.carryM)
    const free = Math.max(REACH.leastM, REACH.share * carryM)
    const longer = own.filter(other => other > carryM)
    const shorter = own.filter(other => other < carryM)
    return {
      mostPlusM: isFull ? REACH.pastFullM : Math.max(free, halfWayTo(carryM, longer)),
      mostMinusM: Math.max(free, halfWayTo(carryM, shorter)),
      tenthPlusM: isFull ? REACH.pastFullM : free,
      tenthMinusM: free,
    }
  })
}
