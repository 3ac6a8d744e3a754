import { FIGURES } from './en/figures'
import { listed, write } from './message'

/**
 * A list of names of which only so many are said, and the others counted.
 * @example listedUpTo(['a', 'b', 'c', 'd'], 2) // => 'a, b and 2 more'
 */
export function listedUpTo(names: readonly string[], most: number): string {
  const left = names.length - most
  return left > 0 ? write(FIGURES.andMore, { named: names.slice(0, most).join(', '), n: left }) : listed(names)
}
