import type { FlagOptions } from '../core/gaps/flags'
import type { Thresholds } from './player'

/** A player's thresholds as the flag rules take them. */
export function flagOptions(thresholds: Thresholds | undefined): FlagOptions {
  const { widestStepM, closestM } = thresholds ?? {}
  return {
    step: widestStepM === undefined ? {} : { widestStepM },
    overlap: closestM === undefined ? {} : { closestM },
  }
}
