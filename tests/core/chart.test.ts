import tQuantile from '../vendor/t-quantile.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { chartProgress } from '../../core/chart/chart-cell'
import { middleOfThePile } from '../../core/chart/middle-of-the-pile'
import { studentQuantile, Z_80 } from '../../core/stats/normal'
import { pileOf } from '../../core/chart/pile'
import { groupByCell } from '../../core/shot/by-cell'
import { distanceText, metresToYards, yardsToMetres } from '../../core/units'
import { pulledText } from '../../words/pulled'
import { bagOf, balls, calibrated, tenBalls } from './players'

const carries = fc.array(fc.double({ min: 5, max: 300, noNaN: true }), { minLength: 1, maxLength: 40 })

describe('the middle of the pile', () => {
  // Really measured: six nine-o'clock shots with a 60°, of which the coach wrote 63, leaving out the poor strikes
  // (common practice).
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
    fc.assert(
      fc.property(carries, pile => {
        const middle = middleOfThePile(pile)
        expect(middle).toBeGreaterThanOrEqual(Math.min(...pile) - 1e-9)
        expect(middle).toBeLessThanOrEqual(Math.max(...pile) + 1e-9)
        expect(middleOfThePile([...pile].reverse())).toBeCloseTo(middle, 9)
      }),
    )
  })
})

describe("Student's t, of the upper 10 %", () => {
  // The handbook table found in any statistics text gives 1.886, 1.533, 1.383, 1.316 for 2, 4, 9, 25 degrees; the model
  // takes a series (Abramowitz & Stegun, 26.7.5) that is good from 4 degrees on, and never has fewer.
  it.each([
    [4, 1.533],
    [9, 1.383],
    [25, 1.316],
  ])('with %i degrees of freedom is %f, here, in the table and in the library', (degrees, t) => {
    expect(tQuantile(0.9, degrees)).toBeCloseTo(t, 3)
    expect(studentQuantile(Z_80, degrees)).toBeCloseTo(t, 2)
  })
})

describe('the carry chart', () => {
  const bag = bagOf({ '56°': 56, '50°': 50 }, ['9:00', 'full'], 'clock', [['56°', 'full']])
  const chartOf = (shots: ReturnType<typeof balls>, of = bag) => calibrated(of, shots).chart

  it('has clubs from most loft to least, swings from short to long', () => {
    expect(chartOf([]).map(c => `${c.clubId} ${c.rungId} ${c.kind}`)).toEqual([
      '56° 9:00 unhit',
      '56° full struck-out',
      '50° 9:00 unhit',
      '50° full unhit',
    ])
  })

  it('counts what counts, and keeps what is left out beside it', () => {
    const cell = chartOf([
      ...balls('56°', '9:00', [70, 72, 74]),
      ...balls('56°', '9:00', [51], { leftOut: 'heavy' }),
    ])[0]!
    expect(metresToYards(cell.middleM!)).toBeCloseTo(72, 9)
    expect(Math.abs(metresToYards(cell.carryM!) - 72)).toBeLessThan(1)
    expect(cell).toMatchObject({ kind: 'measured', balls: 3, leftOut: 1, lastHitMs: Date.UTC(2026, 4, 4, 0, 2) })
    expect(cell.leftOutCarriesM).toEqual([yardsToMetres(51)])
  })

  it('predicts every cell from the first ball, with room for doubt, and says what it leans on', () => {
    const chart = chartOf(balls('50°', 'full', [100]))
    expect(chart.map(c => c.kind)).toEqual(['predicted', 'struck-out', 'predicted', 'measured'])
    const [wedge, , half, own] = chart
    expect(half!.leansOn!.others[0]).toMatchObject({ clubId: '50°', rungId: 'full' })
    expect(own!.leansOn!.own).toBeGreaterThan(0.5)
    expect(chart[1]!.carryM).toBeNull()
    for (const cell of [wedge!, half!, own!]) {
      expect(cell.certainty80M![0]).toBeLessThan(cell.carryM!)
      expect(cell.window80M![0]).toBeLessThan(cell.certainty80M![0])
    }
  })

  it('has no number where only left-out balls lie', () => {
    expect(chartOf(balls('50°', 'full', [90], { leftOut: 'thin' }))[3]).toMatchObject({
      kind: 'unhit',
      carryM: null,
      leftOut: 1,
    })
  })

  it('takes a pile as one measurement and counts its balls', () => {
    const cell = pileOf({ clubId: '50°', rungId: 'full' }, [
      ...balls('50°', 'full', [100], { balls: 8 }),
      ...balls('50°', 'full', [110, 112]),
    ])
    expect(cell.balls).toBe(10)
    expect(metresToYards(cell.middleM!)).toBeCloseTo(110, 9)
  })

  it('keeps shots of a retired club out of the grid, and still learns from them', () => {
    const retired = { ...bag, clubs: bag.clubs.map(c => ({ ...c, retired: c.id === '50°' })) }
    const chart = chartOf(balls('50°', 'full', [100]), retired)
    expect(chart.map(c => `${c.clubId} ${c.kind}`)).toEqual(['56° predicted', '56° struck-out'])
  })

  it('says how far it has come without struck-out cells and longer clubs', () => {
    expect(chartProgress(chartOf(balls('50°', 'full', [100])))).toEqual({ hit: 1, inUse: 3 })
  })

  it('is the same to the byte for the same balls in any order', () => {
    const shots = [...balls('56°', '9:00', [70, 72, 74, 69, 80]), ...balls('50°', 'full', [101, 104])]
    expect(JSON.stringify(calibrated(bag, [...shots].reverse()))).toBe(JSON.stringify(calibrated(bag, shots)))
    expect(groupByCell(shots).size).toBe(2)
  })
})

describe('a number outside all its balls', () => {
  const bag = bagOf({ '50°': 50, '54°': 54, '58°': 58 }, ['half', 'full'], 'half-full')
  const grid = [
    ...tenBalls('50°', 'full', 110),
    ...tenBalls('54°', 'full', 98),
    ...tenBalls('50°', 'half', 62),
    ...tenBalls('54°', 'half', 55),
    ...tenBalls('58°', 'half', 48),
  ]
  const read = (yd: number[], unit: 'yd' | 'm' = 'yd') => {
    const { chart } = calibrated(bag, [...grid, ...balls('58°', 'full', yd)])
    const cell = chart.find(one => one.clubId === '58°' && one.rungId === 'full')!
    return { number: distanceText(cell.carryM!, unit), text: pulledText(cell, unit) }
  }

  it('says what pulls it there, in the figures that are read', () => {
    const { number, text } = read([79, 79])
    expect(Number(number)).toBeGreaterThan(79)
    expect(text).toMatch(new RegExp(`^2 balls say 79; the other stock shots say \\d+ and pull it to ${number}\\.$`))
    expect(Number(/say (\d+) and/.exec(text)![1])).toBeGreaterThanOrEqual(Number(number))
    const metres = read([79, 79], 'm')
    expect(metres.text).toMatch(/^2 balls say 72; the other stock shots say \d+ and pull it to \d+\.$/)
    expect(read([79]).text).toMatch(/^One ball says 79; the other stock shots say \d+ and pull it to \d+\.$/)
    // Four within a yard are a number by themselves.
    expect(read([79, 79, 79, 79])).toEqual({ number: '79', text: '' })
  })

  it('says nothing where the number lies among its balls, or no ball is there', () => {
    expect(read([84, 87, 86, 88, 85]).text).toBe('')
    expect(read([]).text).toBe('')
  })
})
