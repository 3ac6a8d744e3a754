import { describe, expect, it } from 'vitest'
import { judgePlayers, rmse, share } from '../bench/simulation/errors'
import { race } from '../bench/simulation/rounds'
import { median } from '../bench/simulation/usual'
import { callMove, watchChart } from '../bench/simulation/statements'

/** A small fixed part of what `npm run simulate` draws, with bounds so wide that only a broken model falls outside. */
describe('simulated players', () => {
  it('at three balls a hit cell: a quarter less error than the trimmed mean, less again where nobody hit, and intervals that hold', () => {
    const tally = judgePlayers(5_000, 60, 3, { levelSaid: true })
    expect(rmse(tally, 'hit: model')).toBeLessThan(0.75 * rmse(tally, 'hit: trimmed'))
    expect(rmse(tally, 'between: model')).toBeLessThan(0.9 * rmse(tally, 'between: usual'))
    expect(rmse(tally, 'line: model')).toBeLessThan(0.7 * rmse(tally, 'line: usual'))
    for (const state of ['hit', 'unhit']) {
      expect(share(tally, `${state}: 80`), `${state}, 80 %`).toBeGreaterThan(73)
      expect(share(tally, `${state}: 80`), `${state}, 80 %`).toBeLessThan(88)
      expect(share(tally, `${state}: 95`), `${state}, 95 %`).toBeGreaterThan(90)
    }
    expect(Math.abs(share(tally, 'window') - 80)).toBeLessThan(8)
  })

  it('the chart of a good player is there in at most half of the usual balls', () => {
    const races = [6_000, 6_001, 6_002, 6_003, 6_004].map(seed => race(seed, 'good', 160))
    expect(median(races.map(r => r.round))).toBeLessThanOrEqual(0.5 * median(races.map(r => r.usual)))
  })

  it('looked at after every ball, hardly any of 10 charts says anything false; and a true move is found', () => {
    const watched = Array.from({ length: 10 }, (_, i) => watchChart(7_000 + i, 40))
    expect(watched.filter(w => w.falseKinds.size > 0).length).toBeLessThanOrEqual(2)
    const called = Array.from({ length: 8 }, (_, i) => callMove(8_000 + i, 'expert')).filter(balls => balls !== null)
    expect(called.length).toBeGreaterThanOrEqual(3)
  })
})
