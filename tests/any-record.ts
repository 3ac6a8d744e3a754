import fc from 'fast-check'
import { cut } from '../core/cut'
import {
  CARRY_MAX_M,
  CARRY_MIN_M,
  FRACTION_MAX,
  FRACTION_MIN,
  HEIGHT_RANGE_M,
  LABEL_MAX,
  LOFT_MAX_DEG,
  LOFT_MIN_DEG,
} from '../core/limits'
import { REMARK_KINDS } from '../core/history/coach-remarks'
import { AIR_RANGE } from '../core/flight/air'
import { READING_NAMES, READING_RANGE } from '../core/shot/readings'
import { METHODS, STRIKES } from '../core/shot/shot'
import { FLIGHTS, rungName } from '../core/swing/scale'
import { SCHOOL_IDS } from '../core/swing/schools'
import { BagChange } from '../shared/schemas/bag'
import { CellRemarkRecord } from '../shared/schemas/cell-remark'
import { LEVELS } from '../core/level'
import { Thresholds } from '../shared/schemas/player'
import { FIRMNESSES, GROUNDS, USUAL_PLAN, WINDS_JUDGED } from '../shared/choices'
import { SessionRecord, ShotRecord } from '../shared/schemas/session'

/** Any record that the schemas take, the ends and the odd weighted: what no person would enter, but somebody will. */

/** An id by kind and place: no two are the same. */
const idOf = (kind: number, at: number) => `00000000-0000-7000-800${kind}-${String(at).padStart(12, '0')}`
const withIds = <T extends object>(kind: number, list: readonly T[]) =>
  list.map((item, at) => ({ ...item, id: idOf(kind, at) }))

/** A number between two ends, the ends themselves and zero often. */
export function anyNumber(least: number, most: number) {
  const ends = [least, most, ...(least < 0 && most > 0 ? [0] : [])]
  return fc.oneof(
    { weight: 1, arbitrary: fc.constantFrom(...ends) },
    { weight: 3, arbitrary: fc.double({ min: least, max: most, noNaN: true }) },
  )
}

const ODD_NAMES = [
  'constructor',
  '__proto__',
  'toString',
  'hasOwnProperty',
  '=1+1',
  '-3',
  '"',
  "'",
  ',',
  ';',
  'a\u0301',
  '👩‍🦰',
  '٣',
  'null',
  'NaN',
  'skip',
  '<b>',
  '56°',
  '5',
]

export function anyLabel(max = LABEL_MAX) {
  const long = fc
    .string({ unit: 'grapheme', minLength: 1, maxLength: max })
    .map(text => cut(text.trim(), max).trim())
    .filter(plain)
  return fc.oneof({ weight: 2, arbitrary: fc.constantFrom(...ODD_NAMES) }, { weight: 3, arbitrary: long })
}

// eslint-disable-next-line no-control-regex
const plain = (text: string) => text.trim().length > 0 && !/[\u0000-\u001F\u007F]/.test(text) && text === text.trim()

const DAY_MS = Date.UTC(2026, 4, 4)
const moment = fc.oneof(
  { weight: 2, arbitrary: fc.constant(DAY_MS) },
  { weight: 1, arbitrary: fc.integer({ min: Date.UTC(2000, 0, 1), max: DAY_MS + 40 * 86_400_000 }) },
  { weight: 3, arbitrary: fc.integer({ min: DAY_MS, max: DAY_MS + 40 * 86_400_000 }) },
)

const club = fc.record({
  label: anyLabel(),
  name: fc.oneof(fc.constant(''), anyLabel(30)),
  retired: fc.oneof({ weight: 9, arbitrary: fc.constant(false) }, { weight: 1, arbitrary: fc.constant(true) }),
  loftDeg: fc.oneof(fc.integer({ min: 40, max: 62 }), anyNumber(LOFT_MIN_DEG, LOFT_MAX_DEG)),
})
const rung = fc
  .record(
    {
      label: fc.oneof(fc.constantFrom('8:00', '9:00', 'full', '90%', 'belt'), anyLabel()),
      cue: fc.oneof(fc.constant(''), anyLabel(40)),
      flight: fc.constantFrom(...FLIGHTS),
      retired: fc.oneof({ weight: 9, arbitrary: fc.constant(false) }, { weight: 1, arbitrary: fc.constant(true) }),
    },
    { requiredKeys: ['label', 'cue', 'flight', 'retired'] },
  )
  .chain(base =>
    fc
      .option(anyNumber(FRACTION_MIN, FRACTION_MAX), { nil: undefined })
      .map(fraction => ({ ...base, ...(fraction !== undefined && { fraction }) })),
  )

const once = <T>(list: readonly T[], nameOf: (item: T) => string) => [
  ...new Map(list.map(item => [nameOf(item).toLowerCase(), item])).values(),
]

const anyBag = fc
  .record({
    clubs: fc.array(club, { minLength: 1, maxLength: 6 }).map(list =>
      withIds(
        1,
        once(list, one => one.label),
      ),
    ),
    rungs: fc.array(rung, { minLength: 1, maxLength: 5 }).map(list => withIds(2, once(list, rungName))),
    school: fc.constantFrom(...SCHOOL_IDS),
    strike: fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 2 }),
  })
  .map(({ clubs, rungs, school, strike }) =>
    BagChange.parse({
      version: 1,
      clubs,
      scale: { school, rungs },
      struckOut: strike.map(([c, r]) => ({ clubId: clubs[c % clubs.length]!.id, rungId: rungs[r % rungs.length]!.id })),
    }),
  )

const anyAir = fc.record({
  fromMs: moment,
  tempC: anyNumber(...AIR_RANGE.tempC),
  humidity: anyNumber(...AIR_RANGE.humidity),
  altitudeM: anyNumber(...AIR_RANGE.altitudeM),
  qnhPa: fc.option(anyNumber(...AIR_RANGE.qnhPa)),
  ground: fc.constantFrom(...GROUNDS),
  wind: fc.record({
    speedMs: anyNumber(...AIR_RANGE.windMs),
    clock: anyNumber(0.01, 12),
    judged: fc.constantFrom(...WINDS_JUDGED),
  }),
})

const anySession = fc.record({
  startedAtMs: moment,
  endedAtMs: fc.option(moment),
  method: fc.constantFrom(...METHODS),
  ball: fc.constantFrom('own' as const, 'range' as const),
  surface: fc.constantFrom('grass' as const, 'mat' as const),
  air: fc.oneof(
    { weight: 2, arbitrary: fc.constant([]) },
    { weight: 1, arbitrary: fc.array(anyAir, { maxLength: 2 }) },
  ),
  plan: fc
    .record({ indoors: fc.boolean(), name: fc.oneof(fc.constant(''), anyLabel(40)), gone: fc.boolean() })
    .map(change => ({ ...USUAL_PLAN, ...change })),
  version: fc.constant(1),
})

/** Carries as they come, and those that lie at an end. */
const anyCarry = fc.oneof(
  { weight: 4, arbitrary: fc.double({ min: 20, max: 140, noNaN: true }) },
  { weight: 1, arbitrary: anyNumber(CARRY_MIN_M, CARRY_MAX_M) },
  { weight: 1, arbitrary: fc.constantFrom(CARRY_MIN_M, 1, 1.8288, 30, CARRY_MAX_M) },
)

const anyReadings = fc.oneof(
  { weight: 3, arbitrary: fc.constant(null) },
  {
    weight: 1,
    arbitrary: fc.record(Object.fromEntries(READING_NAMES.map(name => [name, anyNumber(...READING_RANGE[name])])), {
      requiredKeys: ['ballSpeedMs'],
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      ballSpeedMs: fc.double({ min: 10, max: 60, noNaN: true }),
      launchDeg: fc.double({ min: 15, max: 50, noNaN: true }),
      spinRpm: fc.double({ min: 2000, max: 12_000, noNaN: true }),
    }),
  },
)

const anyTaken = fc.oneof(
  { weight: 3, arbitrary: fc.constant(null) },
  {
    weight: 1,
    arbitrary: fc.record(
      {
        lies: fc.constantFrom(...FIRMNESSES),
        heightM: fc.oneof(anyNumber(...HEIGHT_RANGE_M), fc.constantFrom(10, -10, 0.5)),
        frontM: anyNumber(0, CARRY_MAX_M),
        backM: anyNumber(0, CARRY_MAX_M),
        errorM: anyNumber(0, 100),
      },
      { requiredKeys: [] },
    ),
  },
)

const anyShot = fc.record({
  session: fc.nat(),
  club: fc.nat(),
  rung: fc.nat(),
  carryM: anyCarry,
  method: fc.constantFrom(...METHODS),
  balls: fc.oneof({ weight: 5, arbitrary: fc.constant(1) }, { weight: 1, arbitrary: fc.constantFrom(2, 9, 1000) }),
  hitAtMs: moment,
  leftOut: fc.oneof({ weight: 8, arbitrary: fc.constant(null) }, { weight: 1, arbitrary: anyLabel(120) }),
  strike: fc.option(fc.constantFrom(...STRIKES), { freq: 2 }),
  readings: anyReadings,
  taken: anyTaken,
  deleted: fc.oneof({ weight: 9, arbitrary: fc.constant(false) }, { weight: 1, arbitrary: fc.constant(true) }),
  version: fc.constantFrom(1, 2, 2 ** 31 - 1),
})

const anyWord = fc.record({
  club: fc.nat(),
  rung: fc.nat(),
  kind: fc.constantFrom(...REMARK_KINDS),
  carryM: anyCarry,
  why: fc.oneof(fc.constant(''), anyLabel(60)),
  saidAtMs: moment,
  holds: fc.boolean(),
})

export interface AnyRecord {
  name: string
  level: (typeof LEVELS)[number]
  thresholds: Thresholds
  bag: BagChange
  sessions: SessionRecord[]
  shots: ShotRecord[]
  words: CellRemarkRecord[]
}

/** A player's whole record; what the schemas refuse of it is not in it. */
export const anyRecord: fc.Arbitrary<AnyRecord> = fc
  .record({
    name: anyLabel(80),
    level: fc.constantFrom(...LEVELS),
    bag: anyBag,
    sessions: fc.array(anySession, { minLength: 1, maxLength: 3 }).map(list => withIds(3, list)),
    shots: fc.array(anyShot, { maxLength: 25 }).map(list => withIds(4, list)),
    words: fc.array(anyWord, { maxLength: 4 }).map(list => withIds(5, list)),
    measuredOnly: fc.boolean(),
    aimedStraight: fc.boolean(),
    asBalls: fc.boolean(),
    asMeasured: fc.boolean(),
    totalOn: fc.option(fc.constantFrom(...FIRMNESSES), { nil: undefined }),
  })
  .map(({ name, level, bag, sessions, shots, words, measuredOnly, aimedStraight, asBalls, asMeasured, totalOn }) => {
    const at = <T>(list: readonly T[], n: number) => list[n % list.length]!
    const cell = (c: number, r: number) => ({ clubId: at(bag.clubs, c).id, rungId: at(bag.scale.rungs, r).id })
    const taken = <T>(results: readonly { success: boolean; data?: T }[]) =>
      results.flatMap(result => (result.success ? [result.data!] : []))
    return {
      name,
      level,
      bag,
      thresholds: Thresholds.parse({
        ...(measuredOnly && { measuredOnly: true }),
        ...(aimedStraight && { aimedStraight: true }),
        ...(asBalls && { asBalls: true }),
        ...(asMeasured && { asMeasured: true }),
        ...(totalOn && { totalOn }),
      }),
      sessions: taken(sessions.map(session => SessionRecord.safeParse(session))),
      shots: taken(
        shots.map(({ session, club: c, rung: r, ...shot }) =>
          ShotRecord.safeParse({ ...shot, sessionId: at(sessions, session).id, ...cell(c, r) }),
        ),
      ),
      words: taken(
        words.map(({ club: c, rung: r, ...word }) =>
          CellRemarkRecord.safeParse({
            ...word,
            ...cell(c, r),
            carryM: word.kind === 'believed' || word.kind === 'written' ? word.carryM : null,
          }),
        ),
      ),
    }
  })
