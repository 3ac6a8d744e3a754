import { describe, expect, it } from 'vitest'
import { yardsToMetres, metresToYards } from '../../core/units'
import { layOut, possibleRungs } from '../../core/what-if/layout'
import { remediesFor } from '../../core/what-if/remedies'
import { ownTargets, sceneOf, type Judging } from '../../core/what-if/scene'
import { searchBags } from '../../core/what-if/search'
import { asItIs, bends, equalSteps, MADE_LOFTS, USUAL_LIMITS, type WhatIf } from '../../core/what-if/thought-of'
import { WhatIfBody } from '../../shared/schemas/what-if'
import { changeText, effectText, remedyText } from '../../words/what-if'
import { bagOf, calibrated, DAY_MS, tenBalls } from './players'

/** A really measured player: nine o'clock and full of four clubs, the full 60° not used (common practice). */
const BAG = bagOf({ '46°': 46, '50°': 50, '56°': 56, '60°': 60 }, ['9:00', 'full'], 'clock', [['60°', 'full']])
const MEASURED = [
  ['46°', 'full', 137],
  ['50°', 'full', 124],
  ['56°', 'full', 102],
  ['46°', '9:00', 107],
  ['50°', '9:00', 92],
  ['56°', '9:00', 74],
  ['60°', '9:00', 63],
] as const
const known = (bag = BAG) => {
  const shots = MEASURED.filter(([club]) => bag.clubs.some(one => one.id === club)).flatMap(([club, swing, yd]) =>
    tenBalls(club, swing, yd),
  )
  const { chart, player } = calibrated(bag, shots, { level: 'good', nowMs: DAY_MS })
  const layout = layOut(player)
  const judging: Judging = {
    flags: {},
    withinM: yardsToMetres(3),
    lineM: yardsToMetres(7),
    unit: 'yd',
    answers: [],
    plain: [],
    targetsM: ownTargets(chart, 'yd'),
  }
  return { chart, layout, judging, base: asItIs(bag), today: sceneOf(layout, asItIs(bag), judging) }
}
const carryOf = (scene: ReturnType<typeof sceneOf>, club: string, swing: string) =>
  metresToYards(scene.chart.find(cell => cell.clubId === club && cell.rungId === swing)!.carryM!)
const bent = (base: WhatIf, id: string, loftDeg: number): WhatIf => ({
  ...base,
  clubs: base.clubs.map(club => (club.id === id ? { ...club, loftDeg } : club)),
})

describe('a bag that is thought of', () => {
  const { chart, layout, judging, base, today } = known()

  it('as it is, has the numbers that the chart has', () => {
    for (const cell of chart.filter(one => one.kind !== 'struck-out'))
      expect(carryOf(today, cell.clubId, cell.rungId)).toBeCloseTo(metresToYards(cell.carryM!), 9)
    expect(today.chart.find(cell => cell.clubId === '60°' && cell.rungId === 'full')!.kind).toBe('struck-out')
    expect(today.open.map(one => one.flag)).toContain('hole')
  })

  it("bent, a club carries as the player's own lofts say: about three yards a degree at full (4° about 10 m, common practice), and is predicted", () => {
    const stronger = sceneOf(layout, bent(base, '50°', 48), judging)
    const gained = carryOf(stronger, '50°', 'full') - carryOf(today, '50°', 'full')
    expect(gained).toBeGreaterThan(4)
    expect(gained).toBeLessThan(9)
    expect(stronger.chart.filter(cell => cell.clubId === '50°').map(cell => cell.kind)).toEqual([
      'predicted',
      'predicted',
    ])
    expect(carryOf(stronger, '46°', 'full')).toBe(carryOf(today, '46°', 'full'))
    expect(carryOf(sceneOf(layout, bent(base, '50°', 52), judging), '50°', 'full')).toBeLessThan(
      carryOf(today, '50°', 'full'),
    )
  })

  it('with a club that is not owned lies between its neighbours, less surely than what was hit', () => {
    const scene = sceneOf(
      layout,
      { ...base, clubs: [...base.clubs, { id: 'new 0', from: null, label: '53°', loftDeg: 53 }] },
      judging,
    )
    expect(carryOf(scene, 'new 0', 'full')).toBeGreaterThan(102)
    expect(carryOf(scene, 'new 0', 'full')).toBeLessThan(124)
    const width = (club: string) => scene.cover.shots.find(shot => shot.clubId === club)!.certaintySdM
    expect(width('new 0')).toBeGreaterThan(2 * width('56°'))
    expect(scene.sum!.meanM).toBeLessThan(today.sum!.meanM)
  })

  it('with a number moved by hand, a swing length added, or one struck out, changes just that', () => {
    const moved = sceneOf(
      layout,
      { ...base, moved: [{ clubId: '56°', rungId: 'full', carryM: yardsToMetres(110) }] },
      judging,
    )
    expect(carryOf(moved, '56°', 'full')).toBeCloseTo(110, 9)
    expect(carryOf(moved, '56°', '9:00')).toBeCloseTo(carryOf(today, '56°', '9:00'), 9)
    const between = layout.newRungs.find(rung => rung.id === 'new full')!
    const more = sceneOf(
      layout,
      {
        ...base,
        rungs: [...base.rungs, between.id],
        newRungs: [{ id: between.id, label: between.label, fraction: between.fraction! }],
      },
      judging,
    )
    expect(carryOf(more, '56°', 'new full')).toBeGreaterThan(74)
    expect(carryOf(more, '56°', 'new full')).toBeLessThan(102)
    const less = sceneOf(
      layout,
      { ...base, struckOut: [...base.struckOut, { clubId: '50°', rungId: 'full' }] },
      judging,
    )
    expect(less.ladder.some(step => step.clubId === '50°' && step.rungId === 'full')).toBe(false)
    expect(less.sum!.meanM).toBeGreaterThan(today.sum!.meanM)
  })

  it('refuses a club or swing length that cannot be worked out', () => {
    expect(() => sceneOf(layout, { ...base, rungs: ['nowhere'] }, judging)).toThrow(/"nowhere" cannot be worked out/)
    expect(() =>
      sceneOf(layout, { ...base, clubs: [{ id: 'new 0', from: null, label: '70°', loftDeg: 70 }] }, judging),
    ).toThrow(/cannot be worked out/)
  })

  it('can be kept and read again as it was', () => {
    expect(WhatIfBody.parse(JSON.parse(JSON.stringify(base)))).toEqual(base)
    expect(WhatIfBody.safeParse({ ...base, clubs: [] }).error!.issues[0]!.message).toBe(
      'No club is left: one or more is needed.',
    )
    expect(
      WhatIfBody.safeParse({ ...base, clubs: [{ ...base.clubs[0], loftDeg: 32 }] }).error!.issues[0]!.message,
    ).toMatch(/^Loft 32° is not possible/)
  })
})

describe('the search', () => {
  const small = known(bagOf({ '50°': 50, '56°': 56 }, ['9:00', 'full']))
  const whole = async (changes: number, more = {}) =>
    searchBags(small.layout, { ...USUAL_LIMITS, changes, ...more }, small.judging.targetsM, async () => false)

  it('finds the same three as judging every bag of a small one in full', async () => {
    const { layout, base, judging } = small
    const one: { whatIf: WhatIf; priceYd: number }[] = [
      { whatIf: base, priceYd: 0 },
      ...base.clubs.flatMap(club =>
        bends(club.loftDeg).map(loft => ({ whatIf: bent(base, club.id, loft), priceYd: 0.05 })),
      ),
      ...base.clubs.map(club => ({
        whatIf: { ...base, clubs: base.clubs.filter(other => other !== club) },
        priceYd: 0.02,
      })),
      ...MADE_LOFTS.map(loftDeg => ({
        whatIf: { ...base, clubs: [...base.clubs, { id: 'new 0', from: null, label: `${loftDeg}°`, loftDeg }] },
        priceYd: 0.25,
      })),
    ]
    const brute = one
      .map(({ whatIf, priceYd }) => ({
        lofts: whatIf.clubs.map(club => club.loftDeg).sort((a, b) => b - a),
        score: metresToYards(sceneOf(layout, whatIf, judging).sum!.meanM) + priceYd,
      }))
      .sort((a, b) => a.score - b.score)
    const { best, looked, of, stopped } = await whole(1)
    expect([looked, of, stopped]).toEqual([one.length, one.length, false])
    expect(best.map(found => found.whatIf.clubs.map(club => club.loftDeg))).toEqual(
      brute.slice(0, 3).map(found => found.lofts),
    )
    best.forEach((found, i) => expect(metresToYards(found.meanM + found.priceM)).toBeCloseTo(brute[i]!.score, 9))
  })

  it('looks at each bag once, and more changes are never worse', async () => {
    const [one, two] = [await whole(1), await whole(2)]
    expect(two.looked).toBe(two.of)
    expect(two.best[0]!.meanM + two.best[0]!.priceM).toBeLessThanOrEqual(one.best[0]!.meanM + one.best[0]!.priceM)
    expect(two.best.every(found => found.changes.length <= 2)).toBe(true)
  })

  it('keeps its limits: how many clubs, in all too, and what is dear', async () => {
    expect((await whole(2, { wedges: 2 })).best.every(found => found.whatIf.clubs.length <= 2)).toBe(true)
    expect((await whole(2, { clubsInAll: 1 })).best.every(found => found.whatIf.clubs.length === 1)).toBe(true)
    for (const { whatIf } of (await whole(2, { dear: ['56°'] })).best)
      expect(whatIf.clubs.find(club => club.id === '56°')).toMatchObject({ loftDeg: 56 })
  })

  it('tells how far it is, and stops when told to, with the best so far', async () => {
    const told: number[] = []
    const { layout, judging } = known()
    const result = await searchBags(layout, USUAL_LIMITS, judging.targetsM, async ({ looked }) => {
      told.push(looked)
      return told.length === 2
    })
    expect(told).toEqual([2_000, 4_000])
    expect(result).toMatchObject({ looked: 4_000, stopped: true })
    expect(result.best).toHaveLength(3)
  })

  it('has sets of equal loft steps to start from (common practice: 46 52 58, and 46 50 55 60 to a degree)', () => {
    expect(equalSteps(46, 58, 3)).toEqual([58, 52, 46])
    expect(equalSteps(46, 60, 4)).toEqual([60, 55, 51, 46])
    expect(bends(61)).toEqual([58, 59, 60, 62])
  })
})

describe('what would help', () => {
  const { layout, judging, today } = known()
  const names = {
    cell: (cell: { clubId: string; rungId: string }) => `${cell.clubId} ${cell.rungId}`,
    club: (cell: { clubId: string }) => cell.clubId,
    rung: (id: string) => layout.newRungs.find(rung => rung.id === id)!.label,
  }

  it('a hole: cheapest first, and each figure is what the changed bag really comes to', () => {
    const hole = today.open.find(one => one.flag === 'hole')!
    const remedies = remediesFor(layout, today, hole, judging)
    expect(remedies.map(one => one.kind)).toEqual(['grip-down', 'calibrate', 'use-again', 'swing', 'bend', 'add'])
    for (const remedy of remedies.filter(one => one.whatIf)) {
      const scene = sceneOf(layout, remedy.whatIf!, judging)
      expect([scene.sum!.within, scene.open.length]).toEqual([remedy.withinAfter, remedy.openAfter])
      expect(remedy.afterM).toBeLessThan(remedy.beforeM)
    }
    expect(remedies.filter(one => one.settlesFlag).map(one => one.kind)).toContain('add')
    const words = remedies.map(one => `${remedyText(one, names, 'yd')} ${effectText(one, 'yd')}`)
    for (const text of words) expect(text).not.toMatch(/undefined|NaN|\?/)
    expect(words.find(text => text.startsWith('Bend'))).toMatch(/club maker .* bounce changes/)
  })

  it('two shots doing one job: strike one out, or leave the club at home', () => {
    const bag = bagOf({ '50°': 50, '52°': 52, '58°': 58 }, ['full'])
    const { chart, player } = calibrated(
      bag,
      [...tenBalls('50°', 'full', 110), ...tenBalls('52°', 'full', 109.6), ...tenBalls('58°', 'full', 90)],
      { level: 'expert' },
    )
    const own = layOut(player)
    const how = { ...judging, targetsM: ownTargets(chart, 'yd') }
    const now = sceneOf(own, asItIs(bag), how)
    const overlap = now.findings.find(one => one.flag === 'overlap')!
    const remedies = remediesFor(own, now, overlap, how)
    expect(remedies.map(one => one.kind)).toEqual(expect.arrayContaining(['strike-out', 'take-out']))
    for (const one of remedies.filter(remedy => remedy.kind !== 'calibrate')) expect(one.settlesFlag).toBe(true)
  })

  it('of a flag that no bag settles nothing is worked out', () => {
    expect(remediesFor(layout, today, { ...today.open[0]!, flag: 'stale' }, judging)).toEqual([])
  })

  it('swing lengths that could be added lie between those in use, and one below', () => {
    expect(possibleRungs(BAG).map(rung => rung.label)).toEqual(['shorter than 9:00', 'between 9:00 and full'])
    expect(
      layOut({
        bag: bagOf({ '50°': 50 }, ['blue', 'red'], 'custom'),
        shots: [],
        sessions: [],
        level: 'good',
        nowMs: DAY_MS,
      }).newRungs,
    ).toEqual([])
    expect(changeText({ kind: 'bend', clubId: 'a', fromDeg: 50, toDeg: 48 }, id => id)).toBe(
      'Bend the a to 48°, 2° stronger',
    )
    expect(changeText({ kind: 'take-out', clubId: 'a', fromDeg: 50, toDeg: null }, id => id)).toBe(
      'Leave the a at home',
    )
  })
})
