import { readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { IntlMessageFormat } from 'intl-messageformat'
import { describe, expect, it } from 'vitest'
import { yardsToMetres } from '../../core/units'
import { listed, sentence, write } from '../../words/message'
import { nearestText } from '../../words/nearest'

const ENGLISH = join(import.meta.dirname, '../../words/en')

function* filesOf(folder: string): Generator<string> {
  for (const name of readdirSync(folder).sort()) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* filesOf(path)
    else yield path
  }
}

function* messagesIn(value: unknown): Generator<string> {
  if (typeof value === 'string') yield value
  else if (typeof value === 'object' && value !== null) for (const one of Object.values(value)) yield* messagesIn(one)
}

describe('messages', () => {
  it('are all well-formed, and none is said in two files', async () => {
    const homes = new Map<string, string>()
    for (const file of filesOf(ENGLISH)) {
      if (file.endsWith('index.ts')) continue
      for (const message of new Set(messagesIn(await import(file)))) {
        expect(() => new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }), message).not.toThrow()
        // A word or two may be said anywhere; a sentence has one home.
        if (message.split(' ').length < 6 || message.includes('{n, plural')) continue
        const home = homes.get(message) ?? file
        expect(home.replace(/what-if\.ts$/, 'bend.ts'), message).toBe(file.replace(/what-if\.ts$/, 'bend.ts'))
        homes.set(message, file)
      }
    }
    expect(homes.size).toBeGreaterThan(60)
  })

  it('choose the plural by the count, and name what they lack', () => {
    const balls = '{n, plural, one {# ball} other {# balls}} of {who}'
    expect([write(balls, { n: 1, who: 'hers' }), write(balls, { n: 3, who: 'hers' })]).toEqual([
      '1 ball of hers',
      '3 balls of hers',
    ])
    expect(() => write(balls, { n: 1 })).toThrow(/who/)
  })

  it('put lists and sentences together as they are said', () => {
    expect([listed([]), listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'])]).toEqual([
      '',
      'a',
      'a and b',
      'a, b and c',
    ])
    expect([sentence('there it leaves 3'), sentence('')]).toEqual(['There it leaves 3', ''])
  })
})

describe('the nearest stock shot', () => {
  it('is said with plus or minus, as both figures are read (common practice: "sand wedge, nine o\'clock, plus one")', () => {
    const yd = yardsToMetres
    expect([
      nearestText('56° at 9:00', yd(75), yd(76), 'yd'),
      nearestText('51° full', yd(111), yd(105), 'yd'),
      nearestText('46° full', yd(122.6), yd(123.4), 'yd'),
      nearestText('46° full', yd(122.6), yd(126), 'm'),
    ]).toEqual(['56° at 9:00, plus 1', '51° full, minus 6', '46° full, just the number', '46° full, plus 3'])
  })
})
