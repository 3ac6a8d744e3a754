import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** Draws from one seed: the same seed, the same players. */
export function makeDice(seed: number) {
  // Neighbouring seeds begin alike: spread them, and let the first draws go.
  const rng = xoroshiro128plus(Math.imul(seed + 1, 0x9e3779b1))
  const uniform = () => uniformFloat64(rng)
  for (let i = 0; i < 16; i++) uniform()
  // Box and Muller, 1958.
  const normal = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform())
  return {
    uniform,
    normal,
    /** Student's t with five degrees of freedom, scaled to a variance of 1: now and then a surprise. */
    heavy: () => {
      const chi = Array.from({ length: 5 }, normal).reduce((sum, z) => sum + z * z, 0)
      return (normal() / Math.sqrt(chi / 5)) * Math.sqrt(3 / 5)
    },
    between: (low: number, high: number) => low + (high - low) * uniform(),
    pick: <T>(list: readonly T[]): T => list[Math.floor(uniform() * list.length)]!,
    shuffle: <T>(list: readonly T[]): T[] => {
      const out = [...list]
      for (let i = out.length - 1; i > 0; i--) {
        const j = Math.floor(uniform() * (i + 1))
        ;[out[i], out[j]] = [out[j]!, out[i]!]
      }
      return out
    },
  }
}

export type Dice = ReturnType<typeof makeDice>
