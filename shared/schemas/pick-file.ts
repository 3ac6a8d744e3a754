import { z } from 'zod'
import { AIR_RANGE, ROUGHNESS_M } from '../../core/flight/air'
import { FIRMNESS_MS2, type Firmness } from '../../core/flight/run-out'
import { CARRY_MAX_M, COURSE_SCATTER_RANGE } from '../../core/limits'
import { TROUBLE_SIDES } from '../../core/pick/around'
import { LIE_NAMES } from '../../core/pick/lies'
import { boundedNumber, oneOf } from './text'

const FAR_M = 200
const away = (what: string) => boundedNumber(what, 0, FAR_M, ' m')
const height = z.strictObject({
  atM: boundedNumber('Distance', 0, CARRY_MAX_M, ' m'),
  heightM: boundedNumber('Height', 0, 80, ' m'),
})

/** A question on the course as it stands in a file; all but the distance may be missing. */
export const PickFile = z.strictObject({
  format: z.literal('uzzet-pick', { error: 'The format must be "uzzet-pick".' }),
  version: z.literal(1, { error: 'The version must be 1.' }),
  targetM: boundedNumber('Target', 1, CARRY_MAX_M, ' m'),
  air: z
    .strictObject({
      tempC: boundedNumber('Temperature', ...AIR_RANGE.tempC, ' °C').default(20),
      altitudeM: boundedNumber('Altitude', ...AIR_RANGE.altitudeM, ' m').default(0),
      humidity: boundedNumber('Humidity', ...AIR_RANGE.humidity, '').default(0.5),
      windMs: boundedNumber('Wind', ...AIR_RANGE.windMs, ' m/s').default(0),
      windFromClock: boundedNumber('Wind by the clock', 0, 12, '').default(12),
      windHeightM: boundedNumber('Height of the wind', 1, 20, ' m').default(10),
    })
    .optional(),
  slopeM: boundedNumber('Slope', -60, 60, ' m').default(0),
  green: z
    .strictObject({ shortM: away('Green'), longM: away('Green'), leftM: away('Green'), rightM: away('Green') })
    .optional(),
  trouble: z
    .array(
      z.strictObject({
        side: oneOf('Side', TROUBLE_SIDES),
        fromM: away('Trouble'),
        toM: away('Trouble').optional(),
        strokes: boundedNumber('Strokes', 0, 3, ''),
        andDistance: z.literal(true, { error: 'And distance is yes or missing.' }).optional(),
      }),
      { error: 'Trouble must be a list.' },
    )
    .max(12, { error: 'At most 12 places of trouble are allowed.' })
    .default([]),
  firmness: oneOf('Firmness', Object.keys(FIRMNESS_MS2) as [Firmness, ...Firmness[]]).default('medium'),
  lie: oneOf('Lie', LIE_NAMES as [(typeof LIE_NAMES)[number], ...typeof LIE_NAMES]).default('fairway'),
  over: z.array(height, { error: 'Over must be a list.' }).max(6).default([]),
  under: z.array(height, { error: 'Under must be a list.' }).max(6).default([]),
  courseScatter: boundedNumber('Course scatter', ...COURSE_SCATTER_RANGE, ' times').optional(),
  ground: oneOf('Ground', Object.keys(ROUGHNESS_M) as [keyof typeof ROUGHNESS_M]).default('open'),
})
export type PickFile = z.infer<typeof PickFile>
