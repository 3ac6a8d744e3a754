import { describe, expect, it } from 'vitest'
import { compareCharts } from '../../core/history/compare'
import { cellEstimate } from '../../core/model/estimate'
import { fitModel, fitWithPrior, USUAL_SPREAD, type ModelShot } from '../../core/model/fit'
import { ballShares, kindsDensity } from '../../core/model/kinds'
import { MODEL } from '../../core/model/constants'
import { normalDensity } from '../../core/stats/normal'
import { metresToYards, yardsToMetres } from '../../core/units'
import { readShotTable, writeShotTable } from '../../core/files/shot-table'
import { beyondOwnBalls, judgeOdd } from '../bench/simulation/odd-judge'
import { drawOddPlayer } from '../bench/simulation/odd-players'
import { makeDice } from '../bench/simulation/dice'
import { balls, bagOf, calibrated, type AnyStageShot } from './players'

const LOFTS = { '58°': 58, '54°': 54, '50°': 50, '46°': 46 }
const HALVES = bagOf(LOFTS, ['half', 'full'], 'half-full')
const BODY = bagOf(LOFTS, ['pocket', 'belt', 'navel'], 'body')

type Rows = Record<string, number[]>
/** "58° half": carries in yards; one figure with n balls is a pile. */
const typed = (rows: Rows, more: Partial<AnyStageShot> = {}) =>
  Object.entries(rows).flatMap(([name, carries]) => {
    const [club, swing] = name.split(' ') as [string, string]
    return balls(club, swing, carries, { method: 'laser', ...more })
  })

/** By file: written as our own table and read again. */
const byFile = (shots: AnyStageShot[]): AnyStageShot[] => {
  const text = writeShotTable(
    shots.map(({ clubId, rungId, ...shot }) => ({
      ...shot,
      player: '',
      session: shot.sessionId,
      club: clubId,
      swing: rungId,
      ball: 'own',
      asked: null,
      readings: null,
      taken: null,
      air: null,
    })),
  )
  const { rows, errors } = readShotTable(text)
  expect(errors).toEqual([])
  return rows.map((row, i) => ({
    ...shots[i]!,
    clubId: row.club,
    rungId: row.swing,
    carryM: row.carryM,
    method: row.method,
    balls: row.balls,
    hitAtMs: row.hitAtMs!,
  }))
}

const readOf = (bag: typeof HALVES, shots: AnyStageShot[]) => {
  const { chart } = calibrated(bag, shots, { level: 'good' })
  return (name: string) => {
    const cell = chart.find(one => `${one.clubId} ${one.rungId}` === name)!
    return {
      yd: metresToYards(cell.carryM!),
      half: metresToYards((cell.certainty80M![1] - cell.certainty80M![0]) / 2),
    }
  }
}

const SHORT_HALF = [22, 23, 24, 25, 23, 24, 23, 24]
const FULLS: Rows = { '58° full': [78, 80, 82, 80], '54° full': [90, 92, 94, 92] }
const OTHER_HALF = [48, 50, 52, 50, 49, 51, 50, 50]

describe('a number does not leave its own balls', () => {
  it.each([
    ['typed, by laser', (rows: Rows) => typed(rows)],
    ['by a device', (rows: Rows) => typed(rows, { method: 'monitor' })],
    ['the last stock shot first', (rows: Rows) => typed(rows).reverse()],
    [
      'in any order',
      (rows: Rows) =>
        makeDice(4)
          .shuffle(typed(rows))
          .map((shot, i) => ({ ...shot, hitAtMs: shot.hitAtMs + 1000 * i })),
    ],
    ['by file', (rows: Rows) => byFile(typed(rows))],
  ])('eight balls of 22 to 25 stay there beside a half of 50 and fulls of 80 and 92: %s', (_, taken) => {
    const before = readOf(HALVES, taken({ '58° half': SHORT_HALF, ...FULLS }))
    expect(before('58° half').yd).toBeCloseTo(23.7, 0)
    const read = readOf(HALVES, taken({ '58° half': SHORT_HALF, ...FULLS, '54° half': OTHER_HALF }))
    const expected: [string, number][] = [
      ['58° half', 23.5],
      ['58° full', 80],
      ['54° full', 92],
      ['54° half', 50],
    ]
    for (const [name, yd] of expected) expect(Math.abs(read(name).yd - yd), name).toBeLessThan(0.8)
    expect(read('58° half').half).toBeLessThan(2)
    // Which of two halves is the odd one is open until both are hit: the other one is wide before.
    expect(before('54° half').half).toBeGreaterThan(3)
  })

  it('as piles too', () => {
    const pile = (name: string, yd: number, n: number) => typed({ [name]: [yd] }, { balls: n })
    const read = readOf(HALVES, [
      ...pile('58° half', 23.5, 9),
      ...pile('58° full', 80, 9),
      ...pile('54° full', 92, 9),
      ...pile('54° half', 50, 8),
    ])
    expect(Math.abs(read('58° half').yd - 23.5)).toBeLessThan(1.5)
    expect(Math.abs(read('54° half').yd - 50)).toBeLessThan(1.5)
    expect(Math.abs(read('58° full').yd - 80)).toBeLessThan(1)
  })

  it('three balls at 60, 62 and 61 are 61, though the other full predicts 92, and two leave it open', () => {
    const three = readOf(HALVES, typed({ '58° full': [78, 80, 82, 80], '54° full': [60, 62, 61] }))('54° full')
    expect(Math.abs(three.yd - 61)).toBeLessThan(1)
    const two = readOf(HALVES, typed({ '58° full': [78, 80, 82, 80], '54° full': [60, 62] }))('54° full')
    expect(two.yd).toBeLessThan(70)
    expect(two.half).toBeGreaterThan(5)
  })

  it('one ball of a new length lies between it and what was predicted, and two carry the number', () => {
    const known: Rows = { '58° belt': [30, 29, 31, 30, 30], '58° pocket': [22, 23, 21] }
    const navel = (own: number[]) => readOf(BODY, typed({ ...known, ...(own.length > 0 && { '58° navel': own }) }))
    const predicted = navel([])('58° navel').yd
    let last = predicted
    for (const ball of [36, 38, 40, 42, 44]) {
      const { yd } = navel([ball])('58° navel')
      expect(yd, String(ball)).toBeGreaterThan(last - 0.5)
      expect(yd, String(ball)).toBeLessThan(ball)
      last = yd
    }
    for (const ball of [47, 50]) {
      const { yd } = navel([ball])('58° navel')
      expect(yd, String(ball)).toBeGreaterThan(predicted)
      expect(yd, String(ball)).toBeLessThan(ball)
    }
    expect(Math.abs(navel([50, 49])('58° navel').yd - 49)).toBeLessThan(1.5)
  })

  it('four balls within a yard hold the number in their span', () => {
    const { yd } = readOf(HALVES, typed({ '58° half': [29.5, 30, 30.5, 30], ...FULLS }))('58° half')
    expect(yd).toBeGreaterThanOrEqual(29.5 - 1e-9)
    expect(yd).toBeLessThanOrEqual(30.5 + 1e-9)
  })
})

describe('players drawn from no model', () => {
  // Twenty-five players tell no half of a hundredth: the long lane draws thousands, and holds them to 1 in 200 and 4 in
  // 100 (tests/long/numbers-and-balls.test.ts).
  it.each([
    ['one', 0, 0.015],
    ['three', 0, 0.03],
    ['anywhere', 0, 0.04],
    ['one', 0.3, 0.015],
    ['three', 0.3, 0.03],
    ['anywhere', 0.3, 0.04],
  ] as const)('%s odd, %f of them piles: numbers beyond the span of their balls, and intervals', (odd, piles, most) => {
    const tally = judgeOdd(810_000, 25, odd, { piles })
    expect(tally.numbers).toBeGreaterThan(120)
    expect(tally.beyond / tally.numbers).toBeLessThanOrEqual(most)
    expect(tally.held / tally.hit).toBeGreaterThan(0.76)
    expect(tally.held / tally.hit).toBeLessThan(0.93)
  })

  it('a number lies between its balls and what the others say without them; a ball among its likes draws it no further', () => {
    for (const [seed, odd] of [
      [1, 'one'],
      [2, 'three'],
      [3, 'anywhere'],
      [4, 'usual'],
    ] as const) {
      const player = drawOddPlayer(820_000 + seed, odd, { piles: 0.2 })
      const shots = player.sessions[0]!.shots
      const at = (list: readonly ModelShot[]) => fitModel(player.cells, [{ day: 0, shots: list }], 0).mean
      const all = at(shots)
      for (const cell of new Set(shots.map(shot => shot.cell))) {
        const own = shots.filter(shot => shot.cell === cell).map(shot => shot.carryM)
        const others = Math.exp(at(shots.filter(shot => shot.cell !== cell))[cell]!)
        const number = Math.exp(all[cell]!)
        const slack = yardsToMetres(0.75)
        expect(number, `${odd} ${cell}`).toBeGreaterThan(Math.min(others, ...own) - slack)
        expect(number, `${odd} ${cell}`).toBeLessThan(Math.max(others, ...own) + slack)
        const middle = [...own].sort((a, b) => a - b)[own.length >> 1]!
        if (own.length < 3 || own.some(carryM => Math.abs(carryM - middle) > yardsToMetres(4))) continue
        const more = Math.exp(at([...shots, { cell, carryM: middle, measSdM: 0.9, balls: 1 }])[cell]!)
        expect(Math.abs(more - middle), `${odd} ${cell}`).toBeLessThan(Math.abs(number - middle) + yardsToMetres(0.2))
      }
    }
  })

  it('says of a number whether it is beyond its balls', () => {
    expect(beyondOwnBalls(60, [58, 59, 61])).toBe(false)
    expect(beyondOwnBalls(62.5, [58, 59, 61])).toBe(true)
    expect(beyondOwnBalls(56.9, [58, 59, 61])).toBe(true)
  })
})

describe('one doubtful ball', () => {
  const [MEAN, SD, NOISE] = [Math.log(80), 0.1, 0.04]
  /** By a plain sum over all carries, without sites. */
  function bySummation(carryM: number, mishitShare: number) {
    let [sum, weighted, squares] = [0, 0, 0]
    for (let ln = MEAN - 10 * SD; ln < MEAN + 10 * SD; ln += SD / 50) {
      const p =
        normalDensity(ln - MEAN, SD * SD) * kindsDensity(Math.log(carryM) - ln, NOISE * NOISE, ballShares(mishitShare))
      sum += p
      weighted += p * ln
      squares += p * ln * ln
    }
    return { mean: weighted / sum, sd: Math.sqrt(squares / sum - (weighted / sum) ** 2) }
  }
  it.each([80, 84, 88, 92, 95, 70, 66])('at %f m for 80: mean and width as summed over all carries', carryM => {
    const spread = NOISE / (1 + MODEL.spreadOffsetM / 80)
    const options = { ...USUAL_SPREAD, spread, spreadBalls: 1e9, mishitBalls: Infinity }
    const fit = fitWithPrior(
      () => ({ mean: Float64Array.of(MEAN), covariance: Float64Array.of(SD * SD) }),
      1,
      [{ day: 0, daySd: 1e-6, shots: [{ cell: 0, carryM, measSdM: 0, balls: 1 }] }],
      0,
      options,
    )
    const exact = bySummation(carryM, MODEL.mishitShare)
    // The noise grows with the carry it is at, and a mishit tells a little of where the cell may lie, which a site
    // leaves out.
    expect(Math.abs(cellEstimate(fit, 0).carryM / Math.exp(exact.mean) - 1)).toBeLessThan(0.012)
    expect(Math.sqrt(fit.covariance[0]!) / exact.sd).toBeGreaterThan(0.85)
    expect(Math.sqrt(fit.covariance[0]!) / exact.sd).toBeLessThan(1.2)
  })
})

describe('balls that have changed', () => {
  it('six at 40 after four at 65: the number goes with most of them, and is said to have moved', () => {
    const before = typed({ '58° half': [65, 66, 64, 67] })
    const after = typed({ '58° half': [40, 41, 40, 39, 41, 40] }).map((shot, i) => ({
      ...shot,
      id: `after ${i}`,
      hitAtMs: shot.hitAtMs + 3_600_000,
    }))
    const then = calibrated(HALVES, before)
    const now = calibrated(HALVES, [...before, ...after])
    const cell = now.chart.find(one => one.clubId === '58°' && one.rungId === 'half')!
    expect(metresToYards(cell.carryM!)).toBeLessThan(44)
    const i = then.grid.cells.findIndex(one => one.clubId === '58°' && one.rungId === 'half')
    const was = {
      clubId: '58°',
      rungId: 'half',
      carryM: Math.exp(then.grid.fit.mean[i]!),
      lnVariance: then.grid.fit.covariance[i * (then.grid.cells.length + 1)]!,
    }
    const [moved] = compareCharts(now, [was], before.at(-1)!.hitAtMs).filter(one => one.moved)
    expect(moved).toMatchObject({ clubId: '58°', rungId: 'half', balls: 6 })
  })
})
