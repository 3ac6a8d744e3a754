import ical from 'ical-generator'

const DAY_MS = 86_400_000
const WEEK_DAYS = 7

/** A practice in the calendar: what it is made of, line by line. */
export interface PracticeDay {
  lines: readonly string[]
  balls: number
}

/** Days so many times a week, evenly, over so many weeks from tomorrow. @example practiceDays(0, 1, 2) */
export function practiceDays(fromMs: number, aWeek: number, weeks: number): number[] {
  return Array.from({ length: aWeek * weeks }, (_, i) => {
    const week = Math.floor(i / aWeek)
    return fromMs + DAY_MS * (1 + WEEK_DAYS * week + Math.round(((i % aWeek) * WEEK_DAYS) / aWeek))
  })
}

/** Practice, the retest and what is due as an iCalendar file (RFC 5545): days without an hour. */
export function practiceCalendar(
  player: string,
  days: readonly { atMs: number; day: PracticeDay }[],
  due: readonly { atMs: number; what: string }[],
): string {
  const calendar = ical({ name: `Uzzet: ${player}` })
  for (const { atMs, day } of days)
    calendar.createEvent({
      start: new Date(atMs),
      allDay: true,
      summary: `Practice, ${day.balls} balls`,
      description: day.lines.join('\n'),
    })
  for (const { atMs, what } of due) calendar.createEvent({ start: new Date(atMs), allDay: true, summary: what })
  return calendar.toString()
}

/** The same, saved as a file. */
export function downloadCalendar(...what: Parameters<typeof practiceCalendar>): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([practiceCalendar(...what)], { type: 'text/calendar' }))
  link.download = 'practice.ics'
  link.click()
  URL.revokeObjectURL(link.href)
}
