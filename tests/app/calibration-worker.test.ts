import { describe, expect, it, vi } from 'vitest'
import type { CalibrationAsk } from '../../app/calculation/workers/calibration-protocol'

const told: string[] = []
let beginToListen: () => void
const api = {
  listen: () =>
    new Promise<void>(resolve => {
      told.push('listen')
      beginToListen = resolve
    }),
  tell: async ({ turn }: CalibrationAsk) => void told.push(`turn ${turn}`),
}
vi.mock('~/calculation/worker-client', () => ({
  workerClient: () => ({ ask: (work: (of: typeof api) => Promise<void>) => work(api), end: () => undefined }),
}))
vi.mock('comlink', () => ({ proxy: (of: unknown) => of }))

describe('the worker that works out the numbers', () => {
  it('hears in order what it is told while it begins to listen: the balls of the first are known to the second', async () => {
    const { calibrationWorker } = await import('../../app/calculation/calibration-worker')
    const worker = calibrationWorker(() => undefined)
    const both = [1, 2].map(turn => worker.tell({ turn } as CalibrationAsk))
    beginToListen()
    await Promise.all(both)
    expect(told).toEqual(['listen', 'turn 1', 'turn 2'])
  })

  it('may begin before there is anything to tell: it is asked to listen once', async () => {
    const { calibrationWorker } = await import('../../app/calculation/calibration-worker')
    told.length = 0
    const worker = calibrationWorker(() => undefined)
    worker.begin()
    const first = worker.tell({ turn: 1 } as CalibrationAsk)
    beginToListen()
    await first
    expect(told).toEqual(['listen', 'turn 1'])
  })
})
