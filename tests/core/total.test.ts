import { describe, expect, it } from 'vitest'
import { cellKey, type Bag } from '../../core/bag/bag'
import { calibrate } from '../../core/calibration/calibrate'
import { readChart, USUAL_OPTIONS } from '../../core/calibration/calibration'
import { runAfterM } from '../../core/corrections/pitched'
import { newMemo } from '../../core/memo'
import type { CellRemark } from '../../core/history/coach-remarks'
import type { PlayerShots } from '../../core/shot/player-shots'
import { yardsToMetres } from '../../core/units'
import { asItIs } from '../../core/what-if/thought-of'
import { layOut } from '../../core/what-if/layout'
import { ownTargets, sceneOf } from '../../core/what-if/scene'
import { bagOf, balls, DAY_MS, type AnyStageShot } from './players'

const bag = bagOf({ '48°': 48, '54°': 54, '60°': 60, '5 iron': 26 }, ['9:00', 'full'])
const player = {
  bag,
  level: 'good',
  nowMs: DAY_MS,
  sessions: [{ id: 's', startedAtMs: DAY_MS, method: 'monitor', ball: 'own' }],
  shots: [
    ...balls('48°', 'full', [110, 112, 111, 109, 113]),
    ...balls('54°', 'full', [92, 94, 93, 91, 95]),
    ...balls('60°', '9:00', [55, 57, 56, 58, 54]),
    ...balls('5 iron', 'full', [170, 172, 168, 171, 169]),
  ] satisfies AnyStageShot[],
} satisfies PlayerShots
const believed: CellRemark = {
  id: 'w',
  clubId: '48°',
  rungId: 'full',
  kind: 'believed',
  carryM: yardsToMetres(125),
  why: '',
  saidAtMs: DAY_MS,
  holds: true,
}
const written: CellRemark = { ...believed, id: 'x', clubId: '54°', kind: 'written', carryM: yardsToMetres(95) }
const options = { ...USUAL_OPTIONS, words: [believed, written] }
const byCarry = calibrate(player, options)
const byTotal = calibrate(player, { ...options, totalOn: 'firm' })
const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))

describe('by total', () => {
  it('each stock shot has the run of its own number beside it; a longer club, whose run is not known, has none', () => {
    const totals = new Map(byTotal.totals.map(cell => [cellKey(cell), cell]))
    for (const cell of readChart(byCarry)) {
      const total = totals.get(cellKey(cell))!
      if (cell.carryM === null) continue
      const runM = cell.plain ? 0 : runAfterM(lofts.get(cell.clubId)!, cell.carryM, 'firm')
      expect(Math.abs(total.carryM! - cell.carryM - runM), cellKey(cell)).toBeLessThan(0.05)
    }
    expect(byCarry.totals).toEqual([])
    expect(byTotal.chart).toEqual(byCarry.chart)
  })

  it('ladder, cover and flags go by it; what is believed of a carry is held against the carry', () => {
    const totals = new Map(byTotal.totals.map(cell => [cellKey(cell), cell.carryM]))
    for (const step of byTotal.ladder) expect(step.carryM).toBe(totals.get(cellKey(step)))
    for (const shot of byTotal.cover.shots)
      if (!shot.grippedDown) expect(shot.carryM).toBeCloseTo(totals.get(cellKey(shot))!, 9)
    const off = (all: typeof byTotal) => all.findings.find(one => one.flag === 'believed-wrong')?.data
    expect(off(byTotal)?.offM).toBeCloseTo(off(byCarry)!.offM!, 6)
    expect(off(byTotal)!.isM! - off(byCarry)!.isM!).toBeGreaterThan(1)
  })

  it('the number of the balls beside a written one runs as far as that; one that is not used has none, written or not', () => {
    const not = { ...written, id: 'y', clubId: '60°', rungId: 'full' }
    const other = { ...player, bag: { ...bag, struckOut: [{ clubId: '60°', rungId: 'full' }] } }
    const all = calibrate(other, { ...options, words: [written, not], totalOn: 'firm' })
    const at = (chart: typeof all.chart, key: string) => chart.find(cell => cellKey(cell) === key)!
    const [carry, total] = [at(readChart(all), '54°/full'), at(all.totals, '54°/full')]
    expect(total.carryM! - carry.carryM!).toBeGreaterThan(1)
    expect(total.ballsM! - carry.ballsM!).toBeCloseTo(total.carryM! - carry.carryM!, 9)
    expect(at(readChart(all), '60°/full')).toMatchObject({ kind: 'struck-out', carryM: null })
    expect(at(all.totals, '48°/full')).not.toHaveProperty('ballsM')
  })

  it('what has moved is the same stock shot, by as much', () => {
    const published = {
      number: 1,
      publishedAtMs: 0,
      cells: byCarry.chart.map(({ clubId, rungId, carryM }) => ({
        clubId,
        rungId,
        carryM,
        modelM: carryM === null ? null : carryM - yardsToMetres(12),
        lnVariance: 1e-4,
      })),
    }
    const moved = (totalOn?: 'firm') =>
      calibrate(player, { ...options, published, ...(totalOn && { totalOn }) }).findings.flatMap(one =>
        [one, ...(one.parts ?? [])].filter(part => part.flag === 'moved'),
      )
    expect(moved('firm').map(one => one.figure.toFixed(6))).toEqual(moved().map(one => one.figure.toFixed(6)))
    expect(moved().length).toBeGreaterThan(0)
  })

  it('the bag as it is, thought of, stands where gaps have it', () => {
    const memo = newMemo()
    const numbers = new Map([['54°/full', yardsToMetres(95)]])
    const layout = layOut(byTotal.player, memo, { numbers, totalOn: 'firm' })
    const scene = sceneOf(layout, asItIs(bag as Bag), {
      flags: {},
      withinM: 3,
      lineM: 6,
      unit: 'yd',
      answers: [],
      plain: byTotal.totals.filter(cell => cell.plain),
      targetsM: ownTargets(byTotal.totals, 'yd'),
    })
    const here = new Map(scene.ladder.map(step => [cellKey(step), step.carryM]))
    for (const step of byTotal.ladder) expect(here.get(cellKey(step))).toBeCloseTo(step.carryM, 6)
  })
})
