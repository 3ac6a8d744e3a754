import { describe, expect, it } from 'vitest'
import type { Finding } from '../../core/gaps/flag'
import { flagsOverTime, nextThings } from '../../core/review/review'
import type { Work } from '../../core/rounds/work'
import { yardsToMetres as yd } from '../../core/units'
import { reviewFlags, reviewNumbers, reviewPractice, reviewRounds } from '../../words/review'

const DAY_MS = 86_400_000
const names = {
  cell: ({ clubId, rungId }: { clubId: string; rungId: string }) => `${clubId} ${rungId}`,
  club: () => '',
}
const loose = (clubId: string): Finding => ({
  flag: 'loose',
  sureness: 'sure',
  probability: 0.99,
  cells: [{ clubId, rungId: 'full' }],
  data: { balls: 10, nearM: 70, farM: 78, times: 1.5 },
  fromM: yd(80),
  toM: yd(80),
  figure: 1.5,
})
const at = (nowMs: number, ...findings: Finding[]) => ({ nowMs, findings })

describe('flags over a period', () => {
  it('are opened, closed or still open, and what was answered is none of them', () => {
    const over = flagsOverTime(at(0, loose('a'), loose('b')), at(DAY_MS, loose('b'), loose('c'), loose('d')), [
      { ...loose('d'), id: '1', answer: 'accepted', untilMs: null, note: '', saidAtMs: 1, holds: true },
    ])
    const clubs = (list: Finding[]) => list.map(({ cells }) => cells[0]!.clubId)
    expect([over.opened, over.closed, over.stillOpen].map(clubs)).toEqual([['c'], ['a'], ['b']])
    const told = reviewFlags(over, names, 'yd')
    expect(told.map(({ title }) => title)).toEqual(['New flags', 'Closed', 'Still open'])
    expect(told[1]!.lines[0]).toMatch(/about 80 yd: no longer so\.$/)
    expect(reviewFlags({ opened: [], closed: [], stillOpen: [] }, names, 'yd')[0]!.lines).toHaveLength(1)
  })
})

describe('the next three things', () => {
  const work = ['x', 'y', 'z'].map(clubId => ({ clubId, rungId: 'full' }) as Work)
  const next = [{ clubId: 'n', rungId: 'full', balls: 3, gainM: 2, others: [] }]
  const all = { retestDueMs: null as number | null, nowMs: 0, work, open: [loose('a')], next, goodEnough: false }
  const kinds = (more: Partial<typeof all> = {}) => nextThings({ ...all, ...more }).map(({ kind }) => kind)
  it('are what rounds ask for, what the gaps show, and what the chart lacks, in turn', () => {
    expect(kinds()).toEqual(['work', 'flag', 'hit'])
    expect(kinds({ goodEnough: true })).toEqual(['work', 'flag', 'work'])
    expect(kinds({ work: [], open: [] })).toEqual(['hit'])
  })
  it('begin with a retest that is due, or soon is of a chart that was good enough', () => {
    expect(kinds({ retestDueMs: 0 })[0]).toBe('retest')
    expect(kinds({ retestDueMs: 5 * DAY_MS })[0]).toBe('work')
    expect(kinds({ retestDueMs: 5 * DAY_MS, goodEnough: true })[0]).toBe('retest')
    expect(kinds({ retestDueMs: 20 * DAY_MS, goodEnough: true })[0]).toBe('work')
  })
})

describe('the review in words', () => {
  const compared = (clubId: string, fromYd: number, toYd: number, balls: number, moved = false) => ({
    clubId,
    rungId: 'full',
    fromM: yd(fromYd),
    toM: yd(toYd),
    balls,
    evidence: 1,
    moved,
    certain: moved,
  })
  it('tells numbers longest first; what only now was measured is new, whatever was predicted', () => {
    const list = [
      compared('a', 80, 82, 3),
      compared('b', 90, 98, 5, true),
      compared('c', 60, 61, 2),
      compared('p', 50, 50, 0),
    ]
    const at = (carries: Record<string, number>, written: string[] = []) =>
      new Map(
        Object.entries(carries).map(
          ([club, carry]) => [`${club}/full`, { carryM: yd(carry), written: written.includes(club) }] as const,
        ),
      )
    const read = { then: at({ a: 80, b: 90, w: 70 }), now: at({ a: 82, b: 98, c: 61, w: 75 }, ['w']) }
    const { lead, rows } = reviewNumbers([...list, compared('w', 70, 71, 4, true)], read, names.cell, 'yd')
    expect(lead).toBe('14 balls with 4 stock shots. One number moved between these two days.')
    expect(rows.map(({ name, then: was, now, said }) => `${name} ${was} ${now} ${said}`.trim())).toEqual([
      'b full 90 98 moved, certain',
      'a full 80 82',
      'w full 70 75 written by the coach',
      'c full – 61 new',
    ])
    expect(reviewNumbers([], { then: at({}), now: at({}) }, names.cell, 'yd').lead).toMatch(/^No ball/)
  })
  it('has a line where there is nothing to tell', () => {
    expect(reviewPractice([], { unit: 'yd', shot: names.cell, club: () => '' })).toEqual(['Nothing was practised.'])
    expect(reviewRounds([], 'yd')).toEqual(['No round was logged.'])
  })
})
