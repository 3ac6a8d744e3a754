/** A day of this year or the last, short: "18 Nov", UTC. @example shortDayText(0) // => '1 Jan' */
export function shortDayText(ms: number): string {
  return new Date(ms).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' })
}

/** A day as it is written out, UTC. @example dayText(0) // => '1 Jan 1970' */
export function dayText(ms: number): string {
  return new Date(ms).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' })
}
