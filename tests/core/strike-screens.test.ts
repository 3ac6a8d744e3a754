import { describe, expect, it } from 'vitest'
import { NEUTRAL } from '../../core/flight/air'
import { deliver, straight } from '../../core/flight/deliver'
import { fly, type Launch } from '../../core/flight/fly'
import { solveSpeed } from '../../core/flight/solve-speed'
import { strikeLook, usualStrike, type LaunchRecord } from '../../core/shot/strike-screens'
import { yardsToMetres } from '../../core/units'
import { makeDice } from '../bench/simulation/dice'

const speedFor = (loft: number, yd: number) => {
  const solved = solveSpeed(loft, yardsToMetres(yd), NEUTRAL)
  return solved.ok ? solved.ballSpeedMs : Number.NaN
}
const record = (launch: Launch, more: Partial<LaunchRecord> = {}): LaunchRecord => {
  const flight = fly(launch, NEUTRAL)
  return { launch, ...(flight.ok && { carryM: flight.carryM, flownM: flight.carryM }), ...more }
}
const clean = (loft: number, yd: number, change: Partial<Launch> = {}): Launch => ({
  ...straight(loft, speedFor(loft, yd)),
  ...change,
})

/** Good balls of one stock shot, as a good player scatters. */
function good(loft: number, yd: number, balls: number, seed = 5): LaunchRecord[] {
  const dice = makeDice(seed)
  const v = speedFor(loft, yd)
  return Array.from({ length: balls }, () => {
    const speedMs = v * (1 + 0.025 * dice.normal())
    const model = deliver(loft, speedMs)
    const launch = {
      speedMs,
      launchDeg: model.launchDeg + 1.7 * dice.normal(),
      spinRpm: model.spinRpm * (1 + 0.07 * dice.normal()),
      azimuthDeg: 2 * dice.normal(),
      tiltDeg: 3 * dice.normal(),
    }
    return record(launch, { clubSpeedMs: speedMs / (model.smash * (1 + 0.01 * dice.normal())) })
  })
}

describe('strikes seen on ranges (common practice; launch and ball speed filled in by the flight, as they were not told)', () => {
  // A flyer launches a little higher with far less spin, and carries long: speed so that the told carry comes out.
  it.each([
    [50, 112, 122, 6000],
    [50, 112, 122, 6300],
    [56, 60, 67, 3000],
    [58, 60, 67, 3000],
    [56, 80, 89, 4300],
  ])('%i° of %i yd that carried %i with %i rpm is a flyer', (loft, yd, carried, spinRpm) => {
    const base = clean(loft, yd)
    let v = base.speedMs
    let launch = base
    for (let i = 0; i < 30; i++) {
      launch = { ...base, speedMs: v, launchDeg: base.launchDeg + 1, spinRpm }
      const flight = fly(launch, NEUTRAL)
      v *= flight.ok ? (yardsToMetres(carried) / flight.carryM) ** 0.5 : 1
    }
    expect(strikeLook(record(launch), loft, null).look).toBe('flyer')
    expect(strikeLook(record(launch), loft, usualStrike(good(loft, yd, 8))).look).toBe('flyer')
  })

  it.each([
    [56, 100, 10_300],
    [56, 100, 10_500],
    [60, 65, 8300],
    [58, 50, 6600],
  ])('%i° of %i yd with %i rpm is clean', (loft, yd, spinRpm) => {
    const ball = record(clean(loft, yd, { spinRpm }))
    expect(strikeLook(ball, loft, null).look).toBe('good')
    expect(strikeLook(ball, loft, usualStrike(good(loft, yd, 8))).look).toBe('good')
  })

  it("1,549 rpm on a 58° of 48 yd is a misread, with or without the player's own usual", () => {
    // The device flew it with the spin it really had.
    const ball = record(clean(58, 48, { spinRpm: 1549 }), { carryM: yardsToMetres(48) })
    expect(strikeLook(ball, 58, null).look).toBe('misread')
    expect(strikeLook(ball, 58, usualStrike(good(58, 48, 6))).look).toBe('misread')
  })
})

describe('strike screens', () => {
  const usual = usualStrike(good(54, 90, 8))!

  it("know a player's usual from four good balls on", () => {
    expect(usualStrike(good(54, 90, 3))).toBeNull()
    expect(Math.abs(usual.carryM - yardsToMetres(90))).toBeLessThan(3)
    expect(usual.smash).toBeCloseTo(deliver(54, usual.speedMs).smash, 1)
  })

  it('name thin, heavy and misread by what each does to a launch', () => {
    const base = clean(54, 90)
    const look = (change: Partial<Launch>, more: Partial<LaunchRecord> = {}) =>
      strikeLook(record({ ...base, ...change }, more), 54, usual)
    expect(look({ launchDeg: base.launchDeg - 11, spinRpm: base.spinRpm * 0.7 }).look).toBe('thin')
    expect(look({ launchDeg: base.launchDeg - 9 }).look).toBe('thin')
    expect(look({ speedMs: base.speedMs * 0.8, spinRpm: base.spinRpm * 0.75 }).look).toBe('heavy')
    expect(
      look(
        { speedMs: base.speedMs * 0.91, spinRpm: base.spinRpm * 0.9 },
        { clubSpeedMs: base.speedMs / deliver(54, base.speedMs).smash },
      ).look,
    ).toBe('heavy')
    expect(look({ spinRpm: base.spinRpm * 1.8 }).look).toBe('misread')
    expect(look({ speedMs: 90 }).look).toBe('misread')
    expect(look({}, { carryM: yardsToMetres(60) }).look).toBe('misread')
    expect(look({ spinRpm: base.spinRpm * 0.4 })).toMatchObject({ spinShare: expect.closeTo(0.4, 1) as number })
  })

  it("raise a false alarm on fewer than 2 good strikes in 100, without the player's usual fewer than 3", () => {
    const balls = [
      [60, 60],
      [54, 90],
      [48, 115],
    ].flatMap(([loft, yd]) =>
      good(loft!, yd!, 200, loft).map(ball => ({
        ball,
        loft: loft!,
        own: usualStrike(good(loft!, yd!, 6, 99 + loft!)),
      })),
    )
    const alarms = (own: boolean) =>
      balls.filter(({ ball, loft, own: usualOwn }) => strikeLook(ball, loft, own ? usualOwn : null).look !== 'good')
        .length / balls.length
    expect(alarms(true)).toBeLessThan(0.02)
    expect(alarms(false)).toBeLessThan(0.03)
  })
})
