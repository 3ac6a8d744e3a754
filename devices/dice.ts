import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { v7 } from 'uuid'

/** Draws from one seed: the same seed, the same scenario, weather or player. */
export function makeDice(seed: number) {
  const rng = xoroshiro128plus(seed)
  const uniform = () => uniformFloat64(rng)
  return {
    uniform,
    /** Box and Muller, 1958. */
    normal: () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()),
    between: (low: number, high: number) => low + (high - low) * uniform(),
    pick: <T>(list: readonly T[]): T => list[Math.floor(uniform() * list.length)]!,
    id: (ms: number) => v7({ msecs: ms, random: Uint8Array.from({ length: 16 }, () => Math.floor(uniform() * 256)) }),
  }
}

export type Dice = ReturnType<typeof makeDice>
