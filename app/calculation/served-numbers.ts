import { unflatten } from 'devalue'
import type { Calibration } from '#core/calibration/calibration'
import { api, isAway } from '~/offline/api'
import { nextTask } from '~/ui/next-task'

/**
 * What the server has worked out of a player's record, to be shown while this device works it out for the first time.
 * @param by the build and the unit that this page goes by; what another build or unit would say is not shown
 * @returns nothing where the server has no answer: the page has its own in a moment, and tells what is wrong with that
 */
export async function servedNumbers(playerId: string, by: string): Promise<Calibration | undefined> {
  try {
    const flat = await api('/api/players/:playerId/numbers', { params: { playerId } })
    await nextTask()
    // Written by `numbers` in `server/calibration/jobs.ts`, of the build that is asked for.
    const served = unflatten(flat) as { by: string; numbers: Calibration }
    return served.by === by ? served.numbers : undefined
  } catch (error) {
    if (!isAway(error)) console.error('numbers of the server:', error)
    return undefined
  }
}
