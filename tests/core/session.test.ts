import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cellKey, type StockShot } from '../../core/bag/bag'
import { plusMinusM } from '../../core/chart/chart-cell'
import type { PlayerShots } from '../../core/shot/player-shots'
import { asPitched, runBeforeM } from '../../core/corrections/pitched'
import { nextInOrder, ORDERS, walk } from '../../core/session/order'
import { combineWays, fixErrorM, placesApartM, shotErrorM } from '../../core/shot/measuring'
import { readTypedBall, type TypedUnits } from '../../core/shot/typed-ball'
import { ballFaultText } from '../../words/typed'
import { yardsToMetres } from '../../core/units'
import { MARKS, markFields, marksOf, mended } from '../../shared/marks'
import { runText, swungText, lastedText, oddBallsText } from '../../words/sessions'
import { orderTexts } from '../../words/next'
import { RangeRecord } from '../../shared/schemas/range'
import { takenTexts } from '../../words/readings'
import { SessionPlan, SessionRecord, TakenRecord, type ShotRecord } from '../../shared/schemas/session'
import { toSession, toShot } from '../../shared/session'
import { USUAL_PLAN } from '../../shared/choices'
import { whatWasLearned } from '../../core/history/learned'
import { bagOf, balls, calibrated, DAY_MS, tenBalls } from './players'

const BAG = bagOf({ '60°': 60, '54°': 54, '50°': 50 }, ['half', 'full'], 'arm', [['60°', 'full']])
const id = (n: number) => `019e0000-0000-7000-8000-${String(n).padStart(12, '0')}`
const faults = (
  schema: { safeParse: (value: unknown) => { error?: { issues: { path: PropertyKey[]; message: string }[] } } },
  value: unknown,
) => schema.safeParse(value).error?.issues.map(issue => `${issue.path.join('.')}: ${issue.message}`) ?? []

const METRIC: TypedUnits = { distance: 'm', speed: 'km/h', height: 'm' }
const YARDS: TypedUnits = { distance: 'yd', speed: 'mph', height: 'ft' }

describe('a ball as it is typed', () => {
  it.each([
    ['72', { carryM: 72 }],
    ['72 4r', { carryM: 72, sideM: 4 }],
    ['72 r4', { carryM: 72, sideM: 4 }],
    ['72r4', { carryM: 72, sideM: 4 }],
    ['72,5 2l t79', { carryM: 72.5, sideM: -2, totalM: 79 }],
    [' 72  1.5L ', { carryM: 72, sideM: -1.5 }],
    ['72t79r4', { carryM: 72, sideM: 4, totalM: 79 }],
    ['72 0r', { carryM: 72, sideM: 0 }],
    ['72 79t 2l', { carryM: 72, totalM: 79, sideM: -2 }],
    ['72 <4', { carryM: 72, sideM: -4 }],
    ['72>4s6600', { carryM: 72, sideM: 4, spinRpm: 6600 }],
    ['72 4l l29', { carryM: 72, sideM: -4, launchDeg: 29 }],
    ['72 f80 h24', { carryM: 72, feltPercent: 80, apexM: 24 }],
    ['72yd', { carryM: expect.closeTo(65.8368, 9) as number }],
    ['72 c30m/s b36mps', { carryM: 72, clubSpeedMs: 30, ballSpeedMs: 36 }],
    ['72 h80ft t80yd', { carryM: 72, apexM: expect.closeTo(24.384, 9) as number, totalM: 73.152 }],
  ])('"%s"', (text, ball) => expect(readTypedBall(text, METRIC)).toEqual(ball))

  it('reads all that a device tells in one line, in the units of who reads yards', () => {
    const ball = readTypedBall('72 4r s6600 l29 c68', YARDS)
    expect(ball).toEqual({
      carryM: expect.closeTo(65.8368, 9) as number,
      sideM: expect.closeTo(3.6576, 9) as number,
      spinRpm: 6600,
      launchDeg: 29,
      clubSpeedMs: expect.closeTo(30.39872, 9) as number,
    })
  })

  it.each([
    ['', 'No carry yet: type 1 to 400 yd.'],
    ['r4', '"r4" is not a number: type 1 to 400 yd.'],
    ['72 900r', '"900r" is too far beside the line.'],
    ['72 t0', '"t0" is not a possible total.'],
    ['999', '999 yd is not possible: type 1 to 400 yd.'],
    ['72 l4', '"l4" is not a possible launch: 8 to 89°. Left of the line is 4l.'],
    ['72 s99999', '"s99999" is not a possible spin: 0 to 20000 rpm.'],
    ['72 c400', '"c400" is not a possible club speed: 2 to 156 mph.'],
    ['72 s6600m', '"s6600m" has a unit that does not go with it.'],
    ['72 f200', '"f200" is not possible: how full it felt is 1 to 150 per cent.'],
  ])('"%s" is refused by its part', (text, words) => {
    const found = readTypedBall(text, YARDS)
    expect('fault' in found && ballFaultText(found, YARDS)).toBe(words)
  })

  it('a figure without a letter is asked about, with all that may stand there', () => {
    const found = readTypedBall('72 4', YARDS)
    expect('fault' in found && ballFaultText(found, YARDS)).toMatch(/^"4" is not understood: 4r is 4 yd right/)
  })

  it('never throws, whatever is typed', () => {
    const sane = (text: string) => {
      const ball = readTypedBall(text, METRIC)
      return 'fault' in ball
        ? ballFaultText(ball, METRIC).length > 10
        : ball.carryM >= 0.9 && ball.carryM <= 366 && Math.abs(ball.sideM ?? 0) <= 366
    }
    fc.assert(fc.property(fc.string(), sane))
    fc.assert(fc.property(fc.stringMatching(/^[0-9lrtsbchf<>.,my/ ]{0,20}$/), sane))
  })
})

describe('ways of measuring', () => {
  it('put together weigh by their errors, and are surer than either', () => {
    const both = combineWays([
      { method: 'laser', distanceM: 21 },
      { method: 'paces', distanceM: 22 },
    ])
    // 1.3716 m of the laser against 0.66 of the paces.
    expect(both.distanceM).toBeCloseTo((21 / 1.3716 ** 2 + 22 / 0.66 ** 2) / (1 / 1.3716 ** 2 + 1 / 0.66 ** 2), 9)
    expect(both.errorM).toBeLessThan(0.66)
    expect(combineWays([{ method: 'laser', distanceM: 50 }]).errorM).toBeCloseTo(1.3716, 9)
    // Common practice: a pile lasered 23 and paced 24 was written 23.5.
    const yd = combineWays([
      { method: 'laser', distanceM: yardsToMetres(23) },
      { method: 'paces', distanceM: yardsToMetres(24) },
    ])
    expect(yd.distanceM / 0.9144).toBeGreaterThan(23.4)
  })

  it('measure between places as the great circle does, with the error of both fixes', () => {
    // One minute of latitude is about a nautical mile, 1852 m (its definition until 1929; 1853 on this sphere).
    expect(placesApartM({ lat: 45, lon: 7 }, { lat: 45 + 1 / 60, lon: 7 })).toBeCloseTo(1853.2, 0)
    expect(
      placesApartM({ lat: 60, lon: 0 }, { lat: 60, lon: 0.001 }) /
        placesApartM({ lat: 0, lon: 0 }, { lat: 0, lon: 0.001 }),
    ).toBeCloseTo(0.5, 4)
    expect(placesApartM({ lat: 5, lon: 5 }, { lat: 5, lon: 5 })).toBe(0)
    expect(fixErrorM(3, 4)).toBeCloseTo(5 / 1.96, 9)
    expect([
      shotErrorM({ method: 'watch', carryM: 80, errorM: 2 }),
      shotErrorM({ method: 'paces', carryM: 60 }),
    ]).toEqual([2, expect.closeTo(1.8, 9)])
  })
})

describe('what lies is not what pitched', () => {
  it.each([
    [50, 74, 1.6, 3],
    [54, 56, 1.4, 1],
    [58, 46, 1.1, 2],
  ])('%i°, %i yd: the run is near %f yd (common practice saw up to %i)', (loft, carryYd, runYd) => {
    const lieM = yardsToMetres(carryYd + runYd)
    expect(runBeforeM(loft, lieM, 'soft') / 0.9144).toBeCloseTo(runYd, 0)
    expect(runBeforeM(loft, lieM, 'firm')).toBeGreaterThan(2 * runBeforeM(loft, lieM, 'soft'))
  })

  it('takes the run out of balls that lie, leaves the others, and makes a session as much less sure', () => {
    const lying = balls('50°', 'half', [76, 77, 75], { lies: 'medium', method: 'laser' })
    const marks = balls('54°', 'half', [56], { method: 'laser' })
    const iron = { ...bagOf({ '50°': 50, '54°': 54, '5 iron': 27 }, ['half']) }
    const long = balls('5 iron', 'half', [150], { lies: 'firm' })
    const record: Pick<PlayerShots, 'bag' | 'shots' | 'sessions'> = {
      bag: iron,
      shots: [...lying, ...marks, ...long],
      sessions: [{ id: 's', startedAtMs: DAY_MS, method: 'laser', ball: 'own' }],
    }
    const { shots, sessions } = asPitched(record)
    expect(
      shots
        .slice(0, 3)
        .every((shot, i) => shot.carryM < lying[i]!.carryM - 2 && shot.lies === undefined && shot.errorM !== undefined),
    ).toBe(true)
    expect([shots[3]!.carryM, shots[4]!.carryM]).toEqual([marks[0]!.carryM, long[0]!.carryM])
    expect(sessions[0]!.commonSd).toBeGreaterThan(0.01)
    expect(asPitched({ ...record, shots: marks })).toMatchObject({ shots: marks })
    // In the chart: shorter, and less sure.
    const chartOf = (list: typeof lying) =>
      calibrated(iron, list, { sessions: record.sessions }).chart.find(cell => cell.clubId === '50°')!
    const [rest, pitch] = [chartOf(lying), chartOf(lying.map(({ lies: _, ...shot }) => shot))]
    expect(rest.carryM!).toBeLessThan(pitch.carryM! - 1)
    expect(plusMinusM(rest)!).toBeGreaterThan(plusMinusM(pitch)!)
  })
})

describe('the order of work', () => {
  const key = (club: string, swing: string) => cellKey({ clubId: club, rungId: swing })
  const usual = { atOnce: 3, left: null, carryOf: () => 80, enough: () => false }
  const names = (cells: StockShot[]) => cells.map(cell => `${cell.clubId} ${cell.rungId}`)

  it('goes through the grid as its name says, past what is struck out and what is touch', () => {
    expect(names(walk('club', BAG, () => null))).toEqual(['60° half', '54° half', '54° full', '50° half', '50° full'])
    expect(names(walk('length', BAG, () => null))).toEqual(['60° half', '54° half', '50° half', '54° full', '50° full'])
    expect(names(walk('full-first', BAG, () => null))).toEqual([
      '54° full',
      '50° full',
      '60° half',
      '54° half',
      '50° half',
    ])
    expect(names(walk('full-first', BAG, cell => (cell.clubId === '60°' ? yardsToMetres(40) : 80)))).not.toContain(
      '60° half',
    )
  })

  it('finishes what was begun, then goes on, and ends', () => {
    expect(nextInOrder('club', BAG, new Map(), usual)).toEqual({ clubId: '60°', rungId: 'half', balls: 3 })
    expect(
      nextInOrder(
        'club',
        BAG,
        new Map([
          [key('60°', 'half'), 3],
          [key('54°', 'half'), 1],
        ]),
        usual,
      ),
    ).toEqual({ clubId: '54°', rungId: 'half', balls: 2 })
    const all = new Map(walk('club', BAG, () => null).map(cell => [cellKey(cell), 3]))
    expect(nextInOrder('club', BAG, all, usual)).toEqual({ clubId: '60°', rungId: 'half', balls: 3 })
    expect(nextInOrder('club', BAG, all, { ...usual, enough: () => true })).toBeNull()
    // Round again, past what is known well enough and what the coach has closed.
    const again = { ...usual, enough: (at: StockShot) => at.clubId === '60°' }
    expect(nextInOrder('club', BAG, all, again)).toEqual({ clubId: '54°', rungId: 'half', balls: 3 })
    const closed = (at: StockShot) => at.rungId === 'half'
    expect(nextInOrder('club', BAG, all, { ...again, closed })).toEqual({ clubId: '54°', rungId: 'full', balls: 3 })
    const begun = new Map([...all, [key('54°', 'half'), 4]])
    expect(nextInOrder('club', BAG, begun, again)).toEqual({ clubId: '54°', rungId: 'half', balls: 2 })
    expect(nextInOrder('length', BAG, new Map(), { ...usual, left: 0 })).toBeNull()
  })

  it('makes the best of a small bucket: fewer balls each, and only where the number is not known', () => {
    expect(nextInOrder('club', BAG, new Map(), { ...usual, left: 10 })).toMatchObject({ balls: 2 })
    expect(nextInOrder('club', BAG, new Map(), { ...usual, left: 10, enough: cell => cell.clubId === '60°' })).toEqual({
      clubId: '54°',
      rungId: 'half',
      balls: 2,
    })
    expect(nextInOrder('club', BAG, new Map(), { ...usual, left: 4, enough: () => true })).toBeNull()
  })

  it('has words for every order', () => {
    for (const order of ORDERS) expect(orderTexts[order].name.length).toBeGreaterThan(3)
    expect(orderTexts['length'].why).toMatch(/across all clubs/)
  })
})

describe('marks', () => {
  it('weigh a strike less and leave a swing of another length out', () => {
    const ball = { rungId: 'r', leftOut: null, taken: null }
    expect(MARKS.map(mark => markFields(mark, ball))).toEqual([
      { strike: 'mishit' },
      { strike: 'flyer' },
      { taken: { face: 'open' } },
      { taken: { face: 'closed' } },
      { strike: 'thin' },
      { strike: 'heavy' },
      { strike: 'toe' },
      { strike: 'heel' },
      { leftOut: 'swung long' },
      { leftOut: 'swung short' },
    ])
  })

  it('of the face and of the coach are told beside a ball that counts; said twice they are taken back', () => {
    const ball = { rungId: 'r', leftOut: null, taken: { heightM: 3 } }
    const pushed = { ...ball, ...markFields('face open', ball) }
    expect(pushed.taken).toEqual({ heightM: 3, face: 'open' })
    expect(markFields('face closed', pushed).taken).toEqual({ heightM: 3, face: 'closed' })
    expect(markFields('face open', pushed).taken).toEqual({ heightM: 3 })
    const own = { ...ball, ...markFields({ own: 'windy' }, ball) }
    expect(own.taken).toEqual({ heightM: 3, marks: ['windy'] })
    expect(markFields({ own: 'windy' }, own).taken).toEqual({ heightM: 3 })
    expect(marksOf({ strike: 'flyer', taken: { face: 'open', marks: ['windy'] } })).toEqual([
      'flyer',
      'face open',
      'windy',
    ])
  })

  it('a figure that is mended keeps what stood there, readings too', () => {
    const was = { carryM: 70, readings: { spinRpm: 6600 }, taken: null }
    expect(mended(was, { carryM: 70, readings: { spinRpm: 6600 } })).toEqual(was)
    const now = mended(was, { carryM: 72, readings: { spinRpm: 8600 } })
    expect(now.taken?.was).toMatchObject([{ carryM: 70, readings: { spinRpm: 6600 } }])
    expect(mended(was, { carryM: 72, readings: was.readings }).taken?.was?.[0]).not.toHaveProperty('readings')
  })

  it('put a ball to the length that was really swung, and keep what was asked', () => {
    const long = { rungId: '9', leftOut: 'swung long', taken: { lies: 'soft' as const } }
    const moved = markFields({ swungRungId: '10' }, long)
    expect(moved).toEqual({ rungId: '10', leftOut: null, taken: { lies: 'soft', askedRungId: '9' } })
    // Seen otherwise on second thought, then as it was asked after all.
    expect(markFields({ swungRungId: '11' }, { ...long, ...moved })).toMatchObject({
      rungId: '11',
      taken: { askedRungId: '9' },
    })
    expect(markFields({ swungRungId: '9' }, { rungId: '10', leftOut: 'misread', taken: { askedRungId: '9' } })).toEqual(
      { rungId: '9', leftOut: 'misread', taken: null },
    )
  })

  it('are counted per swing length, and a run of strange balls has its advice', () => {
    const list = (...marks: (string | null)[]) => marks.map(leftOut => ({ leftOut, rungId: '9', taken: null }))
    const words = (balls: Parameters<typeof swungText>[1]) =>
      swungText({ id: '9', name: '9:00' }, balls, ['8', '9', '10'])
    expect(words(list('swung long', null, 'heavy', 'swung long', null, null, 'swung short'))).toBe(
      'Asked for 9:00, went past it 2 and stopped short of it 1 of the last 7.',
    )
    expect(words(list(null, 'heavy'))).toBeNull()
    // Those whose real length was seen count for that, and are counted where they were asked for.
    const seen = (rungId: string) => ({ rungId, leftOut: null, taken: { askedRungId: '9' } })
    expect(
      words([seen('10'), seen('10'), seen('8'), ...list(null), { rungId: '10', leftOut: null, taken: null }]),
    ).toBe('Asked for 9:00, went past it 2 and stopped short of it 1 of the last 4.')
    expect(runText(['misread', 'misread', null, 'misread'])).toBe(
      '3 misreads of the last 4: change the ball, check the device.',
    )
    expect(runText(['flyer', null, 'flyer', null, 'flyer', null, 'flyer'])).toBe(
      '3 flyers of the last 6: clean the face.',
    )
    expect(runText([null, 'flyer', 'flyer', 'misread', 'misread'])).toBeNull()
  })
})

describe('the end of a session', () => {
  it('tells new numbers, those that lie otherwise than thought, and those still loose', () => {
    const before = calibrated(BAG, tenBalls('54°', 'half', 56)).chart
    const later = { hitAtMs: DAY_MS + 86_400_000, sessionId: 't' }
    const more = [
      ...tenBalls('54°', 'half', 56),
      ...tenBalls('54°', 'half', 66).map(shot => ({ ...shot, ...later, id: `${shot.id} t` })),
      ...balls('50°', 'full', [110], later),
    ]
    const learned = whatWasLearned(
      before,
      calibrated(BAG, more, { nowMs: DAY_MS + 2 * 86_400_000 }).chart,
      more.slice(10),
      yardsToMetres(3),
    )
    expect(learned.fresh.map(cell => `${cell.clubId} ${cell.rungId}`)).toEqual(['50° full'])
    expect(learned.moved.map(({ cell }) => cell.clubId)).toEqual(['54°'])
    expect(learned.loose.map(cell => cell.rungId)).toContain('full')
    expect(whatWasLearned(before, before, [], 1)).toEqual({ fresh: [], moved: [], loose: [] })
  })

  it('counts the odd ones, and says how long it took', () => {
    const ball = (change: Partial<ShotRecord>) => ({ leftOut: null, strike: null, balls: 1, taken: null, ...change })
    expect(
      oddBallsText([
        ball({}),
        ball({ leftOut: 'swung long' }),
        ball({ strike: 'heavy' }),
        ball({ strike: 'heavy' }),
        ball({ strike: 'clean' }),
        ball({ balls: 8, taken: { mishits: 2 } }),
      ]),
    ).toBe('2 heavy, 2 not put into a pile, 1 swung long')
    expect([lastedText(0, 80 * 60_000), lastedText(0, 3_600_000), lastedText(0, 5000)]).toEqual([
      '1 h 20 min',
      '1 h',
      '1 min',
    ])
  })
})

describe('how it was taken, on its way', () => {
  it('reaches the core: where it lies, how sure, how long the pile is', () => {
    const record: ShotRecord = {
      id: id(1),
      sessionId: id(2),
      clubId: id(3),
      rungId: id(4),
      carryM: 21.6,
      method: 'laser',
      balls: 8,
      hitAtMs: 1.7e12,
      leftOut: null,
      strike: null,
      readings: null,
      deleted: false,
      version: 1,
      taken: {
        lies: 'soft',
        laserM: 21,
        steps: 24,
        paceM: 0.92,
        frontM: 20,
        backM: 25,
        widthM: 4,
        mishits: 1,
        errorM: 0.6,
      },
    }
    expect(toShot(record)).toMatchObject({ lies: 'soft', errorM: 0.6, extentM: 5 })
    expect(takenTexts(record, 'm', id => id)).toEqual([
      'a pile of 8 balls',
      '1 mishit not in it',
      'lasered 21.0 m',
      '24 steps of 0.9 m',
      'from 20 to 25 m',
      '4 m wide',
      'good to ± 0.6 m',
      'to where it lies on soft ground, the run is taken out',
    ])
    expect(
      takenTexts({ balls: 1, taken: { sign: { id: id(5), name: 'the 100', distanceM: 86 }, offM: -5 } }, 'm', id => id),
    ).toEqual(['5 m short of "the 100" at 86.0 m'])
    expect(takenTexts({ balls: 1, taken: null }, 'm', id => id)).toEqual([])
    expect(faults(TakenRecord, { steps: 2.5 })).toEqual(['steps: Steps must be a whole number.'])
    expect(faults(TakenRecord, { paceM: 3 })).toEqual(['paceM: Pace 3 m is not possible: 0.5 to 1.5 m is allowed.'])
    expect(faults(TakenRecord, { guess: 1 })).toHaveLength(1)
  })

  it('a session has a plan, the usual one when an older page sent none, and no air indoors', () => {
    const session = {
      id: id(1),
      startedAtMs: 1.7e12,
      endedAtMs: null,
      method: 'laser',
      ball: 'own',
      surface: 'mat',
      version: 1,
      air: [
        {
          fromMs: 1.7e12,
          tempC: 12,
          humidity: 0.5,
          altitudeM: 0,
          qnhPa: null,
          wind: { speedMs: 3, clock: 12, judged: 'felt' },
          ground: 'open',
        },
      ],
    }
    const read = SessionRecord.parse(session)
    expect(read.plan).toEqual(USUAL_PLAN)
    expect([
      toSession(read).air!.length,
      toSession({ ...read, plan: { ...USUAL_PLAN, indoors: true } }).air!.length,
    ]).toEqual([1, 0])
    expect(faults(SessionPlan, { ...USUAL_PLAN, order: 'random', bucket: 0 })).toEqual([
      'order: Order "random" is not known: one of teach, club, length, full-first, free.',
      'bucket: Bucket 0 balls is not possible: 1 to 500 balls is allowed.',
    ])
  })

  it('a range names its signs once each, where they can be', () => {
    const sign = { id: id(9), name: 'the 100', kind: 'sign', distanceM: 86, heightM: 0, rightDeg: 0 }
    const range = {
      id: id(1),
      name: 'Home',
      altitudeM: 5,
      bearingDeg: 270,
      firmness: 'soft',
      targets: [sign],
      archived: false,
      version: 1,
    }
    expect(faults(RangeRecord, range)).toEqual([])
    expect(faults(RangeRecord, { ...range, targets: [sign, { ...sign, id: id(10), name: 'The 100' }] })).toEqual([
      'targets.1.name: "The 100" is there twice: each needs a name of its own.',
    ])
    expect(faults(RangeRecord, { ...range, bearingDeg: 400, targets: [{ ...sign, distanceM: 0 }] })).toEqual([
      'bearingDeg: Bearing 400° is not possible: 0 to 360° is allowed.',
      'targets.0.distanceM: Distance 0 m is not possible: 1 to 365.76 m is allowed.',
    ])
  })
})
