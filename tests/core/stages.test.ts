import { describe, expect, it } from 'vitest'
import { onLevel } from '../../core/corrections/level'
import { asPitched } from '../../core/corrections/pitched'
import { fitGrid } from '../../core/chart/grid-fit'
import { newMemo } from '../../core/memo'
import type { PlayerShots } from '../../core/shot/player-shots'
import type { NeutralShot, Shot } from '../../core/shot/shot'
import { bagOf, balls } from './players'

const MEASURED: PlayerShots = {
  bag: bagOf({ '56°': 56 }, ['full']),
  sessions: [],
  shots: balls('56°', 'full', [80, 82]),
  level: 'unknown',
  nowMs: 0,
}

describe('the stage of a shot is its type', () => {
  it('a correction takes the stage before it, so that none is made twice and none left out', () => {
    const pitched = asPitched(MEASURED)
    const { record } = onLevel(pitched)
    // @ts-expect-error a measured shot is not yet to where it pitched
    onLevel(MEASURED)
    // @ts-expect-error one that is on the level is not brought there again
    onLevel(record)
    // @ts-expect-error the model takes neutral shots alone
    fitGrid(MEASURED)
    expect(record.shots).toEqual(MEASURED.shots)
  })

  it('a corrected shot is no measured one: it cannot be stored', () => {
    const store = (shot: Shot) => shot.carryM
    const neutral: NeutralShot = { ...MEASURED.shots[0]!, stage: undefined }
    // @ts-expect-error what was worked out is not what was measured
    expect(store(neutral)).toBe(neutral.carryM)
  })
})

describe('a memo', () => {
  it('works a thing out once for each kind and key, nothing and zero too', () => {
    const memo = newMemo()
    let worked = 0
    const work = (value: number | null) => () => {
      worked++
      return value
    }
    expect([memo.recall('a', 'k', work(null)), memo.recall('a', 'k', work(1)), memo.recall('b', 'k', work(0))]).toEqual(
      [null, null, 0],
    )
    expect(worked).toBe(2)
  })

  it('keeps what is made for an object, by kind', () => {
    const [memo, one, other] = [newMemo(), {}, {}]
    const made = memo.about('a', one, () => ({ n: 1 }))
    expect(memo.about('a', one, () => ({ n: 2 }))).toBe(made)
    expect(memo.about('a', other, () => ({ n: 3 }))).toEqual({ n: 3 })
  })
})
