import { describe, expect, it } from 'vitest'
import { setAsideOf, unlessRefused } from '../../core/corrections/set-aside'
import { NEUTRAL } from '../../core/flight/air'
import { straight } from '../../core/flight/deliver'
import { fly } from '../../core/flight/fly'
import { solveSpeed } from '../../core/flight/solve-speed'
import { writeChartFile } from '../../core/files/chart-file'
import { asideReasonText, setAsideText } from '../../words/set-aside'
import { chartFileWords } from '../../words/chart-file'
import { bagOf, balls, calibrated, tenBalls } from './players'

const BAG = bagOf({ '60°': 60, '56°': 56, '50°': 50, '46°': 46, '5 iron': 27 }, ['9:00', 'full'])
const names = ({ clubId, rungId }: { clubId: string; rungId: string }) => ({ club: clubId, swing: rungId })

describe('a ball that cannot be worked out', () => {
  it.each(
    [1, 2, 5, 20, 30, 60, 100].flatMap(carryM =>
      [-60, -30, -10, -1, 1, 5, 10, 14, 30, 60].map(heightM => [carryM, heightM] as const),
    ),
  )('carried %d m to %d m above the tee breaks no chart', (carryM, heightM) => {
    for (const club of ['60°', '56°', '50°', '46°', '5 iron']) {
      const { chart, setAside } = calibrated(BAG, [
        ...tenBalls('56°', 'full', 90),
        ...balls(club, '9:00', [60]).map(shot => ({ ...shot, carryM, heightM })),
      ])
      expect(chart.find(cell => cell.clubId === '56°' && cell.rungId === 'full')!.carryM).toBeGreaterThan(0)
      for (const { why } of setAside) expect(['no-flight-there', 'no-stock-carry']).toContain(why)
    }
  })

  it('is named with its reason, on the screen and in the file; the others count', () => {
    const first = calibrated(BAG, balls('56°', 'full', [1, 2]))
    expect(first.setAside.map(({ why }) => why)).toEqual(['no-stock-carry', 'no-stock-carry'])
    expect(first.chart.every(cell => cell.carryM === null && cell.balls === 0)).toBe(true)
    const one = calibrated(BAG, [...tenBalls('56°', 'full', 90), ...balls('56°', '9:00', [1])])
    expect(setAsideText(one.setAside)).toBe(
      '1 ball is on record but not in the numbers: no stock shot carries so little or so much.',
    )
    expect(writeChartFile(null, one, names, chartFileWords(names, 'yd')).setAside).toEqual([
      { club: '56°', swing: '9:00', carryM: 0.91, why: 'no-stock-carry' },
    ])
    expect(setAsideText([])).toBe('')
    expect(setAsideText([...first.setAside, { ...first.setAside[0]!, why: 'too-windy' }])).toMatch(
      /^3 balls .* numbers: for 2, no stock shot .*; for 1, the wind was too strong/,
    )
    expect(asideReasonText('no-flight-there')).toMatch(/look at height and distance/)
  })

  it('that somebody left out keeps that reason, and is not named', () => {
    const [shot] = balls('56°', 'full', [1], { leftOut: 'topped' })
    expect(calibrated(BAG, [...tenBalls('56°', 'full', 90), shot!]).setAside).toEqual([])
    expect(setAsideOf([{ ...shot!, leftOut: null }], [{ ...shot!, leftOut: 'too-windy' }])).toMatchObject([
      { why: 'too-windy' },
    ])
  })

  it('is caught at its own boundary; an error of the program is not', () => {
    expect(
      unlessRefused(() => fly({ speedMs: -1, launchDeg: 30, azimuthDeg: 0, spinRpm: 5000, tiltDeg: 0 }, NEUTRAL)),
    ).toBeNull()
    expect(() => unlessRefused(() => (undefined as unknown as { a: string }).a)).toThrow(TypeError)
  })
})

describe('the strike that carries to a raised target', () => {
  it.each([
    [30, 7],
    [30, 10],
    [60, 12],
    [100, 18],
    [20, 4],
  ])('is found at %d m, %d m up, where its flight comes down', (carryM, targetHeightM) => {
    const solved = solveSpeed(60, carryM, { ...NEUTRAL, targetHeightM })
    if (!solved.ok) throw new Error(`${solved.reason}`)
    const flight = fly(straight(60, solved.ballSpeedMs), { ...NEUTRAL, targetHeightM })
    expect(flight.ok && flight.carryM).toBeCloseTo(carryM, 3)
  })

  it.each([
    [30, 14],
    [30, 40],
    [1, 10],
    [5, 60],
  ])('is none at %d m, %d m up', (carryM, targetHeightM) => {
    expect(solveSpeed(60, carryM, { ...NEUTRAL, targetHeightM })).toEqual({ ok: false, reason: 'unreachable' })
  })
})
