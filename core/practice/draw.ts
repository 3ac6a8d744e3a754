/**
 * Numbers from 0 to below 1 that follow from a seed and two counts: the same on every device. A mixer of 32 bits
 * (murmur's finaliser, from memory).
 * @example drawn(1, 0, 0) === drawn(1, 0, 0) // => true
 */
export function drawn(seed: number, round: number, turn: number): number {
  let h = (seed | 0) ^ Math.imul(round + 1, 0x9e3779b1) ^ Math.imul(turn + 1, 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296
}

/** Places 0 to count − 1 in an order drawn for a round, which does not begin with the place before it. */
export function mixedRound(seed: number, round: number, count: number, before: number | null): number[] {
  const places = Array.from({ length: count }, (_, i) => i)
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(drawn(seed, round, i) * (i + 1))
    ;[places[i], places[j]] = [places[j]!, places[i]!]
  }
  if (places[0] === before && count > 1) {
    const other = 1 + Math.floor(drawn(seed, round, count) * (count - 1))
    ;[places[0], places[other]] = [places[other]!, places[0]]
  }
  return places
}

/**
 * Places in mixed order, round by round: every one once a round, none twice running where there are two or more.
 * @example mixedPlaces(7, 3, 2).length // => 6
 */
export function mixedPlaces(seed: number, count: number, rounds: number, before: number | null = null): number[] {
  const places: number[] = []
  for (let round = 0; round < rounds; round++) places.push(...mixedRound(seed, round, count, places.at(-1) ?? before))
  return places
}
