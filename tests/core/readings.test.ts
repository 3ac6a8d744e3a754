import { describe, expect, it } from 'vitest'
import { launchLooks } from '../../core/questions/launch-looks'
import { inNeutralAir } from '../../core/corrections/neutral-air'
import { byOwnFlight, neutralFlight, ownStrikes } from '../../core/corrections/own-flight'
import { READING_COLUMNS_IN, READING_COLUMNS_OUT, readReadings, writeReadings } from '../../core/files/reading-columns'
import { NEUTRAL, type Conditions } from '../../core/flight/air'
import { straight } from '../../core/flight/deliver'
import { fly, type Flown, type Launch } from '../../core/flight/fly'
import { todayOfAir, type AirEntry } from '../../core/flight/session-air'
import { solveSpeed } from '../../core/flight/solve-speed'
import { groupBy } from '../../core/group-by'
import { launchOf, READING_NAMES, type Readings } from '../../core/shot/readings'
import { newMemo } from '../../core/memo'
import type { Session } from '../../core/shot/shot'
import type { AnyStageShot } from './players'
import { metresToYards, yardsToMetres } from '../../core/units'
import { makeDice } from '../../devices/dice'
import { hit, makeGolfer, type SimulatedStrike } from '../../devices/golfer'
import { read } from '../../devices/monitor'
import { questionText } from '../../words/questions'
import { readingTexts, sideText, speedText, spinText } from '../../words/readings'
import { ReadingsRecord } from '../../shared/schemas/session'
import { bagOf, balls, calibrated, DAY_MS } from './players'
import { rowFaultText } from '../../words/row-faults'

const BAG = bagOf({ '60°': 60, '56°': 56, '50°': 50 }, ['9:00', 'full'])
const LOFTS = new Map(BAG.clubs.map(club => [club.id, club.loftDeg]))
const AIR: AirEntry = {
  fromMs: DAY_MS,
  tempC: 20,
  humidity: 0.5,
  altitudeM: 0,
  qnhPa: null,
  wind: { speedMs: 4, clock: 1, judged: 'meter' },
  ground: 'open',
}
const TODAY = todayOfAir(AIR)
const session = (air: AirEntry[] = [AIR]): Session => ({
  id: 's',
  startedAtMs: DAY_MS,
  method: 'monitor',
  ball: 'own',
  air,
})

const readingsOf = ({ speedMs, launchDeg, spinRpm, azimuthDeg, tiltDeg }: Launch, more: Readings = {}): Readings => ({
  ballSpeedMs: speedMs,
  launchDeg,
  spinRpm,
  directionDeg: azimuthDeg,
  spinAxisDeg: tiltDeg,
  ...more,
})
/** Launch of a clean stock shot of so many yards in neutral air. */
function clean(loftDeg: number, yd: number): Launch {
  const solved = solveSpeed(loftDeg, yardsToMetres(yd), NEUTRAL)
  if (!solved.ok) throw new Error(solved.reason)
  return straight(loftDeg, solved.ballSpeedMs)
}
/** Balls that flew in today's air, launch and all; their true neutral carries beside them. */
function flown(
  loftDeg: number,
  club: string,
  launches: Launch[],
  more: Partial<AnyStageShot> = {},
): { shots: AnyStageShot[]; neutralYd: number[] } {
  const today = launches.map(launch => fly(launch, TODAY)).map(flight => (flight.ok ? flight : null))
  const shots = balls(
    club,
    'full',
    today.map(flight => metresToYards(flight!.carryM)),
    more,
  ).map((shot, i) => ({
    ...shot,
    sideM: today[i]!.sideM,
    readings: readingsOf(launches[i]!, { sideM: today[i]!.sideM }),
  }))
  return {
    shots,
    neutralYd: launches.map(launch => metresToYards((fly(launch, NEUTRAL) as { carryM: number }).carryM)),
  }
}
const around = (launch: Launch, offs: number[]): Launch[] =>
  offs.map(off => ({
    ...launch,
    speedMs: launch.speedMs * (1 + off),
    azimuthDeg: 60 * off,
    spinRpm: launch.spinRpm * (1 - 2 * off),
  }))

describe('a ball whose launch was read', () => {
  const { shots, neutralYd } = flown(56, '56°', around(clean(56, 100), [-0.03, -0.01, 0, 0.015, 0.03]))

  it("comes out of today's wind by its own flight, carry and side, to the tenth of a yard", () => {
    const { shots: neutral, corrections } = inNeutralAir({ bag: BAG, sessions: [session()], shots })
    neutral.forEach((shot, i) => expect(metresToYards(shot.carryM)).toBeCloseTo(neutralYd[i]!, 1))
    // One o'clock blows from the right: what drifted left was started there by nobody.
    expect(shots[2]!.sideM!).toBeLessThan(-2)
    expect(neutral[2]!.sideM!).toBeCloseTo(0, 3)
    expect(corrections[0]!.neutralM).toBeCloseTo(neutral[2]!.carryM, 3)
    // As flying the launch by hand says.
    const flownM = (day: Conditions) => (fly(launchOf(shots[0]!.readings!)!, day) as Flown).carryM
    expect(neutral[0]).toMatchObject({
      carryM: expect.closeTo((shots[0]!.carryM * flownM(NEUTRAL)) / flownM(TODAY), 5) as number,
    })
  })

  it("is known better than by its carry alone, and by the player's own usual strike in between", () => {
    const sdOf = (list: AnyStageShot[]) =>
      inNeutralAir({ bag: BAG, sessions: [session()], shots: list }).corrections[0]!.sdM
    const bare = shots.map(({ readings: _, ...shot }) => shot)
    const others = flown(
      56,
      '56°',
      [78, 80, 82, 84].map(yd => clean(56, yd)),
      { sessionId: 'still' },
    ).shots.map(shot => ({ ...shot, rungId: '9:00', id: `${shot.id} still` }))
    const [full, own, unknown] = [sdOf(shots), sdOf([...bare, ...others]), sdOf(bare)]
    expect(full).toBeLessThan(own)
    expect(own).toBeLessThan(unknown)
  })

  it('stays as it is when the device worked it out in still air, and adds no common error', () => {
    const computed = shots.map((shot): AnyStageShot => ({
      ...shot,
      readings: { ...shot.readings, carryBasis: 'computed' },
    }))
    const { shots: neutral, corrections, sessions } = inNeutralAir({ bag: BAG, sessions: [session()], shots: computed })
    expect(neutral.map(shot => shot.carryM)).toEqual(computed.map(shot => shot.carryM))
    expect(corrections).toEqual([])
    expect(sessions[0]).not.toHaveProperty('commonSd')
    // Half of them worked out: half of the squares.
    const mixed = inNeutralAir({
      bag: BAG,
      sessions: [session()],
      shots: [...shots, ...computed.map(shot => ({ ...shot, id: `${shot.id} c` }))],
    }).sessions[0]!.commonSd!
    expect(mixed).toBeCloseTo(
      inNeutralAir({ bag: BAG, sessions: [session()], shots }).sessions[0]!.commonSd! / Math.sqrt(2),
      4,
    )
  })

  it('goes with its pile when launch and carry cannot belong together, as after a misread speed', () => {
    const odd = {
      ...shots[2]!,
      id: 'odd',
      readings: { ...shots[2]!.readings!, ballSpeedMs: shots[2]!.readings!.ballSpeedMs! * 0.6 },
    }
    expect(byOwnFlight(odd, 56, AIR, newMemo())).toBeNull()
    const neutral = inNeutralAir({ bag: BAG, sessions: [session()], shots: [...shots, odd] }).shots.find(
      shot => shot.id === 'odd',
    )!
    expect(metresToYards(neutral.carryM)).toBeCloseTo(neutralYd[2]!, 0)
  })

  it('takes the side of a carry-only ball out by the drift of such a shot', () => {
    const bare = shots.map(({ readings: _, ...shot }) => shot)
    expect(inNeutralAir({ bag: BAG, sessions: [session()], shots: bare }).shots[2]!.sideM!).toBeCloseTo(0, 0)
  })

  it("tells the player's own way, of the stock shot or else of the club, from four on", () => {
    const low = shots.map(shot => ({
      ...shot,
      readings: { ...shot.readings, launchDeg: shot.readings!.launchDeg! - 4 },
    }))
    const own = ownStrikes(LOFTS, low, newMemo())
    expect(own({ clubId: '56°', rungId: 'full' })!.launchOffDeg).toBeLessThan(-1.5)
    expect(own({ clubId: '56°', rungId: '9:00' })).toEqual(own({ clubId: '56°', rungId: 'full' }))
    expect([
      own({ clubId: '60°', rungId: 'full' }),
      ownStrikes(LOFTS, low.slice(0, 3), newMemo())({ clubId: '56°', rungId: 'full' }),
      ownStrikes(LOFTS, [], newMemo())({ clubId: '56°', rungId: 'full' }),
    ]).toEqual([null, null, null])
  })
})

describe('what a launch makes of a strike', () => {
  const good = flown(56, '56°', around(clean(56, 100), [-0.02, -0.01, 0, 0.005, 0.01, 0.02])).shots
  const still = { sessions: [session()] }
  const strange = (id: string, change: Partial<Launch>, carryYd?: number): AnyStageShot => {
    const [shot] = flown(56, '56°', [{ ...clean(56, 100), ...change }]).shots as [AnyStageShot]
    return {
      ...shot,
      id,
      hitAtMs: DAY_MS + 3_600_000,
      ...(carryYd !== undefined && { carryM: yardsToMetres(carryYd) }),
    }
  }
  const base = clean(56, 100)

  it('asks about a flyer, a thin one, a heavy one and a misread, with the figures', () => {
    const shots = [
      ...good,
      strange('flyer', { spinRpm: 4000, speedMs: base.speedMs * 1.05 }),
      strange('thin', { launchDeg: base.launchDeg - 11 }),
      strange('heavy', { speedMs: base.speedMs * 0.8, spinRpm: base.spinRpm * 0.8 }),
    ]
    const misread = { ...good[2]!, id: 'misread', readings: { ...good[2]!.readings!, spinRpm: 1500 } }
    const { questions } = calibrated(BAG, [...shots, misread], still)
    const words = Object.fromEntries(questions.map(question => [question.shot, questionText(question, 'yd')]))
    expect(words.flyer).toMatch(
      /^Spin 4,000 where this stock shot usually has 10,\d{3}, and it went \d+ yd past: grass or dirt between face and ball\?$/,
    )
    expect(words.thin).toMatch(/^It left at 20° where this stock shot usually has 31°: thin\?$/)
    expect(words.heavy).toMatch(
      /^Ball speed 6\d mph where this stock shot usually has 8\d mph, and it went \d\d yd short: heavy\?$/,
    )
    expect(words.misread).toMatch(/^Spin 1,500 where this stock shot usually has 9,\d{3}: a misread\?$/)
    expect(questions.map(question => [question.shot, question.fault])).toEqual(
      expect.arrayContaining([
        ['flyer', 'flyer'],
        ['thin', 'mishit'],
        ['heavy', 'mishit'],
        ['misread', 'misread'],
      ]),
    )
    expect(questions.filter(question => question.shot.includes('full'))).toEqual([])
  })

  it('makes a club of many flyers known as one, whether they stand on record or were left out', () => {
    const many = flown(
      56,
      '56°',
      around(
        base,
        Array.from({ length: 30 }, (_, i) => ((i % 7) - 3) / 150),
      ),
    ).shots.map((shot, i) => ({ ...shot, id: `good ${i}` }))
    const flyers = Array.from({ length: 12 }, (_, i) =>
      strange(`flyer ${i}`, { spinRpm: 4000 + 40 * i, speedMs: base.speedMs * (1.03 + 0.002 * i) }),
    )
    const said = (shots: AnyStageShot[]) =>
      calibrated(BAG, [...many, ...shots], still).findings.filter(finding => finding.flag === 'flyer-prone')
    expect(said(flyers)).toMatchObject([{ cells: [{ clubId: '56°' }] }])
    expect(said(flyers.map(shot => ({ ...shot, leftOut: 'flyer' })))).toMatchObject([{ data: { ballsN: 42 } }])
    expect(said(flyers.slice(0, 2))).toEqual([])
  })

  it('weighs a named ball less, and asks no more once the coach has spoken', () => {
    const flyer = strange('flyer', { spinRpm: 4000, speedMs: base.speedMs * 1.04 })
    const carryOf = (last: AnyStageShot) =>
      calibrated(BAG, [...good, last], still).chart.find(cell => cell.clubId === '56°' && cell.rungId === 'full')!
        .carryM!
    const { readings: _, ...bare } = flyer
    expect(carryOf(flyer)).toBeLessThan(carryOf(bare))
    expect(calibrated(BAG, [...good, { ...flyer, strike: 'clean' }], still).questions).toEqual([])
    expect(calibrated(BAG, [...good, { ...flyer, leftOut: 'flyer' }], still).questions).toEqual([])
  })

  it('judges by the loft where too few balls are known, and says so', () => {
    const looks = launchLooks(BAG, [strange('flyer', { spinRpm: 4000 })])
    expect(looks.get('flyer')).toMatchObject({ look: 'flyer', own: false, usualSpeedMs: null })
    expect(questionText({ offM: 0, fault: 'flyer', changed: false, launch: looks.get('flyer')! }, 'm')).toMatch(
      /where a club of that loft usually has 10,\d{3}, and it went as far as usual:/,
    )
  })

  it('finds nine in ten flyers and misreads of simulated players and calls at most 2 in 100 good strikes odd', () => {
    const counts = { good: 0, alarms: 0, odd: 0, found: 0 }
    for (let seed = 1; seed <= 24; seed++) {
      const dice = makeDice(8800 + seed)
      const golfer = makeGolfer(seed % 2 === 0 ? 'good' : 'pro', dice)
      const strikes: { strike: SimulatedStrike; misread: boolean; shot: AnyStageShot }[] = []
      for (let i = 0; i < 40; i++) {
        const strike = hit(golfer, 56, yardsToMetres(90), 'grass', dice)
        const reading = read(strike, NEUTRAL, 0.05, dice)
        if (reading)
          strikes.push({
            strike,
            misread: reading.misread,
            shot: {
              ...balls('56°', 'full', [1])[0]!,
              id: `${seed} ${i}`,
              carryM: reading.carryM,
              readings: reading.readings,
            },
          })
      }
      const looks = launchLooks(
        BAG,
        strikes.map(one => one.shot),
      )
      for (const { strike, misread, shot } of strikes) {
        const flagged = looks.has(shot.id)
        if (misread || strike.kind === 'flyer') {
          counts.odd += 1
          counts.found += Number(flagged)
        } else if (strike.kind === 'clean') {
          counts.good += 1
          counts.alarms += Number(flagged)
        }
      }
    }
    expect(counts.odd).toBeGreaterThan(60)
    expect(counts.found / counts.odd).toBeGreaterThan(0.9)
    expect(counts.alarms / counts.good).toBeLessThan(0.02)
  })
})

describe('readings', () => {
  it('make a launch only when speed, angle and spin were read', () => {
    expect(launchOf({ ballSpeedMs: 30, launchDeg: 30, spinRpm: 8000 })).toEqual({
      speedMs: 30,
      launchDeg: 30,
      spinRpm: 8000,
      azimuthDeg: 0,
      tiltDeg: 0,
    })
    expect([
      launchOf({ spinRpm: 8000 }),
      neutralFlight({ spinRpm: 8000 }, newMemo()),
      neutralFlight(undefined, newMemo()),
    ]).toEqual([null, null, null])
    expect(launchOf({ launchDeg: 30, spinRpm: 8000 })).toBeNull()
  })

  it('are read in any unit, and what cannot be is named with what is allowed', () => {
    const faults: string[] = []
    const readAll = (cells: Record<string, string>) =>
      readReadings(cells, (column, value, fault) => faults.push(`${column} "${value}" ${rowFaultText(fault)}`))
    expect(
      readAll({
        ball_speed_mph: '85',
        club_speed_kmh: '120',
        launch_deg: '30.5',
        spin_rpm: '9800',
        side_yd: '-2',
        carry_basis: 'Computed',
      }),
    ).toEqual({
      ballSpeedMs: 85 * 0.44704,
      clubSpeedMs: 120 / 3.6,
      launchDeg: 30.5,
      spinRpm: 9800,
      sideM: -1.8288,
      carryBasis: 'computed',
    })
    expect([
      readAll({}),
      readAll({ indoors: 'no' }),
      readAll({ indoors: 'yes' }),
      readAll({ indoors: 'yes', carry_basis: 'flown' }),
    ]).toEqual([undefined, undefined, { carryBasis: 'computed' }, { carryBasis: 'flown' }])
    expect(faults).toEqual([])
    readAll({ spin_rpm: '-5', ball_speed_mps: 'NaN', launch_deg: '120' })
    expect(readAll({ launch_deg: '30' })).toEqual({ launchDeg: 30 })
    expect(faults).toEqual([
      'ball_speed_mps "NaN" is not a number that makes 0.5 to 100 m/s',
      'launch_deg "120" is not a number that makes -10 to 89 °',
      'spin_rpm "-5" is not a number that makes 0 to 20000 rpm',
    ])
    expect(writeReadings(null)).toHaveLength(READING_COLUMNS_OUT.length)
    expect(READING_COLUMNS_IN).toEqual(expect.arrayContaining(READING_COLUMNS_OUT))
  })

  it('are checked on their way to the server too', () => {
    const faultsOf = (value: object) => ReadingsRecord.safeParse(value).error?.issues.map(issue => issue.message) ?? []
    expect(faultsOf({ spinRpm: -5 })).toEqual(['Spin -5 rpm is not possible: 0 to 20000 rpm is allowed.'])
    expect(faultsOf({ launchDeg: 30 })).toEqual([])
    expect(faultsOf({ wobble: 3 })).toHaveLength(1)
    expect(faultsOf(Object.fromEntries(READING_NAMES.map(name => [name, 5])))).toEqual([])
  })

  it('are said with their units, to what is known', () => {
    expect(
      readingTexts({ sideM: -1.9, spinRpm: 8153, launchDeg: 31.2, ballSpeedMs: 38, carryBasis: 'computed' }, 'yd'),
    ).toEqual([
      '2 yd left',
      'spin 8,150 rpm',
      'launch 31°',
      'ball 85 mph',
      'carry worked out by the device, in still air',
    ])
    expect(readingTexts({ clubSpeedMs: 30, descentDeg: 50.6, apexM: 24.4, totalM: 92 }, 'm')).toEqual([
      'club 108 km/h',
      'descent 51°',
      'apex 24 m',
      'total 92 m',
    ])
    expect([sideText(0.2, 'yd'), sideText(3, 'm'), speedText(30, 'm'), spinText(999)]).toEqual([
      'on the line',
      '3 m right',
      '108 km/h',
      '1,000',
    ])
  })

  it('things are grouped in the order they came', () => {
    expect([...groupBy([3, 1, 4, 1, 5], n => n % 2 === 0)]).toEqual([
      [false, [3, 1, 1, 5]],
      [true, [4]],
    ])
  })
})
