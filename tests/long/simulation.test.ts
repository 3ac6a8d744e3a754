import { describe, expect, it } from 'vitest'
import { callMove, watchChart } from '../bench/simulation/statements'

/** More of what `tests/core/simulation.test.ts` draws, on seeds of its own. */
describe('simulated players, many of them', () => {
  it('looked at after every ball, hardly any of 60 charts says anything false; and a true move is found', () => {
    const watched = Array.from({ length: 60 }, (_, i) => watchChart(71_000 + i, 40))
    expect(watched.filter(w => w.falseKinds.size > 0).length).toBeLessThanOrEqual(9)
    const called = Array.from({ length: 24 }, (_, i) => callMove(81_000 + i, 'expert')).filter(balls => balls !== null)
    expect(called.length).toBeGreaterThanOrEqual(10)
  })
})
