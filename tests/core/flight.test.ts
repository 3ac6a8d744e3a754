import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  airOf,
  CALM,
  NEUTRAL,
  NEUTRAL_AIR,
  saturationPressurePa,
  stationPressurePa,
  windFactor,
  windFromParts,
  windParts,
  type Conditions,
} from '../../core/flight/air'
import { BALL_DIAMETER_M, BALL_KG } from '../../core/flight/ball'
import { ballLossFrom, playBallCarryM, RANGE_BALL } from '../../core/flight/ball-type'
import { deliver, ownStrike, straight } from '../../core/flight/deliver'
import { fly, isChecked, type Flown, type Launch } from '../../core/flight/fly'
import {
  correct,
  correctedCarryM,
  correctFlight,
  playsLike,
  todayOf,
  toNeutral,
  toToday,
  usualLoftDeg,
} from '../../core/flight/neutral'
import { runOutErrorM, runOutM, stopFromPairs } from '../../core/flight/run-out'
import { solveSpeed } from '../../core/flight/solve-speed'
import { metresToYards, mphToMps, yardsToMetres } from '../../core/units'

type In = Partial<
  Record<
    | 'tempC'
    | 'pressurePa'
    | 'rh'
    | 'qnhPa'
    | 'heightM'
    | 'refM'
    | 'z0M'
    | 'windMs'
    | 'clock'
    | 'windRefM'
    | 'targetHeightM'
    | 'speedMs'
    | 'launchDeg'
    | 'azimuthDeg'
    | 'spinRpm'
    | 'tiltDeg'
    | 'loftDeg'
    | 'ballSpeedMs'
    | 'carryM'
    | 'landSpeedMs'
    | 'descentDeg'
    | 'landSpinRpm'
    | 'decelMs2',
    number
  >
> & { altM?: number | null; vacuum?: boolean; air?: string }
type Figures = Record<string, number | boolean | string>
/** Of an independent integrator (Dormand and Prince, order 8(5,3), relative tolerance 1e-10) of the same equations. */
interface Case {
  id: string
  kind: string
  in: In
  out: Figures
  tol: Record<string, number>
}
const { cases } = JSON.parse(readFileSync('tests/fixtures/flight-cases.json', 'utf8')) as { cases: Case[] }

function conditionsOf(c: In): Conditions {
  if (c.air === 'neutral') return NEUTRAL
  const pressurePa = c.altM == null ? c.pressurePa! : stationPressurePa(c.altM, c.pressurePa)
  return {
    air: c.vacuum ? { ...NEUTRAL_AIR, densityKgM3: 0 } : airOf(c.tempC!, pressurePa, c.rh!),
    wind: { speedMs: c.windMs!, clock: c.clock!, readAtM: c.windRefM!, roughnessM: c.z0M! },
    targetHeightM: c.targetHeightM!,
  }
}

const RUN: Record<string, (c: In) => Figures> = {
  air: c => {
    const { densityKgM3, viscosityPas } = airOf(c.tempC!, c.pressurePa!, c.rh!)
    return { rhoKgM3: densityKgM3, muPas: viscosityPas, satPa: saturationPressurePa(c.tempC!) }
  },
  stationPressure: c => ({ pressurePa: stationPressurePa(c.altM!, c.qnhPa) }),
  windProfile: c => ({ factor: windFactor(c.heightM!, c.refM!, c.z0M!) }),
  flight: c => {
    const flight = fly(
      {
        speedMs: c.speedMs!,
        launchDeg: c.launchDeg!,
        azimuthDeg: c.azimuthDeg!,
        spinRpm: c.spinRpm!,
        tiltDeg: c.tiltDeg!,
      },
      conditionsOf(c),
    )
    return flight.ok ? { reached: true, ...(({ ok, ...figures }) => figures)(flight) } : { reached: false }
  },
  delivery: c => ({ ...deliver(c.loftDeg!, c.ballSpeedMs!) }),
  solveSpeed: (c): Figures => ({ ...solveSpeed(c.loftDeg!, c.carryM!, conditionsOf(c)) }),
  toNeutral: (c): Figures => {
    const found = toNeutral(c.loftDeg!, c.carryM!, conditionsOf(c))
    if (!found.ok) return { ok: false, reason: found.reason }
    const back = toToday(c.loftDeg!, found.carryM, conditionsOf(c))
    expect(back.ok && Math.abs(back.carryM - c.carryM!)).toBeLessThan(0.046)
    return { neutralM: found.carryM, ballSpeedMs: found.ballSpeedMs }
  },
  runOut: c => ({
    runM: runOutM({ landSpeedMs: c.landSpeedMs!, descentDeg: c.descentDeg!, landSpinRpm: c.landSpinRpm! }, c.decelMs2!),
  }),
}

describe('the flight, by the cases of another integrator', () => {
  it.each(cases)('$id', ({ kind, in: input, out, tol }) => {
    const ours = RUN[kind]!(input)
    for (const [name, expected] of Object.entries(out)) {
      if (typeof expected === 'number')
        expect(
          Math.abs((ours[name] as number) - expected),
          `${name}: ${ours[name]} for ${expected}`,
        ).toBeLessThanOrEqual(tol[name]!)
      else expect(ours[name], name).toBe(expected)
    }
  })
})

const HEADINGS = fc.record({
  speedMs: fc.double({ min: 0, max: 6, noNaN: true }),
  clock: fc.double({ min: 0.01, max: 12, noNaN: true }),
})
const days = fc
  .record({ wind: HEADINGS, tempC: fc.integer({ min: -2, max: 38 }), altitudeM: fc.integer({ min: 0, max: 2200 }) })
  .map(({ wind, tempC, altitudeM }): Conditions => ({
    air: airOf(tempC, stationPressurePa(altitudeM), 0.5),
    wind: { ...CALM, ...wind },
    targetHeightM: 0,
  }))
const lofts = fc.integer({ min: 40, max: 62 })
const into = (speedMs: number, readAtM = 10): Conditions => ({ ...NEUTRAL, wind: { ...CALM, speedMs, readAtM } })
/** Into a wind that is felt on the face, at the height of a player. */
const felt = (mph: number): Conditions => into(mphToMps(mph), 2)
const flown = (launch: Launch, conditions: Conditions = NEUTRAL) => fly(launch, conditions) as Flown
const carried = (found: { ok: boolean; carryM?: number }) => metresToYards(found.carryM!)

describe('air, beside published tables', () => {
  // ISO 2533:1975, standard atmosphere: pressure (Pa) and density (kg/m³) at geopotential height.
  it.each([
    [0, 101_325, 1.225],
    [500, 95_461, 1.16727],
    [1000, 89_874.6, 1.11164],
    [2000, 79_495.2, 1.00649],
    [3000, 70_108.5, 0.90912],
  ])('%i m: %f Pa and %f kg/m³', (altitudeM, pressurePa, densityKgM3) => {
    expect(Math.abs(stationPressurePa(altitudeM) - pressurePa)).toBeLessThan(1)
    expect(airOf(15 - 0.0065 * altitudeM, pressurePa, 0).densityKgM3).toBeCloseTo(densityKgM3, 4)
  })

  // Saturation pressure over water, Pa, as in any handbook of chemistry and physics (from memory).
  it.each([
    [0, 611.3],
    [10, 1228.1],
    [20, 2338.8],
    [30, 4245.5],
    [40, 7381.4],
  ])('%i °C: %f Pa', (tempC, pa) => {
    expect(Math.abs(saturationPressurePa(tempC) / pa - 1)).toBeLessThan(5e-4)
  })

  it('moist air is lighter, warm air is lighter, and wind has parts that make it up again', () => {
    expect(airOf(20, 101_325, 1).densityKgM3).toBeLessThan(airOf(20, 101_325, 0).densityKgM3)
    expect(airOf(30, 101_325, 0.5).densityKgM3).toBeLessThan(airOf(10, 101_325, 0.5).densityKgM3)
    fc.assert(
      fc.property(HEADINGS, ({ speedMs, clock }) => {
        const { headMs, rightMs } = windParts({ speedMs, clock })
        const again = windFromParts(headMs, rightMs, CALM)
        expect(again.speedMs).toBeCloseTo(speedMs, 9)
        if (speedMs > 1e-6) expect(Math.abs(Math.sin(((again.clock - clock) * Math.PI) / 12))).toBeLessThan(1e-9)
      }),
    )
    expect(windFactor(2, 10, 0.03)).toBeCloseTo(0.725, 3)
  })
})

describe('the flight, beside closed forms', () => {
  it('falls at the speed where drag is its weight', () => {
    // Dropped straight down without spin from 3,000 m: v = √(2mg / (ρ·A·CD)), CD at that Reynolds number.
    const fall = flown(
      { speedMs: 0.5, launchDeg: 89, azimuthDeg: 0, spinRpm: 0, tiltDeg: 0 },
      { ...NEUTRAL, targetHeightM: -3000 },
    )
    const re = (NEUTRAL_AIR.densityKgM3 * fall.landSpeedMs * BALL_DIAMETER_M) / NEUTRAL_AIR.viscosityPas
    const drag = 0.255 + 0.2 / (1 + Math.exp((re - 5.8e4) / 2.5e4))
    const terminal = Math.sqrt(
      (2 * BALL_KG * 9.80665) / (((NEUTRAL_AIR.densityKgM3 * Math.PI * BALL_DIAMETER_M ** 2) / 4) * drag),
    )
    expect(Math.abs(fall.landSpeedMs - terminal)).toBeLessThan(0.02)
  })

  it('never lands with more energy than it left with, in calm air', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 60, noNaN: true }),
        fc.double({ min: 15, max: 55, noNaN: true }),
        fc.integer({ min: 0, max: 12_000 }),
        (speedMs, launchDeg, spinRpm) => {
          const { landSpeedMs, apexM, landSpinRpm } = flown({ speedMs, launchDeg, azimuthDeg: 0, spinRpm, tiltDeg: 0 })
          expect(landSpeedMs).toBeLessThan(speedMs)
          expect(9.80665 * apexM).toBeLessThan(speedMs ** 2 / 2)
          expect(landSpinRpm).toBeLessThanOrEqual(spinRpm)
        },
      ),
    )
  })

  it('is the same to the left as to the right', () => {
    const launch = { speedMs: 38, launchDeg: 30, azimuthDeg: 2, spinRpm: 9000, tiltDeg: 6 }
    const [right, left] = [flown(launch), flown({ ...launch, azimuthDeg: -2, tiltDeg: -6 })]
    expect(right.sideM).toBeGreaterThan(3)
    expect(left.sideM).toBeCloseTo(-right.sideM, 9)
    expect(left.carryM).toBeCloseTo(right.carryM, 9)
    expect(flown(launch, { ...NEUTRAL, wind: { ...CALM, speedMs: 4, clock: 3 } }).sideM).toBeLessThan(right.sideM - 3)
  })

  it('refuses what cannot be, by name, and marks what was not checked', () => {
    const launch = { speedMs: 38, launchDeg: 30, azimuthDeg: 0, spinRpm: 9000, tiltDeg: 0 }
    expect(() => fly({ ...launch, spinRpm: -5 }, NEUTRAL)).toThrow('spinRpm -5 is not possible: 0 to 20000 is allowed')
    expect(() => fly({ ...launch, speedMs: Number.NaN }, NEUTRAL)).toThrow(
      'speedMs NaN is not possible: 0.5 to 100 is allowed',
    )
    expect(() => solveSpeed(56, 0, NEUTRAL)).toThrow('carryM 0 is not possible')
    expect([isChecked(launch), isChecked({ ...launch, spinRpm: 500 })]).toEqual([true, false])
  })
})

describe('the strike', () => {
  it('carries strictly further with more speed in any wind up to 6 m/s', () => {
    fc.assert(
      fc.property(lofts, fc.double({ min: 9, max: 55, noNaN: true }), days, (loft, v, day) => {
        expect(flown(straight(loft, v + 0.5), day).carryM).toBeGreaterThan(flown(straight(loft, v), day).carryM)
      }),
    )
  })

  // Published averages and clean strikes seen: common practice.
  it.each([
    [56, 100, 10_110, 10_300],
    [60, 65, 8200, 8300],
    [58, 50, 6690, 6600],
  ])('%i° to %i yd spins %i rpm; seen about %i', (loft, yd, model, seen) => {
    const solved = solveSpeed(loft, yardsToMetres(yd), NEUTRAL)
    const { spinRpm } = deliver(loft, solved.ok ? solved.ballSpeedMs : Number.NaN)
    expect(Math.abs(spinRpm - model)).toBeLessThan(30)
    expect(Math.abs(spinRpm / seen - 1)).toBeLessThan(0.04)
  })

  it("learns a player's own launch and spin from four records on, and pulls them to the usual", () => {
    const usual = deliver(54, 35)
    const records = Array.from({ length: 8 }, () => ({
      speedMs: 35,
      launchDeg: usual.launchDeg + 3,
      spinRpm: usual.spinRpm * 0.9,
    }))
    expect(ownStrike(54, records.slice(0, 3))).toBeNull()
    const own = ownStrike(54, records)!
    expect(own.launchOffDeg).toBeCloseTo(2, 9)
    expect(own.spinShare).toBeCloseTo(0.9 ** (2 / 3), 9)
  })
})

describe('neutral air and back', () => {
  it('comes back to what was measured, 10 to 150 yd, in any wind up to 6 m/s', () => {
    fc.assert(
      fc.property(lofts, fc.integer({ min: 10, max: 150 }), days, (loft, yd, day) => {
        const neutral = toNeutral(loft, yardsToMetres(yd), day)
        if (!neutral.ok) return
        expect(carried(toToday(loft, neutral.carryM, day))).toBeCloseTo(yd, 2)
      }),
    )
  })

  it('plays longer for a longer target, and its parts add up', () => {
    const today = {
      air: airOf(8, stationPressurePa(300), 0.6),
      wind: { ...CALM, speedMs: 4, clock: 1 },
      targetHeightM: 3,
    }
    let before = 0
    for (let yd = 20; yd <= 150; yd += 5) {
      const { carryM, windM, airM, slopeM } = playsLike(yardsToMetres(yd), today)!
      expect(carryM).toBeGreaterThan(before)
      expect(windM + airM + slopeM).toBeCloseTo(carryM - yardsToMetres(yd), 9)
      expect(windM).toBeGreaterThan(0)
      before = carryM
    }
    expect(playsLike(yardsToMetres(100), NEUTRAL)!.carryM).toBeCloseTo(yardsToMetres(100), 3)
    // Never unanswered short of a gale: the longer club is taken; what the longest iron cannot reach is said as such.
    for (const mph of [5, 9, 11, 13, 15])
      for (const yd of [40, 60, 90, 109, 130, 150]) {
        const found = playsLike(yardsToMetres(yd), felt(mph))!
        expect(found.carryM, `${yd} yd into ${mph} mph`).toBeGreaterThan(yardsToMetres(yd))
        // The club that is usual for it, hit so far in neutral air, comes down at the target.
        const there = toToday(usualLoftDeg(found.carryM), found.carryM, felt(mph))
        expect(there).toMatchObject({ ok: true, carryM: expect.closeTo(yardsToMetres(yd), 2) })
      }
    expect(playsLike(yardsToMetres(200), felt(25))).toBeNull()
    expect([40, 60, 80, 150, 200].map(yd => usualLoftDeg(yardsToMetres(yd)))).toEqual([
      58,
      58,
      57,
      46 - (6 * 13) / 23,
      26,
    ])
  })

  it('names the error of a correction: into the wind it is largest, in calm air small, and a storm does not count', () => {
    const day = (speedMs: number, clock: number, judged: 'calm' | 'felt') =>
      todayOf(20, 101_325, 0.5, { ...CALM, speedMs, clock, readAtM: 2 }, judged)
    const [calm, face, behind] = [
      correct(56, yardsToMetres(90), day(0, 12, 'calm'))!,
      correct(56, yardsToMetres(90), day(3, 12, 'felt'))!,
      correct(56, yardsToMetres(90), day(3, 6, 'felt'))!,
    ]
    expect(Math.abs(calm.neutralM - yardsToMetres(90))).toBeLessThan(1e-3)
    expect(face.neutralM).toBeGreaterThan(yardsToMetres(93))
    expect(behind.neutralM).toBeLessThan(yardsToMetres(90))
    expect(face.sdM).toBeGreaterThan(1.5 * behind.sdM)
    expect(behind.sdM).toBeGreaterThan(calm.sdM)
    expect(correct(60, yardsToMetres(90), day(12, 12, 'felt'))).toBeNull()
    // What is known of the strike makes it surer.
    expect(correct(56, yardsToMetres(90), day(3, 12, 'felt'), 'launch')!.sdM).toBeLessThan(face.sdM)
    // A ball is moved with its pile and not blown away from it.
    const ball = correctedCarryM(yardsToMetres(94), yardsToMetres(90), face)
    expect(ball - face.neutralM).toBeLessThanOrEqual(yardsToMetres(4) + 1e-9)
  })

  it('takes a seen flight back by its own launch, side and all', () => {
    const launch = { ...straight(50, 40), azimuthDeg: 1 }
    const wind = { ...NEUTRAL, wind: { ...CALM, speedMs: 4, clock: 2 } }
    const [today, still] = [flown(launch, wind), flown(launch)]
    const back = correctFlight(today, flown(launch, wind), flown(launch))
    expect(back.carryM).toBeCloseTo(still.carryM, 6)
    expect(back.sideM!).toBeCloseTo(still.sideM, 6)
  })
})

describe('rules of thumb that the physics can speak to (common practice), with what it says beside them', () => {
  const plays = (loft: number, yd: number, day: Conditions) => carried(toToday(loft, yardsToMetres(yd), day))

  it('a headwind hurts more than a tailwind helps: twice in a strong wind, less in a breeze', () => {
    const ratio = (ms: number) =>
      (100 - plays(56, 100, into(ms))) /
      (plays(56, 100, { ...NEUTRAL, wind: { ...CALM, speedMs: ms, clock: 6 } }) - 100)
    expect(ratio(2.2)).toBeGreaterThan(1.1)
    expect(ratio(2.2)).toBeLessThan(1.4)
    expect(ratio(8.9)).toBeGreaterThan(1.9)
  })

  it('63 lands at 60 in a light breeze: with a 60° it takes 3.6 m/s at 10 m, which is light; with a 50° 6.3, which is not', () => {
    expect(plays(60, 63, into(3.6))).toBeCloseTo(60, 0)
    expect(plays(50, 63, into(6.3))).toBeCloseTo(60, 0)
  })

  it('a yard up is a yard more at 65 yd: less for a steep descent, more for a flat one', () => {
    const up = (loft: number, yd: number) =>
      carried(toNeutral(loft, yardsToMetres(yd), { ...NEUTRAL, targetHeightM: yardsToMetres(5) })) - yd
    expect(up(60, 65)).toBeGreaterThan(4.7)
    expect(up(60, 65)).toBeLessThan(5.7)
    expect(up(58, 50)).toBeGreaterThan(up(56, 100))
  })

  it('ten degrees are 1 to 2 yd at 100 yd: the air alone makes 0.9; what a cold ball loses is not in it', () => {
    const cold = plays(56, 100, { ...NEUTRAL, air: airOf(10, 101_325, 0.5) })
    expect(100 - cold).toBeGreaterThan(0.6)
    expect(100 - cold).toBeLessThan(1.2)
  })

  it('a hundred metres up is at most 1 %: 0.4 % at 100 yd, next to nothing at 40', () => {
    const high = (loft: number, yd: number) =>
      (plays(loft, yd, { ...NEUTRAL, air: airOf(20, stationPressurePa(1000), 0.5) }) / yd - 1) / 10
    expect(high(56, 100)).toBeCloseTo(0.004, 3)
    expect(high(58, 40)).toBeLessThan(0.0015)
  })
})

describe('run-out and range balls', () => {
  // Carry and total of half swings, yards, really measured on a range (common practice): 74 ran 2.3, 56 ran 0.7, 46 ran
  // 1.3 on average.
  it.each([
    [50, 74, 2.3],
    [54, 56, 0.7],
    [58, 46, 1.3],
  ])('%i° of %i yd runs about what was seen, %f yd', (loft, yd, seen) => {
    const solved = solveSpeed(loft, yardsToMetres(yd), NEUTRAL)
    const run = runOutM(flown(straight(loft, solved.ok ? solved.ballSpeedMs : Number.NaN)), 13)
    expect(Math.abs(metresToYards(run) - seen)).toBeLessThan(1)
    expect(runOutErrorM(run)).toBeGreaterThanOrEqual(yardsToMetres(0.7))
  })

  it('learns how hard a ground stops from five pairs on', () => {
    const landing = flown(straight(46, 40))
    const pairs = Array.from({ length: 5 }, () => ({ landing, runM: runOutM(landing, 8) }))
    expect(stopFromPairs(pairs)).toBeCloseTo(8, 9)
    expect(stopFromPairs(pairs.slice(1))).toBeNull()
    expect(stopFromPairs(pairs.map(pair => ({ ...pair, runM: -1 })))).toBe(25)
  })

  it("a range ball is 5 % shorter at 100 yd until this player's pairs say otherwise", () => {
    expect(playBallCarryM(yardsToMetres(100)) / yardsToMetres(100)).toBeCloseTo(Math.exp(0.05), 9)
    expect(ballLossFrom([])).toEqual(RANGE_BALL)
    const learnt = ballLossFrom(
      Array.from({ length: 6 }, () => ({ playM: yardsToMetres(100), rangeM: yardsToMetres(99), lnSd: 0.02 })),
    )
    expect(learnt.loss).toBeLessThan(0.025)
    expect(learnt.sd).toBeLessThan(0.5 * RANGE_BALL.sd)
  })
})
