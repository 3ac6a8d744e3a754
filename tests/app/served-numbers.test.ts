import { stringify } from 'devalue'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { browser, refuses, type Answer } from './browser'

async function asked(say: Answer, by: string) {
  vi.resetModules()
  browser(() => say)
  vi.spyOn(console, 'error').mockImplementation(() => {})
  const { servedNumbers } = await import('../../app/calculation/served-numbers')
  return servedNumbers('p', by)
}
/** As the server writes them: with what plain JSON has no words for. */
const written = (by: string) => ({ body: JSON.parse(stringify({ by, numbers: { chart: [], widest: Infinity } })) })

afterEach(() => {
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

describe('numbers that the server worked out', () => {
  it('are read as they were written', async () => {
    expect(await asked(written('a build yd'), 'a build yd')).toEqual({ chart: [], widest: Infinity })
  })

  it('are nothing to a page of another build, or in another unit', async () => {
    expect(await asked(written('a build yd'), 'a build m')).toBeUndefined()
    expect(await asked(written('a build yd'), 'the next yd')).toBeUndefined()
  })

  it.each([
    ['that is away', 'down' as const, 0],
    ['that has too much to do', refuses(503, 'Many charts are being worked out just now.'), 0],
    ['that has no such player', refuses(404, 'There is no such player.'), 1],
  ])('are nothing from a server %s: the page works them out itself', async (_, say, told) => {
    expect(await asked(say, 'a build yd')).toBeUndefined()
    expect(console.error).toHaveBeenCalledTimes(told)
  })
})
