import { describe, expect, it } from 'vitest'
import { loftSteps } from '../../core/bag/loft-steps'
import { nearestBelieved, oddsBelievedWrong } from '../../core/history/coach-remarks'
import { bagOf } from './players'

const stepsOf = (...lofts: number[]) =>
  loftSteps(bagOf(Object.fromEntries(lofts.map(loft => [`${loft}°`, loft])), ['full'])).map(
    ({ from, to, degrees, is }) => [from.label, to.label, degrees, is],
  )

describe('the steps of loft between the clubs of a bag', () => {
  it('are between neighbours in use, from the most lofted on, whatever order they were written in', () => {
    expect(stepsOf(46, 56, 52, 60)).toEqual([
      ['60°', '56°', 4, 'even'],
      ['56°', '52°', 4, 'even'],
      ['52°', '46°', 6, 'wide'],
    ])
    const bag = bagOf({ '60°': 60, '54°': 54, '48°': 48 }, ['full'])
    bag.clubs[1]!.retired = true
    expect(loftSteps(bag).map(({ degrees }) => degrees)).toEqual([12])
  })

  it('are uneven from two degrees off their middle on, either way, and never by the last bit of a tenth', () => {
    expect(stepsOf(60, 55, 50, 47).map(([, , , is]) => is)).toEqual(['even', 'even', 'narrow'])
    expect(stepsOf(60, 56, 51, 46, 41.5).map(([, , , is]) => is)).toEqual(['even', 'even', 'even', 'even'])
    expect(stepsOf(50.3, 45.3, 40.3, 37.3).map(([, , , is]) => is)).toEqual(['even', 'even', 'narrow'])
    expect(stepsOf(56, 50).map(([, , , is]) => is)).toEqual(['even'])
    expect(stepsOf(56)).toEqual([])
  })
})

describe('a belief that is a span', () => {
  const cell = (carryM: number, sureM: number, balls = 9) => ({
    carryM,
    balls,
    certainty80M: [carryM - sureM, carryM + sureM] as [number, number],
  })

  it('is right anywhere inside, and wrong by how far its nearer end is off', () => {
    expect([160, 170, 180].map(m => nearestBelieved({ carryM: 169, carryToM: 175 }, m))).toEqual([169, 170, 175])
    expect(nearestBelieved({ carryM: 100, carryToM: null }, 96)).toBe(100)
  })

  it('is wrong by the balls where they put the number outside it, and not where a single number would be', () => {
    const within = 2.7
    const span = { carryM: 169, carryToM: 176 }
    expect(oddsBelievedWrong(cell(175, 0.5), span, within)!).toBeLessThan(0.01)
    expect(oddsBelievedWrong(cell(175, 0.5), { carryM: 169 }, within)!).toBeGreaterThan(0.99)
    expect(oddsBelievedWrong(cell(178, 0.5), span, within)!).toBeGreaterThan(0.99)
    // Right at its end it is even odds.
    expect(oddsBelievedWrong(cell(176, 0.5), span, within)).toBeCloseTo(0.5, 6)
    // A span narrower than is wanted of a number is judged like its middle.
    expect(oddsBelievedWrong(cell(103, 1), { carryM: 100, carryToM: 101 }, within)).toBe(
      oddsBelievedWrong(cell(103, 1), { carryM: 100.5 }, within),
    )
    expect(oddsBelievedWrong(cell(103, 1, 0), span, within)).toBeNull()
  })
})
