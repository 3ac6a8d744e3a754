import { describe, expect, it } from 'vitest'
import { chartCover, couldLeaveM, coverOf, coverShots, grippedDown, HOLE_M, targetsOf } from '../../core/gaps/cover'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { sidesOfGrid } from '../../core/chart/sides'
import { leastLeaveM, leave, meanLeaveM, type Scatter } from '../../core/gaps/leave'
import { stretches, sumCover, type CoverShot } from '../../core/gaps/stretches'
import { quickNormalDensity } from '../../core/stats/normal'
import { metresToYards, yardsToMetres } from '../../core/units'
import { makeDice } from '../bench/simulation/dice'
import cases from '../fixtures/model-cases.json'
import { bagOf, calibrated, tenBalls } from './players'

const STRIKES = 1_000_000
const SCATTERS: [targetM: number, Scatter][] = [
  [90, { carryM: 90, longSdM: 4.5, sideBiasM: 0, sideSdM: 4, mishitShare: 0.07 }],
  [90, { carryM: 86, longSdM: 4.5, sideBiasM: 0.5, sideSdM: 4, mishitShare: 0.07 }],
  [60, { carryM: 60, longSdM: 2, sideBiasM: 0, sideSdM: 1.5, mishitShare: 0 }],
  [60, { carryM: 64, longSdM: 2, sideBiasM: -1, sideSdM: 1.5, mishitShare: 0.07 }],
  [120, { carryM: 115, longSdM: 5, sideBiasM: 2, sideSdM: 6, mishitShare: 0.1 }],
]

/** Brute force: a million strikes, drawn one by one. */
function strike(targetM: number, { carryM, longSdM, sideBiasM, sideSdM, mishitShare }: Scatter, seed: number) {
  const dice = makeDice(seed)
  const far = new Float64Array(STRIKES)
  let sum = 0
  let squares = 0
  for (let i = 0; i < STRIKES; i++) {
    const mishit = dice.uniform() < mishitShare
    const x = mishit
      ? 0.82 * carryM - targetM + Math.hypot(0.1 * carryM, longSdM) * dice.normal()
      : carryM - targetM + longSdM * dice.normal()
    const r = Math.hypot(x, sideBiasM + sideSdM * dice.normal())
    far[i] = r
    sum += r
    squares += r * r
  }
  far.sort()
  const meanM = sum / STRIKES
  return { meanM, errorM: Math.sqrt((squares / STRIKES - meanM ** 2) / STRIKES), badM: far[0.9 * STRIKES]! }
}

describe('the leave of a shot', () => {
  it.each(SCATTERS)('at %d m agrees with a million strikes, within their own error', (targetM, scatter) => {
    const brute = strike(targetM, scatter, 7_000 + Math.round(targetM + scatter.carryM))
    const { meanM, badM } = leave(targetM, scatter)
    // Three standard errors, and the tenth of a percent that the sum over points may be off.
    expect(Math.abs(meanM - brute.meanM)).toBeLessThan(3 * brute.errorM + 0.001 * brute.meanM)
    expect(Math.abs(badM / brute.badM - 1)).toBeLessThan(0.003)
  })

  it("lies near the prototype's coarser sum: within 2 % on average, 8 % for the worst of the bunch", () => {
    const { output } = cases.cases.find(one => one.kind === 'leave') as unknown as {
      output: (Scatter & { targetM: number; meanLeaveM: number; p90LeaveM: number })[]
    }
    expect(output).toHaveLength(4)
    for (const { targetM, meanLeaveM: coarse, p90LeaveM, ...scatter } of output) {
      const { meanM, badM } = leave(targetM, scatter)
      expect(Math.abs(meanM / coarse - 1)).toBeLessThan(0.02)
      expect(Math.abs(badM / p90LeaveM - 1)).toBeLessThan(0.08)
    }
  })

  it("of a round scatter about the target is that of Rayleigh's distribution: mean σ√(π/2), nine in ten within σ√(2 ln 10)", () => {
    const { meanM, badM } = leave(50, { carryM: 50, longSdM: 3, sideBiasM: 0, sideSdM: 3, mishitShare: 0 })
    expect(Math.abs(meanM / (3 * Math.sqrt(Math.PI / 2)) - 1)).toBeLessThan(0.001)
    expect(Math.abs(badM / (3 * Math.sqrt(2 * Math.log(10))) - 1)).toBeLessThan(0.001)
  })

  it('is never under the figure that shots are passed over by', () => {
    for (const [targetM, s] of SCATTERS) {
      for (const off of [-20, -5, 0, 3, 30])
        expect(
          leastLeaveM(targetM + off, s.carryM, s.longSdM, s.sideBiasM, s.sideSdM, s.mishitShare),
        ).toBeLessThanOrEqual(meanLeaveM(targetM + off, s))
    }
  })
})

const PLAYER = { mishitShare: 0.07, spread: 0.03, sideShare: 0.045, sideBias: 0 }
const shotAt = (yd: number, more: Partial<CoverShot> = {}): CoverShot => {
  const carryM = yardsToMetres(yd)
  return {
    clubId: `c${yd}`,
    rungId: 'full',
    grippedDown: false,
    predicted: false,
    carryM,
    certaintySdM: 0.5,
    scatterSdM: 0.03 * (carryM + 30),
    sideBiasM: 0,
    sideSdM: 0.045 * carryM,
    ...more,
  }
}
const yards = (from: number, to: number) => targetsOf([yardsToMetres(from), yardsToMetres(to)], 'yd')

describe('cover', () => {
  it('goes by every whole yard or metre from the shortest to the longest', () => {
    expect(yards(60.2, 64.9).map(m => Math.round(metresToYards(m)))).toEqual([61, 62, 63, 64])
    expect(targetsOf([50, 52], 'm')).toEqual([50, 51, 52])
    expect(targetsOf([], 'yd')).toEqual([])
    expect(targetsOf([50.3, 50.6], 'm')).toEqual([])
  })

  it('names the shot that leaves least at each yard, as trying them all does', () => {
    const shots = [60, 72, 75, 100].flatMap(yd => [shotAt(yd), grippedDown(shotAt(yd))])
    for (const one of coverOf(shots, PLAYER, yards(60, 100))) {
      const all = shots.map(shot =>
        meanLeaveM(one.atM, {
          ...shot,
          longSdM: Math.hypot(shot.certaintySdM, shot.scatterSdM),
          mishitShare: PLAYER.mishitShare,
        }),
      )
      expect(one.leaveM).toBeCloseTo(Math.min(...all), 9)
      expect(all[one.best]).toBeCloseTo(one.leaveM, 9)
      expect(one.badM).toBeGreaterThan(one.leaveM)
      expect(one.couldM).toBeLessThanOrEqual(one.leaveM + 0.01)
    }
  })

  it('calls a hole where a number of its own would leave two yards less, and surely when no doubt about the numbers closes it', () => {
    const holes = (doubtM: number) =>
      stretches(
        coverOf(
          [60, 66, 90, 96].flatMap(yd => [
            shotAt(yd, { certaintySdM: doubtM }),
            grippedDown(shotAt(yd, { certaintySdM: doubtM })),
          ]),
          PLAYER,
          yards(60, 96),
        ),
        one => one.hole,
      )
    const known = holes(0.3)
    expect(known.map(one => one.kind)).toContain('sure')
    for (const { all } of known) for (const { atM } of all) expect(Math.round(metresToYards(atM))).toBeGreaterThan(68)
    for (const { all } of known) for (const { atM } of all) expect(Math.round(metresToYards(atM))).toBeLessThan(84)
    expect(holes(6).map(one => one.kind)).not.toContain('sure')
    expect(
      coverOf(
        [60, 65, 70, 75].map(yd => shotAt(yd)),
        PLAYER,
        yards(60, 75),
      ).some(one => one.hole),
    ).toBe(false)
    expect(HOLE_M).toBeCloseTo(yardsToMetres(2), 12)
  })

  it('a wider doubt leaves more, but makes no hole: it makes a yardage weak', () => {
    const at = (certaintySdM: number) => coverOf([shotAt(80, { certaintySdM })], PLAYER, [yardsToMetres(80)])[0]!
    expect(at(8).leaveM).toBeGreaterThan(at(0.5).leaveM + 2)
    expect([at(8).hole, at(0.5).hole]).toEqual([null, null])
  })

  it('gripping down an inch carries five yards less and costs scatter (common practice)', () => {
    const down = grippedDown(shotAt(100))
    expect(metresToYards(down.carryM)).toBeCloseTo(95, 9)
    expect(down.scatterSdM).toBeGreaterThan(shotAt(100).scatterSdM)
    expect(down.certaintySdM).toBeGreaterThan(shotAt(100).certaintySdM)
  })

  it('sums up: how many within the line, and the worst', () => {
    const at = coverOf(
      [60, 90].map(yd => shotAt(yd)),
      PLAYER,
      yards(60, 90),
    )
    const sum = sumCover(at, yardsToMetres(7))!
    expect(sum.targets).toBe(31)
    expect(sum.within).toBe(at.filter(one => one.leaveM <= yardsToMetres(7)).length)
    expect(sum.worst.leaveM).toBe(Math.max(...at.map(one => one.leaveM)))
    expect(sumCover([], 5)).toBeNull()
    // A step of thirty yards is a gap; what even a shot for that yard would leave is not.
    expect(sum.scatterAlone).toBe(0)
    const loose = coverOf(
      [130, 142].map(yd => shotAt(yd)),
      PLAYER,
      yards(130, 142),
    )
    const line = couldLeaveM(yardsToMetres(135), PLAYER)
    expect(sumCover(loose, line)).toMatchObject({ targets: 13, within: 2, scatterAlone: 7 })
    expect(couldLeaveM(yardsToMetres(60), PLAYER)).toBeLessThan(couldLeaveM(yardsToMetres(120), PLAYER))
  })

  it('of a chart can count only what was hit, and at metres', () => {
    const bag = bagOf({ '56°': 56, '50°': 50 }, ['half', 'full'], 'arm')
    const { grid, chart, player, cover } = calibrated(bag, [
      ...tenBalls('56°', 'full', 95),
      ...tenBalls('50°', 'half', 70),
    ])
    const sides = sidesOfGrid(player.shots, grid)
    expect(sides).toMatchObject({ sd: 0.05, playerBias: 0, measured: 0 })
    expect(cover.shots.some(shot => shot.predicted)).toBe(true)
    const only = chartCover(chart, grid, sides, { measuredOnly: true })
    expect(
      only.shots.filter(shot => !shot.grippedDown).map(shot => [shot.clubId, shot.rungId, shot.predicted]),
    ).toEqual([
      ['56°', 'full', false],
      ['50°', 'half', false],
    ])
    expect(only.at.length).toBeLessThan(cover.at.length)
    // A number that the coach wrote serves, hit or not; one without a number, or of a longer club, never does.
    const changed = (more: object) => chart.map(cell => (cell.clubId === '50°' ? { ...cell, ...more } : cell))
    const serving = (cells: typeof chart, measuredOnly: boolean) =>
      new Set(coverShots(cells, grid, sides, { measuredOnly }).map(({ clubId, rungId }) => `${clubId} ${rungId}`)).size
    expect(serving(chart, true)).toBe(2)
    expect(serving(changed({ written: true }), true)).toBe(3)
    expect(serving(changed({ carryM: null }), false)).toBe(2)
    expect(serving(changed({ plain: true }), false)).toBe(2)
    const metres = chartCover(chart, grid, sides, { unit: 'm' })
    expect(metres.at.every(one => Number.isInteger(Math.round(one.atM * 1e9) / 1e9))).toBe(true)
  })

  describe('of a player who misses to one side', () => {
    const SWINGS = { '8:00': 0.62, '9:00': 0.76, '10:00': 0.88, 'full': 1 } as const
    const FULL = { '46°': 126, '50°': 114, '54°': 102, '58°': 90 } as const
    const bag = bagOf({ '46°': 46, '50°': 50, '54°': 54, '58°': 58 }, Object.keys(SWINGS))
    /** Ten balls with every stock shot, an even chart; all of them off to the side by this share of the carry. */
    const record = (bias: number) =>
      Object.entries(FULL).flatMap(([club, full]) =>
        Object.entries(SWINGS).flatMap(([swing, share]) =>
          tenBalls(club, swing, full * share).map((shot, i) => {
            const sideM = shot.carryM * (bias + 0.01 * ((i % 5) - 2))
            return { ...shot, sideM }
          }),
        ),
      )
    const holes = (bias: number, aimedStraight: boolean) => {
      const { cover, findings } = calibrated(bag, record(bias), {}, { ...USUAL_OPTIONS, aimedStraight })
      return { at: cover.at, open: cover.at.filter(one => one.hole), flags: findings.map(one => one.flag) }
    }

    it('has no hole for it, however the player aims: what could be left keeps the same miss', () => {
      for (const bias of [-0.04, 0.06])
        for (const aimedStraight of [false, true]) {
          const { open, flags } = holes(bias, aimedStraight)
          expect(open, `${bias}`).toEqual([])
          expect(flags).not.toContain('hole')
          expect(flags).toContain('side-bias')
        }
    })

    it('leaves what a straight one leaves when the aim is moved, and more when it is not', () => {
      const straight = holes(0, false).at
      const moved = holes(-0.04, false).at
      const aimedAt = holes(-0.04, true).at
      straight.forEach((one, i) => {
        expect(moved[i]!.leaveM).toBeCloseTo(one.leaveM, 1)
        expect(aimedAt[i]!.leaveM).toBeGreaterThan(moved[i]!.leaveM)
        expect(aimedAt[i]!.couldM).toBeGreaterThan(moved[i]!.couldM)
      })
    })
  })
})

it('the quick normal density is the density to nine figures', () => {
  for (let x = -7.9; x < 7.9; x += 0.0371)
    expect(Math.abs(quickNormalDensity(x) - Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI))).toBeLessThan(1e-9)
})
