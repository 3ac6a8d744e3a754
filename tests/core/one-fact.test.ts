import { describe, expect, it } from 'vitest'
import { cellKey } from '../../core/bag/bag'
import type { Finding } from '../../core/gaps/flag'
import { oneFactOneFlag, withParts } from '../../core/gaps/one-fact'
import { sumCover, type CoverAt } from '../../core/gaps/stretches'
import { verdictOf } from '../../core/gaps/verdict'
import { metresToYards, yardsToMetres } from '../../core/units'
import { isGone } from '../../core/what-if/gone'
import { flagText, stillOpenText } from '../../words/flags'
import { gapsStateText } from '../../words/stages'
import { stockShotName } from '../../words/stock-shot'
import { isQuiet, leaveText, noFlagText, scatterText } from '../../words/cover'
import { verdictText } from '../../words/verdict'
import { bagOf, balls, calibrated, tenBalls } from './players'

const names = {
  cell: (cell: { clubId: string; rungId: string }) => stockShotName(cell.clubId, cell.rungId),
  club: (cell: { clubId: string }) => cell.clubId,
}
const finding = (
  flag: string,
  fromYd: number,
  toYd: number,
  clubs: string[],
  more: Partial<Finding> = {},
): Finding => ({
  flag,
  sureness: 'sure',
  probability: 0.99,
  cells: clubs.map(clubId => ({ clubId, rungId: 'full' })),
  data: {},
  fromM: yardsToMetres(fromYd),
  toM: yardsToMetres(toYd),
  figure: 0,
  ...more,
})
const flagsOf = (findings: Finding[]) => findings.map(one => [one.flag, (one.parts ?? []).map(part => part.flag)])

describe('one fact, one flag', () => {
  it('a hole inside a step, and steps from equal lofts that have that step, are one; the heaviest speaks', () => {
    expect(
      flagsOf(
        oneFactOneFlag([
          finding('hole', 62, 63, ['54°'], { sureness: 'likely' }),
          finding('step', 56, 74, ['54°', '50°']),
          finding('uneven-lofts', 46, 74, ['58°', '54°', '50°']),
          finding('step', 90, 104, ['50°', '46°']),
        ]),
      ),
    ).toEqual([
      ['step', ['hole', 'uneven-lofts']],
      ['step', []],
    ])
  })

  it('three clubs on one number are one flag, with every pair as its part', () => {
    const bag = bagOf({ '46°': 46, '50°': 50, '54°': 54, '58°': 58 }, ['full'])
    const { findings } = calibrated(
      bag,
      [
        ...tenBalls('46°', 'full', 112),
        ...tenBalls('50°', 'full', 111),
        ...tenBalls('54°', 'full', 110),
        ...tenBalls('58°', 'full', 92),
      ],
      { level: 'good' },
    )
    const same = findings.filter(one => one.cells.filter(cell => cell.clubId !== '58°').length > 1)
    expect(same.map(one => one.flag)).toEqual(['crowded'])
    expect(withParts(same).filter(one => one.flag === 'overlap')).toHaveLength(3)
  })

  it('what is open never holds what is said, and flags about other things stand for themselves', () => {
    const [main] = oneFactOneFlag([
      finding('hole', 60, 70, ['54°'], { sureness: 'open', probability: null }),
      finding('step', 56, 74, ['54°', '50°'], { sureness: 'likely' }),
    ])
    expect([main!.flag, main!.sureness]).toEqual(['step', 'likely'])
    const apart = [finding('believed-wrong', 90, 100, ['50°']), finding('loose', 95, 95, ['50°'])]
    expect(oneFactOneFlag(apart)).toEqual(apart)
    expect(flagsOf(oneFactOneFlag([finding('loose', 95, 95, ['50°']), finding('weak', 92, 99, ['50°'])]))).toEqual([
      ['loose', ['weak']],
    ])
  })
})

describe('what is still open', () => {
  const bag = bagOf({ '46°': 46, '50°': 50, '54°': 54 }, ['full'])
  const few = [
    ...balls('46°', 'full', [126, 128]),
    ...balls('50°', 'full', [109, 112]),
    ...balls('54°', 'full', [99, 101]),
  ]

  it('is named, with the balls that decide it, and said once they are there', () => {
    const now = calibrated(bag, few, { level: 'good' })
    const open = now.stillOpen.find(one => one.finding.flag === 'step' && one.balls !== null)!
    expect(stillOpenText(open, names, 'yd')).toMatch(
      /^50° full to 46° full, \d+ yd: too wide\? About \d+ balls more with each\.$/,
    )
    const number = (clubId: string) => metresToYards(now.ladder.find(step => step.clubId === clubId)!.carryM)
    // As many as promised, about the numbers as they read, scattered as a good player does.
    const more = open.finding.cells.flatMap(({ clubId }) =>
      balls(
        clubId,
        'full',
        Array.from({ length: open.balls! }, (_, i) => number(clubId) + 3 * Math.sin(2.4 * i + 1)),
      ).map(shot => ({ ...shot, id: `more ${shot.id}` })),
    )
    const then = calibrated(bag, [...few, ...more], { level: 'good' })
    const said = withParts(then.findings).filter(one => one.flag === 'step' && one.sureness !== 'open')
    expect(said.map(one => one.cells.map(cellKey))).toContainEqual(open.finding.cells.map(cellKey))
  })

  it('is at the limit where no number of balls decides it', () => {
    const step = (yd: number) =>
      calibrated(bagOf({ '46°': 46, '50°': 50 }, ['full']), [
        ...tenBalls('46°', 'full', 110 + yd),
        ...tenBalls('50°', 'full', 110),
      ]).stillOpen
    expect(step(12.3).map(one => one.balls)).toContain(null)
    expect(
      stillOpenText(
        step(12.3).find(one => one.balls === null)!,
        names,
        'yd',
      ),
    ).toMatch(/Right at the limit: no number of balls decides it\.$/)
  })

  it('stands in the rail: never nothing to do while something is open or uncovered', () => {
    const state = { numbers: 9, flags: 0, open: 0, covered: { within: 72, targets: 72 } }
    expect([
      gapsStateText(null),
      gapsStateText({ ...state, numbers: 0 }),
      gapsStateText({ ...state, flags: 2, open: 3 }),
      gapsStateText({ ...state, open: 3 }),
      gapsStateText({ ...state, covered: { within: 6, targets: 72 } }),
      gapsStateText(state),
    ]).toEqual(['…', 'no numbers', '2 flags', '3 still open', '6 of 72 covered', 'nothing to do'])
  })
})

describe('where no flag is raised', () => {
  const lineM = yardsToMetres(7)
  const all = { targets: 21, within: 21 }
  it('nothing is said to be well while yards are not covered or something is open', () => {
    expect([
      noFlagText({ sum: all, open: 0, lineM }, 'yd'),
      noFlagText({ sum: null, open: 0, lineM }, 'yd'),
      noFlagText({ sum: all, open: 1, lineM }, 'yd'),
      noFlagText({ sum: { ...all, within: 0 }, open: 0, lineM }, 'm'),
      noFlagText({ sum: { ...all, within: 20 }, open: 2, lineM }, 'yd'),
    ]).toEqual([
      'Nothing asks for an answer, as far as it is measured.',
      'Nothing asks for an answer, as far as it is measured.',
      'No flag is raised, but one thing is still open.',
      'No flag is raised, but 21 of 21 metres leave more than 6 m.',
      'No flag is raised, but 1 of 21 yards leave more than 7 yd and 2 things are still open.',
    ])
    expect([isQuiet({ sum: all, open: 0, lineM }), isQuiet({ sum: all, open: 1, lineM })]).toEqual([true, false])
  })

  it('what leaves more than the line never reads as the line', () => {
    expect([6.3, 6.4, 6.46, 7].map(leaveM => leaveText(leaveM, lineM, 'yd'))).toEqual([
      '7 yd',
      '7 yd',
      'just over 7 yd',
      '8 yd',
    ])
  })

  it('what no bag can mend is told from a gap', () => {
    expect(scatterText({ targets: 21, within: 7, scatterAlone: 0 })).toBe('')
    expect(scatterText({ targets: 21, within: 7, scatterAlone: 14 })).toMatch(/^On the others even a stock shot /)
    expect(scatterText({ targets: 21, within: 0, scatterAlone: 21 })).toMatch(/^Even a stock shot /)
    expect(scatterText({ targets: 21, within: 0, scatterAlone: 17 })).toMatch(/^On 17 of them even /)
    expect(scatterText({ targets: 21, within: 7, scatterAlone: 3 })).toMatch(/^On 3 of the 14 others even /)
  })
})

describe('the verdict', () => {
  const at = (leaves: number[]): CoverAt[] =>
    leaves.map((leaveM, i) => ({ atM: yardsToMetres(50 + i), best: 0, leaveM, badM: 9, couldM: 4, hole: null }))
  const even = at(Array.from({ length: 20 }, () => 5))
  const unproven = { clubId: '54°', rungId: 'full', why: 'thin', plusMinusM: 5, balls: 3, days: null } as const

  it('is the longest stretch that nothing is said against', () => {
    expect(verdictOf(even, 6, [], [])).toMatchObject({ whole: true })
    // A hole is a stretch too; what is said of a club or of one stock shot stands for itself.
    expect(verdictOf(even, 6, [finding('hole', 60, 64, [])], []).sound!.toM).toBeCloseTo(yardsToMetres(59), 9)
    expect(verdictOf(even, 6, [finding('loose', 55, 60, ['54°'])], [])).toMatchObject({ whole: true })
    // Five yardages are a stretch to speak of, four are none.
    expect(verdictOf(even.slice(0, 5), 6, [], [])).toMatchObject({ whole: true })
    expect(verdictOf(even.slice(0, 4), 6, [], [])).toEqual({ sound: null, whole: false, mostBeyond: false })
    const step = finding('step', 60, 64, ['54°', '50°'])
    expect(verdictOf(even, 6, [step], []).sound).toMatchObject({ fromM: yardsToMetres(50), toM: yardsToMetres(59) })
    const thin = { ...unproven, fromM: yardsToMetres(50), toM: yardsToMetres(58) }
    expect(verdictOf(even, 6, [], [thin]).sound!.fromM).toBeCloseTo(yardsToMetres(59), 9)
    expect(verdictOf(even, 4, [], [])).toEqual({ sound: null, whole: false, mostBeyond: true })
    // Ten of twenty are not most of them, eleven are.
    const half = at([9, 9, 9, 9, 9, 9, 9, 9, 9, 9, 5, 5, 5, 5, 5, 5, 5, 5, 5, 5])
    expect(verdictOf(half, 6, [], []).mostBeyond).toBe(false)
    expect(verdictOf(half.slice(0, 19), 6, [], []).mostBeyond).toBe(true)
    // A fault's own ends are in it; of two stretches alike the shorter yards are told, and neither is all of it.
    const ends = [finding('step', 50, 50, ['54°', '50°']), finding('step', 69, 69, ['54°', '50°'])]
    const between = { fromM: yardsToMetres(51), toM: yardsToMetres(68) }
    expect(verdictOf(even, 6, ends, [])).toMatchObject({ sound: between, whole: false })
    const middle = finding('step', 59, 60, ['54°', '50°'])
    expect(verdictOf(even, 6, [middle], [])).toMatchObject({
      sound: { fromM: yardsToMetres(50), toM: yardsToMetres(58) },
      whole: false,
    })
    // Two shots on one number leave no yard without a shot.
    expect(verdictOf(even, 6, [finding('overlap', 55, 57, ['54°', '50°'])], []).whole).toBe(true)
  })

  it('is one sentence, or two, in yards and metres', () => {
    const sound = { fromM: yardsToMetres(50), toM: yardsToMetres(59) }
    const line = yardsToMetres(7)
    const wide = 'Wide step, 60 to 64 yd'
    const under = 'Nothing under 120 yd'
    type Told = Parameters<typeof verdictText>
    const told = (verdict: Partial<Told[0]>, ...more: Told extends [unknown, ...infer Rest] ? Rest : never) =>
      verdictText({ sound: null, whole: false, mostBeyond: false, ...verdict }, ...more)
    expect([
      told({ sound, whole: true }, [], 0, line, 'yd'),
      told({ sound, whole: false }, [wide], 2, line, 'yd'),
      told({ sound, whole: false }, [wide, 'Overlap at 70 yd', 'Finishes left'], 0, line, 'yd'),
      told({ sound, whole: false }, [wide, 'Wide step, 70 to 76 yd'], 1, line, 'yd'),
      told({ mostBeyond: true }, [], 0, line, 'm'),
      told({ mostBeyond: true }, [under], 0, line, 'yd'),
      told({ mostBeyond: true }, [under], 2, line, 'yd'),
      told({ mostBeyond: true }, [], 1, line, 'yd'),
      told({}, [under], 2, line, 'yd'),
      told({}, [], 2, line, 'yd'),
      told({}, [], 0, line, 'yd'),
      told({ sound }, [], 2, line, 'yd'),
      told({}, [wide], 0, line, 'yd'),
      told({ sound, whole: false }, [], 0, line, 'm'),
    ]).toEqual([
      'Sound from 50 to 59 yd.',
      'Sound from 50 to 59 yd; wide step, 60 to 64 yd. 2 stretches are not proven yet.',
      'Sound from 50 to 59 yd; wide step, 60 to 64 yd, overlap at 70 yd and 1 more flag.',
      'Sound from 50 to 59 yd; wide step, 60 to 64 yd and 70 to 76 yd. 1 stretch is not proven yet.',
      'Over most of it the best shot leaves more than 6 m.',
      'Over most of it the best shot leaves more than 7 yd; nothing under 120 yd.',
      'Over most of it the best shot leaves more than 7 yd; nothing under 120 yd. 2 stretches are not proven yet.',
      'Over most of it the best shot leaves more than 7 yd. 1 stretch is not proven yet.',
      'No stretch is sound yet; nothing under 120 yd. 2 stretches are not proven yet.',
      'No stretch is sound yet: 2 stretches are not proven.',
      'The numbers lie too close together to speak of a stretch.',
      'Sound from 50 to 59 yd; 2 stretches are not proven yet.',
      'No stretch is sound; wide step, 60 to 64 yd.',
      'Sound from 46 to 54 m; beyond it the best shot leaves more than 6 m.',
    ])
  })
})

describe('gone', () => {
  const cover = (leaveM: number) => {
    const one = { atM: 50, best: 0, leaveM, badM: 9, couldM: 4, hole: null } as const
    return sumCover([one], 6)
  }
  const step = finding('step', 60, 74, ['54°', '50°'])
  const before = { findings: [step], sum: cover(5) }

  it('is a flag that is raised no more, by itself or as a part', () => {
    expect(isGone(step, before, { findings: [], sum: cover(5) })).toBe(true)
    expect(isGone(step, before, { findings: [step], sum: cover(5) })).toBe(false)
    const hole = finding('hole', 61, 73, ['54°'], { parts: [step] })
    expect(isGone(step, before, { findings: [hole], sum: cover(5) })).toBe(false)
  })

  it('is not one that has only moved, nor one that costs elsewhere', () => {
    const moved = finding('step', 63, 77, ['54°', '48°'])
    expect(isGone(step, before, { findings: [moved], sum: cover(5) })).toBe(false)
    const far = finding('step', 90, 104, ['50°', '46°'])
    expect(isGone(step, before, { findings: [far], sum: cover(5) })).toBe(true)
    expect(isGone(step, before, { findings: [], sum: cover(6) })).toBe(false)
  })

  it('names the shots in the title of what it was', () => {
    expect(flagText({ ...step, data: { shorterM: 55, longerM: 68, widestStepM: 11 } }, names, 'yd').title).toBe(
      'Wide step, 60 to 74 yd',
    )
  })
})
