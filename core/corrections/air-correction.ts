import { cellKey, type StockShot } from '../bag/bag'

/** What the air did to one stock shot's balls of one session. */
export interface AirCorrection extends StockShot {
  sessionId: string
  fromMs: number
  /** Balls' middle as measured and in neutral air, metres; null when the wind was too strong to say. */
  measuredM: number
  neutralM: number | null
  /** Standard deviation that the correction has, common to all its balls, metres. */
  sdM: number
  /** Wind in the face (from behind is negative) and from the right, m/s, as it was read. */
  headMs: number
  rightMs: number
  /** How far the balls' middle pitched above (below is negative) the tee, metres; missing is level. */
  heightM?: number
  /** True when no air was taken: the height alone is taken out. */
  still?: true
}

/** The newest correction of a stock shot that changed its number by more than can be read. */
export function newestCorrection(corrections: readonly AirCorrection[], cell: StockShot): AirCorrection | null {
  const own = corrections.filter(correction => cellKey(correction) === cellKey(cell))
  return own.reduce<AirCorrection | null>(
    (newest, correction) => (newest && newest.fromMs > correction.fromMs ? newest : correction),
    null,
  )
}
