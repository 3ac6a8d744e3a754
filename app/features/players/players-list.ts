import type { PlayerLine } from '#shared/player'

/** How the list of players may be ordered. */
export const PLAYER_ORDERS = ['name', 'due', 'flags', 'seen'] as const
export type PlayerOrder = (typeof PLAYER_ORDERS)[number]

export const PLAYER_ORDER_WORDS: Record<PlayerOrder, string> = {
  name: 'By name',
  due: 'By retest due',
  flags: 'By open flags',
  seen: 'By last seen',
}

const { compare } = new Intl.Collator('en')
const byName = (a: PlayerLine, b: PlayerLine) => compare(a.name, b.name) || (a.id < b.id ? -1 : 1)
/** What a player is ordered by, smallest first; who has nothing of it comes last. */
const KEYS: Record<PlayerOrder, (player: PlayerLine) => number> = {
  name: () => 0,
  due: ({ summary }) => summary?.retestDueMs ?? Infinity,
  flags: ({ summary }) => -(summary?.flags ?? 0),
  seen: ({ lastHitMs }) => (lastHitMs === null ? Infinity : -lastHitMs),
}

/** Players in an order; those alike in it by name. */
export function inPlayerOrder(players: readonly PlayerLine[], order: PlayerOrder): PlayerLine[] {
  const key = KEYS[order]
  // Two that are both last differ by nothing, not by ∞ − ∞.
  const step = (a: number, b: number) => (a === b ? 0 : a < b ? -1 : 1)
  return [...players].sort((a, b) => step(key(a), key(b)) || byName(a, b))
}

const GROUP = /(?<=^|\s)#[\p{L}\p{N}][\p{L}\p{N}_-]*/gu

/** Groups that a note names: "#juniors". @example groupsOf('plays on Sundays #juniors') // => ['#juniors'] */
export const groupsOf = (note: string): string[] => [...note.matchAll(GROUP)].map(([group]) => group.toLowerCase())

/** Groups of all players, with how many are in each, largest first. */
export function allGroups(players: readonly PlayerLine[]): { group: string; players: number }[] {
  const counts = new Map<string, number>()
  for (const { note } of players)
    for (const group of new Set(groupsOf(note))) counts.set(group, (counts.get(group) ?? 0) + 1)
  return [...counts]
    .map(([group, n]) => ({ group, players: n }))
    .sort((a, b) => b.players - a.players || a.group.localeCompare(b.group))
}

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/** Players whose name or note has all words of a search, whatever their accents. */
export function searched(players: readonly PlayerLine[], search: string): PlayerLine[] {
  const words = plain(search).split(/\s+/).filter(Boolean)
  return players.filter(({ name, note }) => words.every(word => plain(`${name} ${note}`).includes(word)))
}
