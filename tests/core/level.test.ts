import { describe, expect, it } from 'vitest'
import { newestCorrection } from '../../core/corrections/air-correction'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { plusMinusM } from '../../core/chart/chart-cell'
import { onLevel } from '../../core/corrections/level'
import { NEUTRAL } from '../../core/flight/air'
import { toLevel } from '../../core/flight/neutral'
import type { AirEntry } from '../../core/flight/session-air'
import type { CarryAir } from '../../core/shot/carry-air'
import type { Session } from '../../core/shot/shot'
import { landingHeightM } from '../../core/shot/landing-height'
import { readShotTable } from '../../core/files/shot-table'
import { yardsToMetres } from '../../core/units'
import { correctionText } from '../../words/air'
import { takenTexts } from '../../words/readings'
import { bagOf, balls, calibrated, DAY_MS, tenBalls } from './players'

const BAG = bagOf({ '60°': 60, '50°': 50, '5 iron': 27 }, ['half', 'full'])
const still: Session = { id: 's', startedAtMs: DAY_MS, method: 'laser', ball: 'own' }
const INTO: AirEntry = {
  fromMs: DAY_MS,
  tempC: 20,
  humidity: 0.5,
  altitudeM: 0,
  qnhPa: null,
  wind: { speedMs: 3, clock: 12, judged: 'meter' },
  ground: 'open',
}
const windText = (ms: number) => `${ms} m/s`
const full = (result: ReturnType<typeof calibrated>) =>
  result.chart.find(cell => cell.clubId === '50°' && cell.rungId === 'full')!
const highBalls = (heightM: number | undefined) =>
  tenBalls('50°', 'full', 100).map(shot => ({ ...shot, ...(heightM !== undefined && { heightM }) }))

describe('a place above or below the tee', () => {
  it('a yard up is a yard of carry at 65 yd, less for a steep descent, more for a flat one (common practice: yard for yard)', () => {
    const gained = (loft: number, yd: number, up: number) =>
      (toLevel(loft, yardsToMetres(yd), yardsToMetres(up), NEUTRAL) as { carryM: number }).carryM / 0.9144 - yd
    expect(gained(58, 65, 5)).toBeGreaterThan(3.5)
    expect(gained(58, 65, 5)).toBeLessThan(6)
    expect(gained(46, 137, 5)).toBeLessThan(gained(58, 50, 5))
    expect(gained(58, 65, -5)).toBeLessThan(-3)
  })

  it('has its share of an evenly rising range, and all of it beyond the target', () => {
    expect([
      landingHeightM({ distanceM: 100, heightM: 4 }, 75),
      landingHeightM({ distanceM: 90, heightM: -3 }, 60),
      landingHeightM({ distanceM: 90, heightM: 0 }, 60),
      landingHeightM({ distanceM: 40, heightM: 50 }, 120),
    ]).toEqual([3, -2, 0, 50])
  })
})

describe('the chart on level ground', () => {
  const level = calibrated(BAG, highBalls(undefined), { sessions: [still] })

  it('makes balls longer that pitched up a slope, shorter down one, and as much less sure', () => {
    const up = calibrated(BAG, highBalls(4), { sessions: [still] })
    const down = calibrated(BAG, highBalls(-4), { sessions: [still] })
    expect(full(up).carryM! - full(level).carryM!).toBeGreaterThan(2)
    expect(full(down).carryM! - full(level).carryM!).toBeLessThan(-2)
    expect(plusMinusM(full(up))!).toBeGreaterThan(plusMinusM(full(level))!)
    // What stands there is no longer as it was measured.
    expect([up.air, level.air]).toEqual(['neutral', 'as measured'])
    expect(correctionText(newestCorrection(up.corrections, full(up))!, 'yd', windText)).toMatch(
      /^to a place 4 yd above: 100 measured, 104 on the level, ± [\d.]+ for the ground$/,
    )
  })

  it('takes height and wind out together, and says what was measured', () => {
    const both = calibrated(BAG, highBalls(4), { sessions: [{ ...still, air: [INTO] }] })
    const wind = calibrated(BAG, highBalls(undefined), { sessions: [{ ...still, air: [INTO] }] })
    expect(full(both).carryM!).toBeGreaterThan(full(wind).carryM! + 2)
    const [found] = both.corrections
    expect(found!.measuredM).toBeCloseTo(yardsToMetres(100), 0)
    expect(correctionText(found!, 'yd', windText)).toMatch(
      /^into 3 m\/s, to a place 4 yd above: 100 measured, 1\d\d in neutral air/,
    )
    expect(both.air).toBe('neutral')
  })

  it('leaves what a device worked out, clubs whose strike is not known, and level ground as they were', () => {
    const computed = highBalls(4).map(shot => ({ ...shot, readings: { carryBasis: 'computed' as const } }))
    const iron = balls('5 iron', 'full', [150, 152]).map(shot => ({ ...shot, heightM: 5 }))
    const flat = highBalls(0)
    const shots = [...computed, ...iron, ...flat]
    expect(onLevel({ bag: BAG, sessions: [still], shots }).record.shots).toEqual(shots)
    // Switched off with the air, all stays as it was measured.
    expect(
      full(calibrated(BAG, highBalls(4), { sessions: [still] }, { ...USUAL_OPTIONS, neutralAir: false })).carryM,
    ).toBeCloseTo(full(level).carryM!, 9)
  })
})

describe("what a monitor's carries are of", () => {
  const session = (carryAir: CarryAir): Session => ({ ...still, method: 'monitor', air: [INTO], carryAir })
  const read = tenBalls('50°', 'full', 100)
  const numberOf = (carryAir: CarryAir, shots = read) => full(calibrated(BAG, shots, { sessions: [session(carryAir)] }))
  const yards = ({ carryM }: ReturnType<typeof full>) => carryM! / 0.9144

  it('decides whether the wind is taken out: as it flew, or worked out for calm air', () => {
    expect(yards(numberOf('flown'))).toBeGreaterThan(103)
    expect(yards(numberOf('calm'))).toBeCloseTo(100, 0)
  })

  it('unknown leaves what was read, and the doubt spans both', () => {
    const [flown, calm, unknown] = [numberOf('flown'), numberOf('calm'), numberOf('unknown')]
    expect(yards(unknown)).toBeCloseTo(yards(calm), 0)
    expect(plusMinusM(unknown)!).toBeGreaterThan(1.3 * plusMinusM(calm)!)
    expect(unknown.certainty80M![1] + plusMinusM(unknown)!).toBeGreaterThan(flown.carryM!)
  })

  it('is said of the monitor alone, and a device that tells it of its ball goes before', () => {
    const lasered = read.map(shot => ({ ...shot, method: 'laser' as const }))
    expect(yards(numberOf('calm', lasered))).toBeGreaterThan(103)
    const told = read.map(shot => ({ ...shot, readings: { carryBasis: 'flown' as const } }))
    expect(yards(numberOf('calm', told))).toBeGreaterThan(103)
  })
})

describe('a height on record', () => {
  it('is read in either unit, and one that cannot be is named', () => {
    expect(readShotTable('club,swing,carry_m,height_yd\n50°,full,90,-5').rows[0]!.heightM).toBeCloseTo(-4.572, 9)
    expect(readShotTable('club,swing,carry_m,height_m\n50°,full,90,0').rows[0]).not.toHaveProperty('heightM')
    expect(readShotTable('club,swing,carry_m,height_m\n50°,full,90,200').errors).toEqual([
      { row: 2, column: 'height_m', value: '200', fault: { kind: 'number-of', least: -60, most: 60, unit: 'm' } },
    ])
    expect(takenTexts({ balls: 1, taken: { heightM: -4.572 } }, 'yd', id => id)).toEqual(['5 yd below the tee'])
  })
})
