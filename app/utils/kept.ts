import type { DBSchema, IDBPDatabase } from 'idb'
import type { PlayerRecord } from '#shared/record'
import type { OutboxItem } from '~/stores/outbox'

/** What this device knew last, for a page that is opened without a network. Emptied when a coach signs in or out. */
type Entry = OutboxItem['entry']
interface Sent { key: string, playerId: string, atMs: number, entry: Entry }
interface Answer { path: string, atMs: number, body: unknown }

interface KeptSchema extends DBSchema {
  answers: { key: string, value: Answer }
  /** Confirmed since the answer that is kept: it does not hold them yet. */
  sent: { key: string, value: Sent, indexes: { playerId: string } }
}

let opening: Promise<IDBPDatabase<KeptSchema> | null> | undefined

/** Null where the browser keeps nothing; then a page without a network says so. */
function open(): Promise<IDBPDatabase<KeptSchema> | null> {
  return opening ??= import('idb').then(({ openDB }) => openDB<KeptSchema>('uzzet-kept', 1, {
    upgrade(db) {
      db.createObjectStore('answers', { keyPath: 'path' })
      db.createObjectStore('sent', { keyPath: 'key' }).createIndex('playerId', 'playerId')
    },
  })).catch(() => null)
}

/** Keeping is for the next page without a network: a full disk is told in the log, and holds up nothing that is under way. */
async function keeping(work: () => Promise<unknown>): Promise<void> {
  try {
    await work()
  } catch (error) {
    console.error('kept:', error)
  }
}

/** Keeps what the server would say now, for the next page that is opened without it. */
export function keepAnswer(path: string, body: object): Promise<void> {
  return keeping(async () => (await open())?.put('answers', { path, atMs: Date.now(), body }))
}

/**
 * Asks our own server, and keeps the answer; without a connection, what it last said.
 * @param token in place of a signed-in coach
 * @throws Refused, or Unreachable when nothing is kept
 */
export async function apiOrKept<T extends object>(path: string, token?: string): Promise<T> {
  try {
    const body = await api<T>(path, { token })
    void keepAnswer(path, body)
    return body
  } catch (error) {
    const old = error instanceof Unreachable ? await (await open())?.get('answers', path) : undefined
    if (!old) throw error
    return old.body as T
  }
}

const recordPath = (playerId: string) => `/api/players/${playerId}`

/** Keeps a player's record; what was confirmed before it was asked for is in it. */
export function keepRecord(playerId: string, body: PlayerRecord, askedAtMs: number): Promise<void> {
  return keeping(async () => {
    const tx = (await open())?.transaction(['answers', 'sent'], 'readwrite')
    if (!tx) return
    const sent = tx.objectStore('sent')
    const older = (await sent.index('playerId').getAll(playerId)).filter(item => item.atMs < askedAtMs)
    await Promise.all([tx.objectStore('answers').put({ path: recordPath(playerId), atMs: askedAtMs, body }), ...older.map(item => sent.delete(item.key)), tx.done])
  })
}

/** Keeps what the server has by now but no kept answer holds. */
export function keepSent(playerId: string, entries: readonly Entry[]): Promise<void> {
  return keeping(async () => {
    const tx = (await open())?.transaction('sent', 'readwrite')
    if (!tx) return
    const atMs = Date.now()
    await Promise.all([...entries.map(entry => tx.store.put({ key: `${entry.kind} ${entry.record.id}`, playerId, atMs, entry: toRaw(entry) })), tx.done])
  })
}

/** A player's record as this device knew it last, and since when. */
export async function keptRecord(playerId: string): Promise<{ body: PlayerRecord, sent: Entry[], atMs: number } | undefined> {
  const db = await open()
  const answer = await db?.get('answers', recordPath(playerId))
  if (!answer) return
  const sent = await db!.getAllFromIndex('sent', 'playerId', playerId)
  return { body: answer.body as PlayerRecord, sent: sent.sort((a, b) => a.atMs - b.atMs).map(item => item.entry), atMs: answer.atMs }
}

/** The next one at this browser may be another coach. */
export async function forgetKept(): Promise<void> {
  const db = await open()
  await Promise.all([db?.clear('answers'), db?.clear('sent')])
}
