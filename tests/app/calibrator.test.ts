import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { CalibrationAnswer, CalibrationAsk } from '../../app/calculation/workers/calibration-protocol'
import { FOLD_FROM_SHOTS, makeCalibrator, QUIET_MS } from '../../app/calculation/workers/calibrator'
import { USUAL_OPTIONS } from '../../core/calibration/calibration'
import type { Session, Shot } from '../../core/shot/shot'
import { bagOf, balls, DAY_MS } from '../core/players'

const BAG = bagOf({ '58°': 58, '54°': 54, '50°': 50 }, ['9:00', 'full'])
const ONE_DAY = 86_400_000
const VISITS = 7
const sessions: Session[] = Array.from({ length: VISITS }, (_, v) => ({
  id: `visit ${v}`,
  startedAtMs: DAY_MS + v * ONE_DAY,
  method: 'monitor',
  ball: 'own',
}))

/** A hundred balls a visit, six stock shots. */
const RECORD: Shot[] = sessions.flatMap((session, v) =>
  BAG.clubs.flatMap((club, c) =>
    ['9:00', 'full'].flatMap((swing, s) =>
      balls(
        club.id,
        swing,
        Array.from({ length: 17 }, (_, i) => 60 + 15 * c + 25 * s + ((i * 7 + v) % 9) - 4),
      ).map((shot, i) => ({
        ...shot,
        id: `${v} ${club.id} ${swing} ${i}`,
        sessionId: session.id,
        hitAtMs: session.startedAtMs + i * 60_000,
      })),
    ),
  ),
)

const ball = (id: string, sessionId: string, yd = 88): Shot => ({
  ...balls('54°', 'full', [yd])[0]!,
  id,
  sessionId,
  hitAtMs: DAY_MS + (VISITS - 1) * ONE_DAY + 7_200_000,
})

describe("the worker's calibrator", () => {
  let answers: CalibrationAnswer[]
  let take: (ask: CalibrationAsk) => void
  let turn: number
  const ask = (
    change: Partial<CalibrationAsk> = {},
    nowMs = DAY_MS + (VISITS - 1) * ONE_DAY + turn * 1000,
  ): CalibrationAsk => ({
    turn: ++turn,
    player: { bag: BAG, level: 'good', sessions, nowMs },
    options: USUAL_OPTIONS,
    anew: false,
    put: [],
    gone: [],
    ...change,
  })
  const last = () => {
    const answer = answers.at(-1)!
    if ('failure' in answer) throw new Error(answer.failure)
    return answer
  }

  beforeEach(() => {
    vi.useFakeTimers()
    answers = []
    turn = 0
    take = makeCalibrator(answer => answers.push(answer))
  })
  afterEach(() => vi.useRealTimers())

  it('answers a ball of the live session quickly, and in full when it is quiet: the same as from the start', () => {
    expect(RECORD.length).toBeGreaterThan(FOLD_FROM_SHOTS)
    take(ask({ anew: true, put: RECORD }))
    expect(last().full).toBe(true)
    // The clock goes on between two balls; only another day would matter.
    take(ask({ put: [ball('one more', `visit ${VISITS - 1}`)] }))
    expect(last()).toMatchObject({ turn: 2, full: false })
    take(ask({ put: [ball('and one', `visit ${VISITS - 1}`, 90)] }))
    expect(last()).toMatchObject({ turn: 3, full: false })
    vi.advanceTimersByTime(QUIET_MS)
    expect(answers.map(answer => 'full' in answer && answer.full)).toEqual([true, false, false, true])
    const after = last()
    const fresh: CalibrationAnswer[] = []
    makeCalibrator(answer => fresh.push(answer))(
      ask({
        anew: true,
        put: [...RECORD, ball('one more', `visit ${VISITS - 1}`), ball('and one', `visit ${VISITS - 1}`, 90)],
      }),
    )
    expect(JSON.stringify(after.calibration)).toBe(JSON.stringify((fresh[0] as typeof after).calibration))
  })

  it.each<[string, () => Partial<CalibrationAsk>, number?]>([
    ['a ball of an earlier session', () => ({ put: [ball('late', 'visit 2')] })],
    ['a ball of an earlier session that goes', () => ({ gone: [RECORD[0]!.id] })],
    [
      'another level',
      () => ({ player: { bag: BAG, level: 'expert', sessions, nowMs: DAY_MS + (VISITS - 1) * ONE_DAY } }),
    ],
    ['the correction for air switched off', () => ({ options: { ...USUAL_OPTIONS, neutralAir: false } })],
    ['another day', () => ({}), DAY_MS + VISITS * ONE_DAY],
  ])('answers %s in full at once', (_, change, nowMs) => {
    take(ask({ anew: true, put: RECORD }))
    take(ask(change(), nowMs))
    expect(last()).toMatchObject({ turn: 2, full: true })
  })

  it('keeps nothing folded while range balls are on record: a ball may change what all of them lose', () => {
    const mixed = sessions.map((session, v): Session => (v === 0 ? { ...session, ball: 'range' } : session))
    const player = { bag: BAG, level: 'good' as const, sessions: mixed, nowMs: DAY_MS + (VISITS - 1) * ONE_DAY }
    take(ask({ anew: true, put: RECORD, player }))
    take(ask({ put: [ball('one more', `visit ${VISITS - 1}`)], player }))
    expect(last()).toMatchObject({ full: true, calibration: { rangeBalls: { pairs: 6 } } })
  })

  it('forgets the last player, and tells a failure', () => {
    vi.spyOn(console, 'error').mockImplementation(() => {})
    take(ask({ anew: true, put: RECORD }))
    take(ask({ anew: true, put: [ball('only', 'visit 0')] }))
    expect(last().calibration.chart.reduce((sum, cell) => sum + cell.balls, 0)).toBe(1)
    take(ask({ player: { bag: null as never, level: 'good', sessions, nowMs: 0 } }))
    expect(answers.at(-1)).toMatchObject({ turn: 3, failure: expect.any(String) as string })
  })
})
