import type { AsideReason, SetAside } from '../core/chart/set-aside'

const WHY: Record<AsideReason, string> = {
  'too-windy': 'the wind was too strong to take out',
  'no-flight-there': 'no ball of this club comes down there at that height: look at height and distance',
  'no-stock-carry': 'no stock shot carries so little or so much',
}

/** Why one ball is set aside. */
export function asideWords(why: AsideReason): string {
  return WHY[why]
}

/** All of them in a sentence or two; empty without any. */
export function setAsideWords(all: readonly SetAside[]): string {
  if (all.length === 0) return ''
  const counts = new Map<AsideReason, number>()
  for (const { why } of all) counts.set(why, (counts.get(why) ?? 0) + 1)
  const reasons = [...counts].map(([why, n]) => counts.size === 1 ? WHY[why] : `for ${n}, ${WHY[why]}`)
  return `${all.length} ${all.length === 1 ? 'ball is' : 'balls are'} on record but not in the numbers: ${reasons.join('; ')}.`
}
