import { openDB } from 'idb'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { browser, refuses, settled, takesAll, type Answer, type Asked } from './browser'

const NOW = Date.UTC(2026, 4, 4, 12)
const DAY_MS = 86_400_000
const TOKEN = 'uzzet_one'
const OTHER = 'uzzet_two'

const ball = (id: string, hitAtMs = Date.now()) => ({
  kind: 'own-ball' as const,
  record: { id, clubId: 'c', rungId: 'r', carryM: 70, method: 'laser' as const, hitAtMs },
})
const go = (id: string, version = 1) => ({ id, name: 'Stairs', version, startedAtMs: NOW, endedAtMs: null, balls: [] })

/** The phone's page as if just opened by this link; storage stays. */
async function open(token = TOKEN) {
  vi.resetModules()
  setActivePinia(createPinia())
  const { useOwnOutbox } = await import('../../app/offline/stores/own-outbox')
  const { markOfLink } = await import('../../app/offline/outbox/own-post')
  const outbox = useOwnOutbox()
  const mark = await markOfLink(token)
  await outbox.open(mark, token)
  await settled()
  return { outbox, mark, queue: outbox.of(mark) }
}
const ids = (list: readonly { entry: { record: { id: string } } }[]) => list.map(({ entry }) => entry.record.id)
const idsSent = (asked: readonly Asked[]) =>
  asked.map(({ path, body }) => (path.endsWith('/link/balls') ? body.balls!.map(({ id }) => id) : [body.id]))
async function later(ms: number) {
  await vi.advanceTimersByTimeAsync(ms)
  await settled()
}

beforeEach(() => {
  vi.useFakeTimers({ now: NOW, toFake: ['setTimeout', 'clearTimeout', 'Date'] })
  vi.spyOn(console, 'error').mockImplementation(() => {})
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

describe('own balls that wait on the phone', () => {
  it('go in lots, by the link that they were logged by, and are gone when the answer names them', async () => {
    let up = false
    const { asked } = browser(one => (up ? takesAll(one) : 'down'))
    const { queue } = await open()
    for (let i = 0; i < 450; i++) await queue.add('', ball(`b${i}`))
    await settled()
    const before = asked.length
    up = true
    await later(31_000)
    await settled(400)
    const lots = asked.slice(before)
    expect(lots.map(({ body }) => body.balls!.length)).toEqual([200, 200, 50])
    expect(new Set(lots.map(({ token }) => token))).toEqual(new Set([TOKEN]))
    expect(queue.mine.value).toEqual([])
    expect((await open()).queue.mine.value).toEqual([])
  })

  it('survive the page: what was under way when it closed is sent once more, and once there', async () => {
    browser(() => 'down')
    const first = await open()
    await first.queue.add('', ball('a'))
    await settled()
    const second = await open()
    expect(ids(second.queue.waiting.value)).toEqual(['a'])
    expect(second.queue.stuck.value).toBe(true)
  })

  it('are named one by one when the server will never take them; the others go', async () => {
    const { asked } = browser(({ body }) => ({
      status: 202,
      body: {
        taken: body.balls!.map(({ id }) => id).filter(id => id !== 'bad'),
        refused: [{ id: 'bad', message: 'This club is not in your bag any more.' }],
      },
    }))
    const { queue } = await open()
    await Promise.all(['a', 'bad', 'b'].map(id => queue.add('', ball(id))))
    await settled()
    expect(queue.refused.value).toMatchObject([
      { refused: 'This club is not in your bag any more.', entry: { record: { id: 'bad' } } },
    ])
    expect(queue.waiting.value).toEqual([])
    const before = asked.length
    await later(60_000)
    expect(asked.length).toBe(before)
    await queue.discard(queue.refused.value[0]!)
    expect((await open()).queue.mine.value).toEqual([])
  })

  it('tell which of a lot is to blame, when the lot is refused as a whole', async () => {
    browser(one =>
      one.body.balls?.some(({ id }) => id === 'bad') ? refuses(422, 'A carry of 0 m is not possible.') : takesAll(one),
    )
    const { queue } = await open()
    await Promise.all(['a', 'bad', 'b'].map(id => queue.add('', ball(id))))
    await later(31_000)
    expect(ids(queue.refused.value)).toEqual(['bad'])
    expect(queue.waiting.value).toEqual([])
  })

  it('of a link that is full wait, with the reason, ten minutes; those of another link go meanwhile', async () => {
    let full = true
    const { asked } = browser(one =>
      one.token === TOKEN && full
        ? { status: 202, body: { taken: [], refused: [], full: 'Two hundred balls wait for your coach.' } }
        : takesAll(one),
    )
    const { outbox, queue } = await open()
    await queue.add('', ball('a'))
    const second = await import('../../app/offline/outbox/own-post')
    const other = await second.markOfLink(OTHER)
    await outbox.open(other, OTHER)
    await outbox.of(other).add('', ball('b'))
    await settled()
    expect([queue.state.value, queue.why.value]).toEqual(['full', 'Two hundred balls wait for your coach.'])
    expect(outbox.of(other).mine.value).toEqual([])
    const before = asked.length
    await later(500_000)
    expect(asked.length).toBe(before)
    full = false
    await later(110_000)
    expect(queue.mine.value).toEqual([])
  })

  it.each<[string, Answer, string]>([
    [
      'withdrawn',
      refuses(401, 'This link does not open anything any more.'),
      'This link does not open anything any more.',
    ],
    ['only to look at', refuses(403, 'This link shows the chart.'), 'This link shows the chart.'],
  ])('of a link that is %s stay, with the reason, and are no refused balls', async (_, answer, why) => {
    let shut = true
    browser(one => (shut ? answer : takesAll(one)))
    const { queue } = await open()
    await queue.add('', ball('a'))
    await settled()
    expect([queue.state.value, queue.why.value, queue.refused.value]).toEqual(['signed-out', why, []])
    shut = false
    queue.sendNow()
    await settled()
    expect(queue.mine.value).toEqual([])
  })

  it('stay on the page when the phone keeps nothing, which is told, and are kept as soon as it does', async () => {
    browser(() => 'down')
    const real = indexedDB
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('no room', 'QuotaExceededError')
      },
    })
    const { queue } = await open()
    await queue.add('', ball('a'))
    await settled()
    expect([queue.keeps.value, ids(queue.waiting.value)]).toEqual([false, ['a']])
    vi.stubGlobal('indexedDB', real)
    await queue.add('', ball('b'))
    await settled()
    expect(queue.keeps.value).toBe(true)
    expect(ids((await open()).queue.waiting.value)).toEqual(['a', 'b'])
  })

  it('have their time set right when the clock is known only now', async () => {
    let up = false
    const { asked } = browser(one => (up ? { ...(takesAll(one) as object), nowMs: Date.now() - DAY_MS } : 'down'))
    const { queue } = await open()
    const hitAtMs = Date.now()
    await queue.add('', ball('a', hitAtMs))
    await settled()
    up = true
    const { api } = await import('../../app/offline/api')
    await api('/api/account')
    await later(31_000)
    expect(asked.at(-1)!.body.balls).toMatchObject([{ id: 'a', hitAtMs: hitAtMs - DAY_MS }])
  })

  it('are told apart by a mark of their link that gives the token away to nobody', async () => {
    const { markOfLink } = await import('../../app/offline/outbox/own-post')
    const [one, two] = [await markOfLink(TOKEN), await markOfLink(OTHER)]
    expect(one).toMatch(/^[0-9a-f]{16}$/)
    expect(one).not.toBe(two)
    expect(await markOfLink(TOKEN)).toBe(one)
  })

  it('the last state of a go goes for all before it', async () => {
    let up = false
    const { asked } = browser(one => (up ? takesAll(one) : 'down'))
    const { queue } = await open()
    for (const version of [1, 2, 3]) await queue.add('', { kind: 'own-go', record: go('g', version) as never })
    await settled()
    const before = asked.length
    up = true
    await later(31_000)
    expect(asked.slice(before).map(({ path, body }) => [new URL(path).pathname, body])).toMatchObject([
      ['/api/link/goes', { version: 3 }],
    ])
    expect(queue.mine.value).toEqual([])
  })
})

describe('several states of one go', () => {
  it('that the server fails at are tried again later, not without end, and let others by', async () => {
    const { asked } = browser(one =>
      one.path.endsWith('/goes') ? { status: 500, body: { error: true } } : takesAll(one),
    )
    const { queue } = await open()
    for (const version of [1, 2]) await queue.add('', { kind: 'own-go', record: go('g', version) as never })
    await queue.add('', ball('a'))
    for (let i = 0; i < 5; i++) await later(31_000)
    expect(asked.length).toBeLessThan(20)
    expect([ids(queue.waiting.value), ids(queue.aside.value)]).toEqual([[], ['g', 'g']])
  })

  it('that are refused leave the last, with the reason', async () => {
    let up = false
    browser(() => (up ? refuses(404, 'This homework was taken back.') : 'down'))
    const { queue } = await open()
    for (const version of [1, 2]) await queue.add('', { kind: 'own-go', record: go('g', version) as never })
    await settled()
    up = true
    await later(31_000)
    expect(queue.mine.value).toMatchObject([
      { refused: 'This homework was taken back.', entry: { record: { version: 2 } } },
    ])
  })
})

describe('a device that updates with balls waiting in an old queue', () => {
  const oldBall = (id: string, more: object = {}) => ({ ...ball(id).record, link: 'mark', clockMs: 0, ...more })

  it.each([false, true])('loses none of a player’s own, nor a go, nor a round; network: %s', async isUp => {
    let up = isUp
    const { asked, kept } = browser(one => (up ? takesAll(one) : 'down'))
    const { markOfLink } = await import('../../app/offline/outbox/own-post')
    const link = await markOfLink(TOKEN)
    const oldest = { ...oldBall('oldest'), link: undefined }
    kept.set(
      'uzzet-own-balls',
      JSON.stringify([oldest, oldBall('a', { link }), oldBall('no', { link, refused: 'Why.' })]),
    )
    kept.set(
      'uzzet-own-goes',
      JSON.stringify([
        { link, go: go('waits'), sent: false },
        { link, go: go('there'), sent: true },
      ]),
    )
    kept.set('uzzet-own-rounds', JSON.stringify([{ link, go: { id: 'round', version: 1 }, sent: false }]))
    const { queue } = await open()
    if (!isUp) {
      expect(ids(queue.waiting.value)).toEqual(['oldest', 'a', 'waits', 'round'])
      // Closed and opened once more before there is a network: once each.
      const again = await open()
      expect(ids(again.queue.mine.value)).toEqual(['oldest', 'a', 'no', 'waits', 'round'])
      up = true
      again.queue.sendNow()
      await settled()
    }
    const last = await open()
    expect(ids(last.queue.mine.value)).toEqual(['no'])
    expect(last.queue.refused.value).toMatchObject([{ refused: 'Why.' }])
    const taken = idsSent(asked.filter(({ path }) => path.includes('/api/link/')))
    if (isUp) expect(taken).toEqual([['oldest', 'a'], ['waits'], ['round']])
    expect(kept.get('uzzet-own-balls')).toBeUndefined()
    // What is shown of goes stays where it was.
    expect(JSON.parse(kept.get('uzzet-own-goes')!)).toHaveLength(2)
  })

  it('keeps the old place until the new one has them', async () => {
    const { kept } = browser(() => 'down')
    kept.set('uzzet-own-balls', JSON.stringify([oldBall('a')]))
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('no room', 'QuotaExceededError')
      },
    })
    await open()
    expect(JSON.parse(kept.get('uzzet-own-balls')!)).toMatchObject([{ id: 'a' }])
  })

  it('something else in the old place stops nothing', async () => {
    const { kept } = browser(takesAll)
    kept.set('uzzet-own-balls', '{not a list')
    kept.set('uzzet-own-goes', '"text"')
    const { queue } = await open()
    await queue.add('', ball('a'))
    await settled()
    expect(queue.mine.value).toEqual([])
  })

  it.each([false, true])('loses none of a coach’s, and of no other coach’s; network: %s', async isUp => {
    let up = isUp
    const { asked } = browser(one => (up ? takesAll(one) : 'down'))
    const db = await openDB('uzzet-outbox', 1, {
      upgrade: made => void made.createObjectStore('items', { keyPath: 'seq' }),
    })
    const shot = (id: string) => ({
      id,
      sessionId: 's',
      clubId: 'c',
      rungId: 'r',
      carryM: 70,
      hitAtMs: NOW,
      taken: null,
    })
    await db.put('items', { seq: 1, coachId: 'coach', playerId: 'p', entry: { kind: 'shot', record: shot('a') } })
    await db.put('items', { seq: 2, coachId: 'other', playerId: 'p', entry: { kind: 'shot', record: shot('b') } })
    db.close()
    const reopen = async () => {
      vi.resetModules()
      setActivePinia(createPinia())
      const { useOutbox } = await import('../../app/offline/stores/outbox')
      const outbox = useOutbox()
      await outbox.send()
      await settled()
      return outbox
    }
    const outbox = await reopen()
    if (!isUp) {
      expect(ids(outbox.waiting)).toEqual(['a'])
      up = true
      await later(31_000)
    }
    expect(outbox.mine).toEqual([])
    expect(asked.flatMap(({ body }) => body.shots!.map(({ id }) => id)).at(-1)).toBe('a')
    const left = await (await openDB('uzzet-outbox', 1)).getAll('items')
    expect(left).toMatchObject([{ entry: { record: { id: 'b' } } }])
  })
})
