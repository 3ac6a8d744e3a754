import { FLAG_MESSAGES } from '../../words/en/flags'
import type { FlagMessages } from '../../words/flag-messages'
import { REMEDY_KINDS } from '../../core/gaps/flag'
import { checkRemedies } from '../../core/what-if/remedies'
import type { RemedyRule } from '../../core/what-if/remedies/work'
import { describe, expect, it } from 'vitest'
import type { FlagRule, RemedyKind } from '../../core/gaps/flag'
import { checkRules, findFlags, FLAG_RULES, flagRule } from '../../core/gaps/flags'
import overlap from '../../core/gaps/flags/overlap'
import step from '../../core/gaps/flags/step'
import { neighbours } from '../../core/gaps/ladder'
import { metresToYards, yardsToMetres } from '../../core/units'
import { checkMessages, flagText, stepBetween } from '../../words/flags'
import { stockShotName } from '../../words/stock-shot'
import { factsOf, ladderOf, testRule } from './flag-harness'
import { bagOf, balls, calibrated, tenBalls } from './players'

const names = {
  cell: (cell: { clubId: string; rungId: string }) => stockShotName(cell.clubId, cell.rungId),
  club: (cell: { clubId: string }) => cell.clubId,
}
const yards = (metres: number | null) => (metres === null ? null : metresToYards(metres))

/** Steps of a ladder hit ten times a stock shot, each within 2 yd of what was measured. */
function expectSteps(bag: ReturnType<typeof bagOf>, swing: string, measuredYd: [string, number][], steps: number[]) {
  const { ladder } = calibrated(
    bag,
    measuredYd.flatMap(([club, yd]) => tenBalls(club, swing, yd)),
  )
  expect(ladder.map(s => s.clubId)).toEqual(measuredYd.map(([club]) => club).reverse())
  ladder.slice(1).forEach((step, i) => expect(Math.abs(yards(step.stepM)! - steps[i]!)).toBeLessThan(2))
}

describe('the ladder of really measured players (common practice)', () => {
  it("nine o'clock swings of 107, 92, 74 and 63 yd are steps of 11, 18 and 15", () => {
    expectSteps(
      bagOf({ '46°': 46, '50°': 50, '56°': 56, '60°': 60 }, ['9:00']),
      '9:00',
      [
        ['46°', 107],
        ['50°', 92],
        ['56°', 74],
        ['60°', 63],
      ],
      [11, 18, 15],
    )
  })

  it('half swings to the waist of 80, 74, 58 and 47 yd are steps of 11, 16 and 6: one wide, none doubled', () => {
    const bag = bagOf({ '45°': 45, '50°': 50, '56°': 56, '60°': 60 }, ['waist'], 'body')
    const measured: [string, number][] = [
      ['45°', 80],
      ['50°', 74],
      ['56°', 58],
      ['60°', 47],
    ]
    expectSteps(bag, 'waist', measured, [11, 16, 6])
    const { findings } = calibrated(
      bag,
      measured.flatMap(([club, yd]) => tenBalls(club, 'waist', yd)),
    )
    expect(findings.filter(f => f.flag === 'step').map(f => f.cells.map(cell => cell.clubId))).toEqual([['56°', '50°']])
  })

  it('equal lofts are unequal steps: 50°, 54° and 58° of 74, 56 and 46 yd are 18 and 10 yd apart', () => {
    expectSteps(
      bagOf({ '50°': 50, '54°': 54, '58°': 58 }, ['half'], 'arm'),
      'half',
      [
        ['50°', 74],
        ['54°', 56],
        ['58°', 46],
      ],
      [10, 18],
    )
  })
})

describe('a ladder', () => {
  it('leaves out what is struck out, takes in what is predicted, and longer clubs by their own balls', () => {
    const bag = bagOf({ '60°': 60, '50°': 50, '5 iron': 27 }, ['half', 'full'], 'arm', [['60°', 'full']])
    const { ladder, chart } = calibrated(bag, [
      ...balls('60°', 'full', [90]),
      ...balls('60°', 'half', [50]),
      ...balls('50°', 'full', [110]),
      ...balls('5 iron', 'full', [170]),
    ])
    expect(ladder.map(s => [s.clubId, s.rungId, s.predicted])).toEqual([
      ['60°', 'half', false],
      ['50°', 'half', true],
      ['50°', 'full', false],
      ['5 iron', 'full', false],
    ])
    expect(chart.find(cell => cell.clubId === '5 iron' && cell.rungId === 'full')).toMatchObject({
      plain: true,
      kind: 'measured',
      leansOn: null,
    })
  })

  it('of one or none has no neighbours', () => {
    expect(neighbours([])).toEqual([])
    expect(neighbours(ladderOf(50))).toEqual([])
    expect(neighbours(ladderOf(50, 60, 75))).toHaveLength(2)
  })
})

testRule(step as unknown as FlagRule, {
  quiet: [
    { name: 'no balls', yd: [] },
    { name: 'one number', yd: [80] },
    { name: 'exactly 12 yd', yd: [62, 74, 86] },
    { name: 'a wider limit', yd: [60, 78], options: { widestStepM: yardsToMetres(18) } },
  ],
  flagged: [
    { name: 'a tenth over 12 yd', yd: [62, 74.1], flags: [['c0', 'c1']] },
    { name: "the gap between full and nine o'clock", yd: [63, 74, 92, 102], flags: [['c1', 'c2']] },
    { name: 'a narrower limit', yd: [60, 70, 75], options: { widestStepM: yardsToMetres(8) }, flags: [['c0', 'c1']] },
  ],
})

testRule(overlap as unknown as FlagRule, {
  quiet: [
    { name: 'no balls', yd: [] },
    { name: 'one number', yd: [80] },
    { name: 'just over 4 yd', yd: [70, 74.1, 80] },
    { name: 'a limit of 1 yd', yd: [70, 72], options: { closestM: yardsToMetres(1) } },
  ],
  flagged: [
    { name: 'exactly 4 yd', yd: [70, 74], flags: [['c0', 'c1']] },
    {
      name: 'three clubs that carry one number, which is a red flag (common practice)',
      yd: [100, 101, 102],
      flags: [
        ['c0', 'c1'],
        ['c0', 'c2'],
        ['c1', 'c2'],
      ],
    },
    { name: 'the same carry twice', yd: [60, 85, 85], flags: [['c1', 'c2']] },
  ],
})

describe('how surely a flag is said', () => {
  it.each([
    [0.99, 'sure'],
    [0.955, 'likely'],
    [0.7, 'open'],
  ] as const)('a wide step with odds of %f is %s', (probability, sureness) => {
    expect(step.find(factsOf(ladderOf(50, 70), probability))[0]).toMatchObject({ sureness, probability })
  })

  it('an overlap is sure or open: that two are the same takes many balls', () => {
    expect([0.95, 0.5].map(p => overlap.find(factsOf(ladderOf(70, 71), p))[0]!.sureness)).toEqual(['sure', 'open'])
  })

  it('a stock shot that scatters four times as wide as its eleven neighbours is called loose; the others are not', () => {
    const bag = bagOf({ '58°': 58, '54°': 54, '50°': 50, '46°': 46 }, ['half', 'three-quarter', 'full'], 'arm')
    const shots = bag.clubs.flatMap((club, c) =>
      bag.scale.rungs.flatMap((rung, r) => {
        const yd = (46 + 12 * c) * (1 + 0.35 * r)
        const wide = club.id === '54°' && rung.id === 'half' ? 4 : 1
        return balls(
          club.id,
          rung.id,
          [-3, -2, -1.5, -1, -0.5, 0.5, 1, 1.5, 2, 3].map(off => yd + wide * off),
        )
      }),
    )
    const loose = calibrated(bag, shots).findings.filter(f => f.flag === 'loose')
    expect(loose.map(f => [f.cells[0], f.sureness])).toEqual([[{ clubId: '54°', rungId: 'half' }, 'sure']])
    expect(flagText(loose[0]!, names, 'yd')).toMatchObject({
      why: expect.stringMatching(
        /^54° half scatters wider than your other stock shots: 8 clean balls in 10 lie from \d+ to \d+ yd\.$/,
      ),
      odds: expect.stringMatching(/^Sure: /),
    })
  })
})

describe('the registry of flags', () => {
  const good = flagRule('step')

  it('holds each rule once, known by its id', () => {
    expect(FLAG_RULES).toHaveLength(18)
    expect(flagRule('step')).toBe(good)
    expect(() => flagRule('nope')).toThrow(/"nope" is no flag; known: hole, step,/)
  })

  it.each([
    ['id', { meta: { ...good.meta, id: 'Step!' } }, /lower-case/],
    ['subject', { meta: { ...good.meta, speaksOf: '' } }, /speaksOf is missing/],
    ['variant', { meta: { ...good.meta, notHelped: ['none'] } }, /"none", which is no variant/],
    ['unknown threshold', { meta: { ...good.meta, thresholds: ['wideM'] } }, /wideM is not known/],
    ['threshold', { defaults: {} }, /has no widestStepM/],
  ])('refuses a rule whose %s is wrong', (_, change, message) => {
    expect(() => checkRules([{ ...good, ...change } as unknown as FlagRule])).toThrow(message)
  })

  it('refuses two rules of one id', () => {
    expect(() => checkRules([good, good])).toThrow(/two rules/)
  })

  it.each([
    ['rule has no messages', {}, /step: the rule has no messages/],
    [
      'message has no rule',
      { step: FLAG_MESSAGES.step, deep: FLAG_MESSAGES.hole },
      /deep: there are messages, and no rule/,
    ],
    ['message is empty', { step: { ...FLAG_MESSAGES.step, why: '' } }, /step: a message is empty/],
    ['remedy is empty', { step: { ...FLAG_MESSAGES.step, remedies: [''] } }, /step: a message is empty/],
    [
      "variant is no rule's",
      { step: { ...FLAG_MESSAGES.step, variants: { high: {} } } },
      /variants are {2}in the rule and high in/,
    ],
    [
      'threshold is not worded',
      { step: { ...FLAG_MESSAGES.step, thresholds: {} } },
      /thresholds are widestStepM in the rule/,
    ],
    ['open line is missing', { step: { ...FLAG_MESSAGES.step, open: undefined } }, /step: what stays open/],
    [
      'figure is not told',
      { step: { ...FLAG_MESSAGES.step, why: 'It is wide.' } },
      /step: why does not tell \{stepM\}/,
    ],
  ])('is refused with its messages where a %s', (_, messages: Record<string, FlagMessages>, message) => {
    expect(() => checkMessages([good], new Map(Object.entries(messages)))).toThrow(message)
  })
})

describe('the registry of remedies', () => {
  const rule = (kind: RemedyKind): RemedyRule => ({ kind, propose: () => [] })

  it('holds each kind once, in order of cost', () => {
    expect(() => checkRemedies(REMEDY_KINDS.map(rule))).not.toThrow()
    expect(() => checkRemedies(REMEDY_KINDS.slice(1).map(rule))).toThrow(/grip-down: the remedy is missing/)
    expect(() => checkRemedies([...REMEDY_KINDS, 'add' as const].map(rule))).toThrow(/add: the remedy is there twice/)
  })
})

describe('what a flag says', () => {
  it('tells what, why in figures that add up, and what to do', () => {
    const [finding] = step.find(factsOf(ladderOf(51.4, 65.6)))
    const words = flagText(finding!, names, 'yd')
    expect(words.title).toBe('Wide step, 51 to 66 yd')
    expect(words.why).toBe(
      'c0 full is 51 yd and the next, c1 full, 66 yd: a step of ' +
        '15 yd, more than 12 yd. Nothing in the chart lands in between.',
    )
    expect(words.odds).toBe('Sure: 99 in 100')
    expect(words.remedies[0]).toBe('Grip down an inch on c1 full: about 5 yd less.')
  })

  it('takes one decimal where whole figures would contradict the flag', () => {
    const [finding] = step.find(factsOf(ladderOf(60, 72.4)))
    expect(flagText(finding!, names, 'yd').why).toContain('a step of 12.4 yd, more than 12.0 yd')
  })

  it('speaks metres to who reads metres', () => {
    const [finding] = overlap.find(factsOf(ladderOf(70, 73)))
    expect(flagText(finding!, names, 'm').why).toBe(
      'c0 full is 64 m and c1 full 67 m: 3 m apart, within 4 m, and they fly alike.',
    )
  })

  it('says every rule in both units without a hole in its words', () => {
    for (const finding of findFlags(factsOf(ladderOf(40, 41, 60, 80.3)))) {
      for (const unit of ['yd', 'm'] as const) {
        const { title, why, remedies } = flagText(finding, names, unit)
        for (const text of [title, why, ...remedies]) expect(text).not.toMatch(/[{}]|undefined|NaN/)
      }
    }
  })

  it('calls a stock shot as a coach does', () => {
    expect(stockShotName('56°', '9:00')).toBe('56° at 9:00')
    expect(stockShotName('56°', 'half low')).toBe('56° half low')
    expect(stepBetween(yardsToMetres(51.4), yardsToMetres(65.6), 'yd', 1)).toBe(14.2)
  })
})
