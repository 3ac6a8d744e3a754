import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readGoBalls } from '../../core/files/drill-table'
import { newMemo } from '../../core/memo'
import type { DrillMaker } from '../../core/practice/drill'
import type { DrillBall } from '../../core/practice/drill-spec'
import { drillById } from '../../core/practice/drills'
import { scoreOf } from '../../core/practice/score'
import { curveClassOf, curveDegOf, naturalShape } from '../../core/shot/curve'
import { CURVE_WAYS, curveWay, shapeName } from '../../core/shot/hand'
import { goalCounts } from '../../core/shot/goal'
import { Thresholds } from '../../shared/schemas/player'
import { DrillSpecRecord } from '../../shared/schemas/practice'
import { goalText } from '../../words/goals'
import { asksText, ballText, namesOfGo, scoreLines, taskHead, taskMore, type PracticeNames } from '../../words/practice'

const memo = newMemo()
const names: PracticeNames = { unit: 'yd', shot: () => '58° full', club: () => '58°' }

describe('curves', () => {
  it('by the start line and where it pitched: a push that comes back is a draw, one that stays is straight', () => {
    // Started 4° right and pitched on the line; started 4° right and pitched there.
    expect(curveDegOf({ directionDeg: 4, sideM: 0 }, 120)).toBeCloseTo(-4, 9)
    expect(curveDegOf({ directionDeg: 4, sideM: 120 * Math.tan((4 * Math.PI) / 180) }, 120)).toBeCloseTo(0, 9)
  })

  it('by its own flight where the side was not seen: the axis tilted right curves right, and not at all upright', () => {
    const launch = { ballSpeedMs: 50, launchDeg: 20, spinRpm: 7000 }
    expect(curveDegOf({ ...launch, spinAxisDeg: 8 }, 130)).toBeGreaterThan(1)
    expect(curveDegOf({ ...launch, spinAxisDeg: -8 }, 130)).toBeLessThan(-1)
    expect(curveDegOf({ ...launch, spinAxisDeg: 0 }, 130)).toBeCloseTo(0, 9)
    expect(curveDegOf(launch, 130)).toBeNull()
    expect(curveDegOf({ sideM: 3 }, 130)).toBeNull()
  })

  it('five classes, the same both ways', () => {
    expect([-9, -2, 0.4, 2, 9].map(curveClassOf)).toEqual([-2, -1, 0, 1, 2])
    fc.assert(
      fc.property(fc.double({ min: -30, max: 30, noNaN: true }), deg => {
        expect(curveClassOf(-deg)).toBe(-curveClassOf(deg) + 0)
        expect(CURVE_WAYS).toContain(curveWay(curveClassOf(deg)))
      }),
    )
  })

  it('a draw turns left for a right-hander, right for a left-hander', () => {
    expect(CURVE_WAYS.map(way => shapeName(way, 'right'))).toEqual(['draw', 'straight', 'fade'])
    expect(CURVE_WAYS.map(way => shapeName(way, 'left'))).toEqual(['fade', 'straight', 'draw'])
  })

  it('the natural shape counts what was read and nothing else', () => {
    const read = (deg: number) => ({ carryM: 100, readings: { directionDeg: -deg, sideM: 0 } })
    expect(naturalShape([read(-3), read(-2), read(0), read(5), { carryM: 100 }])).toEqual({
      left: 2,
      straight: 1,
      right: 1,
    })
    expect(naturalShape([{ carryM: 100 }])).toBeNull()
  })
})

describe('shape on demand', () => {
  const maker: DrillMaker = { level: 'good', numbers: [], speedsMs: [], clubIds: [], unit: 'yd', seed: 1 }
  const natural = { left: 14, straight: 8, right: 2 }
  const made = (more: Partial<DrillMaker>) => drillById('shape-on-demand').make({ ...maker, ...more })!

  it('asks both hands for a draw first, and tells which way it turns', () => {
    for (const [hand, way] of [
      ['right', 'left'],
      ['left', 'right'],
    ] as const) {
      const spec = made({ hand })
      const own = namesOfGo(spec, names)
      expect(spec.tasks[0]).toEqual({ curve: way })
      expect([taskHead(spec.tasks[0]!, own), taskMore(spec.tasks[0]!, own)]).toEqual(['Draw', `turns ${way}`])
      expect(asksText(spec, names)).toBe(
        `a draw to the ${way}, a fade to the ${way === 'left' ? 'right' : 'left'} and straight`,
      )
      expect(DrillSpecRecord.parse(spec)).toEqual(spec)
    }
  })

  it('scores five classes by the way asked, and stands beside what ordinary balls do', () => {
    const spec = made({ hand: 'left', natural })
    const curves = [2, 1, 0, -1, 1, -2, -1, -1, 1, -1, 0, 0, 0, 1, 0]
    const balls = curves.map((curve, i): DrillBall => ({ id: String(i), task: Math.floor(i / 5), atMs: i, curve }))
    const score = scoreOf(spec, balls, memo)
    expect([score.good, score.values.length]).toEqual([11, 15])
    const lines = scoreLines(spec, score, names, memo)
    expect(lines).toContain('Draw: 3 of 5.')
    expect(lines).toContain('Fade: 4 of 5.')
    // A left-hander's ball that goes left fades.
    expect(lines).toContain('Ordinary balls: 2 of 24 draw, 14 fade, 8 go straight.')
    expect(ballText(score.judged[0]!, spec, names)).toBe('It went far right, a draw: good.')
    expect(ballText(score.judged[2]!, spec, names)).toBe('It went straight: not good.')
  })
})

describe('launch and spin goals', () => {
  const goal = { launchDeg: [28, 32], spinRpm: [8000, 9500] } as const

  it('ends are inside; what nobody read counts for nothing', () => {
    const counts = goalCounts(goal, [{ launchDeg: 28 }, { launchDeg: 32, spinRpm: 7990 }, { launchDeg: 32.1 }, {}])
    expect(counts).toEqual([
      { reading: 'launchDeg', least: 28, most: 32, balls: 3, met: 2, under: 0, over: 1 },
      { reading: 'spinRpm', least: 8000, most: 9500, balls: 1, met: 0, under: 1, over: 0 },
    ])
    expect(goalCounts({}, [{ launchDeg: 30 }])).toEqual([])
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 60, noNaN: true })), launches => {
        const [count] = goalCounts(
          { launchDeg: [20, 40] },
          launches.map(launchDeg => ({ launchDeg })),
        )
        expect(count!.met + count!.under + count!.over).toBe(launches.length)
      }),
    )
  })

  it('is told in words', () => {
    const told = (balls: object[]) => goalCounts(goal, balls).map(goalText)
    expect(told([{ launchDeg: 30, spinRpm: 8153 }])).toEqual([
      'Launch 28 to 32°: 1 of 1 ball inside.',
      'Spin 8,000 to 9,500 rpm: 1 of 1 ball inside.',
    ])
    expect(told([{ launchDeg: 20 }, { launchDeg: 40 }])).toEqual([
      'Launch 28 to 32°: 0 of 2 balls inside, 1 under, 1 over.',
      'Spin 8,000 to 9,500 rpm: no ball was read.',
    ])
  })

  it('is refused where no ball can do it, or its ends are the wrong way round', () => {
    const at = { clubId: '0196b1de-0000-7000-8000-000000000001', rungId: '0196b1de-0000-7000-8000-000000000002' }
    const refused = (more: object) => Thresholds.safeParse({ goals: [{ ...at, ...more }] }).error?.issues[0]?.message
    expect(refused({ launchDeg: [28, 32] })).toBeUndefined()
    expect(refused({ launchDeg: [32, 28] })).toBe('Launch goal: the first number must not be above the second.')
    expect(refused({ spinRpm: [8000, 90_000] })).toMatch(/^Spin 90000 rpm is not possible/)
  })
})

describe('balls of a go from a file', () => {
  it('are read in order, whatever was asked; what tells nothing is left away', () => {
    const { balls, errors } = readGoBalls('carry_yd,side_yd,spin_rpm,good\n100,-2,8000,\n,,,yes\n,,,\n')
    expect(errors).toEqual([])
    expect(balls).toEqual([{ endM: 91.44, sideM: -1.8288, spinRpm: 8000 }, { good: true }])
  })

  it('that cannot be are named by row and column', () => {
    expect(readGoBalls('carry_m\n72\n9000\n').errors).toEqual([
      expect.objectContaining({ row: 3, column: 'carry_m', value: '9000' }),
    ])
  })
})
