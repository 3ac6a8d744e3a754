import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Bag, StockShot } from '../../core/bag/bag'
import { bagAfter, type BagStep } from '../../core/bag/bag-step'
import { halfAfter } from '../../core/chart/chart-cell'
import { NEXT } from '../../core/model/constants'
import { landingPatch, planSpan } from '../../core/chart/landing'
import { sidePath } from '../../core/corrections/side-path'
import type { PublishedCell } from '../../core/history/published'
import { publishedPatch } from '../../core/history/published-patch'
import { targetsOnLine } from '../../core/session/targets-on-line'
import { taughtLines } from '../../words/taught'
import { readShotTable, writeShotTable, type ShotRowOut } from '../../core/files/shot-table'
import type { CellRemark } from '../../core/history/coach-remarks'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { launchLooks } from '../../core/questions/launch-looks'
import { calledOffM, nextTarget, sumCalled } from '../../core/session/called'
import type { Readings } from '../../core/shot/readings'
import { distanceText, yardsToMetres } from '../../core/units'
import { takenOf } from '../../shared/calibration-input'
import { BagStepRecord } from '../../shared/schemas/bag'
import { ShotRecord, TakenRecord } from '../../shared/schemas/session'
import { calledSumText, calledText } from '../../words/called'
import { markedText, withoutFacesText } from '../../words/marked'
import { gainText, settleText } from '../../words/next'
import { apexText, speedText } from '../../words/readings'
import { bagOf, balls, calibrated, DAY_MS, tenBalls, type AnyStageShot } from './players'

const BAG = bagOf({ '58°': 58, '54°': 54 }, ['half', 'full'], 'arm')
const rung = (id: string, label = id) => ({ id, label, cue: '', flight: 'normal' as const, retired: false })
const lengths = (bag: Bag | { fault: string }) =>
  'fault' in bag ? bag.fault : bag.scale.rungs.map(({ label }) => label).join(' ')

describe('the bag from the board', () => {
  it.each<[string, BagStep, string]>([
    ['a length between', { kind: 'add-rung', rung: rung('three-quarter'), below: 'full' }, 'half three-quarter full'],
    ['a length beyond', { kind: 'add-rung', rung: rung('more'), below: null }, 'half full more'],
    ['below one that is gone meanwhile', { kind: 'add-rung', rung: rung('more'), below: 'x' }, 'half full more'],
    ['a name that is there', { kind: 'add-rung', rung: rung('x', 'Full'), below: null }, 'name-taken'],
    ['another name', { kind: 'rename-rung', rungId: 'half', label: 'belt' }, 'belt full'],
    ['the name of another', { kind: 'rename-rung', rungId: 'half', label: 'FULL' }, 'name-taken'],
    ['an added one taken back', { kind: 'drop-rung', rungId: 'half' }, 'full'],
    ['taken back already', { kind: 'drop-rung', rungId: 'x' }, 'half full'],
    ['no such length', { kind: 'rename-rung', rungId: 'x', label: 'belt' }, 'no-such-rung'],
    ['no such club', { kind: 'use', clubId: 'x', rungId: 'full', used: false }, 'no-such-club'],
  ])('%s', (_, step, expected) => {
    const before = JSON.stringify(BAG)
    expect(lengths(bagAfter(BAG, step))).toBe(expected)
    expect(JSON.stringify(BAG), 'the bag itself stays').toBe(before)
  })

  it('made twice it is made once, and undone it is as it was', () => {
    const out: BagStep = { kind: 'use', clubId: '58°', rungId: 'full', used: false }
    const steps: BagStep[] = [out, { kind: 'add-rung', rung: rung('three-quarter'), below: 'full' }]
    for (const step of steps) {
      const once = bagAfter(BAG, step) as Bag
      expect(bagAfter(once, step)).toEqual(once)
    }
    const once = bagAfter(BAG, out) as Bag
    expect(once.struckOut).toEqual([{ clubId: '58°', rungId: 'full' }])
    expect(bagAfter(once, { ...out, used: true })).toEqual(BAG)
  })

  it('is checked on its way, by name', () => {
    const id = '019e0000-0000-7000-8000-000000000001'
    const faults = (step: object) => BagStepRecord.safeParse({ id, step }).error?.issues[0]?.message
    expect(faults({ kind: 'rename-rung', rungId: id, label: '' })).toMatch(/Swing length/)
    expect(faults({ kind: 'sell', clubId: id })).toBe('Such a change of a bag is not known.')
    expect(faults({ kind: 'use', clubId: id, rungId: id, used: true })).toBeUndefined()
  })
})

describe('call and hit', () => {
  it('never calls the same target twice running where there is another', () => {
    const any = fc.record({
      targets: fc.uniqueArray(fc.integer({ min: 30, max: 130 }), { minLength: 2, maxLength: 40 }),
      draws: fc.array(fc.double({ min: 0, max: 0.999_999, noNaN: true }), { minLength: 2, maxLength: 30 }),
    })
    fc.assert(
      fc.property(any, ({ targets, draws }) => {
        let last: number | null = null
        for (const random of draws) {
          const next = nextTarget(targets, last, random)
          expect(targets).toContain(next)
          expect(next).not.toBe(last)
          last = next
        }
      }),
    )
    expect([nextTarget([], null, 0.5), nextTarget([70], 70, 0.5)]).toEqual([null, 70])
  })

  it('tells the ball from the target, and what was meant (74 at nine o’clock, called 75: plus one)', () => {
    const called = { targetM: yardsToMetres(75), plusM: yardsToMetres(1) }
    const offM = calledOffM(called, yardsToMetres(73))
    expect(calledText(called, '56° at 9:00', offM, 'yd')).toBe('Called 75 yd with 56° at 9:00, plus 1: 2 yd short.')
    expect(calledText({ ...called, plusM: 0 }, '56° at 9:00', 0, 'yd')).toBe(
      'Called 75 yd with 56° at 9:00: on the number.',
    )
    const sum = sumCalled([-2, 1, 6], 3)!
    expect(calledSumText(sum, 3, 'm')).toBe('3 called balls: 3.0 m off on average, 2 within 3 m.')
    expect(sumCalled([], 3)).toBeNull()
  })
})

describe('spin and carry alone', () => {
  const shots = (club: string, carryYd: number, spins: number[]): AnyStageShot[] =>
    spins.map((spinRpm, i) => ({
      ...balls(club, 'full', [carryYd])[0]!,
      id: `${club} ${i}`,
      readings: { spinRpm } satisfies Readings,
    }))
  const looks = (list: AnyStageShot[]) => [...launchLooks(BAG, list)].map(([id, { look }]) => `${id} ${look}`)

  it('1,549 rpm with a 58° is asked about, though nothing else was read', () => {
    expect(looks(shots('58°', 80, [1549]))).toEqual(['58° 0 misread'])
  })

  it('a flyer is told from the player’s own spin, an ordinary ball is not asked about', () => {
    const usual = [9800, 10_100, 10_400, 9900, 10_200]
    expect(looks(shots('58°', 80, usual))).toEqual([])
    expect(looks(shots('58°', 80, [...usual, 5800]))).toEqual(['58° 5 flyer'])
    expect(looks(shots('58°', 80, [7000]))).toEqual([])
  })
})

describe('a flyer by the coach’s word', () => {
  it('counts for the flyer flag as one told by spin does, and weighs little', () => {
    const clean = tenBalls('54°', 'full', 100)
    const flown = balls('54°', 'full', [118, 119], { strike: 'flyer' }).map((shot, i) => ({ ...shot, id: `f${i}` }))
    const number = (list: AnyStageShot[]) =>
      calibrated(BAG, list).chart.find(cell => cell.clubId === '54°' && cell.rungId === 'full')!.carryM!
    expect(Math.abs(number([...clean, ...flown]) - number(clean))).toBeLessThan(yardsToMetres(1))
    const many = Array.from({ length: 12 }, (_, i) => ({ ...flown[0]!, id: `m${i}` }))
    const { findings } = calibrated(BAG, [...clean, ...clean.map(shot => ({ ...shot, id: `${shot.id}b` })), ...many])
    expect(findings.map(({ flag }) => flag)).toContain('flyer-prone')
  })
})

describe('what was said of a ball, in the open table', () => {
  const row = (taken: ShotRowOut['taken']): ShotRowOut => ({
    player: 'Maud',
    session: 's',
    hitAtMs: Date.UTC(2026, 4, 4, 17),
    club: '58°',
    swing: 'full',
    carryM: 73.152,
    method: 'monitor',
    balls: 1,
    strike: 'flyer',
    ball: 'own',
    leftOut: null,
    asked: null,
    readings: null,
    taken,
    air: null,
  })

  it('goes out and comes back; an older file is read as before', () => {
    const taken = {
      face: 'open' as const,
      marks: ['=windy', 'ball above feet'],
      feltPercent: 80,
      called: { targetM: 68.58, plusM: -0.9144 },
    }
    const csv = writeShotTable([row(taken), row(null)])
    const { rows, errors } = readShotTable(csv)
    expect(errors).toEqual([])
    expect(takenOf({ ...rows[0]!, askedRungId: undefined })).toEqual(taken)
    expect(rows[0]).toMatchObject({ strike: 'flyer', carryM: 73.152 })
    expect(rows[1]!.said).toBeUndefined()
    expect(TakenRecord.safeParse(taken).success).toBe(true)
    // What parts two marks in a table is in none of them.
    expect(TakenRecord.safeParse({ marks: ['a; b'] }).error?.issues[0]?.message).toMatch(/cannot have a ";"/)
    const old = readShotTable('club,swing,carry_yd\n58°,full,80\n')
    expect([old.errors, old.rows[0]!.said]).toEqual([[], undefined])
  })

  it('names what cannot be', () => {
    const { errors } = readShotTable(
      `club,swing,carry_yd,face,felt_percent,called_yd,marks\n58°,full,80,shut,200,900,${'x'.repeat(30)}\n`,
    )
    expect(errors.map(({ column }) => column).sort()).toEqual(['called_yd', 'face', 'felt_percent', 'marks'])
  })

  it('an unknown mark of a stranger’s page is refused whole', () => {
    const shot = { id: 'x', taken: { face: 'shut' } }
    expect(ShotRecord.safeParse(shot).success).toBe(false)
  })
})

describe('what more balls gain', () => {
  const cell = (half: number, window: number) => ({
    certainty80M: [70 - half, 70 + half] as [number, number],
    window80M: [70 - window, 70 + window] as [number, number],
  })

  it('never less than nothing, and more with more', () => {
    const any = fc.record({
      half: fc.double({ min: 0.3, max: 9, noNaN: true }),
      more: fc.double({ min: 0.1, max: 9, noNaN: true }),
    })
    fc.assert(
      fc.property(any, ({ half, more }) => {
        const gains = [0, 1, 3, 10, 100].map(n => halfAfter(cell(half, half + more), n)!)
        expect(gains[0]).toBeCloseTo(half, 9)
        for (let i = 1; i < gains.length; i++) expect(gains[i]!).toBeLessThan(gains[i - 1]!)
      }),
    )
    // What such balls never take away stays, all of it where it is more than there is.
    for (const left of [0, 2, 4.9, 5, 7])
      expect(halfAfter({ certainty80M: [65, 75], window80M: [60, 80] }, 1e9, left)).toBeCloseTo(Math.min(5, left), 3)
    expect(halfAfter({ certainty80M: null, window80M: null }, 3)).toBeNull()
    expect(halfAfter({ certainty80M: null, window80M: [60, 80] }, 3)).toBeNull()
    expect(halfAfter({ certainty80M: [65, 75], window80M: null }, 3)).toBeNull()
    // A window of 10 either way around a number known to 5: one ball is good to the root of 75, and not all are clean.
    const after3 = halfAfter({ certainty80M: [65, 75], window80M: [60, 80] }, 3)
    expect(after3).toBeCloseTo(5 / Math.sqrt(1 + (3 * NEXT.cleanOfAll) / 3), 9)
  })

  it('is said plainly, and where it is little that is said', () => {
    expect(gainText(5, 3.2, 3, 'm')).toBe('Known to ± 5 m; 3 balls make it about ± 4.')
    expect(gainText(2.2, 2.1, 1, 'm')).toBe('Known to ± 3 m; 1 ball more changes little.')
    expect(settleText(6)).toBe('To settle what is open: 6 balls with each.')
  })
})

describe('a number that the coach wrote', () => {
  const write = (rungId: string): CellRemark => ({
    id: rungId,
    clubId: '54°',
    rungId,
    kind: 'written',
    carryM: yardsToMetres(100),
    why: '',
    saidAtMs: DAY_MS,
    holds: true,
  })
  const bag = bagOf({ '54°': 54 }, ['half', 'full'], 'arm')
  const next = (...words: CellRemark[]) =>
    calibrated(bag, balls('54°', 'full', [100]), {}, { ...USUAL_OPTIONS, words }).next.map(({ rungId }) => rungId)

  it('closes its stock shot: it is proposed no more, and with all of them written nothing is', () => {
    expect(new Set(next())).toEqual(new Set(['half', 'full']))
    expect(new Set(next(write('full')))).toEqual(new Set(['half']))
    expect(next(write('full'), write('half'))).toEqual([])
  })
})

describe('units as people think', () => {
  it('mph and feet beside yards, km/h or m/s and metres beside metres', () => {
    expect([speedText(30, 'yd'), speedText(30, 'm'), speedText(30, 'm', 'm/s')]).toEqual([
      '67 mph',
      '108 km/h',
      '30.0 m/s',
    ])
    expect([apexText(24.4, 'yd'), apexText(24.4, 'm')]).toEqual(['80 ft', '24 m'])
  })

  it('marks are counted by stock shot and by club', () => {
    const counts = new Map([
      ['flyer', 1],
      ['face open', 3],
    ])
    expect(markedText(counts, 12, 7, 40)).toBe('Marked: 3 face open, 1 flyer, of 12 balls; 7 of 40 with this club.')
    expect(withoutFacesText(3, 74.2, 1.6, 'm')).toBe('Without the 3 face open or closed: 74 ± 2 m.')
  })
})

describe('from above', () => {
  it('8 in 10 of a normal pattern land in the patch: the ellipse of χ² with two degrees of freedom', () => {
    const cell = {
      carryM: 80,
      window80M: [75, 85] as [number, number],
      sideM: 2,
      sideWindow80M: [-3, 7] as [number, number],
    }
    const patch = landingPatch(cell)!
    const sd = 5 / 1.2815515655446004
    expect([patch.alongM / sd, patch.acrossM! / sd].map(k => 1 - Math.exp(-(k ** 2) / 2))).toEqual([
      expect.closeTo(0.8, 9),
      expect.closeTo(0.8, 9),
    ])
    expect([patch.carryM, patch.sideM]).toEqual([80, 2])
    const { sideM: _, sideWindow80M: __, ...noSide } = cell
    expect(landingPatch(noSide)).toEqual({ carryM: 80, sideM: 0, alongM: 5, acrossM: null })
    expect(landingPatch({ ...cell, window80M: null })).toBeNull()
    expect(landingPatch({ ...cell, carryM: null })).toBeNull()
  })

  it('the plan holds every patch and ball', () => {
    const ball = { id: 'b', carryM: 40, sideM: -20, counts: false, word: '', newest: false }
    const { nearM, farM, sideM } = planSpan([{ carryM: 80, sideM: 2, alongM: 7, acrossM: 9 }], [ball])
    expect(nearM).toBeLessThan(40)
    expect(farM).toBeGreaterThan(87)
    expect(sideM).toBeGreaterThan(20)
    expect(planSpan([], []).farM).toBeGreaterThan(0)
    // The near end of a patch, its far side, and a ball whose side nobody saw.
    const room = 1.12
    const patch = { carryM: 80, sideM: -2, alongM: 30, acrossM: 9 }
    const alone = planSpan([patch], [])
    expect(alone.nearM).toBeCloseTo(80 - 30 * room, 9)
    expect(alone.farM).toBeCloseTo(80 + 30 * room, 9)
    expect(alone.sideM).toBeCloseTo(11 * room, 9)
    expect(planSpan([patch], [{ ...ball, carryM: 80, sideM: null }])).toEqual(alone)
    expect(planSpan([{ ...patch, sideM: 8, acrossM: null }], []).sideM).toBeCloseTo(8 * room, 9)
  })

  it('a published patch is the published window and side pattern; a written number has none', () => {
    const cell: PublishedCell = {
      clubId: 'c',
      rungId: 'r',
      club: '56°',
      swing: '9:00',
      kind: 'measured',
      carry: { yd: 80, m: 73 },
      plusMinus: { yd: 2, m: 2 },
      window: [
        { yd: 75, m: 69 },
        { yd: 85, m: 78 },
      ],
      balls: 9,
      modelM: 73,
      lnVariance: 0.001,
      pattern: { longSdM: 3, sideBiasM: -2, sideSdM: 4 },
    }
    const patch = publishedPatch(cell)!
    expect(distanceText(patch.carryM, 'yd')).toBe('80')
    // χ² with two degrees of freedom: 8 in 10 lie within 1.794 standard deviations.
    expect([patch.sideM, patch.acrossM! / 4]).toEqual([-2, expect.closeTo(1.794, 3)])
    expect(publishedPatch({ ...cell, pattern: { longSdM: 3 } })!.acrossM).toBeNull()
    expect(publishedPatch({ ...cell, window: null })).toBeNull()
  })

  it('targets stand where they are seen from the line that is played to', () => {
    const green = { name: 'green', distanceM: 100, rightDeg: -10 }
    const [own, flag] = targetsOnLine([green, { name: 'flag', distanceM: 50, rightDeg: 80 }], -10)
    expect([own!.alongM, own!.sideM]).toEqual([100, 0])
    expect([flag!.alongM, flag!.sideM]).toEqual([expect.closeTo(0, 9), expect.closeTo(50, 9)])
  })

  it('from the side stands the middle launch: one wild launch in three moves nothing, none draws nothing', () => {
    const clean = { ballSpeedMs: 38, launchDeg: 30.7, spinRpm: 10_110 }
    const side = sidePath([clean, { ballSpeedMs: 60, launchDeg: 12, spinRpm: 1500 }, clean, { sideM: 2 }])!
    expect(side.carryM).toBe(sidePath([clean])!.carryM)
    expect(side.balls).toBe(3)
    expect(Math.max(...side.path.map(point => point.heightM))).toBeCloseTo(side.apexM, 0)
    expect(sidePath([{ sideM: 2 }])).toBeNull()
  })
})

describe('a session told to its player', () => {
  const [a, b] = calibrated(BAG, tenBalls('54°', 'full', 100)).chart.map(cell => ({ ...cell, carryM: 60 }))
  const nameOf = (cell: StockShot) => (cell === a ? '52° a' : '52° b')
  const none = { fresh: [], moved: [], loose: [] }

  it('says what is new, what moved and what comes first, in the unit of the coach', () => {
    const learned = { fresh: [a!], moved: [{ cell: b!, wasM: 70, wasHalfM: 3 }], loose: [b!] }
    expect(taughtLines({ balls: 12, shots: 2, learned, first: b }, nameOf, 'm')).toEqual([
      '12 balls, 2 stock shots.',
      'New: 52° a 60 m.',
      'Moved: 52° b 60 m, was 70.',
      'Still to be settled: 52° b.',
      'Next time begin with 52° b.',
    ])
    expect(taughtLines({ balls: 1, shots: 1, learned: none, first: undefined }, nameOf, 'yd')).toEqual([
      '1 ball, 1 stock shot.',
      'Every number you hit is where it was.',
    ])
  })
})
