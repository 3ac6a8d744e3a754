import { describe, expect, it } from 'vitest'
import type { AnyStageShot } from './players'
import type { SchoolId } from '../../core/swing/schools'
import { metresToYards, yardsToMetres } from '../../core/units'
import { bagOf, balls, calibrated, DAY_MS, tenBalls } from './players'

/**
 * Grids that coaches really measured, carry in yards by club and swing length: common practice. Each number is a pile's
 * middle. Where the club's loft was not told the usual one stands; the last player's numbers were metres.
 */
const PLAYERS: {
  name: string
  school: SchoolId
  measured: [club: string, loftDeg: number, swing: string, yd: number][]
}[] = [
  {
    name: 'A',
    school: 'arm',
    measured: [
      ['50°', 50, 'half', 74],
      ['54°', 54, 'half', 56],
      ['58°', 58, 'half', 46],
    ],
  },
  {
    name: 'B',
    school: 'body',
    measured: [
      ['45°', 45, 'waist', 80],
      ['50°', 50, 'waist', 74],
      ['56°', 56, 'waist', 58],
      ['60°', 60, 'waist', 47],
    ],
  },
  {
    name: 'C',
    school: 'clock',
    measured: [
      ['46°', 46, 'full', 137],
      ['50°', 50, 'full', 124],
      ['56°', 56, 'full', 102],
      ['46°', 46, '9:00', 107],
      ['50°', 50, '9:00', 92],
      ['56°', 56, '9:00', 74],
      ['60°', 60, '9:00', 63],
      ['50°', 50, '8:00', 70],
      ['56°', 56, '8:00', 55],
      ['60°', 60, '8:00', 48.75],
    ],
  },
  {
    name: 'D',
    school: 'feel',
    measured: [
      ['58°', 58, '100%', 97],
      ['54°', 54, '100%', 109.7],
      ['50°', 50, '100%', 124],
      ['58°', 58, '90%', 89.7],
      ['54°', 54, '90%', 103.75],
      ['50°', 50, '90%', 111.5],
    ],
  },
  {
    name: 'F',
    school: 'clock',
    measured: [
      ['60°', 60, '7:00', 30],
      ['60°', 60, '8:00', 40],
      ['60°', 60, '9:00', 50],
      ['60°', 60, '10:00', 60],
    ],
  },
  {
    name: 'H',
    school: 'thirds',
    measured: [
      ['sand', 56, 'full', 90],
      ['sand', 56, 'two thirds', 61.6],
      ['sand', 56, 'one third', 31.1],
    ],
  },
  {
    name: 'M',
    school: 'clock',
    measured: [
      ['60°', 60, '9:00', 32.8],
      ['55°', 55, '9:00', 44.3],
    ],
  },
]

/** Every measured cell predicted from the player's others: how far off, and whether inside the stated interval. */
function leaveOneOut() {
  return PLAYERS.flatMap(({ name, school, measured }) => {
    const lofts = Object.fromEntries(measured.map(([club, loftDeg]) => [club, loftDeg]))
    const bag = bagOf(lofts, [...new Set(measured.map(([, , swing]) => swing))], school)
    const pile = ([club, , swing, yd]: (typeof measured)[number]): AnyStageShot => ({
      id: `${club} ${swing}`,
      sessionId: 's',
      clubId: club,
      rungId: swing,
      carryM: yardsToMetres(yd),
      method: 'laser',
      balls: 5,
      hitAtMs: DAY_MS,
      leftOut: null,
      strike: null,
    })
    return measured.map(left => {
      const { chart } = calibrated(bag, measured.filter(other => other !== left).map(pile))
      const cell = chart.find(c => c.clubId === left[0] && c.rungId === left[2])!
      const [low, high] = cell.certainty80M!.map(metresToYards) as [number, number]
      return {
        name: `${name} ${left[0]} ${left[2]}`,
        yd: left[3],
        off: metresToYards(cell.carryM!) - left[3],
        low,
        high,
        inside: left[3] >= low && left[3] <= high,
      }
    })
  })
}

describe('grids that were really measured, each cell predicted from the others', () => {
  const left = leaveOneOut()
  const list = left.map(l => `${l.name}: ${l.yd} in ${l.low.toFixed(0)}–${l.high.toFixed(0)}`).join('; ')

  it('lie inside the 80 % interval as often as they should: 32 cells, so 26 give or take 5', () => {
    expect(left).toHaveLength(32)
    const inside = left.filter(l => l.inside).length
    // Two standard errors of 32 draws at 0.8 are 4.5.
    expect(inside, list).toBeGreaterThanOrEqual(21)
    // Too wide would be useless: the median interval is no wider than a third of the carry.
    const widths = left.map(l => (l.high - l.low) / l.yd).sort((a, b) => a - b)
    expect(widths[widths.length >> 1], list).toBeLessThan(0.34)
  })

  it('are off by 4 yd at the root mean square where a row and a column hold others (player C)', () => {
    const ofC = left.filter(l => l.name.startsWith('C '))
    expect(Math.sqrt(ofC.reduce((sum, l) => sum + l.off ** 2, 0) / ofC.length), list).toBeLessThan(4)
  })
})

/**
 * A half of a lob wedge lasered at 23 yd and paced at 24, written down as 23.5, where a full swing goes 80: under a
 * third of it, where a half is usually near six tenths (common practice, both).
 */
describe('a pile that lies far from the usual share', () => {
  const bag = bagOf({ '58°': 58 }, ['half', 'full'], 'half-full')
  const pile = (swing: string, yd: number, method: 'laser' | 'paces' = 'laser') =>
    balls('58°', swing, [yd], { balls: 9, method })
  const read = (...shots: ReturnType<typeof pile>[]) => {
    const { chart, questions } = calibrated(bag, shots.flat())
    const [half, full] = ['half', 'full'].map(swing => chart.find(cell => cell.rungId === swing)!)
    return { half: half!, full: full!, questions }
  }

  it.each([
    ['alone', [pile('half', 23.5)]],
    ['before the full swing', [pile('half', 23.5), pile('full', 80)]],
    ['after the full swing', [pile('full', 80), pile('half', 23.5)]],
    ['lasered and paced', [pile('full', 80), pile('half', 23), pile('half', 24, 'paces')]],
    ['after ten single balls', [tenBalls('58°', 'full', 80), pile('half', 23.5)]],
  ])('is that player’s number: %s', (_, shots) => {
    const { half, full, questions } = read(...shots)
    expect(metresToYards(half.carryM!)).toBeGreaterThan(22.5)
    expect(metresToYards(half.carryM!)).toBeLessThan(25)
    expect(half.certainty80M![0]).toBeLessThan(yardsToMetres(23.5))
    expect(questions).toEqual([])
    if (full.balls > 0) expect(metresToYards(full.carryM!)).toBeCloseTo(80, -0.5)
  })

  it('is a misread where the cell has balls of its own, or where a half would go twice as far as full', () => {
    for (const absurd of [pile('full', 160), pile('half', 200)]) {
      const { full, questions } = read(tenBalls('58°', 'full', 80), absurd)
      expect(questions.map(one => [one.fault, Math.round(metresToYards(one.carryM))])).toContainEqual([
        'misread',
        absurd[0]!.carryM > yardsToMetres(180) ? 200 : 160,
      ])
      expect(metresToYards(full.carryM!)).toBeCloseTo(80, 0)
    }
  })
})
