import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'

const CORE = join(import.meta.dirname, '../../core')

interface Example {
  at: string
  code: string
  said: string
}

function* filesOf(folder: string): Generator<string> {
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name)
    if (name === 'vendor') continue
    if (statSync(path).isDirectory()) yield* filesOf(path)
    else yield path
  }
}

/**
 * What an example may name: everything that core exports by name; flags, remedies and drills all export the same few.
 */
const names: Record<string, unknown> = {}
for (const file of filesOf(CORE))
  if (!/\/(flags|remedies|drills)\//.test(file)) Object.assign(names, await import(file))

const EXAMPLE = /@example ([^\n]*?)(?:\n \* | )\/\/ => ([^\n]*?)(?: \*\/)?$/gm

/**
 * `@example code // => answer`, the answer on the same line or, where that is long, on the next: what stands in a doc
 * comment can be run as it stands.
 */
function* examples(): Generator<Example> {
  for (const file of filesOf(CORE)) {
    const text = readFileSync(file, 'utf8')
    const found = [...text.matchAll(EXAMPLE)]
    const at = (index: number) => `${file.slice(CORE.length + 1)}:${text.slice(0, index).split('\n').length}`
    for (const { 1: code, 2: said, index } of found) yield { at: at(index), code: code!, said: said! }
    const count = text.match(/@example/g)?.length ?? 0
    if (count !== found.length) throw new Error(`${file} has ${count} examples, and ${found.length} of them an answer`)
  }
}

const run = (code: string): unknown =>
  new Function(...Object.keys(names), `"use strict"; return (${code})`)(...Object.values(names))

/** Half a unit of the last figure that was written: as good as the example says it is. */
function closeTo(said: string): number {
  const decimals = /\.(\d+)$/.exec(said.replace(/_/g, ''))?.[1]?.length ?? 0
  return 0.5000001 * 10 ** -decimals
}

/** Numbers to the figures that were written, all else as it stands. */
function agrees(actual: unknown, said: string): boolean {
  if (/^[+-]?[\d_.]+$/.test(said))
    return typeof actual === 'number' && Math.abs(actual - Number(said.replace(/_/g, ''))) <= closeTo(said)
  const numbers = [...said.matchAll(/(?<![\w.'])-?\d[\d_]*(?:\.\d+)?(?![\w'])/g)].map(([text]) => text)
  const expected = run(said)
  let at = 0
  const same = (a: unknown, b: unknown): boolean => {
    if (typeof b === 'number') return typeof a === 'number' && Math.abs(a - b) <= closeTo(numbers[at++] ?? '')
    if (b === null || typeof b !== 'object') return Object.is(a, b)
    const [mine, theirs] = [Object.entries(a ?? {}), Object.entries(b)]
    return (
      mine.length === theirs.length && theirs.every(([key, value]) => same((a as Record<string, unknown>)[key], value))
    )
  }
  return same(actual, expected)
}

describe('examples in the comments of core', () => {
  const all = [...examples()]

  it('are there, and say what they answer', () => {
    expect(all.length).toBeGreaterThan(50)
    expect(all.filter(example => example.said === '').map(example => `${example.at} ${example.code}`)).toEqual([])
  })

  it.each(all.filter(example => example.said !== ''))('$at $code', ({ code, said }) => {
    const actual = run(code)
    expect(agrees(actual, said), `${code} is ${JSON.stringify(actual)}, not ${said}`).toBe(true)
  })

  it('would be found out if they were false', () => {
    expect(agrees(1.44, '1.4')).toBe(true)
    expect(agrees(1.46, '1.4')).toBe(false)
    expect(agrees({ carryM: 68.58 }, '{ carryM: 68.58 }')).toBe(true)
    expect(agrees({ carryM: 68.58, sideM: 1 }, '{ carryM: 68.58 }')).toBe(false)
    expect(agrees('23', "'24'")).toBe(false)
  })
})
