import { describe, expect, it } from 'vitest'
import { practiceCalendar, practiceDays } from '../../app/player/practice-calendar'

const DAY_MS = 86_400_000

describe('practice in the calendar', () => {
  it('is so many days a week, evenly, none twice, from tomorrow', () => {
    for (const aWeek of [1, 2, 3, 4, 5]) {
      const days = practiceDays(0, aWeek, 4).map(ms => ms / DAY_MS)
      expect(new Set(days).size).toBe(4 * aWeek)
      expect(days[0]).toBe(1)
      expect(days.at(-1)!).toBeLessThanOrEqual(28)
      expect([...days].sort((a, b) => a - b)).toEqual(days)
    }
  })
  it('is an iCalendar file with days, the retest and what is due (RFC 5545)', () => {
    const atMs = Date.UTC(2026, 10, 29, 12)
    const text = practiceCalendar(
      'Pip; Marlow',
      [{ atMs, day: { balls: 30, lines: ['12: Stairs. Loose', '18: Circles'] } }],
      [{ atMs: atMs + DAY_MS, what: 'Retest: Pip, Marlow' }],
    )
    expect(text.startsWith('BEGIN:VCALENDAR\r\nVERSION:2.0')).toBe(true)
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2)
    expect(text).toContain('SUMMARY:Practice\\, 30 balls')
    expect(text).toContain('DESCRIPTION:12: Stairs. Loose\\n18: Circles')
    expect(text).toContain('DTSTART;VALUE=DATE:20261129')
    expect(text).toContain('SUMMARY:Retest: Pip\\, Marlow')
  })
})
