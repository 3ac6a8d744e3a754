import { describe, expect, it } from 'vitest'
import { TooBusy, Turns } from '../../server/calibration/turns'

/** Pieces of work that end when they are told to. */
function bench() {
  const begun: string[] = []
  const endings = new Map<string, () => void>()
  const work = (name: string) => () => {
    begun.push(name)
    return new Promise<string>(resolve => endings.set(name, () => resolve(name)))
  }
  const end = async (name: string) => {
    endings.get(name)!()
    await new Promise(resolve => setImmediate(resolve))
  }
  return { begun, work, end }
}

describe('work by turns', () => {
  it('goes to each asker in turn, however much one asks for', async () => {
    const turns = new Turns(1, 10, 100)
    const { begun, work, end } = bench()
    const all = ['a1', 'a2', 'a3', 'b1', 'c1'].map(name => turns.take(name[0]!, work(name)))
    for (const name of ['a1', 'a2', 'b1', 'c1', 'a3']) await end(name)
    expect(begun).toEqual(['a1', 'a2', 'b1', 'c1', 'a3'])
    expect(await Promise.all(all)).toEqual(['a1', 'a2', 'a3', 'b1', 'c1'])
  })

  it('does as many at once as it may, and no more', async () => {
    const turns = new Turns(2, 10, 100)
    const { begun, work, end } = bench()
    const all = ['a', 'b', 'c'].map(name => turns.take(name, work(name)))
    await new Promise(resolve => setImmediate(resolve))
    expect(begun).toEqual(['a', 'b'])
    await end('b')
    expect(begun).toEqual(['a', 'b', 'c'])
    for (const name of ['a', 'c']) await end(name)
    await Promise.all(all)
    // All places are free again.
    const last = turns.take('a', work('last'))
    await end('last')
    expect(await last).toBe('last')
  })

  it('refuses at once what is too much, of one and of all', async () => {
    const turns = new Turns(1, 2, 3)
    const { work, end } = bench()
    const first = turns.take('a', work('running'))
    const waiting = ['a1', 'a2'].map(name => turns.take('a', work(name)))
    await expect(turns.take('a', work('a3'))).rejects.toBeInstanceOf(TooBusy)
    const other = turns.take('b', work('b1'))
    await expect(turns.take('c', work('c1'))).rejects.toBeInstanceOf(TooBusy)
    for (const name of ['running', 'a1', 'b1', 'a2']) await end(name)
    await Promise.all([first, ...waiting, other])
  })

  it('lets go of what is called off while it waits, and passes its place on when work fails', async () => {
    const turns = new Turns(1, 5, 5)
    const { begun, work, end } = bench()
    const gone = new AbortController()
    const failing = turns.take('a', () => Promise.reject(new Error('failed')))
    const waiting = turns.take('b', work('b'), gone.signal)
    const last = turns.take('c', work('c'))
    gone.abort(new Error('went away'))
    await expect(failing).rejects.toThrow('failed')
    await expect(waiting).rejects.toThrow('went away')
    await new Promise(resolve => setImmediate(resolve))
    expect(begun).toEqual(['c'])
    expect(turns.waiting).toBe(0)
    await end('c')
    await last
    await expect(turns.take('d', work('d'), AbortSignal.abort(new Error('before')))).rejects.toThrow('before')
  })
})
