import { expose } from 'comlink'
import type { CalibrationAnswer, CalibrationAsk } from './calibration-protocol'
import { makeCalibrator } from './calibrator'

let calibrator: ReturnType<typeof makeCalibrator> | undefined

const api = {
  /** @param post hears every answer: a quick one may be followed by a full one */
  listen(post: (answer: CalibrationAnswer) => void): void {
    calibrator = makeCalibrator(post)
  },

  tell(ask: CalibrationAsk): void {
    calibrator?.(ask)
  },
}

export type CalibrationApi = typeof api
expose(api)
