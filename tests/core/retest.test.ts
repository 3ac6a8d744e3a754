import { describe, expect, it } from 'vitest'
import { cellKey } from '../../core/bag/bag'
import { calibrate } from '../../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import { changeDays } from '../../core/chart/grid-fit'
import { CHANGE_KINDS } from '../../core/model/constants'
import { fitModel, USUAL_SPREAD } from '../../core/model/fit'
import { continueFit, foldSessions } from '../../core/model/live'
import { Thresholds } from '../../shared/schemas/player'
import { newTally, rmse, share } from '../bench/simulation/errors'
import { drawPlayer } from '../bench/simulation/player'
import { ballsUntilCalled, swingChange } from '../bench/simulation/retests'
import { yardsToMetres as yd } from '../../core/units'
import { bagOf, DAY_MS, tenBalls } from './players'

const DAY = 86_400_000
const bag = bagOf({ '46°': 46, '52°': 52, '58°': 58 }, ['9:00', 'full'])
const shots = ['46°', '52°', '58°'].flatMap((club, i) => tenBalls(club, 'full', 120 - 15 * i))
const day = Math.floor(DAY_MS / DAY)
const looked = (marks: { day: number; kind: (typeof CHANGE_KINDS)[number] }[], daysLater = 7) => {
  const changes = marks.map(mark => ({ atMs: mark.day * DAY, kind: mark.kind }))
  const record = { bag, shots, sessions: [], level: 'good' as const, nowMs: DAY_MS + daysLater * DAY }
  return calibrate({ ...record, ...(changes.length > 0 && { changes }) }, USUAL_OPTIONS)
}
const widthOf = (made: ReturnType<typeof looked>) => {
  const [least, most] = made.chart.find(cell => cellKey(cell) === '52°/full')!.certainty80M!
  return most - least
}

describe('a marked change', () => {
  it('leaves the numbers where they are and makes them less sure, a swing most, a ball least', () => {
    const plain = looked([])
    const marked = CHANGE_KINDS.map(kind => looked([{ day: day + 3, kind }]))
    for (const one of marked)
      one.chart.forEach((cell, i) => expect(cell.carryM! / plain.chart[i]!.carryM!).toBeCloseTo(1, 2))
    const widths = Object.fromEntries(CHANGE_KINDS.map((kind, i) => [kind, widthOf(marked[i]!)]))
    expect(widths.swing).toBeGreaterThan(2 * widthOf(plain))
    expect(widths.ball).toBeGreaterThan(widthOf(plain))
    expect(widths.ball).toBeLessThan(widths.season!)
    expect(widths.clubs).toBeLessThan(widths.swing!)
  })

  it('says nothing of balls that come after it, and nothing before its day', () => {
    const before = looked([{ day, kind: 'swing' }])
    const ahead = looked([{ day: day + 8, kind: 'swing' }])
    expect([before, ahead].map(widthOf)).toEqual([widthOf(looked([])), widthOf(looked([]))])
  })

  it('makes a retest due on its day, with the reason; taken back, all is as it was', () => {
    const plain = looked([])
    expect(plain.retest!.why).toBe('time')
    const marked = looked([
      { day: day + 5, kind: 'ball' },
      { day: day + 3, kind: 'swing' },
    ])
    expect([marked.retestDueMs, marked.retest!.why]).toEqual([(day + 3) * DAY, 'swing'])
    expect(plain.retestDueMs).toBeGreaterThan(marked.retestDueMs!)
    expect(JSON.stringify(looked([]).chart)).toBe(JSON.stringify(plain.chart))
  })

  it('is in the live rule too', () => {
    const { cells } = drawPlayer(5)
    const ball = (carryM: number) => ({ cell: 0, carryM, measSdM: 1, balls: 1 })
    const earlier = [{ day: 0, shots: [ball(50), ball(51)] }]
    const now = { day: 20, shots: [ball(60), ball(61)] }
    const options = { ...USUAL_SPREAD, changes: [{ day: 10, kind: 'swing' as const }] }
    const [full, live] = [
      fitModel(cells, [...earlier, now], 20, options),
      continueFit(foldSessions(cells, earlier, options)!, now, 20)!,
    ]
    const unmarked = fitModel(cells, [...earlier, now], 20)
    expect(live.mean[0]).toBeCloseTo(full.mean[0]!, 2)
    expect(full.mean[0]).toBeGreaterThan(unmarked.mean[0]! + 0.01)
  })

  it('makes the numbers after a retest truer where the swing did change, and holds its intervals', () => {
    const tally = newTally()
    for (let seed = 0; seed < 40; seed++) swingChange(tally, 95_000 + seed, 0.05, 0.03)
    expect(rmse(tally, 'marked')).toBeLessThan(0.9 * rmse(tally, 'unmarked'))
    expect(share(tally, 'marked held')).toBeGreaterThan(72)
  })

  it('is a day and a kind that are known', () => {
    expect(Thresholds.safeParse({ changes: [{ atMs: DAY_MS, kind: 'swing' }] }).success).toBe(true)
    const refused = Thresholds.safeParse({ changes: [{ atMs: DAY_MS, kind: 'mood' }] })
    expect(refused.error!.issues[0]!.message).toMatch(/Kind/)
  })
})

describe('the day of a mark', () => {
  const startedAtMs = DAY_MS + 3_600_000
  const session = { id: 's', startedAtMs, method: 'monitor' as const, ball: 'own' as const, air: [] }
  const dayAfter = (atMs: number, sessions = [session]) => changeDays({ changes: [{ atMs, kind: 'swing' }], sessions })
  it('is the one it began on, and the next where all balls of that day were hit before', () => {
    expect(dayAfter(DAY_MS)[0]!.day).toBe(day)
    expect(dayAfter(startedAtMs + 1)[0]!.day).toBe(day + 1)
    expect(dayAfter(startedAtMs + 1, [session, { ...session, startedAtMs: startedAtMs + 2 }])[0]!.day).toBe(day)
    expect(dayAfter(startedAtMs + 1, [])[0]!.day).toBe(day)
    expect(dayAfter(startedAtMs)[0]!.day).toBe(day)
    const moved = (days: number) => ({ ...session, startedAtMs: startedAtMs + days * 86_400_000 })
    expect(dayAfter(startedAtMs + 1, [moved(-3)])[0]!.day).toBe(day)
    expect(dayAfter(startedAtMs + 1, [session, moved(3)])[0]!.day).toBe(day + 1)
  })
})

describe('a retest', () => {
  it('asks for few balls of a few stock shots, each in use, none twice', () => {
    const { retest } = looked([])
    const keys = retest!.balls.map(cellKey)
    expect(new Set(keys).size).toBe(keys.length)
    const balls = retest!.balls.reduce((sum, one) => sum + one.balls, 0)
    expect(balls).toBeGreaterThanOrEqual(6)
    expect(balls).toBeLessThanOrEqual(18)
    const struckOut = { ...bag, struckOut: [{ clubId: '46°', rungId: 'full' }] }
    const without = calibrate({ bag: struckOut, shots, sessions: [], level: 'good', nowMs: DAY_MS }, USUAL_OPTIONS)
    expect(without.retest!.balls.map(cellKey)).not.toContain('46°/full')
    expect(calibrate({ bag, shots: [], sessions: [], level: 'good', nowMs: DAY_MS }, USUAL_OPTIONS).retest).toBeNull()
  })

  it('calls a number that moved by 9 yd within a dozen balls for most, and hardly ever one that did not', () => {
    const called = (movedYd: number) =>
      Array.from({ length: 40 }, (_, i) => ballsUntilCalled(96_000 + i, yd(movedYd), 12)).filter(b => b !== null).length
    expect(called(9)).toBeGreaterThan(20)
    expect(called(0)).toBeLessThanOrEqual(2)
  })
})
