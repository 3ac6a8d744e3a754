import { serverNowMs } from '~/offline/server-clock'

const DAY_MS = 86_400_000

function midnight(ms: number): number {
  return new Date(ms).setHours(0, 0, 0, 0)
}

/** "today", "yesterday", "12 days ago", "3 months ago": by the calendar of this device. */
export function daysAgo(ms: number, nowMs = serverNowMs()): string {
  const days = Math.round((midnight(nowMs) - midnight(ms)) / DAY_MS)
  if (days <= 0) return 'today'
  if (days === 1) return 'yesterday'
  if (days < 60) return `${days} days ago`
  if (days < 730) return `${Math.round(days / 30.44)} months ago`
  return `${Math.round(days / 365.25)} years ago`
}

// Made once: making a formatter takes longer than all else that a row of a list needs.
const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' })
const DAY_AND_YEAR = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** "2 Oct", with the year when it is another one. */
export function shortDate(ms: number, nowMs = serverNowMs()): string {
  const date = new Date(ms)
  return (date.getFullYear() === new Date(nowMs).getFullYear() ? DAY : DAY_AND_YEAR).format(date)
}

/** "14:05". */
export function clockTime(ms: number): string {
  return CLOCK.format(ms)
}

const two = (n: number) => String(n).padStart(2, '0')

/** A day as a field of days holds it, by the calendar of this device: "2026-05-04". */
export function inputDay(ms: number): string {
  const date = new Date(ms)
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
}

/** The moment at which a day of such a field begins; null where it is no day. */
export function dayOfInput(day: string): number | null {
  const ms = new Date(`${day}T00:00`).getTime()
  return Number.isNaN(ms) ? null : ms
}
