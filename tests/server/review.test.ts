import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { yardsToMetres as yd } from '../../core/units'
import type { Review } from '../../words/review'
import { atTheRange, type Client, newCoach, newId, refusal } from './client'

const DAY_MS = 86_400_000
let coach: Client
let at: Awaited<ReturnType<typeof atTheRange>>
beforeAll(async () => {
  coach = await newCoach()
  at = await atTheRange(coach)
})

const review = (from: number, to: number, more = '') =>
  coach.get<Review>(`/api/players/${at.playerId}/review?from=${from}&to=${to}${more}`)

/** Balls an hour ago with the first stock shot of the bag. */
async function hitBalls(carriesYd: number[]) {
  const shots = carriesYd.map((carry, i) => at.shot({ carryM: yd(carry), hitAtMs: Date.now() - 3_600_000 + i * 1000 }))
  expect((await at.log(...shots)).status).toBe(202)
}

describe('the review of a period', () => {
  it('says that nothing was there, before anything was', async () => {
    const { body } = await review(Date.now() - 30 * DAY_MS, Date.now())
    expect(body.numbers).toEqual({ lead: 'No ball was hit for the chart between these two days.', rows: [] })
    expect(body.practice).toEqual(['Nothing was practised.'])
    expect(body.rounds).toEqual(['No round was logged.'])
    expect(body.next.length).toBe(1)
  })

  it('tells numbers then and now, rounds, and what to do next; its page says the same', async () => {
    await hitBalls([90, 92])
    const approaches = Array.from({ length: 16 }, (_, i) => ({
      id: newId(),
      chance: true,
      distanceM: yd(70 + (i % 4)),
      offM: -2,
      version: 1,
    }))
    const round = {
      id: newId(),
      name: '',
      kind: 'casual',
      playedAtMs: Date.now() - DAY_MS,
      approaches,
      gone: false,
      version: 1,
    }
    expect((await coach.send('PUT', `/api/players/${at.playerId}/rounds/${round.id}`, round)).status).toBe(200)
    const [from, to] = [Date.now() - 30 * DAY_MS, Date.now()]
    const { body } = await review(from, to)
    expect(body.numbers.lead).toBe(
      '2 balls with one stock shot. Nothing was measured before: these are the first numbers.',
    )
    expect(body.numbers.rows.find(({ said }) => said === 'new')).toMatchObject({ then: '–' })
    expect(body.rounds[0]).toBe('16 chances in one round. None longer than 73 yd.')
    expect(body.next.map(({ title }) => title).join()).toMatch(/Hit /)
    expect((await review(from, to, '&unit=m')).body.rounds[0]).toBe('16 chances in one round. None longer than 67 m.')
    const page = await coach.bytes(`/api/players/${at.playerId}/review.pdf?from=${from}&to=${to}`)
    const text = asText(Buffer.from(page))
    for (const part of [body.numbers.lead, body.rounds[0]!, ...body.next.map(({ title }) => title)])
      expect(text.replace(/\s+/g, ' ')).toContain(part)
  })

  it('hears of a marked change: the retest is due for it, and comes first; taken back it is not', async () => {
    const older = await atTheRange(coach)
    const startedAtMs = Date.now() - 5 * DAY_MS
    const session = { ...older.session, id: newId(), startedAtMs, endedAtMs: startedAtMs + 3_600_000 }
    await coach.put(`/api/players/${older.playerId}/sessions/${session.id}`, session)
    await older.log(older.shot({ sessionId: session.id, hitAtMs: startedAtMs }))
    let version = 1
    const mark = async (changes: unknown) => {
      const reply = await coach.patch(`/api/players/${older.playerId}`, { version, thresholds: { changes } })
      version++
      return reply
    }
    const first = async () => {
      const [from, to] = [Date.now() - 30 * DAY_MS, Date.now()]
      return (await coach.get<Review>(`/api/players/${older.playerId}/review?from=${from}&to=${to}`)).body.next[0]!
    }
    expect((await first()).title).not.toMatch(/^Retest/)
    expect((await mark([{ atMs: Date.now() - 2 * DAY_MS, kind: 'swing' }])).status).toBe(200)
    expect(await first()).toMatchObject({ title: expect.stringMatching(/^Retest: \d+ balls$/) })
    expect((await first()).why).toMatch(/^The swing was changed on /)
    expect((await mark(undefined)).status).toBe(200)
    expect((await first()).title).not.toMatch(/^Retest/)
    const wrong = await coach.patch(`/api/players/${older.playerId}`, {
      version,
      thresholds: { changes: [{ atMs: Date.now(), kind: 'mood' }] },
    })
    expect(Object.keys(refusal(wrong))[0]).toMatch(/changes/)
  })

  it('refuses a period that is none', async () => {
    const now = Date.now()
    expect(refusal(await review(now, now - DAY_MS))).toEqual({ to: 'The period must end after it begins.' })
    expect((await coach.get(`/api/players/${at.playerId}/review?from=soon&to=${now}`)).status).toBe(422)
    expect((await coach.get(`/api/players/${at.playerId}/review`)).status).toBe(422)
  })
})

function asText(pdf: Buffer): string {
  const folder = mkdtempSync(join(tmpdir(), 'uzzet-review-'))
  try {
    writeFileSync(join(folder, 'a.pdf'), pdf)
    return execFileSync('pdftotext', ['-layout', join(folder, 'a.pdf'), '-'], { encoding: 'utf8' })
  } finally {
    rmSync(folder, { recursive: true })
  }
}
