import type { Ask } from './calibration-protocol'
import { makeCalibrator } from './calibrator'

const take = makeCalibrator(answer => self.postMessage(answer))
self.addEventListener('message', ({ data }: MessageEvent<Ask>) => take(data))
