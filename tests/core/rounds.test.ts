import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newMemo } from '../../core/memo'
import type { Approach, Played } from '../../core/rounds/approach'
import { strokesAgainst, windowsHeld, type ShotOf } from '../../core/rounds/against-range'
import { askedShare, needOf } from '../../core/rounds/need'
import { SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../../core/model/constants'
import { usualScatterM } from '../../core/model/usual-scatter'
import { binomialTails } from '../../core/stats/binomial'
import { Z_80 } from '../../core/stats/quantiles'
import { askedBands, mostAsked, mostNeeded } from '../../core/rounds/asks'
import { courseShift, shotCosts, strokesLost } from '../../core/rounds/cost'
import { courseScatter } from '../../core/rounds/course-scatter'
import { approachLine, readApproach } from '../../core/rounds/typed-approach'
import { workFor } from '../../core/rounds/work'
import { yardsToMetres as yd } from '../../core/units'
import { mergedRound, playedOf } from '../../shared/rounds'
import { RoundRecord } from '../../shared/schemas/rounds'
import {
  approachFaultText,
  asksLines,
  bandText,
  courseScatterFoundText,
  finishText,
  shiftText,
  strokesTexts,
  windowsText,
  workText,
} from '../../words/rounds'
import { makeDice } from '../bench/simulation/dice'
import { CARRIES_M, LEVEL_PLAYED as LEVEL, season, shotOfSeason, type Planted } from '../bench/simulation/season'

const memo = newMemo()
describe('an approach in one line', () => {
  it('reads what was said, in any order', () => {
    expect(readApproach('95 -8 3r rough', 'm')).toEqual({
      chance: true,
      distanceM: 95,
      offM: -8,
      sideM: 3,
      lie: 'light rough',
    })
    expect(readApproach('82 on sa pen', 'm')).toMatchObject({ offM: 0, sideM: 0, lie: 'sand', penalty: 1 })
    expect(readApproach('180 lay', 'm')).toEqual({ chance: false, distanceM: 180 })
    expect(readApproach('100', 'yd')).toEqual({ chance: true, distanceM: yd(100) })
  })

  it('names what is wrong, and what is allowed', () => {
    const told = (line: string) => {
      const read = readApproach(line, 'yd')
      return 'fault' in read ? approachFaultText(read, 'yd') : ''
    }
    expect(told('far')).toBe('"far" is no distance: 1 to 400 yd come first.')
    expect(told('95 8')).toMatch(/^"8" is not known: -8 is 8 short/)
    expect(told('95 -8 +3')).toBe('"+3" says something a second time.')
    expect(told('95 on -3')).toBe('"-3" says something a second time.')
    expect(told('95 999r')).toBe('"999r" is too far to the side.')
    expect(told('95 r')).toMatch(/^"r" is not known/)
  })

  it('comes back as it was typed, in either unit', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 200 }),
        fc.option(fc.integer({ min: -30, max: 30 })),
        fc.option(fc.integer({ min: -30, max: 30 })),
        fc.boolean(),
        fc.constantFrom('yd' as const, 'm' as const),
        (at, off, side, rough, unit) => {
          const line = [
            String(at),
            off === null ? '' : `${off < 0 ? '-' : '+'}${Math.abs(off)}`,
            side === null ? '' : `${Math.abs(side)}${side < 0 ? 'l' : 'r'}`,
            rough ? 'rough' : '',
          ]
            .filter(Boolean)
            .join(' ')
          const read = readApproach(line, unit)
          expect('fault' in read ? read : approachLine(read, unit)).toBe(line)
        },
      ),
    )
  })
})

describe('what the course asks', () => {
  const at = (...yards: number[]): Played => ({ approaches: yards.map(y => ({ chance: true, distanceM: yd(y) })) })
  it('counts chances by band, leaves lay-ups away, and is surer with more rounds', () => {
    const few = askedBands([at(72, 75, 78, 95)], 'yd')
    expect(few.map(({ chances }) => chances)).toEqual([3, 0, 1])
    expect(few[0]!.fromM).toBeCloseTo(yd(70), 9)
    const many = askedBands(
      Array.from({ length: 20 }, () => at(72, 75, 78, 95)),
      'yd',
    )
    expect(many[0]!.most - many[0]!.least).toBeLessThan((few[0]!.most - few[0]!.least) / 2)
    expect(many[0]!.share).toBeGreaterThan(0.5)
    expect(askedBands([{ approaches: [{ chance: false, distanceM: 90 }] }], 'yd')).toEqual([])
    expect(mostNeeded(many)[0]).toBe(many[0])
  })

  it('a chance stands where it is read: 129.6 yd is read 130, and none is longer than the last band says', () => {
    const bands = askedBands([at(118, 129.4, 129.6)], 'yd')
    expect(bands.map(band => [bandText(band, 'yd'), band.chances])).toEqual([
      ['110 to 119', 1],
      ['120 to 129', 1],
      ['130 to 139', 1],
    ])
    expect(asksLines(3, 1, yd(129.6), null, 'yd')[0]).toContain('None longer than 130 yd')
  })

  it('shares are never below 0, nor all of them above 1, in either unit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 2, max: 300, noNaN: true }), { minLength: 1, maxLength: 60 }),
        fc.constantFrom('yd' as const, 'm' as const),
        (distances, unit) => {
          const bands = askedBands([{ approaches: distances.map(distanceM => ({ chance: true, distanceM })) }], unit)
          expect(bands.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(1 + 1e-9)
          for (const { least, share, most } of bands) {
            expect(least).toBeGreaterThanOrEqual(0)
            expect(least).toBeLessThanOrEqual(share)
            expect(share).toBeLessThanOrEqual(most)
          }
          expect(bands.reduce((sum, { chances }) => sum + chances, 0)).toBe(distances.length)
        },
      ),
    )
  })

  it('names the stretch that four in ten come from, once there are enough', () => {
    expect(mostAsked([at(70, 80, 90)], 'yd')).toBeNull()
    const rounds = [at(72, 76, 81, 84, 88, 93), at(40, 55, 110, 130, 150, 165, 180, 71, 94, 30)]
    const most = mostAsked(rounds, 'yd')!
    expect([most.fromM, most.toM].map(m => Math.round(m / yd(1)))).toEqual([70, 95])
    expect(asksLines(16, 2, yd(180), most, 'yd')).toEqual([
      '16 chances in 2 rounds. None longer than 180 yd.',
      'Five in ten of your chances come from 70 to 95 yd.',
    ])
  })
})

describe('what it costs', () => {
  it('a ball beside the flag gains, a wild one costs, a penalty costs its stroke', () => {
    const from = { chance: true, distanceM: 90 }
    const near = strokesLost({ ...from, offM: 1, sideM: 0 }, LEVEL, memo)!
    const wild = strokesLost({ ...from, offM: -25, sideM: 10 }, LEVEL, memo)!
    expect(near).toBeLessThan(-0.3)
    expect(wild).toBeGreaterThan(0.2)
    expect(strokesLost({ ...from, offM: -25, sideM: 10, penalty: 1 }, LEVEL, memo)).toBeCloseTo(wild + 1, 9)
    expect(strokesLost(from, LEVEL, memo)).toBeNull()
  })

  it('a player of the level loses nothing on average', () => {
    const rounds = season(makeDice(77), 250, null)
    const all = rounds.flatMap(({ approaches }) => approaches.map(one => strokesLost(one, LEVEL, memo)!))
    expect(Math.abs(all.reduce((a, b) => a + b, 0) / all.length)).toBeLessThan(0.03)
    for (const { lost } of shotCosts(rounds, LEVEL, memo)) expect(Math.abs(lost)).toBeLessThan(0.12)
  })

  it('the planted weakness is among the first three of the list in 9 seasons of 10', () => {
    // Seeds that nothing was chosen on; seasons of eight rounds, one approach in five asks for the shot.
    const found = (planted: (i: number) => Planted) =>
      Array.from({ length: 40 }, (_, i) => {
        const wrong = planted(i)
        const work = workFor(season(makeDice(9000 + i), 8, wrong), LEVEL, memo).slice(0, 3)
        return work.some(({ clubId }) => clubId === shotOfSeason(wrong.shot).clubId)
      }).filter(Boolean).length
    expect(found(i => ({ shot: i % CARRIES_M.length, looser: 2 }))).toBeGreaterThanOrEqual(36)
    expect(found(i => ({ shot: i % CARRIES_M.length, offM: -yd(6) }))).toBeGreaterThanOrEqual(30)
  })
})

describe('the course against the range', () => {
  it('five yards short is said in most seasons, and none of 100 even players hears it more often than 1 in 20', () => {
    const heard = (shiftM: number, seed: number, seasons: number) =>
      Array.from({ length: seasons }, (_, i) => courseShift(season(makeDice(seed + i), 8, null, shiftM))).filter(
        Boolean,
      )
    expect(heard(0, 4000, 100).length).toBeLessThanOrEqual(5)
    const short = heard(-yd(5), 6000, 40)
    expect(short.length).toBeGreaterThanOrEqual(30)
    expect(short.every(shift => shift!.meanM < 0)).toBe(true)
    expect(courseShift([])).toBeNull()
    // A round of which no end was told says nothing, and breaks nothing.
    const untold: Played = { approaches: [{ chance: true, distanceM: 80 }] }
    expect(courseShift([untold, ...season(makeDice(6001), 8, null, -yd(5))])!.meanM).toBeLessThan(0)
  })

  it('is told in words', () => {
    expect(shiftText({ meanM: -yd(5), halfM: 1, balls: 40 }, 'yd')).toMatch(/^5 yd short on the course, on average/)
    expect(finishText({ chance: true, distanceM: 90, offM: -yd(8), sideM: yd(3) }, 'yd')).toBe('8 yd short, 3 yd right')
    const work = { share: 0.2, lost: 0.12, off: false, meanOffM: 0, worth: 0.08 }
    expect(workText(work, 'yd')).toEqual({
      why: 'Asked for by 20 in 100 chances, and costs 0.12 strokes a ball more than the level does.',
      worth: 'An hour on it may be worth 0.08 strokes a round, as a guess.',
    })
  })
})

describe('the course scatter', () => {
  /** Balls so many times as wide as on the range, seven in a hundred mishit, all a little to the long side. */
  const played = (times: number, balls: number, seed: number): Played[] => {
    const dice = makeDice(seed)
    const approaches = Array.from({ length: balls }, (): Approach => {
      const mishit = dice.uniform() < 0.07 ? 15 : 0
      return { chance: true, distanceM: 80, offM: 1 + 4 * times * dice.normal() - mishit }
    })
    return [{ approaches }]
  }
  const range = () => 4

  it('is the usual one until enough balls tell, and the own one after some rounds', () => {
    expect(courseScatter(played(2, 19, 1), range)).toBeNull()
    const few = courseScatter(played(2.2, 24, 3), range)!
    expect(few.times).toBeLessThan(2.2)
    const many = courseScatter(played(2.2, 600, 4), range)!
    expect(Math.abs(many.times - 2.2)).toBeLessThan(0.25)
    expect(many.most - many.least).toBeLessThan(few.most - few.least)
  })

  it('its bounds hold the truth about 8 times in 10, for players about the usual', () => {
    const truths = [1.2, 1.5, 1.9]
    const held = Array.from({ length: 150 }, (_, i) => {
      const truth = truths[i % truths.length]!
      const { least, most } = courseScatter(played(truth, 90, 500 + i), range)!
      return least <= truth && truth <= most
    })
    expect(held.filter(Boolean).length / held.length).toBeGreaterThan(0.7)
  })

  it('is told in words', () => {
    expect(courseScatterFoundText({ times: 1.72, least: 1.5, most: 2, balls: 60 })).toBe(
      'On the course your balls lie 1.7 times as wide as on the range (1.5 to 2.0, 8 in 10 sure; 1.5 is usual).',
    )
  })
})

describe('a round that two devices know', () => {
  const id = (n: number) => `0196b1de-0000-7000-8000-00000000000${n}`
  const round = (approaches: object[], version: number) =>
    RoundRecord.parse({ id: id(1), name: '', kind: 'casual', playedAtMs: 1e12, approaches, gone: false, version })
  const approach = (n: number, version = 1, more: object = {}) => ({
    id: id(n),
    chance: true,
    distanceM: 80 + n,
    version,
    ...more,
  })

  it('keeps every approach, each in its later version', () => {
    const merged = mergedRound(round([approach(2), approach(3, 2)], 2), round([approach(3), approach(4)], 1))
    expect(merged.approaches.map(({ id: one, version }) => [one, version])).toEqual([
      [id(2), 1],
      [id(3), 2],
      [id(4), 1],
    ])
    expect(merged.version).toBe(2)
  })

  it('what was taken out is not counted', () => {
    const rounds = [round([approach(2), approach(3, 2, { gone: true })], 1)]
    expect(playedOf(rounds)[0]!.approaches).toHaveLength(1)
    expect(playedOf([{ ...rounds[0]!, gone: true }])).toEqual([])
  })
})

describe('the course against the range', () => {
  /** The level's spread on the range, about each number; so many times as wide as the chart has it. */
  const shotOf =
    (times = 1): ShotOf =>
    ({ clubId }) => {
      const carryM = CARRIES_M[Number(clubId!.slice(1))]!
      const longSdM = times * usualScatterM(SPREAD_OF_LEVEL[LEVEL], carryM)
      const half = Z_80 * longSdM
      return {
        carryM,
        window80M: [carryM - half, carryM + half],
        longSdM,
        sideSdM: times * SIDE_OF_LEVEL[LEVEL] * carryM,
      }
    }
  const SEASONS = 200
  const seasons = Array.from({ length: SEASONS }, (_, i) => season(makeDice(81_000 + i), 8, null))

  it('counts as a table of the binomial distribution does', () => {
    // 10 tosses of a fair coin: 56 of 1024 ways have 8 heads or more, 386 have 4 or fewer.
    expect(binomialTails(8, 10, 0.5).above).toBeCloseTo(56 / 1024, 10)
    expect(binomialTails(4, 10, 0.5).below).toBeCloseTo(386 / 1024, 10)
    expect(binomialTails(10, 10, 0.5)).toMatchObject({ below: 1 })
    expect(binomialTails(0, 10, 0.5)).toMatchObject({ above: 1 })
  })

  it('finds the windows right where they are, and too narrow where balls lie wider than they are taken to', () => {
    const told = (chart: number, times: number) =>
      seasons.filter(rounds => windowsHeld(rounds, shotOf(chart), times)?.way === 'fewer').length / SEASONS
    expect(told(1, 1.5)).toBeLessThanOrEqual(0.05)
    expect(told(0.6, 1.5)).toBeGreaterThan(0.8)
    // Taken as wide as on the range, a course that is one and a half times as wide breaks them.
    expect(told(1, 1)).toBeGreaterThan(0.8)
    expect(windowsHeld(seasons[0]!.slice(0, 1), () => null, 1.5)).toBeNull()
    expect(windowsText({ held: 31, balls: 60, usual: 36, way: null }, 1.5)).toBe(
      'Where the chart has 8 in 10, 31 of 60 ordinary balls ended; with balls 1.5 times as wide as on the range, ' +
        '36 would be usual.',
    )
  })

  it('loses nothing to its level for sure where nothing is lost, and strokes to its own range spread', () => {
    const judged = seasons.map(rounds => strokesAgainst(rounds, shotOf(), LEVEL, memo)!)
    const sure = (pick: 'level' | 'range') => judged.filter(one => one[pick]!.isSure).length / SEASONS
    expect(sure('level')).toBeLessThanOrEqual(0.05)
    // Half again as wide as on the range costs strokes, and that is said in most seasons.
    expect(sure('range')).toBeGreaterThan(0.6)
    const mean = judged.reduce((sum, one) => sum + one.range!.mean, 0) / SEASONS
    expect(mean).toBeGreaterThan(0.03)
    expect(strokesTexts(judged[0]!)[0]).toMatch(/^Against the ball of the level: 0\.\d\d strokes (more|fewer) a ball/)
    expect(strokesAgainst([{ approaches: [{ chance: true, distanceM: 80 }] }], shotOf(), LEVEL, memo)).toBeNull()
  })

  it('is silent where shots are only sometimes wrong: a chart as wide as the course is told in few', () => {
    const told = seasons.filter(rounds => windowsHeld(rounds, shotOf(1.5), 1)?.way).length / SEASONS
    expect(told).toBeLessThanOrEqual(0.05)
  })
})

describe('need', () => {
  const often = Array.from({ length: 30 }, (_, i) => (i < 20 ? yd(72) : yd(120)))
  it('weighs the number that is asked for most, and leaves none out', () => {
    const [a, b, c] = needOf(often, [yd(72), yd(120), yd(40)])
    expect([a, c]).toEqual([1, 0.25])
    expect(b).toBeGreaterThan(0.5)
    expect(b).toBeLessThan(1)
    expect(needOf(often.slice(0, 14), [yd(72), yd(40)])).toEqual([1, 1])
  })
  it('says nothing of a stretch from fewer than 15 chances', () => {
    expect(askedShare(often.slice(0, 14), yd(70), yd(75))).toBeNull()
    expect(askedShare(often, yd(70), yd(75))).toBeCloseTo(2 / 3, 10)
  })
})
