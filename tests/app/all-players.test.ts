import { afterEach, describe, expect, it, vi } from 'vitest'
import { PLAYERS_A_PAGE } from '../../shared/pages'
import type { PlayerLine } from '../../shared/player'
import { browser, type Asked } from './browser'

const line = (n: number) => ({ id: `p${String(n).padStart(4, '0')}`, name: `Player ${n}` }) as PlayerLine
const all = Array.from({ length: 2 * PLAYERS_A_PAGE + 3 }, (_, n) => line(n))

/** A server's pages of them, by its own word. */
function pageFor({ path }: Asked) {
  const after = new URL(path).searchParams.get('after')
  const from = after === null ? 0 : all.findIndex(({ id }) => id === after) + 1
  return { body: all.slice(from, from + PLAYERS_A_PAGE) }
}

async function module() {
  vi.resetModules()
  return import('../../app/offline/all-players')
}

afterEach(() => vi.unstubAllGlobals())

describe('the list of players in pages', () => {
  it('is told as it comes, and is whole at the end and in what is kept', async () => {
    const { asked } = browser(pageFor)
    const { allPlayers, keptPlayers } = await module()
    const told: number[] = []
    expect(await allPlayers(soFar => told.push(soFar.length))).toEqual(all)
    expect(told).toEqual([PLAYERS_A_PAGE, 2 * PLAYERS_A_PAGE])
    expect(asked).toHaveLength(3)
    await vi.waitFor(async () => expect(await keptPlayers()).toEqual(all))
  })

  it('is what was kept where the server goes away between two pages', async () => {
    let away = false
    browser((asked, nth) => (away && nth > 4 ? 'down' : pageFor(asked)))
    const { allPlayers, keptPlayers } = await module()
    await allPlayers()
    await vi.waitFor(async () => expect(await keptPlayers()).toHaveLength(all.length))
    away = true
    expect(await allPlayers()).toEqual(all)
  })

  it('is an error, not half a list, where nothing is kept', async () => {
    browser((asked, nth) => (nth > 1 ? 'down' : pageFor(asked)))
    const { allPlayers } = await module()
    await expect(allPlayers()).rejects.toThrow('No connection to the server.')
  })
})
