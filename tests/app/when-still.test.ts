import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { whenStill } from '../../app/offline/when-still'

let ended = () => {}
const disconnected = vi.fn()

/** A browser's observer, as far as it is used: something that was asked for has come. */
class Observer {
  constructor(seen: () => void) {
    ended = seen
  }
  observe = vi.fn()
  disconnect = disconnected
}

/** Whether the page was told to stand still, after so long. */
async function isStillAfter(ms: number, still: () => boolean) {
  await vi.advanceTimersByTimeAsync(ms)
  return still()
}

describe('whenStill', () => {
  let told = false
  beforeEach(() => {
    vi.useFakeTimers()
    vi.stubGlobal('PerformanceObserver', Observer)
    disconnected.mockClear()
    told = false
    void whenStill().then(() => {
      told = true
    })
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('comes when nothing came for 2.5 s, counted anew from what came last', async () => {
    expect(await isStillAfter(2_400, () => told)).toBe(false)
    ended()
    expect(await isStillAfter(2_400, () => told)).toBe(false)
    expect(await isStillAfter(200, () => told)).toBe(true)
    expect(disconnected).toHaveBeenCalledOnce()
  })

  it('is held up by nothing for more than 20 s', async () => {
    for (let s = 0; s < 19; s++) {
      expect(await isStillAfter(1_000, () => told)).toBe(false)
      ended()
    }
    expect(await isStillAfter(1_100, () => told)).toBe(true)
  })
})
