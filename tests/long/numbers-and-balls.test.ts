import { describe, expect, it } from 'vitest'
import { judgeOdd } from '../bench/simulation/odd-judge'

describe('thousands of numbers of players drawn from no model', () => {
  const PLAYERS = 250
  it('one or three odd stock shots of twelve: at most 1 number in 200 is beyond its balls, and intervals hold', () => {
    const tallies = ([0, 0.3] as const).flatMap((piles, k) =>
      (['one', 'three'] as const).map(odd => judgeOdd(840_000 + 1000 * k, PLAYERS, odd, { piles })),
    )
    const sum = (of: (tally: (typeof tallies)[number]) => number) => tallies.reduce((all, one) => all + of(one), 0)
    expect(sum(one => one.numbers)).toBeGreaterThan(6000)
    expect(sum(one => one.beyond) / sum(one => one.numbers)).toBeLessThanOrEqual(1 / 200)
    for (const tally of tallies) {
      expect(tally.held / tally.hit).toBeGreaterThan(0.8)
      expect(tally.held / tally.hit).toBeLessThan(0.9)
    }
  })

  it.each([0, 0.3])('every stock shot anywhere, %f of them piles: at most 4 in 100', piles => {
    const tally = judgeOdd(850_000, PLAYERS, 'anywhere', { piles })
    expect(tally.beyond / tally.numbers).toBeLessThanOrEqual(0.04)
    expect(tally.held / tally.hit).toBeGreaterThan(0.8)
    expect(tally.held / tally.hit).toBeLessThan(0.9)
  })
})
