import { median } from '../stats/median'
import { clubsInUse, type Bag, type Club } from './bag'

/** A step of loft from a club to the next longer one. */
export interface LoftStep {
  from: Club
  to: Club
  degrees: number
  /** How it stands among the others; `even` where there is nothing to compare it with. */
  is: 'even' | 'wide' | 'narrow'
}

/**
 * Steps of a bag are bought in 4 to 6 degrees and mended by bending a club a degree or two (common practice): one that
 * is two degrees off their middle is seen on the ladder.
 */
const UNEVEN_DEG = 2
// Lofts are typed to a tenth: 5.0 and 3.0 are two degrees apart whatever their last bits.
const ROUNDING_DEG = 1e-6

/**
 * The steps of loft between neighbours in use, from the most lofted club on, each held against the middle of all.
 * @returns degrees, one fewer than clubs in use; of a bag of two clubs the only step is even
 * @example loftSteps({ clubs: [60, 56, 52, 44].map(loftDeg => ({ loftDeg })) })[2].is // => 'wide'
 */
export function loftSteps({ clubs }: Pick<Bag, 'clubs'>): LoftStep[] {
  const all = clubsInUse({ clubs })
  const steps = all.slice(1).map((to, i) => ({ from: all[i]!, to, degrees: all[i]!.loftDeg - to.loftDeg }))
  const usual = median(steps.map(({ degrees }) => degrees))
  return steps.map(step => {
    const off = step.degrees - usual
    const is = off > UNEVEN_DEG - ROUNDING_DEG ? 'wide' : off < ROUNDING_DEG - UNEVEN_DEG ? 'narrow' : 'even'
    return { ...step, is }
  })
}
