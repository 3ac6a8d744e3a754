import { describe, expect, it } from 'vitest'
import type { PlayerLine } from '../../shared/player'
import { allGroups, groupsOf, inPlayerOrder, searched } from '../../app/features/players/players-list'

const line = (name: string, more: Partial<PlayerLine> = {}, due: number | null = null, flags = 0): PlayerLine => ({
  id: name,
  name,
  level: 'good',
  hand: 'right',
  note: '',
  thresholds: {},
  archived: false,
  coachId: null,
  version: 1,
  clubs: 3,
  school: 'clock',
  balls: 10,
  lastHitMs: null,
  summary: {
    stamp: '',
    hit: 1,
    inUse: 1,
    cellsWithin: 1,
    withinM: 3,
    goodEnough: true,
    flags,
    open: [],
    names: {},
    retestDueMs: due,
  },
  ...more,
})
const names = (list: readonly PlayerLine[]) => list.map(({ name }) => name).join(' ')

describe('the list of players', () => {
  const all = [
    line('Cara', { lastHitMs: 5, note: 'tall #juniors' }, 30, 1),
    line('Ana', { lastHitMs: null, note: '#Juniors #team' }, null, 4),
    line('Bo', { lastHitMs: 9, summary: null }),
    line('Dov', { lastHitMs: 7 }, 10, 4),
  ]
  it('is ordered by name, by what is due, by flags, by who was seen last; who has none of it comes last', () => {
    expect(names(inPlayerOrder(all, 'name'))).toBe('Ana Bo Cara Dov')
    expect(names(inPlayerOrder(all, 'due'))).toBe('Dov Cara Ana Bo')
    expect(names(inPlayerOrder(all, 'flags'))).toBe('Ana Dov Cara Bo')
    expect(names(inPlayerOrder(all, 'seen'))).toBe('Bo Dov Cara Ana')
  })
  it('has the groups that notes name, whatever their case', () => {
    expect(groupsOf('a#b #c-d, # #é')).toEqual(['#c-d', '#é'])
    expect(allGroups(all)).toEqual([
      { group: '#juniors', players: 2 },
      { group: '#team', players: 1 },
    ])
  })
  it('finds by all words of name and note, with accents or without', () => {
    const list = [line('Zoë Marlow'), line('Zoe Vane', { note: 'left-hander' })]
    expect(names(searched(list, 'zoe'))).toBe('Zoë Marlow Zoe Vane')
    expect(names(searched(list, 'LEFT zo'))).toBe('Zoe Vane')
    expect(names(searched(list, 'nobody'))).toBe('')
  })
})
