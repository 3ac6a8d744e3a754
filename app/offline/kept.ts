import { useLocalStorage } from '@vueuse/core'
import { api, pathOf, type Reply, type Route, isAway } from '~/offline/api'
import { browserStore } from '~/offline/browser-store'
import type { DBSchema } from 'idb'
import type { Calibration } from '#core/calibration/calibration'
import type { PlayerRecord } from '#shared/record'
import type { Entry } from '~/offline/outbox/entries'

/** What this device knew last, for a page that is opened without a network. Emptied when a coach signs in or out. */
interface Sent {
  key: string
  playerId: string
  atMs: number
  entry: Entry
}
interface Answer {
  path: string
  atMs: number
  body: unknown
}

interface KeptSchema extends DBSchema {
  answers: { key: string; value: Answer }
  /** Confirmed since the answer that is kept: it does not hold them yet. */
  sent: { key: string; value: Sent; indexes: { playerId: string } }
}

const store = browserStore<KeptSchema>('uzzet-kept', db => {
  db.createObjectStore('answers', { keyPath: 'path' })
  db.createObjectStore('sent', { keyPath: 'key' }).createIndex('playerId', 'playerId')
})

/** What is kept, or nothing where the browser keeps nothing; then a page without a network says so. */
async function reading<T>(work: Parameters<typeof store.use<T>>[0]): Promise<T | undefined> {
  try {
    return await store.use(work)
  } catch (error) {
    console.error('kept:', error)
    return undefined
  }
}

/**
 * Keeping is for the next page without a network: a full disk is told in the log, and holds up nothing that is under
 * way.
 */
async function keeping(work: Parameters<typeof store.use<unknown>>[0]): Promise<void> {
  await reading(work)
}

/** Keeps what the server would say now, for the next page that is opened without it. */
export function keepAnswer(path: string, body: object): Promise<void> {
  return keeping(db => db.put('answers', { path, atMs: Date.now(), body }))
}

/**
 * Asks our own server, and keeps the answer; without a connection, what it last said.
 * @param token in place of a signed-in coach
 * @throws Refused, or Unreachable when nothing is kept
 */
export async function apiOrKept<R extends Route>(
  route: R,
  { params, token }: { params?: Record<string, string | number | null>; token?: string } = {},
): Promise<Reply<R, 'GET'>> {
  const path = pathOf(route, params)
  try {
    const body = await (api as (route: R, options: object) => Promise<Reply<R, 'GET'> & object>)(route, {
      params,
      token,
    })
    void keepAnswer(path, body)
    return body
  } catch (error) {
    const old = isAway(error) ? await reading(db => db.get('answers', path)) : undefined
    if (!old) throw error
    // Kept by this route, and by no other: it has the type that the route answered with.
    return old.body as Reply<R, 'GET'>
  }
}

/** What a route of this device's last visit said, to be shown until it answers anew. */
export async function lastKnown<R extends Route>(route: R): Promise<Reply<R, 'GET'> | undefined> {
  const kept = await reading(db => db.get('answers', pathOf(route)))
  // As above: a path is kept by its own route alone.
  return kept?.body as Reply<R, 'GET'> | undefined
}

const recordPath = (playerId: string) => `/api/players/${playerId}`

/** Keeps a player's record; what was confirmed before it was asked for is in it. */
export function keepRecord(playerId: string, body: PlayerRecord, askedAtMs: number): Promise<void> {
  return keeping(async db => {
    const tx = db.transaction(['answers', 'sent'], 'readwrite')
    const sent = tx.objectStore('sent')
    const older = (await sent.index('playerId').getAll(playerId)).filter(item => item.atMs < askedAtMs)
    await Promise.all([
      tx.objectStore('answers').put({ path: recordPath(playerId), atMs: askedAtMs, body }),
      ...older.map(item => sent.delete(item.key)),
      tx.done,
    ])
  })
}

/** Keeps what the server has by now but no kept answer holds. */
export function keepSent(playerId: string, entries: readonly Entry[]): Promise<void> {
  return keeping(async db => {
    const tx = db.transaction('sent', 'readwrite')
    const atMs = Date.now()
    await Promise.all([
      ...entries.map(entry =>
        tx.store.put({ key: `${entry.kind} ${entry.record.id}`, playerId, atMs, entry: toRaw(entry) }),
      ),
      tx.done,
    ])
  })
}

/** A player's record as this device knew it last, and since when. */
export function keptRecord(playerId: string): Promise<{ body: PlayerRecord; sent: Entry[]; atMs: number } | undefined> {
  return reading(async db => {
    const answer = await db.get('answers', recordPath(playerId))
    if (!answer) return undefined
    const sent = await db.getAllFromIndex('sent', 'playerId', playerId)
    return {
      body: answer.body as PlayerRecord,
      sent: sent.sort((a, b) => a.atMs - b.atMs).map(item => item.entry),
      atMs: answer.atMs,
    }
  })
}

/**
 * What was worked out of a player's record, by which build and in which unit: it is shown only where the same would be
 * worked out.
 */
interface KeptNumbers {
  by: string
  numbers: Calibration
}
const numbersPath = (playerId: string) => `${recordPath(playerId)} numbers`

/** Whose numbers are kept: known at once, where the store itself takes its time to open. */
const holders = useLocalStorage<string[]>('uzzet-numbers-of', [])
const HOLDERS_MOST = 500

/** Whether anything was worked out of a player on this device. */
export const hasNumbers = (playerId: string): boolean => holders.value.includes(playerId)

/** Keeps the numbers of a player, to be shown at once the next time, while they are worked out anew. */
export async function keepNumbers(playerId: string, by: string, numbers: Calibration): Promise<void> {
  const body: KeptNumbers = { by, numbers }
  await keepAnswer(numbersPath(playerId), body)
  holders.value = [playerId, ...holders.value.filter(id => id !== playerId)].slice(0, HOLDERS_MOST)
}

/** @returns what was kept of a player, or nothing where another build or unit would say it in another way */
export async function keptNumbers(playerId: string, by: string): Promise<Calibration | undefined> {
  const kept = (await reading(db => db.get('answers', numbersPath(playerId))))?.body as KeptNumbers | undefined
  return kept?.by === by ? kept.numbers : undefined
}

/** What the server has no more, or no more for this coach, goes from this device too. */
export function forgetPlayer(playerId: string): Promise<void> {
  holders.value = holders.value.filter(id => id !== playerId)
  return keeping(db =>
    Promise.all([recordPath(playerId), numbersPath(playerId)].map(path => db.delete('answers', path))),
  )
}

/** The next one at this browser may be another coach. */
export async function forgetKept(): Promise<void> {
  holders.value = []
  await keeping(db => Promise.all([db.clear('answers'), db.clear('sent')]))
}

/** A player's own link is not the coach's: it opens by its own token. */
const LINK_PATH = '/api/link'

/**
 * The sign-in was ended elsewhere: nothing of the coach's players is kept on this device any more. What waits to be
 * sent is not in this store, and stays.
 */
export async function forgetSignedOut(): Promise<void> {
  holders.value = []
  await keeping(async db => {
    const paths = await db.getAllKeys('answers')
    await Promise.all([
      ...paths.filter(path => path !== LINK_PATH).map(path => db.delete('answers', path)),
      db.clear('sent'),
    ])
  })
}
