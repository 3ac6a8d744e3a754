import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { watch } from 'vue'
import type { PlayerRecord } from '../../shared/record'
import { noShots } from '../../shared/shot-columns'
import { browser, refuses, settled, type Answer } from './browser'

const reply = (name: string) =>
  ({
    player: { id: 'p', name, thresholds: {} },
    bag: { clubs: [], scale: { school: 'clock', rungs: [] }, struckOut: [] },
    bagVersion: 1,
    sessions: [],
    shots: noShots(),
    words: [],
    answers: [],
    academyThresholds: {},
    published: null,
  }) as unknown as PlayerRecord

/** The page afresh; what the browser keeps stays. */
async function page() {
  vi.resetModules()
  setActivePinia(createPinia())
  const { usePlayerRecord } = await import('../../app/offline/stores/record')
  const { askAhead, api } = await import('../../app/offline/api')
  return { record: usePlayerRecord(), askAhead, api }
}

let say: Answer | Promise<Answer>
let asked: { path: string }[]

beforeEach(() => {
  vi.spyOn(console, 'error').mockImplementation(() => {})
  say = { body: reply('First') }
  const seen = browser(() => say as Answer)
  asked = seen.asked
  vi.stubGlobal('watch', watch)
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

describe('a player who was open here before', () => {
  /** Holds back the network's answer until it is let go. */
  function held() {
    let go = () => {}
    const gate = new Promise<void>(resolve => {
      go = resolve
    })
    const real = fetch
    vi.stubGlobal('fetch', async (...args: Parameters<typeof fetch>) => {
      await gate
      return real(...args)
    })
    return go
  }

  it('stands at once as known here last, and then as the server has it', async () => {
    const before = await page()
    await before.record.open('p')
    await settled()
    say = { body: reply('Renamed') }
    const { record } = await page()
    const go = held()
    const opened = record.open('p')
    await settled()
    expect([record.player?.name, record.keptAtMs]).toEqual(['First', null])
    go()
    await opened
    expect(record.player?.name).toBe('Renamed')
  })

  it('is told to be of then when the server is away', async () => {
    const before = await page()
    await before.record.open('p')
    await settled()
    say = 'down'
    const { record } = await page()
    await record.open('p')
    expect([record.player?.name, record.keptAtMs !== null, record.failure]).toEqual(['First', true, null])
  })

  it('is not shown any more when the server has no such player', async () => {
    const before = await page()
    await before.record.open('p')
    await settled()
    say = refuses(404, 'There is no such player.')
    const { record } = await page()
    await record.open('p')
    expect([record.player, record.failure?.message]).toEqual([null, 'There is no such player.'])
    // Nor the next time, without a network.
    await settled()
    say = 'down'
    const after = await page()
    await after.record.open('p')
    expect(after.record.player).toBeNull()
  })

  it('is gone from the device once the sign-in was ended elsewhere; the player’s own link and what waits stay', async () => {
    const before = await page()
    await before.record.open('p')
    await settled()
    say = 'down'
    await before.record.putWord({ id: 'w' } as never)
    const { forgetSignedOut, keepAnswer, lastKnown } = await import('../../app/offline/kept')
    await keepAnswer('/api/link', { player: 'First' })
    await forgetSignedOut()
    const { record } = await page()
    await record.open('p')
    expect([record.player, record.failure !== null]).toEqual([null, true])
    expect(await lastKnown('/api/link')).toEqual({ player: 'First' })
    const { useOutbox } = await import('../../app/offline/stores/outbox')
    expect(useOutbox().mine.map(({ entry }) => entry.record.id)).toEqual(['w'])
  })

  it('does not take the place of another who was opened meanwhile', async () => {
    const before = await page()
    await before.record.open('p')
    await settled()
    const { record } = await page()
    const go = held()
    const first = record.open('p')
    const second = record.open('other')
    await settled()
    expect(record.player).toBeNull()
    go()
    await Promise.all([first, second])
    expect(record.playerId).toBe('other')
  })
})

describe('what is asked ahead', () => {
  it('is asked once, and taken by the first who asks for it', async () => {
    const { askAhead, api } = await page()
    askAhead('/api/players/p')
    const route = '/api/players/:playerId'
    await api(route, { params: { playerId: 'p' } })
    expect(asked).toHaveLength(1)
    await api(route, { params: { playerId: 'p' } })
    expect(asked).toHaveLength(2)
  })

  it('tells its failure to whoever takes it, as if it had just been asked', async () => {
    say = refuses(404, 'There is no such player.')
    const { askAhead, api } = await page()
    askAhead('/api/players/p')
    await expect(api('/api/players/:playerId', { params: { playerId: 'p' } })).rejects.toMatchObject({ status: 404 })
  })

  it('that failed before anybody wanted it is asked anew: who signed in meanwhile is not told of before', async () => {
    say = refuses(401, 'You are not signed in any more.')
    const { askAhead, api } = await page()
    askAhead('/api/players/p')
    await settled()
    say = { body: reply('First') }
    await api('/api/players/:playerId', { params: { playerId: 'p' } })
    expect(asked).toHaveLength(2)
  })

  it('by somebody else is dropped', async () => {
    const { askAhead, api } = await page()
    const { dropAhead } = await import('../../app/offline/api')
    askAhead('/api/players/p')
    dropAhead()
    await api('/api/players/:playerId', { params: { playerId: 'p' } })
    expect(asked).toHaveLength(2)
  })

  it('does not serve who asks much later', async () => {
    const { askAhead, api } = await page()
    askAhead('/api/players/p')
    await settled()
    vi.spyOn(Date, 'now').mockReturnValue(Date.now() + 6000)
    await api('/api/players/:playerId', { params: { playerId: 'p' } })
    expect(asked).toHaveLength(2)
  })
})
