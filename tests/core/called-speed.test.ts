import { describe, expect, it } from 'vitest'
import type { Bag } from '../../core/bag/bag'
import { bagAfter } from '../../core/bag/bag-step'
import { calibrate } from '../../core/calibration/calibrate'
import { calledBy, calledFor, carryOnCurve, curveOf, rungCurves, type RungPoint } from '../../core/chart/between-rungs'
import type { Shot } from '../../core/shot/shot'
import { calledSpeedMs } from '../../core/swing/called-speed'
import { outOfOrder, rungFractions } from '../../core/swing/scale'
import { mphToMps, yardsToMetres } from '../../core/units'
import { BagChange, BagForm } from '../../shared/schemas/bag'
import { speedCallText, speedMissText } from '../../words/speed-call'

const rungs = (labels: string[], retired = false) =>
  labels.map(label => ({ id: label, label, cue: '', flight: 'normal' as const, retired }))
const bag: Bag = {
  clubs: [
    { id: '46°', label: '46°', name: '', loftDeg: 46, retired: false },
    { id: '56°', label: '56°', name: '', loftDeg: 56, retired: false },
  ],
  scale: { school: 'speed', rungs: rungs(['65 mph', '70 mph', '75 mph']) },
  struckOut: [],
}
/** The coach's table of one player's pitching wedge, common practice: 100 yd at 65 mph, 124 at 75. */
const POWER = Math.log(124 / 100) / Math.log(75 / 65)
const carryAt = (mph: number) => yardsToMetres(100 * (mph / 65) ** POWER)

/** Balls swung at other speeds than were called: each goes as far as its own speed takes it. */
function swung(called: number, mph: number[], withSpeed: boolean, from = 0): Shot[] {
  return mph.map((speed, i) => ({
    id: `${called} ${from + i}`,
    sessionId: 'one',
    clubId: '46°',
    rungId: `${called} mph`,
    carryM: carryAt(speed),
    method: 'monitor',
    balls: 1,
    hitAtMs: 86_400_000 * 20_000 + called * 1000 + i,
    leftOut: null,
    strike: null,
    ...(withSpeed && { readings: { clubSpeedMs: mphToMps(speed) } }),
  }))
}
const calibrated = (shots: Shot[], of: Bag = bag) =>
  calibrate({
    bag: of,
    sessions: [{ id: 'one', startedAtMs: 86_400_000 * 20_000, method: 'monitor', ball: 'own' }],
    shots,
    level: 'good',
    nowMs: 86_400_000 * 20_001,
  })
const TOO_FAST = [73, 72, 74, 73, 71]

describe('club speed as a school', () => {
  it('a name calls a speed or a share of full wherever it stands; a bare figure calls nothing', () => {
    expect(calledBy('70 mph')).toEqual({ scale: 'speed', value: mphToMps(70) })
    expect(calledBy('75%')).toEqual({ scale: 'feel', value: 75 })
    expect(calledBy(' 80 % ')).toEqual({ scale: 'feel', value: 80 })
    for (const name of ['75', 'about 75%', '1000%', '%', 'half']) expect(calledBy(name), name).toBeNull()
  })

  it('a curve is the same from points in any order; two names of one value are one point, and one is no curve', () => {
    const at = (value: number, carryM: number): RungPoint => ({
      rungId: `${value}`,
      value,
      carryM,
      window80M: [carryM - 3, carryM + 3],
    })
    const [slow, middle, fast] = [at(28, 80), at(30, 90), at(32, 100)]
    expect(curveOf('46°', 'speed', [fast, slow, middle])!.points).toEqual([slow, middle, fast])
    expect(curveOf('46°', 'speed', [slow, at(28.001, 81)])).toBeNull()
  })

  it('a name calls a speed in any of three units, and nothing else does', () => {
    expect(calledSpeedMs('69 mph')).toBeCloseTo(30.85, 2)
    expect(calledSpeedMs('111 km/h')).toBeCloseTo(30.83, 2)
    expect(calledSpeedMs('31 m/s')).toBe(31)
    for (const name of ['fast', '69', '690 mph', '3 mph', 'mph', '69 mph slow'])
      expect(calledSpeedMs(name)).toBeUndefined()
  })

  it('the share of full of a call grows with the speed, whatever the unit, and disorder is seen', () => {
    const shares = rungFractions({ school: 'speed', rungs: rungs(['65 mph', '70 mph', '75 mph']) })
    expect(shares.map(({ fraction }) => fraction)).toEqual([
      expect.closeTo((65 / 75) ** 1.5, 9),
      expect.closeTo((70 / 75) ** 1.5, 9),
      1,
    ])
    expect(shares.every(({ known }) => known)).toBe(true)
    const scale = { school: 'speed' as const, rungs: rungs(['70 mph', '105 km/h']) }
    expect(outOfOrder(scale)?.shorter.label).toBe('105 km/h')
  })

  it('balls of a called speed are not one stock shot of where they happened to go: the number is the curve at the call', () => {
    const shots = [...swung(65, [64, 66, 67, 65], true), ...swung(70, TOO_FAST, true), ...swung(75, [74, 76, 75], true)]
    const { chart, speedCalls } = calibrated(shots)
    const cell = (rungId: string) => chart.find(one => one.clubId === '46°' && one.rungId === rungId)!
    for (const mph of [65, 70, 75]) {
      const { carryM, middleM } = cell(`${mph} mph`)
      expect(Math.abs(carryM! - carryAt(mph))).toBeLessThan(yardsToMetres(1))
      expect(Math.abs(middleM! - carryAt(mph))).toBeLessThan(yardsToMetres(1))
    }
    expect(speedCalls.map(({ rungId, balls }) => [rungId, balls])).toEqual([
      ['65 mph', 4],
      ['70 mph', 5],
      ['75 mph', 3],
    ])
    for (const { power } of speedCalls) expect(Math.abs(power - POWER)).toBeLessThan(0.1)
    // Without the speeds nobody can know that they were swung too fast.
    const blind = calibrated(swung(70, TOO_FAST, false))
    const blindM = blind.chart.find(one => one.clubId === '46°' && one.rungId === '70 mph')!.carryM!
    expect(blindM - carryAt(70)).toBeGreaterThan(yardsToMetres(4))
    expect(blind.speedCalls).toEqual([])
  })

  it('other schools are left as they are', () => {
    const clock: Bag = { ...bag, scale: { school: 'clock', rungs: rungs(['65 mph', '70 mph', '75 mph']) } }
    const { chart, speedCalls } = calibrated(swung(70, TOO_FAST, true), clock)
    expect(speedCalls).toEqual([])
    expect(Math.abs(chart.find(one => one.balls > 0)!.middleM! - carryAt(72.6))).toBeLessThan(0.5)
  })

  it('after a ball: how far off the call, and what it cost; 2 mph are about 5 yd, common practice', () => {
    const call = { calledMs: mphToMps(70), power: 1.5 }
    const ball = { carryM: yardsToMetres(117), speedMs: mphToMps(72) }
    expect(speedMissText(ball, call, 'yd')).toBe('2 mph fast, about 5 yd more')
    expect(speedMissText({ carryM: 90, speedMs: mphToMps(67.5) }, call, 'm')).toBe('4 km/h slow, about 5 m less')
    expect(speedMissText({ ...ball, speedMs: mphToMps(70.3) }, call, 'yd')).toBe('at 70 mph')
    const cell = { clubId: 'a', rungId: 'b', balls: 5, ...call }
    expect(speedCallText(cell, yardsToMetres(113), 'yd')).toBe(
      'Each of 5 balls is taken to 70 mph along the curve of this club: one mph is worth 2.4 yd here.',
    )
  })

  it('a bag refuses a call that is no speed by name; from the board such a name becomes the player’s own', () => {
    const id = (n: number) => `0190a6c0-0000-7000-8000-00000000000${n}`
    const change = (label: string, retired: boolean) => ({
      version: 1,
      clubs: [],
      scale: { school: 'speed', rungs: rungs([label], retired).map(rung => ({ ...rung, id: id(1) })) },
      struckOut: [],
    })
    expect(BagForm.safeParse(change('69 mph', false)).success).toBe(true)
    expect(BagForm.safeParse(change('fast', true)).success).toBe(true)
    expect(BagChange.safeParse(change('fast', false)).success).toBe(true)
    expect(BagForm.safeParse(change('fast', false)).error!.issues).toMatchObject([
      {
        path: ['scale', 'rungs', 0, 'label'],
        message: expect.stringMatching(/^"fast" is no club speed: .* 18 to 145 mph/),
      },
    ])
    const renamed = bagAfter(bag, { kind: 'rename-rung', rungId: '70 mph', label: 'smooth' })
    if ('fault' in renamed) throw new Error(renamed.fault)
    expect(renamed.scale.rungs[1]).toMatchObject({ label: 'smooth', school: 'custom' })
  })
})

describe('between the swing lengths', () => {
  const point = (value: number, carryM: number): RungPoint => ({
    rungId: String(value),
    value,
    carryM,
    window80M: [carryM - 5, carryM + 5],
  })
  const curve = { points: [point(30, 60), point(40, 90), point(45, 105)] }

  it('what lies between is read off the curve, there and back; outside nothing is known', () => {
    for (const { value, carryM } of curve.points) {
      expect(carryOnCurve(curve, value)!.carryM).toBeCloseTo(carryM, 9)
      expect(calledFor(curve, carryM)).toBeCloseTo(value, 9)
    }
    for (const value of [31, 35, 39.9, 44]) {
      const { carryM, window80M, perOneM } = carryOnCurve(curve, value)!
      expect(calledFor(curve, carryM)).toBeCloseTo(value, 9)
      expect(window80M[0]).toBeLessThan(carryM)
      const after = carryOnCurve(curve, value + 0.001)!.carryM
      expect((after - carryM) / 0.001).toBeCloseTo(perOneM, 2)
    }
    expect(carryOnCurve(curve, 29)).toBeNull()
    expect(carryOnCurve(curve, 46)).toBeNull()
    expect(calledFor(curve, 106)).toBeNull()
    expect(calledFor({ points: [point(30, 60), point(40, 60)] }, 60)).toBeNull()
    // Two names of one speed are one point: nothing is divided by their difference.
    expect(curveOf('c', 'speed', [point(40, 90), point(30, 60), point(40, 91)])!.points).toHaveLength(2)
    expect(curveOf('c', 'speed', [point(40, 90), point(40, 91)])).toBeNull()
  })

  it('halfway between two speeds, as ratios, the carry and its window are halfway too; by whichever pair it lies', () => {
    const halfway = (a: number, b: number) => Math.sqrt(a * b)
    const low = carryOnCurve(curve, halfway(30, 40))!
    expect(low.carryM).toBeCloseTo(halfway(60, 90), 9)
    expect(low.window80M[0]).toBeCloseTo(halfway(55, 85), 9)
    expect(low.window80M[1]).toBeCloseTo(halfway(65, 95), 9)
    expect(carryOnCurve(curve, halfway(40, 45))!.carryM).toBeCloseTo(halfway(90, 105), 9)
  })

  it('a curve may fall, and two speeds a hundredth apart are one', () => {
    const falling = { points: [point(30, 90), point(40, 60)] }
    expect(calledFor(falling, 60)).toBeCloseTo(40, 9)
    expect(calledFor(falling, 90)).toBeCloseTo(30, 9)
    expect(curveOf('c', 'speed', [point(0, 90), point(0.01, 91)])).toBeNull()
  })

  it('only lengths of a school that calls numbers, at the usual flight and with a number of their own, are points', () => {
    const feel = (school: Bag['scale']['school'], flight: 'normal' | 'low' = 'normal'): Bag => ({
      ...bag,
      scale: { school, rungs: rungs(['50%', '70%']).map((rung, i) => (i === 0 ? { ...rung, flight } : rung)) },
    })
    const chart = calibrated(
      swung(65, [65, 65, 65], false).map(shot => ({ ...shot, rungId: '70%' })),
      feel('feel'),
    ).chart
    expect(rungCurves(feel('feel'), chart)).toHaveLength(2)
    for (const { clubId, points } of rungCurves(feel('feel'), chart)) {
      const own = chart.filter(cell => cell.clubId === clubId).map(cell => cell.carryM)
      expect(points.map(({ carryM }) => carryM).sort()).toEqual(own.sort())
    }
    expect(rungCurves(feel('clock'), chart)).toEqual([])
    expect(rungCurves(feel('feel', 'low'), chart)).toEqual([])
    for (const without of [{ carryM: null }, { window80M: null }]) {
      const lacking = chart.map(cell => (cell.rungId === '70%' ? { ...cell, ...without } : cell))
      expect(rungCurves(feel('feel'), lacking)).toEqual([])
    }
  })

  it('speeds and feels make curves of their club; struck-out stock shots are no points', () => {
    const chart = calibrated([...swung(65, [65, 65], true), ...swung(75, [75, 75], true)]).chart
    const found = rungCurves({ ...bag, struckOut: [{ clubId: '56°', rungId: '70 mph' }] }, chart)
    expect(found.map(({ clubId, scale, points }) => [clubId, scale, points.length])).toEqual([
      ['56°', 'speed', 2],
      ['46°', 'speed', 3],
    ])
    const feel: Bag = { ...bag, scale: { school: 'feel', rungs: rungs(['50%', '70%', 'chip']) } }
    const felt = calibrated(
      swung(65, [65, 65, 65], false).map(shot => ({ ...shot, rungId: '70%' })),
      feel,
    ).chart
    expect(rungCurves(feel, felt).map(({ scale, points }) => [scale, points.map(({ value }) => value)])).toEqual([
      ['feel', [50, 70]],
      ['feel', [50, 70]],
    ])
  })
})
