import type { Calibration, CalibrationOptions } from '#core/calibration/calibration'
import type { PlayerShots } from '#core/shot/player-shots'
import { calibrationWorker } from '~/calculation/calibration-worker'

const PATIENCE_MS = 20_000

/** What other shots would say, worked out once in a worker of its own. @throws Error with a sentence for the coach */
export async function calibrateOnce(
  { shots, ...player }: PlayerShots,
  options: CalibrationOptions,
): Promise<Calibration> {
  let end = () => {}
  try {
    return await new Promise<Calibration>((done, fail) => {
      const late = setTimeout(() => fail(new Error('The numbers take too long to work out.')), PATIENCE_MS)
      const worker = calibrationWorker(answer => {
        if ('failure' in answer) fail(new Error(answer.failure))
        else done(answer.calibration)
      })
      end = () => {
        clearTimeout(late)
        worker.end()
      }
      worker.tell({ turn: 1, player, options, anew: true, put: [...shots], gone: [] }).catch(fail)
    })
  } finally {
    end()
  }
}
