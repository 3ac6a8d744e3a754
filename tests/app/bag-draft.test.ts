import { describe, expect, it } from 'vitest'
import { changeOf, differences, draftOf, fieldNumber, keptWords } from '../../app/player/bag-draft'
import { daysAgo } from '../../app/ui/dates'
import { swingSolidity } from '../../app/ui/marks/swing-fill'
import { bagOf } from '../core/players'

describe('a bag as it is being typed', () => {
  it.each([
    ['56', 56],
    ['56.5', 56.5],
    ['56,5', 56.5],
    ['56°', 56],
    ['74 %', 74],
    [' 8 ', 8],
    ['', undefined],
    ['  ', undefined],
    ['steep', 'steep'],
    ['5 6', '5 6'],
    ['1e1', '1e1'],
  ])('a field with "%s" is %s', (text, value) => {
    expect(fieldNumber(text)).toBe(value)
  })

  it('goes out and comes back unchanged', () => {
    const bag = bagOf({ '56°': 56, '41.5': 41.5 }, ['9:00', 'full'])
    bag.scale.rungs[0]!.fraction = 0.735
    const change = changeOf(draftOf(bag), 4)
    expect(change.version).toBe(4)
    expect(change.clubs.map(c => c.loftDeg)).toEqual([56, 41.5])
    expect(change.scale.rungs.map(r => r.fraction)).toEqual([0.735, undefined])
  })

  it('keeps the share that a swing was chosen with when its name is changed to one that says nothing', () => {
    const bag = bagOf({ '56°': 56 }, ['9:00', 'full'])
    const draft = draftOf(bag)
    draft.rungs[0]!.label = 'belt high'
    expect(changeOf(draft, 1).scale.rungs.map(rung => rung.fraction)).toEqual([0.74, undefined])
    // A name that says a share of its own means that one; a share typed in goes before both.
    draft.rungs[0]!.label = '8:00'
    expect(changeOf(draft, 1).scale.rungs[0]!.fraction).toBeUndefined()
    draft.rungs[0]!.share = '50'
    expect(changeOf(draft, 1).scale.rungs[0]!.fraction).toBe(0.5)
  })

  it('sends text that is no number as it is, for the schema to name', () => {
    const draft = draftOf(bagOf({ '56°': 56 }, ['9:00']))
    draft.clubs[0]!.loft = 'steep'
    draft.rungs[0]!.share = 'most'
    expect(changeOf(draft, 1)).toMatchObject({
      clubs: [{ loftDeg: 'steep' }],
      scale: { rungs: [{ fraction: 'most' }] },
    })
  })

  it('says in words what another page changed', () => {
    const mine = draftOf(bagOf({ '56°': 56, '50°': 50 }, ['9:00']))
    const theirs = draftOf(bagOf({ '56°': 55.5, '60°': 60 }, ['9:00'], 'body', [['60°', '9:00']]))
    expect(differences(mine, theirs)).toEqual([
      'The swing scale is of another school.',
      '56°: loft is "55.5" there, "56" here.',
      'Theirs has 60°, yours does not.',
      'Yours has 50°, theirs does not.',
      'Other stock shots are not used.',
    ])
    expect(differences(mine, mine)).toEqual([])
  })
})

describe('small words', () => {
  it('one ball is kept, two are', () => {
    expect([keptWords(0), keptWords(1), keptWords(2)]).toEqual([
      'its undone balls are kept',
      'its ball is kept',
      'its 2 balls are kept',
    ])
  })

  const now = new Date(2026, 10, 25, 0, 30).getTime()
  it.each([
    [0, 'today'],
    [1, 'yesterday'],
    [12, '12 days ago'],
    [90, '3 months ago'],
    [1000, '3 years ago'],
  ])('%i days back is %s', (days, words) => {
    expect(daysAgo(new Date(2026, 10, 25 - days, 23, 59).getTime(), now)).toBe(words)
  })
  it('the shortest swing is an outline, the longest full', () => {
    expect([0, 1, 2, 3].map(i => swingSolidity(i, 4))).toEqual([0, 1 / 3, 2 / 3, 1])
    expect(swingSolidity(0, 1)).toBe(1)
  })
})
