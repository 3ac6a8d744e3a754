import { proxy, type Remote } from 'comlink'
import type { CalibrationAnswer, CalibrationAsk } from '~/calculation/workers/calibration-protocol'
import type { CalibrationApi } from '~/calculation/workers/calibration.worker'
import { startedWorker } from '~/calculation/start-ahead'
import { workerClient } from '~/calculation/worker-client'

/** The worker that holds a player's shots and works out the numbers. */
export function calibrationWorker(take: (answer: CalibrationAnswer) => void) {
  const { ask, end } = workerClient<CalibrationApi>(startedWorker, 'The part that works out the numbers')
  let listening: Promise<void> | undefined
  async function listen(api: Remote<CalibrationApi>): Promise<void> {
    listening ??= api.listen(proxy(take))
    await listening
  }
  return {
    /** Before there is anything to tell, so that it is fetched beside the record. */
    begin(): void {
      ask(listen).catch(() => {
        // Whoever tells it something starts a fresh one, and hears what is wrong with that.
        listening = undefined
      })
    },
    /** In the order they are told in, also while the worker is still beginning to listen. */
    async tell(what: CalibrationAsk): Promise<void> {
      await ask(async api => {
        await listen(api)
        await api.tell(what)
      })
    },
    end(): void {
      listening = undefined
      end()
    },
  }
}
