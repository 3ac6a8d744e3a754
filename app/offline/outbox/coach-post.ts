import { api, NotOurs } from '~/offline/api'
import type { Entry, OutboxItem } from '~/offline/outbox/entries'
import { NOT_NAMED, outcomeOf, type Outcome } from '~/offline/outbox/outcome'

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
export async function postAsCoach(lot: readonly OutboxItem[]): Promise<Outcome<Entry>> {
  try {
    const taken = new Set(await post(lot))
    const items = lot.filter(item => taken.has(item.entry.record.id))
    return items.length > 0 ? { kind: 'taken', items } : NOT_NAMED
  } catch (error) {
    return outcomeOf(error)
  }
}
