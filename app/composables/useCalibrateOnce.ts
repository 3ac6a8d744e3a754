import type { Calibration, CalibrationOptions } from '#core/chart/calibration'
import type { PlayerShots } from '#core/chart/grid-fit'
import type { Answer, Ask } from '~/workers/calibration-protocol'

const PATIENCE_MS = 20_000

/** What other shots would say, worked out once in a worker of its own. @throws Error with a sentence for the coach */
export function calibrateOnce({ shots, ...player }: PlayerShots, options: CalibrationOptions): Promise<Calibration> {
  const worker = new Worker(new URL('../workers/calibration.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<Calibration>((done, fail) => {
    const late = setTimeout(() => fail(new Error('The numbers take too long to work out.')), PATIENCE_MS)
    worker.addEventListener('error', event => fail(new Error(event.message || 'The part that works out the numbers could not be started.')))
    worker.addEventListener('message', ({ data }: MessageEvent<Answer>) => {
      clearTimeout(late)
      if ('failure' in data) fail(new Error(data.failure))
      else done(data.calibration)
    })
    const ask: Ask = { turn: 1, player, options, anew: true, put: [...shots], gone: [] }
    worker.postMessage(ask)
  }).finally(() => worker.terminate())
}
