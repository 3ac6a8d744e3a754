import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ballToSend, markOfLink, ownBallStore, type WaitingBall } from '../../app/offline/own-ball-queue'

const ball = (id: string, change: Partial<WaitingBall> = {}): WaitingBall => ({
  id,
  clubId: 'c',
  rungId: 'r',
  carryM: 70,
  method: 'laser',
  hitAtMs: 1.8e12,
  link: 'one',
  ...change,
})

/** Storage as two tabs share it. */
function storage() {
  const kept = new Map<string, string>()
  const state = { full: false, shut: false }
  return {
    state,
    getItem: (key: string) => {
      if (state.shut) throw new DOMException('shut', 'SecurityError')
      return kept.get(key) ?? null
    },
    setItem: (key: string, value: string) => {
      if (state.full || state.shut) throw new DOMException('no room', 'QuotaExceededError')
      kept.set(key, value)
    },
  }
}

beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => {}))
afterEach(() => void vi.restoreAllMocks())

describe('own balls that wait on the phone', () => {
  it('of two tabs overwrite each other in nothing', () => {
    const shared = storage()
    const [first, second] = [ownBallStore('k', shared), ownBallStore('k', shared)]
    first.change(list => [...list, ball('a')])
    second.change(list => [...list, ball('b')])
    first.change(list => list.filter(({ id }) => id !== 'a'))
    expect(second.balls.value.map(({ id }) => id)).toEqual(['a', 'b'])
    second.change(list => list)
    expect(second.balls.value.map(({ id }) => id)).toEqual(['b'])
  })

  it('stay on the page when the phone keeps nothing, which is told; and are kept as soon as it does', () => {
    const shared = storage()
    const store = ownBallStore('k', shared)
    shared.state.full = true
    store.change(list => [...list, ball('a')])
    expect([store.keeps.value, store.balls.value.length]).toEqual([false, 1])
    shared.state.full = false
    store.change(list => [...list, ball('b')])
    expect(store.keeps.value).toBe(true)
    expect(ownBallStore('k', shared).balls.value.map(({ id }) => id)).toEqual(['a', 'b'])
    shared.state.shut = true
    const shut = ownBallStore('k', shared)
    shut.change(list => [...list, ball('c')])
    expect([shut.keeps.value, shut.balls.value.map(({ id }) => id)]).toEqual([false, ['c']])
  })

  it('begin anew where something else stands in their place', () => {
    const shared = storage()
    shared.setItem('k', '{not a list')
    expect(ownBallStore('k', shared).balls.value).toEqual([])
  })

  it('are told apart by a mark of their link that gives the token away to nobody', async () => {
    const [one, two] = [await markOfLink('uzzet_one'), await markOfLink('uzzet_two')]
    expect(one).toMatch(/^[0-9a-f]{16}$/)
    expect(one).not.toBe(two)
    expect(await markOfLink('uzzet_one')).toBe(one)
  })

  it('go without what only the phone needs, their time set right when the clock is known only now', () => {
    expect(ballToSend(ball('a', { clockMs: null, refused: 'x' }), -86_400_000)).toEqual({
      id: 'a',
      clubId: 'c',
      rungId: 'r',
      carryM: 70,
      method: 'laser',
      hitAtMs: 1.8e12 - 86_400_000,
    })
    expect(ballToSend(ball('a', { clockMs: 0 }), -86_400_000).hitAtMs).toBe(1.8e12)
    expect(ballToSend(ball('a'), 5000).hitAtMs).toBe(1.8e12)
  })
})
