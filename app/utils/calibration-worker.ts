import { proxy } from 'comlink'
import type { CalibrationAnswer, CalibrationAsk } from '~/workers/calibration-protocol'
import type { CalibrationApi } from '~/workers/calibration.worker'
import { workerClient } from '~/utils/worker-client'

const start = () => new Worker(new URL('../workers/calibration.worker.ts', import.meta.url), { type: 'module' })

/** The worker that holds a player's shots and works out the numbers. */
export function calibrationWorker(take: (answer: CalibrationAnswer) => void) {
  const { ask, end } = workerClient<CalibrationApi>(start, 'The part that works out the numbers')
  let listening = false
  return {
    async tell(what: CalibrationAsk): Promise<void> {
      const fresh = !listening
      listening = true
      await ask(async api => {
        if (fresh) await api.listen(proxy(take))
        await api.tell(what)
      })
    },
    end(): void {
      listening = false
      end()
    },
  }
}
