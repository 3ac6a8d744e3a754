import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { changesSince } from '../../app/calculation/changes'
import type { ShotRecord } from '../../shared/schemas/session'

const ball = (id: string, deleted = false) => ({ id, deleted }) as ShotRecord

describe('what became of a list of balls', () => {
  it('is the one ball that came, the one that changed, the one that was deleted', () => {
    const [a, b, c] = [ball('a'), ball('b'), ball('c')]
    const mended = ball('b')
    expect(changesSince([a, b], [a, b, c])).toEqual({ put: [c], gone: [] })
    expect(changesSince([a, b], [a, mended]).put[0]).toBe(mended)
    expect(changesSince([a, b], [a, ball('b', true)])).toEqual({ put: [], gone: ['b'] })
    expect(changesSince([], [a, ball('b', true)])).toEqual({ put: [a], gone: [] })
  })

  it('brings any list to any other, whatever came, went, moved or was deleted', () => {
    const list = fc
      .uniqueArray(fc.record({ id: fc.stringMatching(/^[a-j]$/), deleted: fc.boolean() }), { selector: one => one.id })
      .map(all => all as ShotRecord[])
    fc.assert(
      fc.property(list, list, fc.array(fc.boolean()), (before, other, same) => {
        // Some of the other list are the very records of the first.
        const now = other.map((record, i) => (same[i] ? (before.find(one => one.id === record.id) ?? record) : record))
        const held = new Map(before.filter(one => !one.deleted).map(one => [one.id, one]))
        const { put, gone } = changesSince(before, now)
        for (const id of gone) {
          expect(held.has(id)).toBe(true)
          held.delete(id)
        }
        for (const one of put) held.set(one.id, one)
        expect(held).toEqual(new Map(now.filter(one => !one.deleted).map(one => [one.id, one])))
      }),
    )
  })
})
