import { describe, expect, it } from 'vitest'
import { lockInMarks, type HabitBall, type LockIn } from '../../core/session/lock-in'
import { habitText } from '../../words/habits'
import { AccountChange } from '../../shared/schemas/account'
import { yardsToMetres } from '../../core/units'

const WITHIN_M = yardsToMetres(3)
const hit = (...carriesYd: (number | 'poor')[]): HabitBall[] =>
  carriesYd.map(yd =>
    yd === 'poor' ? { carryM: 20, balls: 1, counts: false } : { carryM: yardsToMetres(yd), balls: 1, counts: true },
  )
const marks = (habits: LockIn, balls: HabitBall[], numberYd: number | null = 72) =>
  lockInMarks(habits, balls, numberYd === null ? null : yardsToMetres(numberYd), WITHIN_M)

describe('lock-in habits (common practice: three or four alike, five straight on the number)', () => {
  it('three alike need not lie on the number, and a poor strike between them ends the run', () => {
    expect(marks({ alike: 3 }, hit(80, 84, 82))).toEqual([{ habit: 'alike', done: 3, of: 3, met: true }])
    expect(marks({ alike: 3 }, hit(72, 'poor', 73, 72))).toEqual([{ habit: 'alike', done: 2, of: 3, met: false }])
    // A run goes on with those that still belong together.
    expect(marks({ alike: 3 }, hit(66, 72, 74, 71))).toEqual([{ habit: 'alike', done: 3, of: 3, met: true }])
    expect(marks({ alike: 3 }, hit(60, 70, 80, 90))[0]).toMatchObject({ done: 1, met: false })
  })

  it('five straight lie on the number, and what was met once stays met', () => {
    expect(marks({ straight: 5 }, hit(70, 71, 74, 73, 72, 90))).toEqual([
      { habit: 'straight', done: 5, of: 5, met: true },
    ])
    expect(marks({ straight: 5 }, hit(70, 71, 80, 73, 72))).toEqual([{ habit: 'straight', done: 2, of: 5, met: false }])
    expect(marks({ straight: 5 }, hit(70, 71), null)).toEqual([{ habit: 'straight', done: 0, of: 5, met: false }])
  })

  it('a count takes piles as so many balls; a pile tells nothing of runs', () => {
    const pile = { carryM: yardsToMetres(72), balls: 6, counts: true }
    expect(marks({ alike: 3, count: 8 }, [...hit(72, 'poor', 73), pile])).toEqual([
      { habit: 'alike', done: 0, of: 3, met: false },
      { habit: 'count', done: 8, of: 8, met: true },
    ])
    expect(marks({}, hit(72))).toEqual([])
  })

  it('are said in words, and what cannot be is refused by name', () => {
    expect([
      habitText({ habit: 'straight', done: 2, of: 5, met: false }),
      habitText({ habit: 'alike', done: 3, of: 3, met: true }),
    ]).toEqual(['2 of 5 straight on the number', '3 alike'])
    expect(AccountChange.safeParse({ lockIn: { alike: 1 } }).error!.issues[0]!.message).toBe(
      'Balls 1 is not possible: 2 to 30 is allowed.',
    )
    expect(AccountChange.parse({ lockIn: { alike: 4 } })).toEqual({ lockIn: { alike: 4 } })
  })
})
