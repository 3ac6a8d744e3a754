import { CLOCK } from './en/clock'
import { write } from './message'

const MINUTE_MS = 60_000
const SIZES = [
  ['day', 24 * 60],
  ['hour', 60],
  ['minute', 1],
] as const

/**
 * What a ball says of a clock that was wrong.
 * @param addedMs what was added to the time that it said
 */
export function clockText(addedMs: number): string {
  const minutes = Math.round(Math.abs(addedMs) / MINUTE_MS)
  const [name, size] = SIZES.find(([, each]) => minutes >= each) ?? SIZES[2]
  const time = write(CLOCK[name], { n: Math.max(1, Math.round(minutes / size)) })
  return write(CLOCK.off, { time, way: addedMs < 0 ? 'ahead' : 'behind' })
}
