const MINUTE_MS = 60_000
const SIZES = [['day', 24 * 60], ['hour', 60], ['minute', 1]] as const

/**
 * What a ball says of a clock that was wrong.
 * @param addedMs what was added to the time that it said
 */
export function clockWords(addedMs: number): string {
  const minutes = Math.round(Math.abs(addedMs) / MINUTE_MS)
  const [name, size] = SIZES.find(([, each]) => minutes >= each) ?? ['minute', 1]
  const n = Math.max(1, Math.round(minutes / size))
  return `The clock of the device was about ${n} ${name}${n === 1 ? '' : 's'} ${addedMs < 0 ? 'ahead' : 'behind'}; the time is set right.`
}
