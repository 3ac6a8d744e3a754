import { describe, expect, it } from 'vitest'
import { plusMinusM } from '../../core/chart/chart-cell'
import { newestCorrection } from '../../core/corrections/air-correction'
import { inNeutralAir } from '../../core/corrections/neutral-air'
import { readAirColumns, writeAirColumns, AIR_COLUMNS_OUT } from '../../core/files/air-columns'
import { clockOf, readMetar } from '../../core/files/metar'
import { readShotTable, writeShotTable } from '../../core/files/shot-table'
import { CALM, clockOnLine, windFromParts } from '../../core/flight/air'
import { straight } from '../../core/flight/deliver'
import { fly } from '../../core/flight/fly'
import { solveSpeed } from '../../core/flight/solve-speed'
import { windFromPitch } from '../../core/flight/wind-from-pitch'
import { airAt, todayOfAir, withAir, type AirEntry } from '../../core/flight/session-air'
import type { Session } from '../../core/shot/shot'
import {
  fromHeight,
  fromTemp,
  fromWind,
  metresToYards,
  toHeight,
  toTemp,
  toWind,
  yardsToMetres,
} from '../../core/units'
import { correct, todayOf, windThere } from '../../core/flight/neutral'
import { correctionText, rangeBallText, windThereText } from '../../words/air'
import { AirRecord, SessionRecord } from '../../shared/schemas/session'
import type { RowFault } from '../../core/files/row-fault'
import { rowFaultText } from '../../words/row-faults'
import { bagOf, balls, calibrated, DAY_MS, tenBalls } from './players'

const air = (change: Partial<AirEntry> = {}): AirEntry => ({
  fromMs: DAY_MS,
  tempC: 20,
  humidity: 0.5,
  altitudeM: 0,
  qnhPa: null,
  wind: { speedMs: 0, clock: 12, judged: 'calm' },
  ground: 'open',
  ...change,
})
const into = (speedMs: number, judged: AirEntry['wind']['judged'] = 'felt', fromMs = DAY_MS) =>
  air({ fromMs, wind: { speedMs, clock: 12, judged } })
const session = (...entries: AirEntry[]): Session => ({
  id: 's',
  startedAtMs: DAY_MS,
  method: 'monitor',
  ball: 'own',
  air: entries,
})
const BAG = bagOf({ '60°': 60, '56°': 56, '50°': 50, '5 iron': 27 }, ['9:00', 'full'])
const windText = (ms: number) => `${Number(ms.toFixed(1))} m/s`
const of = (chart: ReturnType<typeof calibrated>['chart'], club: string, swing: string) =>
  chart.find(c => c.clubId === club && c.rungId === swing)!

describe('a METAR line', () => {
  // The example of ICAO Annex 3, Appendix 3 (also in WMO Manual on Codes, FM 15).
  it('of the published example reads as its text says: wind 240°, 4 m/s, 17 °C, dew point 16 °C, 1018 hPa', () => {
    const metar = readMetar('METAR YUDO 221630Z 24004MPS 0600 R12/1000U DZ FG SCT010 OVC020 17/16 Q1018=')
    expect(metar).toMatchObject({ station: 'YUDO', windMs: 4, windFromDeg: 240, tempC: 17, qnhPa: 101_800 })
    expect(metar.humidity).toBeCloseTo(0.938, 2)
  })

  it('takes knots, minus signs, inches, calm and variable wind', () => {
    expect(readMetar('EGXX 251120Z 24008KT 9999 SCT030 12/07 Q1021').windMs).toBeCloseTo(4.116, 3)
    expect(readMetar('KXXX 251156Z 29015G22KT 10SM FEW010 M02/M10 A3005')).toMatchObject({
      tempC: -2,
      qnhPa: expect.closeTo(101_761, 0) as number,
    })
    expect(readMetar('EGXX 251120Z 00000KT 9999 12/07 Q1021')).toMatchObject({ windMs: 0, windFromDeg: null })
    expect(readMetar('EGXX 251120Z VRB02KT 9999 12/07')).toMatchObject({ windFromDeg: null, qnhPa: null })
  })

  it.each([
    ['EGXX 251120Z 9999 12/07 Q1021', /has no wind group, such as 24008KT/],
    ['EGXX 251120Z 24008KT 9999 Q1021', /has no temperature group, such as 12\/07/],
    ['nice and warm', /"nice and warm" is no METAR line/],
    ['', /is no METAR line/],
  ])('%s: names what is missing', (line, message) => {
    expect(() => readMetar(line)).toThrow(message)
  })

  it('becomes an hour of the clock by where the target lies', () => {
    expect([clockOf(270, 270), clockOf(0, 270), clockOf(90, 270), clockOf(180, 270)]).toEqual([12, 3, 6, 9])
  })

  it('turns with the line to the target, whole round', () => {
    expect([
      clockOnLine(12, 30),
      clockOnLine(1, 30),
      clockOnLine(11, -60),
      clockOnLine(3, 0),
      clockOnLine(9, 360),
    ]).toEqual([11, 12, 1, 3, 9])
  })
})

describe('the air of a session', () => {
  it('holds from its moment on, and the first one before that too', () => {
    const list = withAir(withAir([], air({ fromMs: 200 })), air({ fromMs: 100, tempC: 10 }))
    expect(list.map(entry => entry.fromMs)).toEqual([100, 200])
    expect([airAt(list, 50), airAt(list, 150), airAt(list, 200), airAt([], 5)]).toEqual([0, 0, 1, -1])
    expect(withAir(list, air({ fromMs: 200, tempC: 5 }))).toHaveLength(2)
  })

  it("reads a felt wind at 2 m and a report's at 10, and pressure by altitude", () => {
    expect(todayOfAir(into(3)).wind.readAtM).toBe(2)
    expect(todayOfAir(into(3, 'report')).wind.readAtM).toBe(10)
    expect(todayOfAir(air({ altitudeM: 1000 })).air.densityKgM3).toBeLessThan(todayOfAir(air()).air.densityKgM3)
    expect(todayOfAir(air({ altitudeM: 0, qnhPa: 98_000 })).pressurePa).toBeCloseTo(98_000, 6)
  })

  it('is refused when it cannot be, by name', () => {
    const faults = (change: object) =>
      AirRecord.safeParse({ ...air(), ...change }).error!.issues.map(issue => issue.message)
    expect(faults({ tempC: -80 })).toEqual(['Temperature -80 °C is not possible: -20 to 50 °C is allowed.'])
    expect(faults({ altitudeM: 20_000 })).toEqual(['Altitude 20000 m is not possible: -400 to 4000 m is allowed.'])
    expect(faults({ wind: { speedMs: 200, clock: 12, judged: 'felt' } })).toEqual([
      'Wind 200 m/s is not possible: 0 to 30 m/s is allowed.',
    ])
    expect(faults({ wind: { speedMs: 2, clock: 13, judged: 'felt' } })).toEqual([
      'Wind from "13" o\'clock is not possible: more than 0 to 12 is allowed, 12 in the face, 3 from the right.',
    ])
    expect(
      SessionRecord.parse({
        id: '019e0000-0000-7000-8000-000000000001',
        startedAtMs: 1.7e12,
        endedAtMs: null,
        method: 'laser',
        ball: 'own',
        surface: 'mat',
        version: 1,
      }).air,
    ).toEqual([])
  })

  it('has units that go there and back', () => {
    expect([toTemp(20, '°F'), fromTemp(68, '°F'), fromTemp(20, '°C')]).toEqual([68, 20, 20])
    expect(fromWind(10, 'mph')).toBeCloseTo(4.4704, 9)
    expect(toWind(fromWind(7, 'kn'), 'kn')).toBeCloseTo(7, 9)
    expect(toHeight(fromHeight(500, 'ft'), 'ft')).toBeCloseTo(500, 9)
  })
})

describe('the chart in neutral air', () => {
  const shots = tenBalls('56°', 'full', 90)
  const measured = calibrated(BAG, shots)

  it('without air is what was measured; in calm neutral air it is so too, a little less sure', () => {
    expect(measured).toMatchObject({ air: 'as measured', corrections: [] })
    const calm = calibrated(BAG, shots, { sessions: [session(air())] })
    expect(calm.air).toBe('neutral')
    expect(of(calm.chart, '56°', 'full').carryM! - of(measured.chart, '56°', 'full').carryM!).toBeCloseTo(0, 1)
    expect(plusMinusM(of(calm.chart, '56°', 'full'))!).toBeGreaterThan(plusMinusM(of(measured.chart, '56°', 'full'))!)
  })

  it('takes a headwind out, says so in words, and thirty balls in one felt wind do not look certain', () => {
    const many = [
      ...shots,
      ...shots.map(shot => ({ ...shot, id: `${shot.id} b` })),
      ...shots.map(shot => ({ ...shot, id: `${shot.id} c` })),
    ]
    const { chart, corrections } = calibrated(BAG, many, { sessions: [session(into(3))] })
    const cell = of(chart, '56°', 'full')
    expect(metresToYards(cell.carryM!)).toBeGreaterThan(98)
    expect(plusMinusM(cell)!).toBeGreaterThan(2 * plusMinusM(of(calibrated(BAG, many).chart, '56°', 'full'))!)
    const found = newestCorrection(corrections, cell)!
    expect(correctionText(found, 'yd', windText)).toMatch(
      /^into 3 m\/s: 90 measured, (99|10[0-3]) in neutral air, ± [1-9]\.\d for the air$/,
    )
    expect(newestCorrection(corrections, { clubId: '60°', rungId: 'full' })).toBeNull()
    // Switched off, it is as it was measured.
    expect(
      of(
        calibrated(
          BAG,
          many,
          { sessions: [session(into(3))] },
          { flags: {}, withinM: 2.7, method: 'monitor', neutralAir: false },
        ).chart,
        '56°',
        'full',
      ).carryM,
    ).toBeCloseTo(of(calibrated(BAG, many).chart, '56°', 'full').carryM!, 9)
  })

  it('keeps the scatter of the pile as it was hit', () => {
    const neutral = inNeutralAir({ bag: BAG, sessions: [session(into(2.5))], shots })
    const spread = (list: readonly { carryM: number }[]) =>
      Math.max(...list.map(s => s.carryM)) - Math.min(...list.map(s => s.carryM))
    expect(spread(neutral.shots)).toBeLessThanOrEqual(spread(shots) + 1e-9)
    expect(neutral.sessions[0]!.commonSd).toBeGreaterThan(0.01)
  })

  it('takes each air of a session by itself, and both balls of one day go to the same number', () => {
    const change = DAY_MS + 3_600_000
    const later = tenBalls('56°', 'full', 95).map(shot => ({
      ...shot,
      id: `${shot.id} late`,
      hitAtMs: shot.hitAtMs + 7_200_000,
    }))
    const { corrections, sessions } = inNeutralAir({
      bag: BAG,
      sessions: [session(into(3), air({ fromMs: change, wind: { speedMs: 3, clock: 6, judged: 'felt' } }))],
      shots: [...shots, ...later],
    })
    expect(
      corrections.map(one => [Math.round(metresToYards(one.measuredM)), Math.sign(one.neutralM! - one.measuredM)]),
    ).toEqual([
      [90, 1],
      [95, -1],
    ])
    expect(sessions.map(one => one.id)).toEqual(['s', 's air 1'])
    expect(correctionText(corrections[1]!, 'yd', windText)).toMatch(
      /^downwind 3 m\/s: 95 measured, 9[0-4] in neutral air/,
    )
  })

  it('keeps a ball hit into a storm, leaves it out, and says why', () => {
    const { chart, corrections } = calibrated(BAG, shots, { sessions: [session(into(15))] })
    expect(of(chart, '56°', 'full')).toMatchObject({ kind: 'unhit', balls: 0, leftOut: 10 })
    expect(correctionText(corrections[0]!, 'yd', windText)).toBe(
      'into 15 m/s: 90 measured; the wind was too strong to count',
    )
    expect(inNeutralAir({ bag: BAG, sessions: [session(into(15))], shots }).shots[0]!.leftOut).toBe('too-windy')
  })

  it('leaves longer clubs as they were measured', () => {
    const iron = balls('5 iron', 'full', [170, 172, 168])
    expect(of(calibrated(BAG, iron, { sessions: [session(into(3))] }).chart, '5 iron', 'full')).toEqual(
      of(calibrated(BAG, iron).chart, '5 iron', 'full'),
    )
    // Their session stays what it was: range balls are still range balls.
    expect(calibrated(BAG, iron, { sessions: [{ ...session(into(3)), ball: 'range' }] }).rangeBalls).not.toBeNull()
  })
})

describe('range balls', () => {
  const on = (ball: 'own' | 'range', id: string): Session => ({ id, startedAtMs: DAY_MS, method: 'monitor', ball })
  const both = (rangeYd: number) =>
    calibrated(
      BAG,
      [
        ...tenBalls('56°', 'full', 100).map(shot => ({ ...shot, sessionId: 'own' })),
        ...tenBalls('56°', 'full', rangeYd).map(shot => ({ ...shot, id: `${shot.id} r`, sessionId: 'range' })),
      ],
      { sessions: [on('own', 'own'), on('range', 'range')] },
    )

  it("count as the ball one plays, less sure than it, until stock shots hit with both tell this player's own loss", () => {
    const shots = tenBalls('56°', 'full', 95)
    const [range, own] = [
      calibrated(BAG, shots, { sessions: [on('range', 's')] }),
      calibrated(BAG, shots, { sessions: [on('own', 's')] }),
    ]
    expect(range.rangeBalls).toEqual({ loss: 0.05, sd: 0.03, pairs: 0 })
    expect(own.rangeBalls).toBeNull()
    expect(metresToYards(of(range.chart, '56°', 'full').carryM!)).toBeCloseTo(99.7, 0)
    expect(plusMinusM(of(range.chart, '56°', 'full'))!).toBeGreaterThan(1.5 * plusMinusM(of(own.chart, '56°', 'full'))!)
    const none = both(100)
    expect(none.rangeBalls!.loss).toBeLessThan(0.035)
    expect(none.rangeBalls!.sd).toBeLessThan(0.022)
    expect(rangeBallText(none.rangeBalls!)).toMatch(
      /^Your range balls lose [1-3] % at 100 yd, ± [23]: from 1 stock shot hit with both balls\.$/,
    )
    expect(both(92).rangeBalls!.loss).toBeGreaterThan(0.06)
    expect(rangeBallText(range.rangeBalls!)).toMatch(/ 5 % shorter at 100 yd, ± 4, as is usual/)
  })
})

describe('air in the shot table', () => {
  it('goes out and comes back, in any of its units', () => {
    const row = {
      player: 'p',
      session: 's',
      hitAtMs: DAY_MS,
      club: '56°',
      swing: 'full',
      carryM: 80,
      method: 'monitor' as const,
      balls: 1,
      strike: null,
      ball: 'own' as const,
      leftOut: null,
      asked: null,
      readings: null,
      taken: null,
    }
    const { fromMs: _, ...taken } = air({
      tempC: 12.5,
      altitudeM: 120,
      qnhPa: 100_900,
      humidity: 0.8,
      wind: { speedMs: 3.2, clock: 2, judged: 'report' },
    })
    expect(readShotTable(writeShotTable([{ ...row, air: taken }])).rows[0]!.air).toEqual(taken)
    expect(readShotTable(writeShotTable([{ ...row, air: null }])).rows[0]).not.toHaveProperty('air')
    const fail = (column: string, value: string, fault: RowFault) => {
      throw new Error(`${column} ${value} ${rowFaultText(fault)}`)
    }
    expect(
      readAirColumns({ temp_f: '68', wind_mph: '10', wind_from_clock: '0', altitude_ft: '1000' }, fail),
    ).toMatchObject({ tempC: 20, altitudeM: 304.8, wind: { speedMs: 4.4704, clock: 12, judged: 'felt' } })
    expect(writeAirColumns(null)).toHaveLength(AIR_COLUMNS_OUT.length)
  })

  it('names what cannot be', () => {
    const { errors } = readShotTable(
      'club,swing,carry_m,temp_c,wind_mps,wind_from_clock\n56°,full,80,-80,200,13\n56°,full,80,20,3,\n',
    )
    expect(errors.map(e => [e.row, e.column, e.value])).toEqual([
      [2, 'temp_c', '-80'],
      [2, 'wind_mps', '200'],
      [2, 'wind_from_clock', '13'],
      [3, 'wind_from_clock', ''],
    ])
  })
})

describe('the wind where the ball flies', () => {
  const windText = (ms: number) => `${Math.round(ms / 0.44704)} mph`
  const felt = (mph: number, clock = 12) => ({ ...CALM, speedMs: mph * 0.44704, clock, readAtM: 2 })

  it('is stronger than where it was felt; the rule of thumb stands beside it (common practice: 1 % a mph, half with it)', () => {
    const into = windThere(100, felt(9))
    expect(windText(into.ballMs)).toBe('14 mph')
    expect(into.ruleM).toBeCloseTo(109, 9)
    expect(windThere(100, felt(10, 6)).ruleM).toBeCloseTo(95, 9)
    expect(windThere(100, { ...felt(9), readAtM: 20 }).ballMs).toBeCloseTo(9 * 0.44704, 9)
  })

  it('is said with what the rule would say, and why ours says more; of a calm day nothing', () => {
    const there = { ballMs: 6.26, ruleM: 109, into: true }
    expect(windThereText(there, 9 * 0.44704, 118, 'm', windText)).toBe(
      '9 mph where it was judged is about 14 mph where the ball flies. ' +
        'The usual 1 % a mph into it, half that with it, would say 109 m. ' +
        'A lofted ball hangs up there longer than the rule allows for; a flatter shot comes nearer to it.',
    )
    expect(windThereText(there, 9 * 0.44704, 111, 'm', windText)).not.toContain('hangs')
    // With the wind it is another reason, if any.
    expect(windThereText({ ...there, into: false }, 9 * 0.44704, 118, 'm', windText)).not.toContain('hangs')
    expect(windThereText(there, 6.26, 111, 'm', windText)).toMatch(/^The wind where the ball flies is about 14 mph\./)
    expect(windThereText(there, 0.2, 111, 'm', windText)).toBe('')
    expect(windThereText({ ballMs: 14, ruleM: 120, into: true }, 9, 194, 'm', windText)).toMatch(/rough figure\.$/)
  })
})

describe('the wind that a ball tells', () => {
  const day = todayOf(12, 100_000, 0.7, { ...CALM, readAtM: 2 }, 'calm')

  it.each([-8, -3, 0, 2.5, 6])('a wind of %f m/s in the face is found again from read and pitched', headMs => {
    for (const [loftDeg, readYd] of [
      [60, 63],
      [52, 95],
      [44, 125],
    ] as const) {
      const readM = yardsToMetres(readYd)
      const strike = solveSpeed(loftDeg, readM, day)
      if (!strike.ok) throw new Error('no such strike')
      const flown = fly(straight(loftDeg, strike.ballSpeedMs), { ...day, wind: windFromParts(headMs, 0, day.wind) })
      const pitchedM = flown.ok ? flown.carryM : 0
      const told = windFromPitch({ readM, pitchedM, loftDeg, errorM: 1.5 }, day)!
      expect(told.headMs).toBeCloseTo(headMs, 2)
      // Good measuring and more of it make it surer.
      expect(windFromPitch({ readM, pitchedM, loftDeg, errorM: 0.5 }, day)!.sdMs).toBeLessThan(told.sdMs)
    }
  })

  it('no wind makes a ball of 63 pitch at 120; the loft that is usual is taken where none is said', () => {
    const of = (pitchedYd: number) =>
      windFromPitch({ readM: yardsToMetres(63), pitchedM: yardsToMetres(pitchedYd), errorM: 1 }, day)
    expect(of(120)).toBeNull()
    expect(of(60)!.headMs).toBeGreaterThan(1)
  })

  it('its own error goes with the session, and a surer wind makes a surer number', () => {
    const sdM = (sdMs?: number) =>
      correct(
        56,
        80,
        todayOfAir(air({ wind: { speedMs: 3, clock: 12, judged: 'pitched', ...(sdMs !== undefined && { sdMs }) } })),
      )!.sdM
    expect(sdM(0.3)).toBeLessThan(sdM())
    expect(sdM(3)).toBeGreaterThan(sdM())
  })
})
