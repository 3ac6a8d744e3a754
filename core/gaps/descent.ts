import { NEUTRAL } from '../flight/air'
import { DELIVERY_LOFT_DEG, straight } from '../flight/deliver'
import { fly } from '../flight/fly'
import { solveSpeed } from '../flight/solve-speed'
import { newMemo, type Memo } from '../memo'

/** A flight is worked out every so many metres: an angle changes by less than a degree between. */
const STEP_M = 2

/**
 * The angle at which a usual strike of this loft comes down when it carries so far in neutral air, degrees below level,
 * to a tenth. Null where no such strike is known: a loft outside 32 to 64°, or a carry beyond its reach.
 * @example descentDeg(56, 91.44) // => 52.5
 */
export function descentDeg(loftDeg: number, carryM: number, memo: Memo = newMemo()): number | null {
  if (loftDeg < DELIVERY_LOFT_DEG[0] || loftDeg > DELIVERY_LOFT_DEG[1]) return null
  const at = Math.max(STEP_M, Math.round(carryM / STEP_M) * STEP_M)
  return memo.recall('descent', `${loftDeg} ${at}`, () => {
    const solved = solveSpeed(loftDeg, at, NEUTRAL)
    const flight = solved.ok ? fly(straight(loftDeg, solved.ballSpeedMs), NEUTRAL) : null
    return flight?.ok ? Math.round(flight.descentDeg * 10) / 10 : null
  })
}
