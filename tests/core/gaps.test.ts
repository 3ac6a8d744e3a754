import { describe, expect, it } from 'vitest'
import { carryChart } from '../../core/chart/carry-chart'
import type { FlagRule } from '../../core/gaps/flag'
import { checkRules, findFlags, FLAG_RULES, flagRule } from '../../core/gaps/flags'
import overlap from '../../core/gaps/flags/overlap'
import step from '../../core/gaps/flags/step'
import { buildLadder, neighbours } from '../../core/gaps/ladder'
import { metresToYards, yardsToMetres } from '../../core/units'
import { flagWords, stepBetween, stockShotName } from '../../shared/flag-words'
import { ladderOf, testRule } from './flag-harness'
import { bagOf, balls } from './players'

const yards = (metres: number | null) => metres === null ? null : Math.round(metresToYards(metres))

describe('the ladder of really measured players (common practice)', () => {
  it('nine o\'clock swings of 107, 92, 74 and 63 yd are steps of 11, 18 and 15', () => {
    const bag = bagOf({ '46°': 46, '50°': 50, '56°': 56, '60°': 60 }, ['9:00'])
    const shots = [['46°', 107], ['50°', 92], ['56°', 74], ['60°', 63]].flatMap(([club, yd]) => balls(club as string, '9:00', [yd as number]))
    const ladder = buildLadder(carryChart(bag, shots))
    expect(ladder.map(s => s.clubId)).toEqual(['60°', '56°', '50°', '46°'])
    expect(ladder.map(s => yards(s.stepM))).toEqual([null, 11, 18, 15])
  })

  it('half swings to the waist of 80, 74, 58 and 47 yd are steps of 11, 16 and 6: one wide, none doubled', () => {
    const bag = bagOf({ '45°': 45, '50°': 50, '56°': 56, '60°': 60 }, ['waist'], 'body')
    const shots = [['45°', 80], ['50°', 74], ['56°', 58], ['60°', 47]].flatMap(([club, yd]) => balls(club as string, 'waist', [yd as number]))
    const ladder = buildLadder(carryChart(bag, shots))
    expect(ladder.map(s => yards(s.stepM))).toEqual([null, 11, 16, 6])
    expect(findFlags(ladder).map(f => [f.flag, f.shorter.clubId, f.longer.clubId])).toEqual([['step', '56°', '50°']])
  })

  it('equal lofts are unequal steps: three balls each with 50°, 54° and 58° are 18 and 8 yd apart', () => {
    const bag = bagOf({ '50°': 50, '54°': 54, '58°': 58 }, ['half'], 'arm')
    const shots = [...balls('50°', 'half', [73, 77, 72]), ...balls('54°', 'half', [58, 54, 55]), ...balls('58°', 'half', [44, 47, 48])]
    expect(buildLadder(carryChart(bag, shots)).map(s => yards(s.stepM))).toEqual([null, 8, 18])
  })
})

describe('a ladder', () => {
  it('leaves out what is struck out or not hit, and keeps equal carries in the order of the chart', () => {
    const bag = bagOf({ '60°': 60, '56°': 56, '50°': 50 }, ['half', 'full'], 'arm', [['60°', 'full']])
    const shots = [...balls('60°', 'full', [90]), ...balls('60°', 'half', [50]), ...balls('56°', 'half', [50]), ...balls('50°', 'full', [110])]
    expect(buildLadder(carryChart(bag, shots)).map(s => `${s.clubId} ${s.rungId}`)).toEqual(['60° half', '56° half', '50° full'])
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
    { name: 'the gap between full and nine o\'clock', yd: [63, 74, 92, 102], flags: [['c1', 'c2']] },
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
    { name: 'three clubs that carry one number, which is a red flag (common practice)', yd: [100, 101, 102], flags: [['c0', 'c1'], ['c0', 'c2'], ['c1', 'c2']] },
    { name: 'the same carry twice', yd: [60, 85, 85], flags: [['c1', 'c2']] },
  ],
})

describe('the registry of flags', () => {
  it('holds each rule once, known by its id', () => {
    expect(FLAG_RULES.map(r => r.meta.id)).toEqual(['step', 'overlap'])
    expect(flagRule('step')).toBe(FLAG_RULES[0])
    expect(() => flagRule('nope')).toThrow(/"nope" is no flag; known: step, overlap/)
  })

  const good = FLAG_RULES[0]!
  it.each([
    ['id', { meta: { ...good.meta, id: 'Step!' } }, /lower-case/],
    ['words', { meta: { ...good.meta, why: '' } }, /meta\.why is missing/],
    ['remedies', { meta: { ...good.meta, remedies: [] } }, /remedies is missing/],
    ['threshold', { defaults: {} }, /no widestStepM/],
    ['figure', { meta: { ...good.meta, why: 'It is wide.' } }, /does not tell \{stepM\}/],
  ])('refuses a rule whose %s is wrong', (_, change, message) => {
    expect(() => checkRules([{ ...good, ...change } as unknown as FlagRule])).toThrow(message)
  })

  it('refuses two rules of one id', () => {
    expect(() => checkRules([good, good])).toThrow(/two rules/)
  })
})

describe('what a flag says', () => {
  const name = (cell: { clubId: string, rungId: string }) => stockShotName(cell.clubId, cell.rungId)

  it('tells what, why in figures that add up, and what to do', () => {
    const [finding] = step.find(ladderOf(51.4, 65.6))
    const words = flagWords(finding!, name, 'yd')
    expect(words.title).toBe('Wide step, 51 yd to 66 yd')
    expect(words.why).toBe('c0 full carries 51 yd and the next, c1 full, 66 yd: a step of 15 yd, more than 12 yd. Nothing measured lands in between.')
    expect(words.remedies[0]).toBe('Grip down an inch on c1 full: about 5 yd less.')
  })

  it('takes one decimal where whole figures would contradict the flag', () => {
    const [finding] = step.find(ladderOf(60, 72.4))
    expect(flagWords(finding!, name, 'yd').why).toContain('a step of 12.4 yd, more than 12.0 yd')
  })

  it('speaks metres to who reads metres', () => {
    const [finding] = overlap.find(ladderOf(70, 73))
    expect(flagWords(finding!, name, 'm').why).toBe('c0 full carries 64 m and c1 full 67 m: 3 m apart, within 4 m.')
  })

  it('says every rule in both units without a hole in its words', () => {
    for (const finding of findFlags(ladderOf(40, 41, 60, 80.3))) {
      for (const unit of ['yd', 'm'] as const) {
        const { title, why, remedies } = flagWords(finding, name, unit)
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
