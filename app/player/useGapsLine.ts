import { lineOf } from '#core/gaps/line'
import { flagOptions } from '#shared/calibration-input'
import { usePlayerRecord } from '~/offline/stores/record'

/** The leave that is acceptable for the open player. */
export function useGapsLine() {
  const record = usePlayerRecord()
  return {
    lineM: computed(() =>
      lineOf(flagOptions(record.player?.thresholds ?? {}, record.academyThresholds), record.player?.level ?? 'unknown'),
    ),
  }
}
