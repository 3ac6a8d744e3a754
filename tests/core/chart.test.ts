import tQuantile from '@stdlib/stats-base-dists-t-quantile'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { carryChart } from '../../core/chart/carry-chart'
import { carryNumbers, chartProgress, groupByCell } from '../../core/chart/carry-numbers'
import { middleOfThePile } from '../../core/chart/middle-of-the-pile'
import { nextBallWindow } from '../../core/chart/next-ball-window'
import { metresToYards, yardsToMetres } from '../../core/units'
import { bagOf, balls } from './players'

const carries = fc.array(fc.double({ min: 5, max: 300, noNaN: true }), { minLength: 1, maxLength: 40 })

describe('the middle of the pile', () => {
  // Really measured: six nine-o'clock shots with a 60°, of which the coach wrote 63, leaving out the poor strikes (common practice).
  it('of 65, 61, 50, 55, 63, 60 is 59.75: without the longest and the shortest', () => {
    expect(middleOfThePile([65, 61, 50, 55, 63, 60])).toBe(59.75)
    expect(middleOfThePile([65, 61, 63, 60])).toBe(62)
  })

  it('is the median below five balls', () => {
    expect(middleOfThePile([72])).toBe(72)
    expect(middleOfThePile([77, 72])).toBe(74.5)
    expect(middleOfThePile([58, 54, 55])).toBe(55)
    expect(middleOfThePile([10, 70, 71, 72])).toBe(70.5)
  })

  it('is not fooled by one duff among five', () => {
    expect(middleOfThePile([72, 73, 71, 72, 20])).toBeCloseTo(71.667, 3)
  })

  it('of no balls is refused, not nought', () => {
    expect(() => middleOfThePile([])).toThrow(RangeError)
  })

  it('lies within the pile, whatever the order of the balls', () => {
    fc.assert(fc.property(carries, (pile) => {
      const middle = middleOfThePile(pile)
      expect(middle).toBeGreaterThanOrEqual(Math.min(...pile) - 1e-9)
      expect(middle).toBeLessThanOrEqual(Math.max(...pile) + 1e-9)
      expect(middleOfThePile([...pile].reverse())).toBeCloseTo(middle, 9)
    }))
  })
})

describe('where the next ball lies, 8 in 10', () => {
  // Student's t, upper 10 %: the handbook table found in any statistics text gives 1.886, 1.533, 1.383, 1.316 for 2, 4, 9, 25 degrees.
  it.each([[2, 1.886], [4, 1.533], [9, 1.383], [25, 1.316]])('takes t with %i degrees of freedom for %f', (degrees, t) => {
    expect(tQuantile(0.9, degrees)).toBeCloseTo(t, 3)
  })

  it('is mean and sd by hand: 98, 101, 100, 103, 98 has sd 2.1213, so 100 ± 1.533·2.1213·√1.2 = 96.44 to 103.56', () => {
    const [near, far] = nextBallWindow([98, 101, 100, 103, 98], 100)!
    expect(near).toBeCloseTo(96.44, 2)
    expect(far).toBeCloseTo(103.56, 2)
  })

  it('is unknown below three balls, which is not nought', () => {
    expect(nextBallWindow([72, 74], 73)).toBeNull()
  })

  it('holds eight of ten next balls of a normal player (10,000 piles, seeded)', () => {
    const next = lcg(7)
    let inside = 0
    for (let i = 0; i < 10_000; i++) {
      const pile = Array.from({ length: 6 }, () => 80 + 3 * normal(next))
      const [near, far] = nextBallWindow(pile, pile.reduce((a, b) => a + b, 0) / 6)!
      const ball = 80 + 3 * normal(next)
      if (ball >= near && ball <= far) inside++
    }
    // One standard error is 0.4 of 100.
    expect(inside / 10_000).toBeGreaterThan(0.785)
    expect(inside / 10_000).toBeLessThan(0.815)
  })
})

describe('the carry chart', () => {
  const bag = bagOf({ '56°': 56, '50°': 50 }, ['9:00', 'full'], 'clock', [['56°', 'full']])

  it('has clubs from most loft to least, swings from short to long', () => {
    expect(carryChart(bag, []).map(c => `${c.clubId} ${c.rungId} ${c.kind}`)).toEqual(['56° 9:00 unhit', '56° full struck-out', '50° 9:00 unhit', '50° full unhit'])
  })

  it('counts what counts, and keeps what is left out beside it', () => {
    const shots = [...balls('56°', '9:00', [70, 72, 74]), ...balls('56°', '9:00', [51], { leftOut: 'heavy' })]
    const cell = carryChart(bag, shots)[0]!
    expect(metresToYards(cell.carryM!)).toBeCloseTo(72, 9)
    expect(cell).toMatchObject({ kind: 'measured', balls: 3, leftOut: 1, lastHitMs: Date.UTC(2026, 4, 4, 0, 2) })
    expect(cell.leftOutCarriesM).toEqual([yardsToMetres(51)])
  })

  it('has no number where only left-out balls lie', () => {
    expect(carryChart(bag, balls('50°', 'full', [90], { leftOut: 'thin' }))[3]).toMatchObject({ kind: 'unhit', carryM: null, leftOut: 1 })
  })

  it('takes a pile as one measurement and counts its balls', () => {
    const cell = carryNumbers(bag, [...balls('50°', 'full', [100], { balls: 8 }), ...balls('50°', 'full', [110, 112])])[3]!
    expect(cell.balls).toBe(10)
    expect(metresToYards(cell.carryM!)).toBeCloseTo(110, 9)
  })

  it('keeps shots of a retired club out of the grid', () => {
    const retired = { ...bag, clubs: bag.clubs.map(c => ({ ...c, retired: c.id === '50°' })) }
    expect(carryNumbers(retired, balls('50°', 'full', [100])).map(c => c.clubId)).toEqual(['56°', '56°'])
  })

  it('says how far it has come without the struck-out cells', () => {
    expect(chartProgress(carryNumbers(bag, balls('50°', 'full', [100])))).toEqual({ known: 1, inUse: 3 })
  })

  it('is the same for the same balls in any order', () => {
    const shots = [...balls('56°', '9:00', [70, 72, 74, 69, 80]), ...balls('50°', 'full', [101, 104])]
    expect(carryChart(bag, [...shots].reverse())).toEqual(carryChart(bag, shots))
    expect(groupByCell(shots).size).toBe(2)
  })
})

/** A plain congruential generator: enough for a test, and the same everywhere. */
function lcg(seed: number): () => number {
  let state = seed
  return () => (state = (state * 1_664_525 + 1_013_904_223) % 4_294_967_296) / 4_294_967_296
}

function normal(next: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())
}
