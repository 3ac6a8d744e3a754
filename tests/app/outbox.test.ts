import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { SessionRecord, ShotRecord } from '../../shared/schemas/session'
import { USUAL_PLAN } from '../../shared/choices'
import { forgetServerTime } from '../../app/offline/server-clock'
import { browser, refuses, settled, takesAll, type Answer, type Asked } from './browser'

const NOW = Date.UTC(2026, 4, 4, 12)
const DAY_MS = 86_400_000

const shot = (id: string, change: Partial<ShotRecord> = {}): ShotRecord => ({
  id,
  sessionId: 'session',
  clubId: 'club',
  rungId: 'rung',
  carryM: 70,
  method: 'laser',
  balls: 1,
  hitAtMs: Date.now(),
  leftOut: null,
  strike: null,
  readings: null,
  taken: null,
  deleted: false,
  version: 1,
  ...change,
})
const session: SessionRecord = {
  id: 'session',
  startedAtMs: NOW,
  endedAtMs: null,
  method: 'laser',
  ball: 'own',
  surface: 'grass',
  air: [],
  plan: USUAL_PLAN,
  version: 1,
}

/** The store afresh, as on a page that was just opened; storage stays. */
async function open() {
  vi.resetModules()
  setActivePinia(createPinia())
  const { useOutbox } = await import('../../app/offline/stores/outbox')
  return useOutbox()
}
const idsSent = (asked: readonly Asked[]) => asked.flatMap(({ body }) => body.shots?.map(one => one.id) ?? [body.id])
/** Back-off runs on a clock that tests turn. */
async function later(ms: number) {
  await vi.advanceTimersByTimeAsync(ms)
  await settled()
}

beforeEach(() => {
  vi.useFakeTimers({ now: NOW, toFake: ['setTimeout', 'clearTimeout', 'Date'] })
  vi.spyOn(console, 'error').mockImplementation(() => {})
  forgetServerTime()
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

describe('what was entered and is not on the server yet', () => {
  it('goes at once, and is gone from this device only when the answer names it', async () => {
    const { asked } = browser(takesAll)
    const outbox = await open()
    await outbox.add('player', { kind: 'session', record: session })
    await outbox.add('player', { kind: 'shot', record: shot('a') })
    await settled()
    expect(idsSent(asked)).toEqual(['session', 'a'])
    expect(outbox.mine).toEqual([])
    expect((await open()).mine).toEqual([])
  })

  it('is sent although the browser keeps nothing, and the coach is told; once it keeps again, all is kept', async () => {
    let up = false
    const { asked } = browser(one => (up ? takesAll(one) : 'down'))
    const real = indexedDB
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('no room', 'QuotaExceededError')
      },
    })
    const outbox = await open()
    await outbox.add('player', { kind: 'shot', record: shot('a') })
    await settled()
    expect([outbox.keeps, outbox.waiting.length]).toEqual([false, 1])
    up = true
    await later(31_000)
    expect([idsSent(asked).at(-1), outbox.mine.length]).toEqual(['a', 0])
    up = false
    await outbox.add('player', { kind: 'shot', record: shot('b') })
    await settled()
    expect(outbox.keeps).toBe(false)
    vi.stubGlobal('indexedDB', real)
    await outbox.add('player', { kind: 'shot', record: shot('c') })
    await settled()
    expect(outbox.keeps).toBe(true)
    const again = await open()
    await again.ready()
    expect(again.waiting.map(item => item.entry.record.id)).toEqual(['b', 'c'])
  })

  it('is kept although the store was closed while the phone slept: it is opened again', async () => {
    browser(() => 'down')
    const outbox = await open()
    await outbox.add('player', { kind: 'shot', record: shot('a') })
    const opened = vi.spyOn(IDBDatabase.prototype, 'transaction').mockImplementationOnce(() => {
      throw new DOMException('The database connection is closing.', 'InvalidStateError')
    })
    await outbox.add('player', { kind: 'shot', record: shot('b') })
    expect(opened).toHaveBeenCalled()
    expect(outbox.keeps).toBe(true)
    const again = await open()
    await again.ready()
    expect(again.waiting.map(item => item.entry.record.id)).toEqual(['a', 'b'])
  })

  it.each<[string, Answer]>([
    ['a sign-on page', { html: '<html>Sign on to this network</html>', ours: false }],
    ['a maintenance page that says 503', { status: 503, html: '<html>', ours: false }],
    ["a proxy's 403", { status: 403, html: '<html>', ours: false }],
    ["a proxy's 404", { status: 404, html: '<html>', ours: false }],
    ["a proxy's 413", { status: 413, html: '<html>', ours: false }],
    ["somebody else's JSON", { body: { ok: true }, ours: false }],
    ['an answer of ours that names nothing', { body: {} }],
    ['an empty answer', { status: 204, body: undefined, html: undefined }],
    ['our own 500', { status: 500, body: { error: true } }],
    ['too many requests', refuses(429, 'Too many.')],
    ['nobody', 'down'],
  ])('waits through %s, and steps nowhere', async (_, answer) => {
    let up = false
    const { asked } = browser(one => (up ? takesAll(one) : answer))
    const outbox = await open()
    for (const id of ['a', 'b', 'c', 'd', 'e', 'f']) await outbox.add('player', { kind: 'shot', record: shot(id) })
    for (let i = 0; i < 8; i++) await later(31_000)
    expect([outbox.waiting.length, outbox.refused.length, outbox.aside.length, outbox.stuck]).toEqual([6, 0, 0, true])
    up = true
    const before = asked.length
    await later(31_000)
    expect(new Set(idsSent(asked.slice(before)))).toEqual(new Set(['a', 'b', 'c', 'd', 'e', 'f']))
    expect([outbox.mine.length, outbox.stuck]).toEqual([0, false])
  })

  it('is refused for good only in our own form, one ball, not its lot', async () => {
    const { asked } = browser(one =>
      one.body.shots?.some(({ id }) => id === 'bad')
        ? refuses(422, "This club is not in the player's bag.", ['shots.0.clubId'])
        : takesAll(one),
    )
    const outbox = await open()
    await Promise.all(['a', 'bad', 'b'].map(id => outbox.add('player', { kind: 'shot', record: shot(id) })))
    await settled()
    expect(outbox.refused).toMatchObject([
      { refused: "This club is not in the player's bag.", lacks: ['clubId'], entry: { record: { id: 'bad' } } },
    ])
    expect(outbox.waiting).toEqual([])
    await outbox.give([...outbox.refused], { clubId: 'another' })
    await settled()
    expect(asked.at(-1)!.body.shots).toMatchObject([{ id: 'bad', clubId: 'another' }])
  })

  it('lets others by when it fails while they are taken; steps aside with what follows it; and all can be sent again', async () => {
    let mended = false
    browser(one =>
      !mended && (one.body.id === 'session' || one.body.shots?.some(({ id }) => id === 'poison'))
        ? { status: 500, body: { error: true } }
        : takesAll(one),
    )
    const outbox = await open()
    await outbox.add('player', { kind: 'session', record: session })
    for (const id of ['of session', 'poison'])
      await outbox.add('player', { kind: 'shot', record: shot(id, id === 'poison' ? { sessionId: 'other' } : {}) })
    for (const id of ['a', 'b']) await outbox.add('player', { kind: 'shot', record: shot(id, { sessionId: 'other' }) })
    for (let i = 0; i < 5; i++) await later(31_000)
    expect(outbox.waiting).toEqual([])
    expect(outbox.aside.map(item => item.entry.record.id)).toEqual(['session', 'of session', 'poison'])
    // A ball of the session that stepped aside waits beside it, and is not refused for it.
    await outbox.add('player', { kind: 'shot', record: shot('late') })
    await outbox.add('player', { kind: 'shot', record: shot('c', { sessionId: 'other' }) })
    await later(31_000)
    expect([outbox.refused.length, outbox.aside.map(item => item.entry.record.id)]).toEqual([
      0,
      ['session', 'of session', 'poison', 'late'],
    ])
    mended = true
    await outbox.sendAllAgain()
    await later(31_000)
    expect(outbox.mine).toEqual([])
  })

  it('never goes before what it depends on, and of a ball changed twice the versions go in order', async () => {
    let up = false
    const { asked } = browser(one => (up ? takesAll(one) : 'down'))
    const outbox = await open()
    await outbox.add('player', { kind: 'session', record: session })
    await outbox.add('player', { kind: 'shot', record: shot('a') })
    await outbox.add('player', { kind: 'shot', record: shot('a', { version: 2 }) })
    await outbox.add('player', { kind: 'shot', record: shot('b') })
    await settled()
    const before = asked.length
    up = true
    await later(31_000)
    expect(asked.slice(before).map(({ body }) => body.id ?? body.shots!.map(({ id }) => id))).toEqual([
      'session',
      ['a', 'b'],
      ['a'],
    ])
  })

  it('goes after the session that it was given to, which is younger than it', async () => {
    const gone = 'This session was merged into another: give the ball to that one.'
    const { asked } = browser(one =>
      one.body.shots?.some(ball => ball.sessionId === 'session')
        ? refuses(422, gone, ['shots.0.sessionId'])
        : takesAll(one),
    )
    const outbox = await open()
    await outbox.add('player', { kind: 'shot', record: shot('a') })
    await settled()
    expect(outbox.refused.map(item => item.lacks)).toEqual([['sessionId']])
    asked.length = 0
    await outbox.add('player', { kind: 'session', record: { ...session, id: 'own' } })
    await outbox.give(outbox.refused, { sessionId: 'own' })
    await settled()
    expect([idsSent(asked), outbox.mine]).toEqual([['own', 'a'], []])
  })

  it('of another tab is taken over, and what another tab sent is not sent again', async () => {
    let up = false
    const { asked } = browser(one => (up ? takesAll(one) : 'down'))
    const first = await open()
    await first.add('player', { kind: 'shot', record: shot('a') })
    const second = await open()
    await second.ready()
    up = true
    await later(31_000)
    const before = asked.length
    await second.send()
    await settled()
    expect(asked.length).toBe(before)
    expect(second.mine).toEqual([])
  })

  it('of another coach stays, and goes when that coach is back', async () => {
    const { coach, asked } = browser(one => (coach.account?.id === 'coach' ? 'down' : takesAll(one)))
    const outbox = await open()
    await outbox.add('player', { kind: 'shot', record: shot('a') })
    coach.account = { id: 'other' }
    await later(40_000)
    expect(asked.every(({ body }) => body.shots?.[0]?.id === 'a')).toBe(true)
    const again = await open()
    await again.ready()
    expect(again.mine).toEqual([])
    coach.account = { id: 'coach' }
    const back = await open()
    await back.ready()
    expect(back.waiting.map(item => item.entry.record.id)).toEqual(['a'])
  })
})

describe('a clock that is wrong', () => {
  it('is set right by what the server says, and the ball says so, also when it was logged before anybody knew', async () => {
    let up = false
    const { asked } = browser(one => (up ? { ...(takesAll(one) as object), nowMs: Date.now() - DAY_MS } : 'down'))
    const outbox = await open()
    const hitAtMs = Date.now()
    await outbox.add('player', { kind: 'shot', record: shot('a', { hitAtMs }) })
    await settled()
    up = true
    const { api } = await import('../../app/offline/api')
    await api('/api/account')
    await later(31_000)
    expect(asked.at(-1)!.body.shots).toMatchObject([
      { id: 'a', hitAtMs: hitAtMs - DAY_MS, taken: { clockMs: -DAY_MS } },
    ])
    const { serverNowMs, clockNote } = await import('../../app/offline/server-clock')
    expect(serverNowMs()).toBe(Date.now() - DAY_MS)
    expect(clockNote()).toEqual({ clockMs: -DAY_MS })
    // Mended by hand: what was known of it holds no more.
    vi.setSystemTime(Date.now() - DAY_MS)
    expect(serverNowMs()).toBe(Date.now())
    expect(clockNote()).toEqual({})
  })

  it('that is right enough is left alone', async () => {
    const { asked } = browser(one => ({ ...(takesAll(one) as object), nowMs: Date.now() + 60_000 }))
    const outbox = await open()
    await outbox.add('player', { kind: 'shot', record: shot('a') })
    await settled()
    await outbox.add('player', { kind: 'shot', record: shot('b') })
    await settled()
    expect(asked.at(-1)!.body.shots).toMatchObject([{ id: 'b', hitAtMs: Date.now(), taken: null }])
  })
})
