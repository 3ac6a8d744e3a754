import { describe, expect, it } from 'vitest'
import type { z } from 'zod'
import { SignIn, SignUp } from '../../shared/schemas/account'
import { yardsToMetres } from '../../core/units'
import { BagChange } from '../../shared/schemas/bag'
import { BagFile } from '../../shared/schemas/bag-file'
import { calibrationOptions, flagOptions, newestMethod, playerShots } from '../../shared/calibration-input'
import { NewPlayer, PlayerChange } from '../../shared/schemas/player'
import { fromColumns, readingColumns, toColumns } from '../../shared/shot-columns'
import { SessionRecord, ShotBatch, ShotRecord } from '../../shared/schemas/session'
import { toShot } from '../../shared/session'
import { USUAL_PLAN } from '../../shared/choices'

const id = (n: number) => `019e0000-0000-7000-8000-${String(n).padStart(12, '0')}`
const faults = (schema: z.ZodType, value: unknown) =>
  schema.safeParse(value).error?.issues.map(i => `${i.path.join('.')}: ${i.message}`) ?? []

const shot = {
  id: id(1),
  sessionId: id(2),
  clubId: id(3),
  rungId: id(4),
  carryM: 65.8,
  method: 'monitor',
  balls: 1,
  hitAtMs: 1.7e12,
  leftOut: null,
  strike: null,
  readings: null,
  taken: null,
  deleted: false,
  version: 1,
} as const
const club = { id: id(1), label: '56°', name: '', loftDeg: 56, retired: false }
const rung = { id: id(9), label: '9:00', cue: '', flight: 'normal', retired: false }
const bag = (change: object = {}) => ({
  version: 1,
  clubs: [club],
  scale: { school: 'clock', rungs: [rung] },
  struckOut: [],
  ...change,
})

describe('what is refused at the border, with the value and what is allowed', () => {
  it.each([
    ['a carry of nought', { carryM: 0 }, 'carryM: Carry 0 m is not possible: 0.9144 to 365.76 m is allowed.'],
    ['a negative carry', { carryM: -5 }, 'carryM: Carry -5 m is not possible: 0.9144 to 365.76 m is allowed.'],
    ['401 yd', { carryM: 366.6744 }, 'carryM: Carry 366.6744 m is not possible: 0.9144 to 365.76 m is allowed.'],
    ['a carry of text', { carryM: 'abc' }, 'carryM: Carry "abc" is not possible: 0.9144 to 365.76 m is allowed.'],
    ['no carry', { carryM: undefined }, 'carryM: Carry is missing: give 0.9144 to 365.76 m.'],
    [
      'NaN, which JSON cannot say',
      { carryM: Number.NaN },
      'carryM: Carry NaN m is not possible: 0.9144 to 365.76 m is allowed.',
    ],
    ['a time beyond all times', { hitAtMs: 9e15 }, 'hitAtMs: Time must be a time in whole milliseconds.'],
    ['an id that is none', { clubId: '7' }, 'clubId: "7" is not an id: a UUID in lower case is needed.'],
    [
      'an unknown method',
      { method: 'radar' },
      'method: Method "radar" is not known: one of monitor, laser, paces, watch, guess.',
    ],
    [
      'a reason of 121 characters',
      { leftOut: 'x'.repeat(121) },
      `leftOut: Reason "${'x'.repeat(40)}…" has 121 characters: at most 120 are allowed.`,
    ],
  ])('%s', (_, change, words) => {
    expect(faults(ShotRecord, { ...shot, ...change })).toEqual([words])
  })

  it('an unknown club label is data, not an error, but two of one name are', () => {
    expect(faults(BagChange, bag())).toEqual([])
    expect(faults(BagChange, bag({ clubs: [club, { ...club, id: id(2), label: '56°' }] }))).toEqual([
      'clubs.1.label: Club "56°" is there twice: each needs a name of its own.',
    ])
    expect(faults(BagChange, bag({ scale: { school: 'clock', rungs: [rung, { ...rung, id: id(8) }] } }))).toEqual([
      'scale.rungs.1.label: Swing length "9:00" is there twice: each needs a name of its own.',
    ])
    expect(
      faults(BagChange, bag({ scale: { school: 'clock', rungs: [rung, { ...rung, id: id(8), flight: 'low' }] } })),
    ).toEqual([])
  })

  it.each([
    [5, 'clubs.0.loftDeg: Loft 5° is not possible: 8 to 70° is allowed.'],
    [95, 'clubs.0.loftDeg: Loft 95° is not possible: 8 to 70° is allowed.'],
    ['steep', 'clubs.0.loftDeg: Loft "steep" is not possible: 8 to 70° is allowed.'],
    [undefined, 'clubs.0.loftDeg: Loft is missing: give 8 to 70°.'],
  ])('a loft of %s', (loftDeg, words) => {
    expect(faults(BagChange, bag({ clubs: [{ ...club, loftDeg }] }))).toEqual([words])
  })

  it('a share of full is told in per cent', () => {
    expect(faults(BagChange, bag({ scale: { school: 'clock', rungs: [{ ...rung, fraction: 1.5 }] } }))).toEqual([
      'scale.rungs.0.fraction: Share of full 150 % is not possible: 5 to 130 % is allowed.',
    ])
  })

  it('a struck-out cell of a club that is not there, and one id twice', () => {
    expect(faults(BagChange, bag({ struckOut: [{ clubId: id(7), rungId: id(9) }] }))).toEqual([
      'struckOut.0.clubId: A stock shot that is not used names a club that is not in the bag.',
    ])
    expect(faults(BagChange, bag({ scale: { school: 'clock', rungs: [{ ...rung, id: id(1) }] } }))).toEqual([
      'clubs: Two clubs or swing lengths have the same id.',
    ])
  })

  it('a name of 10,000 characters, an empty one, one with a line break; script is only text', () => {
    const player = (name: unknown) => ({ id: id(1), name, level: 'unknown', note: '' })
    expect(faults(NewPlayer, player('n'.repeat(10_000)))[0]).toMatch(/has 10000 characters: at most 80 are allowed\.$/)
    expect(faults(NewPlayer, player('  '))).toEqual(['name: Name is empty: give 1 to 80 characters.'])
    expect(faults(NewPlayer, player('a\nb'))[0]).toMatch(/line break/)
    expect(faults(NewPlayer, player(7))).toEqual(['name: Name "7" is not text.'])
    expect(NewPlayer.parse(player(' <script>alert(1)</script> ')).name).toBe('<script>alert(1)</script>')
    expect(faults(PlayerChange, { version: 0 })).toEqual([
      'version: Version "0" is not a whole number from 1 to 2147483647.',
    ])
  })

  it('too many shots at once, or none', () => {
    expect(faults(ShotBatch, { shots: [] })).toEqual(['shots: No shots were sent.'])
    expect(faults(ShotBatch, { shots: Array(501).fill(shot) })).toEqual([
      'shots: At most 500 shots can be sent at once.',
    ])
  })

  it('a password that is too short for a new account may still be typed at sign-in', () => {
    expect(faults(SignUp, { name: 'A', academy: 'B', email: 'a@b.example', password: 'short' })).toEqual([
      'password: Password is too short: 12 to 200 characters are needed.',
    ])
    expect(faults(SignIn, { email: 'a@b.example', password: 'short' })).toEqual([])
    expect(faults(SignIn, { email: 'nobody', password: 'x' })).toEqual([
      'email: E-mail "nobody" is not an address such as name@example.org.',
    ])
  })

  it.each([
    ['format', { format: undefined }, 'format: format is missing: "uzzet-bag" is needed.'],
    ['version', { version: 2 }, 'version: version "2" is not known: 1 is.'],
    [
      'loft',
      { clubs: [{ label: 'a', loftDeg: -4 }] },
      'clubs.0.loftDeg: Loft -4° is not possible: 8 to 70° is allowed.',
    ],
    [
      'rungs that repeat',
      { scale: { school: 'clock', rungs: [{ label: '9:00' }, { label: '9:00' }] } },
      'scale.rungs.1.label: Swing length "9:00" is there twice: each needs a name of its own.',
    ],
    ['no clubs', { clubs: [] }, 'clubs: clubs is empty: one club or more is needed.'],
  ])('a bag file with a wrong %s', (_, change, words) => {
    expect(
      faults(BagFile, {
        format: 'uzzet-bag',
        version: 1,
        clubs: [{ label: '56°', loftDeg: 56 }],
        scale: { school: 'clock', rungs: [{ label: '9:00' }] },
        ...change,
      }),
    ).toEqual([words])
  })
})

describe('records on their way', () => {
  it('a session is what the browser says it is', () => {
    expect(
      faults(SessionRecord, {
        id: id(1),
        startedAtMs: 1.7e12,
        endedAtMs: null,
        method: 'laser',
        ball: 'own',
        surface: 'mat',
        version: 1,
      }),
    ).toEqual([])
    expect(
      faults(SessionRecord, {
        id: id(1),
        startedAtMs: 5.5,
        endedAtMs: null,
        method: 'laser',
        ball: 'own',
        surface: 'mat',
        version: 1,
      }),
    ).toEqual(['startedAtMs: Start must be a time in whole milliseconds.'])
  })

  it('a shot for the core carries neither version nor mark', () => {
    expect(toShot(shot)).toEqual({
      id: id(1),
      sessionId: id(2),
      clubId: id(3),
      rungId: id(4),
      carryM: 65.8,
      method: 'monitor',
      balls: 1,
      hitAtMs: 1.7e12,
      leftOut: null,
      strike: null,
    })
    // What an older page kept in the browser has no strike yet.
    expect(ShotRecord.parse({ ...shot, strike: undefined }).strike).toBeNull()
    expect(faults(ShotRecord, { ...shot, strike: 'shank' })).toEqual([
      'strike: Strike "shank" is not known: one of clean, mishit, thin, heavy, toe, heel, flyer.',
    ])
  })

  it('shots become columns and shots again, whatever they have', () => {
    const called = { ...shot, id: id(5), clubId: id(6), strike: 'thin' as const, readings: { spinRpm: 8000 } }
    const all = [shot, called, { ...shot, id: id(7), leftOut: 'warm-up', taken: { steps: 90 } }].map(one =>
      ShotRecord.parse(one),
    )
    const columns = toColumns(field => all.map(one => one[field]))
    expect(columns.clubIds).toEqual([id(3), id(6)])
    expect(columns.clubIndex).toEqual([0, 1, 0])
    expect(columns.strikes).toEqual([[1, 'thin']])
    expect(fromColumns(columns)).toEqual(all)
  })

  it('columns become shots again', () => {
    expect(
      fromColumns({
        id: [id(1)],
        sessionIds: [id(2)],
        sessionIndex: [0],
        clubIds: [id(3)],
        clubIndex: [0],
        rungIds: [id(4)],
        rungIndex: [0],
        carryM: [65.8],
        method: ['monitor'],
        balls: [1],
        hitAtMs: [1.7e12],
        leftOut: [null],
        strikes: [],
        readings: readingColumns([]),
        taken: [],
        version: [1],
      }),
    ).toEqual([shot])
    const readings = readingColumns([[1, { spinRpm: 8000, carryBasis: 'computed' }]])
    expect(
      fromColumns({
        id: [id(1), id(5)],
        sessionIds: [id(2)],
        sessionIndex: [0, 0],
        clubIds: [id(3)],
        clubIndex: [0, 0],
        rungIds: [id(4)],
        rungIndex: [0, 0],
        carryM: [65.8, 60],
        method: ['monitor', 'laser'],
        balls: [1, 4],
        hitAtMs: [1.7e12, 1.8e12],
        leftOut: [null, 'thin'],
        strikes: [[1, 'thin']],
        readings,
        taken: [[1, { mishits: 2 }]],
        version: [1, 2],
      })[1],
    ).toMatchObject({
      taken: { mishits: 2 },
      readings: { spinRpm: 8000, carryBasis: 'computed' },
      id: id(5),
      carryM: 60,
      method: 'laser',
      balls: 4,
      leftOut: 'thin',
      strike: 'thin',
      version: 2,
    })
  })

  it('thresholds reach the rules they belong to', () => {
    expect(flagOptions({ widestStepM: 9, asMeasured: true })).toEqual({ widestStepM: 9 })
    expect(flagOptions({}, { widestStepM: 7, staleDays: 40 })).toEqual({ widestStepM: 7, staleDays: 40 })
    expect(flagOptions({ widestStepM: 9 }, { widestStepM: 7, staleDays: 40 })).toEqual({
      widestStepM: 9,
      staleDays: 40,
    })
    expect(calibrationOptions({}, 'laser', { academyThresholds: { withinM: 4 } }).withinM).toBe(4)
    expect(calibrationOptions({ closestM: 3 }, 'laser')).toEqual({
      flags: { closestM: 3 },
      withinM: yardsToMetres(3),
      method: 'laser',
      neutralAir: true,
    })
    expect(calibrationOptions({ asMeasured: true }, 'laser').neutralAir).toBe(false)
    expect(faults(PlayerChange, { version: 1, thresholds: { withinM: 0.1 } })).toEqual([
      'thresholds.withinM: Wanted certainty 0.1 m is not possible: 0.9144 to 18.288 m is allowed.',
    ])
  })

  it('a record becomes what the numbers are made from: without what was deleted, measured as the newest session does', () => {
    const session = {
      id: id(2),
      startedAtMs: 1.7e12,
      endedAtMs: null,
      method: 'laser' as const,
      ball: 'range' as const,
      surface: 'mat' as const,
      air: [],
      plan: USUAL_PLAN,
      version: 1,
    }
    const record = playerShots(
      { level: 'good' },
      { clubs: [], scale: { school: 'clock', rungs: [] }, struckOut: [] },
      [session],
      [shot, { ...shot, id: id(8), deleted: true }],
      5,
    )
    expect(record).toMatchObject({
      level: 'good',
      nowMs: 5,
      shots: [{ id: id(1) }],
      sessions: [{ id: id(2), startedAtMs: 1.7e12, method: 'laser', ball: 'range' }],
    })
    expect([newestMethod([session, { ...session, startedAtMs: 1.6e12, method: 'paces' }]), newestMethod([])]).toEqual([
      'laser',
      'monitor',
    ])
  })
})
