import { api, NotOurs, Refused, Unreachable } from '~/offline/api'
import { lackingOf, type Entry, type Lacking, type OutboxItem } from '~/offline/outbox-queue'

/** What became of a lot. */
export type Outcome =
  | { kind: 'taken'; items: OutboxItem[] }
  /** Our server will never take it. */
  | { kind: 'refused'; message: string; lacks: Lacking[] }
  /** Somebody failed at it: our server, or a proxy. It may be the entry, or the moment. */
  | { kind: 'failed'; message: string; waitMs: number }
  /** Nobody answers. */
  | { kind: 'away'; waitMs: number }
  | { kind: 'signed-out' }

/** Statuses by which a server or proxy says that it is not a matter of what was sent. */
const OF_THE_MOMENT = [408, 425, 429, 502, 503, 504]

const RECORD = '/api/players/:playerId'

function put({ playerId, entry }: OutboxItem, lot: readonly OutboxItem[]): Promise<{ taken?: unknown } | undefined> {
  const params = { playerId }
  if (entry.kind === 'session') {
    const { record } = entry
    return api(`${RECORD}/sessions/:sessionId`, {
      params: { ...params, sessionId: record.id },
      method: 'PUT',
      body: record,
    })
  }
  if (entry.kind === 'go') {
    const { record } = lot.at(-1)!.entry as Extract<Entry, { kind: 'go' }>
    return api(`${RECORD}/goes/:goId`, { params: { ...params, goId: record.id }, method: 'PUT', body: record })
  }
  if (entry.kind === 'round') {
    const { record } = lot.at(-1)!.entry as Extract<Entry, { kind: 'round' }>
    return api(`${RECORD}/rounds/:roundId`, { params: { ...params, roundId: record.id }, method: 'PUT', body: record })
  }
  if (entry.kind === 'word') return api(`${RECORD}/words`, { params, method: 'POST', body: entry.record })
  if (entry.kind === 'answer') return api(`${RECORD}/answers`, { params, method: 'POST', body: entry.record })
  if (entry.kind === 'bag') return api(`${RECORD}/bag-steps`, { params, method: 'POST', body: entry.record })
  return api(`${RECORD}/shots`, { params, method: 'POST', body: { shots: lot.map(item => item.entry.record) } })
}

/** The server's answer names what it took; one that does not is not its. @returns ids */
async function post(lot: readonly OutboxItem[]): Promise<unknown[]> {
  const taken = (await put(lot[0]!, lot))?.taken
  if (!Array.isArray(taken)) throw new NotOurs(200)
  return taken as unknown[]
}

/** Sends a lot, and says what became of it. @throws only what is this page's own fault */
export async function attempt(lot: readonly OutboxItem[]): Promise<Outcome> {
  try {
    const taken = new Set(await post(lot))
    const done = lot.filter(item => taken.has(item.entry.record.id))
    return done.length > 0
      ? { kind: 'taken', items: done }
      : { kind: 'failed', message: 'The server did not say that it has it.', waitMs: 0 }
  } catch (error) {
    if (error instanceof Refused) {
      const { status, message, errors, retryAfterMs } = error
      if (status === 401) return { kind: 'signed-out' }
      if (OF_THE_MOMENT.includes(status)) return { kind: 'away', waitMs: retryAfterMs }
      return status >= 500
        ? { kind: 'failed', message, waitMs: retryAfterMs }
        : { kind: 'refused', message, lacks: lackingOf(errors.map(({ field }) => field)) }
    }
    if (error instanceof NotOurs)
      return OF_THE_MOMENT.includes(error.status)
        ? { kind: 'away', waitMs: 0 }
        : { kind: 'failed', message: error.message, waitMs: 0 }
    if (error instanceof Unreachable) return { kind: 'away', waitMs: 0 }
    throw error
  }
}
