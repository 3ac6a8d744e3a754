import { exp } from '../stats/exact'

/**
 * Drag and lift of a spinning ball. The form follows wind-tunnel work on golf balls (Bearman & Harvey, Aeronautical
 * Quarterly 27, 1976; Smits & Smith, Science and Golf II, 1994; both from memory): drag grows with spin and is higher
 * in slow flight, lift rises with spin and flattens. The figures were fitted to published averages of professionals,
 * five-iron to wedge (from memory). Weakest where flight is slowest, under 50 yards.
 */

/**
 * @param spinRatio spin·radius over air speed, 0 to about 1.5
 * @param reynolds 30,000 to 200,000
 */
export function dragCoefficient(spinRatio: number, reynolds: number): number {
  return 0.255 + 0.14 * spinRatio + 0.2 / (1 + exp((reynolds - 5.8e4) / 2.5e4))
}

/** @param spinRatio spin·radius over air speed, 0 to about 1.5 */
export function liftCoefficient(spinRatio: number): number {
  return (0.412 * spinRatio) / (spinRatio + 0.094)
}

/** Spin dies away by this share, times air speed over radius, in air of 1.2 kg/m³. Smits & Smith. [mem] */
export const SPIN_DECAY = 2.0e-5
export const SPIN_DECAY_DENSITY_KG_M3 = 1.2
