import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { LEVELS } from '../../core/level'
import { newMemo } from '../../core/memo'
import { mixedPlaces } from '../../core/practice/draw'
import type { Drill, DrillMaker } from '../../core/practice/drill'
import type { DrillBall, DrillSpec } from '../../core/practice/drill-spec'
import { DRILLS, drillById } from '../../core/practice/drills'
import { historyOf, seriesKey } from '../../core/practice/history'
import { speedCostM } from '../../core/practice/judge'
import { leaveOfLevel, levelRest } from '../../core/practice/level-balls'
import { levelScores } from '../../core/practice/level-score'
import { ballsOf, nextTask, running } from '../../core/practice/next-task'
import { ballsIn, planOf, type PlanFacts } from '../../core/practice/plan'
import { isWild, pointsOf, ringsOf } from '../../core/practice/rings'
import { scoreOf } from '../../core/practice/score'
import { studentTail } from '../../core/stats/student'
import { metresToYards, mphToMps, mpsToMph, yardsToMetres as yd } from '../../core/units'
import { makeDice } from '../bench/simulation/dice'

const memo = newMemo()
const numbers = [45, 55, 63, 74, 92, 107, 124, 137].map((carry, i) => ({
  clubId: ['60', '56', '60', '56', '50', '46', '50', '46'][i]!,
  rungId: i < 2 ? 'hip' : i < 6 ? '9:00' : 'full',
  carryM: yd(carry),
}))
const maker: DrillMaker = {
  level: 'good',
  numbers,
  speedsMs: [],
  clubIds: ['7i', '46', '50', '56', '60'],
  unit: 'yd',
  seed: 4,
}
const made = (id: string, more: Partial<DrillMaker> = {}) => drillById(id).make({ ...maker, ...more })!
const ball = (task: number, more: Partial<DrillBall>): DrillBall => ({ id: String(task), task, atMs: 0, ...more })
const feet = (n: number) => n * 0.3048

describe('a test at random distances', () => {
  // Common practice: target, carry and what was left; length and side give the leave, the side follows from the others.
  const WORKED = [
    [95, 94.9, 10],
    [80, 88, 26],
    [85, 81, 12],
    [90, 92, 7],
    [100, 95, 18],
  ] as const
  const spec: DrillSpec = { ...made('random-targets'), tasks: WORKED.map(([target]) => ({ targetM: yd(target) })) }

  it('length and side give the leave to the foot', () => {
    const balls = WORKED.map(([target, carry, leftFeet], i) => {
      const offM = yd(carry - target)
      const sideM = Math.sqrt(Math.max(0, feet(leftFeet) ** 2 - offM ** 2))
      return ball(i, { endM: yd(carry), sideM })
    })
    const score = scoreOf(spec, balls, memo)
    for (const [i, [, , leftFeet]] of WORKED.entries())
      expect(Math.round(score.judged[i]!.leaveM! / 0.3048)).toBe(leftFeet)
    expect(score.sideSeen).toBe(1)
    // The nearest ball gains most, the furthest least.
    expect(score.values.indexOf(Math.max(...score.values))).toBe(3)
    expect(score.values.indexOf(Math.min(...score.values))).toBe(1)
    expect(score.meanLeaveM! / 0.3048).toBeCloseTo((10 + 26 + 12 + 7 + 18) / 5, 1)
  })

  it('a ball from which more than two strokes are expected cost more than par', () => {
    const far = scoreOf(spec, [ball(0, { endM: yd(60), sideM: 0 }), ball(1, { endM: yd(80), sideM: 0 })], memo)
    expect(far.overPar).toBe(1)
  })

  it('flyers and other shots are shown apart, and score nothing', () => {
    const one = ball(0, { endM: yd(94), sideM: 0 })
    const flyer = ball(1, { endM: yd(110), sideM: 0, apart: 'flyer' })
    const score = scoreOf(spec, [one, flyer], memo)
    expect(score.apart).toHaveLength(1)
    expect(score.values).toHaveLength(1)
  })
})

describe('three good ones', () => {
  // Common practice: one player's balls at 40, 30 and 50 yd.
  const J: [number, number[]][] = [
    [40, [46.7, 39.2, 41, 39.2]],
    [30, [24.1, 29.7, 24.1]],
    [50, [51.8, 49.6, 44.6]],
  ]
  const at = (target: number): DrillSpec => ({
    ...made('block-then-switch'),
    tasks: [{ targetM: yd(target) }],
    withinM: yd(2),
  })
  it('the error of each ball, and whether three good ones were reached', () => {
    const results = J.map(([target, carries]) =>
      scoreOf(
        at(target),
        carries.map(carry => ball(0, { endM: yd(carry) })),
        memo,
      ),
    )
    const errors = results.map(({ judged }) => judged.map(({ offM }) => Number(metresToYards(offM!).toFixed(1))))
    expect(errors).toEqual([
      [6.7, -0.8, 1, -0.8],
      [-5.9, -0.3, -5.9],
      [1.8, -0.4, -5.4],
    ])
    expect(results.map(({ good }) => good)).toEqual([3, 1, 2])
  })
  it('goes on once three were good, then asks for all in mixed order, and ends', () => {
    const spec = { ...made('block-then-switch'), withinM: 2 }
    const balls: DrillBall[] = []
    const asked: number[] = []
    for (let next = 0 as number | null; next !== null; next = scoreOf(spec, balls, memo).next) {
      asked.push(next)
      balls.push(ball(next, { id: String(balls.length), endM: spec.tasks[next]!.targetM! }))
    }
    expect(asked.slice(0, 9)).toEqual([0, 0, 0, 1, 1, 1, 2, 2, 2])
    expect(asked).toHaveLength(18)
    for (let i = 10; i < asked.length; i++) expect(asked[i]).not.toBe(asked[i - 1])
  })
})

describe('club speeds called', () => {
  it('68, 72 and 74 swung at 67, 70 and 72 are 1, 2 and 2 mph out (common practice)', () => {
    const spec = { ...made('speed-calls'), tasks: [68, 72, 74].map(mph => ({ speedMs: mphToMps(mph) })) }
    const score = scoreOf(
      spec,
      [67, 70, 72].map((mph, i) => ball(i, { speedMs: mphToMps(mph) })),
      memo,
    )
    expect(score.judged.map(one => Math.round(mpsToMph(one.speedOffMs!)))).toEqual([-1, -2, -2])
    expect(mpsToMph(score.value!)).toBeCloseTo(5 / 3, 6)
    expect(score.direction).toBe('less')
    // Common practice: about 2.5, 5 and 5 yd.
    expect(score.judged.map(one => metresToYards(speedCostM(one.speedOffMs!)).toFixed(1))).toEqual([
      '2.5',
      '5.0',
      '5.0',
    ])
  })
})

describe('circles', () => {
  it('four of ten inside a stated circle over three flags', () => {
    const spec = made('circles')
    expect(ballsOf(spec)).toBe(10)
    const balls: DrillBall[] = []
    for (let i = 0; i < 10; i++) {
      const task = nextTask(spec, scoreOf(spec, balls, memo).judged)!
      const { targetM, circleM } = spec.tasks[task]!
      balls.push(ball(task, { id: String(i), endM: targetM! + (i < 4 ? 0.9 : 1.1) * circleM!, sideM: 0 }))
    }
    const score = scoreOf(spec, balls, memo)
    expect(score.value).toBeCloseTo(0.4)
    expect(score.next).toBeNull()
    expect(new Set(balls.map(({ task }) => task)).size).toBe(3)
  })
  it('where nobody measures, in or out by eye is a score too', () => {
    const score = scoreOf(made('circles'), [ball(0, { good: true }), ball(1, { good: false })], memo)
    expect(score.value).toBe(0.5)
  })
})

describe('five straight', () => {
  it('broken at the fourth it begins again, and ends with the fifth running', () => {
    const spec = { ...made('five-straight'), withinM: 2 }
    const at = spec.tasks[0]!.targetM!
    const pattern = [1, 1, 1, 0, 1, 1, 1, 1, 1]
    const balls = pattern.map((good, i) => ball(0, { id: String(i), endM: at + (good ? 0 : 5) }))
    expect(running(scoreOf(spec, balls.slice(0, 4), memo).judged)).toBe(0)
    expect(scoreOf(spec, balls.slice(0, 8), memo).next).toBe(0)
    const done = scoreOf(spec, balls, memo)
    expect(done.next).toBeNull()
    expect(done.value).toBe(9)
    expect(done.bestRun).toBe(5)
  })
})

describe('stairs', () => {
  const spec = made('stairs')
  it('rings grow with the distance and with the level; one wild ball costs the target all points', () => {
    for (const level of LEVELS) {
      const [near, far] = [ringsOf(level, yd(40), 'both', memo), ringsOf(level, yd(120), 'both', memo)]
      expect([...near].sort((a, b) => a - b)).toEqual(near)
      expect(far.every((radius, i) => radius > near[i]!)).toBe(true)
    }
    expect(ringsOf('beginner', yd(80), 'both', memo)[0]!).toBeGreaterThan(ringsOf('expert', yd(80), 'both', memo)[0]!)
    const { targetM } = spec.tasks[0]!
    const rings = ringsOf(spec.level, targetM!, 'both', memo)
    const on = ball(0, { endM: targetM!, sideM: 0 })
    const off = ball(0, { id: 'w', endM: targetM! + 2.1 * rings[4]!, sideM: 0 })
    expect(isWild(2.1 * rings[4]!, rings)).toBe(true)
    expect(pointsOf(0, rings)).toBe(5)
    expect(scoreOf(spec, [on, on], memo).value).toBe(10)
    const score = scoreOf(spec, [on, on, off], memo)
    expect(score.value).toBe(0)
    expect(score.tasks[0]!.wild).toBe(true)
  })
  it('length alone where nobody saw the side', () => {
    const { targetM } = spec.tasks[0]!
    const score = scoreOf(spec, [ball(0, { endM: targetM! - 1 })], memo)
    expect(score.sideSeen).toBe(0)
    expect(score.judged[0]!.leaveM).toBeCloseTo(1)
  })
})

describe('what is said, and what is seen', () => {
  it('a call is right when the ball came so', () => {
    const spec = { ...made('call-before-you-look'), withinM: 3 }
    const { targetM } = spec.tasks[0]!
    const of = (off: number, call: 'short' | 'good' | 'long') =>
      scoreOf(spec, [ball(0, { endM: targetM! + off, call })], memo).judged[0]!.good
    expect([of(-5, 'short'), of(0, 'good'), of(5, 'long'), of(-5, 'good'), of(5, 'short')]).toEqual([
      true,
      true,
      true,
      false,
      false,
    ])
  })
  it('a shape is the class it was seen in; a runner starts below its limit; a line is held to either side', () => {
    const shape = made('shape-on-demand')
    expect(scoreOf(shape, [ball(0, { curve: -2 }), ball(1, { curve: 0 })], memo).values).toEqual([1, 0])
    const runner = made('low-runner')
    expect(scoreOf(runner, [ball(0, { launchDeg: 14 }), ball(0, { launchDeg: 33 })], memo).values).toEqual([1, 0])
    const line = made('down-the-line')
    expect(scoreOf(line, [ball(0, { sideM: -4 }), ball(0, { sideM: 6 })], memo).value).toBe(5)
  })
})

describe('every drill', () => {
  const specs = (drill: Drill) => drill.make(maker)
  it('is made for a player with numbers, says what it needs, and ends', () => {
    for (const drill of DRILLS) {
      const spec = specs(drill)
      expect(spec, drill.meta.id).not.toBeNull()
      if (drill.meta.needs > 0) expect(drill.make({ ...maker, numbers: [] }), drill.meta.id).toBeNull()
      expect(spec!.drill).toBe(drill.meta.id)
      let hit = 0
      const balls: DrillBall[] = []
      for (;;) {
        const { next } = scoreOf(spec!, balls, memo)
        if (next === null || hit > 200) break
        balls.push(ball(next, { id: String(hit++), endM: (spec!.tasks[next]!.targetM ?? 0) + 30, sideM: 9 }))
      }
      expect(hit, drill.meta.id).toBe(ballsOf(spec!))
      expect(drillById(drill.meta.id)).toBe(drill)
    }
    expect(() => drillById('no such')).toThrow(/"no such" is no drill/)
    expect(new Set(DRILLS.map(({ meta }) => meta.id)).size).toBe(DRILLS.length)
  })

  it('what is mixed never comes twice running, and everything once a round', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 2, max: 15 }), fc.integer({ min: 1, max: 6 }), (seed, count, rounds) => {
        const places = mixedPlaces(seed, count, rounds)
        expect(places).toHaveLength(count * rounds)
        for (let i = 1; i < places.length; i++) expect(places[i]).not.toBe(places[i - 1])
        for (let round = 0; round < rounds; round++)
          expect(new Set(places.slice(round * count, (round + 1) * count)).size).toBe(count)
      }),
    )
  })

  it('the same go asks for the same, whatever unit is read; targets are whole ones of the unit', () => {
    fc.assert(
      fc.property(fc.nat(1e6), seed => {
        for (const drill of DRILLS)
          for (const unit of ['yd', 'm'] as const) {
            const spec = drill.make({ ...maker, seed, unit })!
            expect(drill.make({ ...maker, seed, unit })).toEqual(spec)
            for (const { targetM } of spec.tasks) {
              const read = targetM === undefined ? 0 : unit === 'm' ? targetM : metresToYards(targetM)
              expect(Math.abs(read - Math.round(read))).toBeLessThan(1e-9)
            }
          }
      }),
      { numRuns: 20 },
    )
  })
})

describe('the level', () => {
  it('takes what it usually takes: no strokes gained on average, better levels more, worse ones less', () => {
    const bands = levelScores(made('random-targets'), memo)!
    expect(bands.map(({ level }) => level)).toEqual(['expert', 'good', 'improver', 'beginner'])
    expect(Math.abs(bands.find(({ level }) => level === 'good')!.value)).toBeLessThan(0.01)
    for (let i = 1; i < bands.length; i++) expect(bands[i]!.value).toBeLessThan(bands[i - 1]!.value)
    const fair = levelScores(made('circles'), memo)!.find(({ level }) => level === 'good')!.value
    // Two in five of the clean ones, and hardly a mishit.
    expect(fair).toBeGreaterThan(0.34)
    expect(fair).toBeLessThan(0.42)
    expect(levelScores(made('shape-on-demand'), memo)).toBeNull()
  })
  it('its middle leave lies where half of a hundred thousand drawn balls do', () => {
    const dice = makeDice(5)
    const [long, side] = [0.03 * (yd(80) + yd(33)), 0.045 * yd(80)]
    let within = 0
    const N = 100_000
    const middle = leaveOfLevel('good', yd(80), 0.5, 'both', memo)
    for (let i = 0; i < N; i++) if (Math.hypot(long * dice.normal(), side * dice.normal()) <= middle) within++
    expect(Math.abs(within / N - 0.5)).toBeLessThan(0.06)
    expect(levelRest('good', yd(80), 'both', memo)).toBeGreaterThan(levelRest('good', yd(80), 'length', memo))
  })
})

describe('scores over time', () => {
  it('Student’s tail agrees with the tables (handbook values: 2.228 at 10, 1.812 at 10, 2.086 at 20)', () => {
    expect(studentTail(2.228, 10)).toBeCloseTo(0.025, 4)
    expect(studentTail(1.812, 10)).toBeCloseTo(0.05, 4)
    expect(studentTail(2.086, 20)).toBeCloseTo(0.025, 4)
    expect(studentTail(0, 7)).toBe(0.5)
  })

  const spec = made('random-targets')
  const goOf = (dice: ReturnType<typeof makeDice>, times: number) => {
    const balls = spec.tasks.map(({ targetM }, i) =>
      ball(i, {
        endM: targetM! + times * 0.04 * targetM! * dice.normal(),
        sideM: times * 0.05 * targetM! * dice.normal(),
      }),
    )
    const { values, value } = scoreOf(spec, balls, memo)
    return { values, value: value! }
  }
  it('an unchanged player who looks after every go is told a change in at most 1 of 20', () => {
    const PLAYERS = 400
    let told = 0
    for (let player = 0; player < PLAYERS; player++) {
      const dice = makeDice(1000 + player)
      const goes = Array.from({ length: 15 }, () => goOf(dice, 1))
      if (goes.some((_, i) => historyOf(goes.slice(0, i + 1), 'more').change !== null)) told++
    }
    expect(told / PLAYERS).toBeLessThanOrEqual(0.05)
  })
  it('a player whose spread halves after three goes is told within a few', () => {
    const within: number[] = []
    for (let player = 0; player < 100; player++) {
      const dice = makeDice(5000 + player)
      const goes = [1, 1, 1].map(() => goOf(dice, 1))
      for (let more = 1; more <= 20; more++) {
        goes.push(goOf(dice, 0.5))
        if (historyOf(goes, 'more').change === 'better') {
          within.push(more)
          break
        }
      }
    }
    expect(within.length).toBeGreaterThan(80)
    expect(within.sort((a, b) => a - b)[within.length >> 1]).toBeLessThanOrEqual(5)
  })
  it('first, best and last, and the band of chance', () => {
    const goes = [4, 6, 5].map(value => ({ value, values: [value - 1, value + 1] }))
    const history = historyOf(goes, 'less')
    expect(history).toMatchObject({ first: 4, best: 4, last: 5, goes: 3, change: null })
    expect(history.band!.least).toBeLessThan(5)
    expect(history.band!.most).toBeGreaterThan(5)
    expect(historyOf([{ value: 1, values: [1] }], 'more').band).toBeNull()
  })
  it('goes of other targets are one series only where strokes tell', () => {
    expect(seriesKey(made('random-targets', { seed: 9 }))).toBe(seriesKey(spec))
    expect(seriesKey(made('stairs'))).not.toBe(seriesKey({ ...made('stairs'), tasks: [{ targetM: 50 }] }))
  })
})

describe('the plan', () => {
  const cell = (i: number, more: object = {}) => ({
    ...numbers[i]!,
    kind: 'measured',
    plain: false,
    window80M: [numbers[i]!.carryM - 4, numbers[i]!.carryM + 4],
    certainty80M: [numbers[i]!.carryM - 2, numbers[i]!.carryM + 2],
    ...more,
  })
  const facts = (more: Partial<PlanFacts> = {}): PlanFacts => ({
    chart: numbers.map((_, i) => cell(i)) as unknown as PlanFacts['chart'],
    flags: [],
    level: 'good',
    nowMs: 100 * 86_400_000,
    lastHitMs: new Map(numbers.map(({ clubId, rungId }) => [`${clubId}/${rungId}`, 99 * 86_400_000])),
    leastLikedM: null,
    needed: [],
    ...more,
  })
  it('stays within its balls, never a drill twice, never more than twelve at one thing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 120 }), fc.option(fc.integer({ min: 40, max: 120 })), (balls, liked) => {
        const plan = planOf(facts({ leastLikedM: liked === null ? null : yd(liked) }), maker, balls)
        expect(plan.reduce((sum, block) => sum + block.balls, 0)).toBeLessThanOrEqual(balls)
        expect(new Set(plan.map(({ spec }) => spec.drill)).size).toBe(plan.length)
        for (const { spec, balls: own } of plan) {
          expect(own).toBeLessThanOrEqual(24)
          expect(ballsOf(spec)).toBe(own)
        }
        if (balls >= 6) expect(plan.length).toBeGreaterThan(0)
      }),
    )
    expect(planOf(facts({ chart: [] }), { ...maker, numbers: [] }, 60)).toEqual([])
  })
  it('begins with what is flagged weak, then what is disliked, and ends mixed', () => {
    const weak = { flag: 'weak', cells: [], fromM: yd(88), toM: yd(96) }
    const plan = planOf(facts({ flags: [weak], leastLikedM: yd(55) }), maker, 60)
    expect(plan[0]!.reason).toMatchObject({ kind: 'flag', rule: 'weak' })
    expect(plan[1]!.reason).toMatchObject({ kind: 'least liked' })
    expect(plan.at(-1)!.reason.kind).toBe('mixed')
  })
  it('a loose number comes before a tight one, and its worth is not nothing', () => {
    const chart = numbers.map((one, i) =>
      cell(i, i === 4 ? { window80M: [one.carryM - 15, one.carryM + 15] } : {}),
    ) as unknown as PlanFacts['chart']
    const [first] = planOf(facts({ chart }), maker, 40)
    expect(first!.reason).toMatchObject({ kind: 'loose', shot: { clubId: '50' } })
    expect(first!.worthM).toBeGreaterThan(0.1)
  })
  it('a number that nobody has hit is not called loose, however wide its doubt', () => {
    const chart = numbers.map((one, i) =>
      cell(i, {
        certainty80M: null,
        ...(i === 4
          ? { kind: 'predicted', window80M: [one.carryM - 15, one.carryM + 15] }
          : { window80M: [one.carryM - 1, one.carryM + 1] }),
      }),
    ) as unknown as PlanFacts['chart']
    for (const { reason } of planOf(facts({ chart }), maker, 60)) expect(reason.kind).not.toBe('loose')
    // Nor is one whose window is wide by the doubt about its number alone.
    const doubted = numbers.map((one, i) =>
      cell(i, {
        window80M: [one.carryM - 9, one.carryM + 9],
        certainty80M: [one.carryM - 8.9, one.carryM + 8.9],
      }),
    ) as unknown as PlanFacts['chart']
    for (const { reason } of planOf(facts({ chart: doubted }), maker, 60)) expect(reason.kind).not.toBe('loose')
  })
  it('hits two against each other that do one job, and names those', () => {
    const three = [numbers[4]!, numbers[3]!, numbers[2]!]
    const flag = { flag: 'crowded', cells: three, fromM: numbers[2]!.carryM, toM: numbers[4]!.carryM }
    const block = planOf(facts({ flags: [flag] }), maker, 40).find(({ spec }) => spec.drill === 'two-clubs')!
    const hit = block.spec.tasks.map(({ clubId, rungId }) => ({ clubId, rungId }))
    // Of the three those that lie nearest to each other; in the whole bag two others do.
    expect(hit.map(({ clubId }) => clubId)).toEqual(['60', '56'])
    expect(made('two-clubs').tasks.map(({ clubId }) => clubId)).not.toEqual(['60', '56'])
    expect(block.reason).toMatchObject({ kind: 'two near', shots: hit })
    // Two of one club are no two clubs.
    const same = { ...flag, cells: [numbers[1]!, numbers[3]!] }
    expect(planOf(facts({ flags: [same] }), maker, 40).map(({ spec }) => spec.drill)).not.toContain('two-clubs')
  })
  it('minutes are balls', () => expect(ballsIn(30)).toBe(24))
})
