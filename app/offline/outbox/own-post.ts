import { OWN_BALLS_AT_ONCE } from '#shared/limits'
import { api, NotOurs } from '~/offline/api'
import type { OutboxItem, OwnEntry } from '~/offline/outbox/entries'
import { NOT_NAMED, outcomeOf, type Outcome } from '~/offline/outbox/outcome'

/** A link that is full is asked again later. */
const FULL_AGAIN_MS = 600_000
/** Of balls: the link is withdrawn, or only shows the chart. Of a document 403 and 404 are about the homework. */
const SHUT = { 'own-ball': [401, 403], 'own-go': [401], 'own-round': [401] }

/**
 * A mark of a link by which its balls are told from another's, without the token. @returns eight bytes of SHA-256, as
 * hex
 */
export async function markOfLink(token: string): Promise<string> {
  const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(token)))
  return [...bytes.slice(0, 8)].map(byte => byte.toString(16).padStart(2, '0')).join('')
}

async function postBalls(lot: readonly OutboxItem<OwnEntry>[], token: string): Promise<Outcome<OwnEntry>> {
  const sent = lot.slice(0, OWN_BALLS_AT_ONCE)
  const balls = sent.flatMap(({ entry }) => (entry.kind === 'own-ball' ? [entry.record] : []))
  const answer = await api('/api/link/balls', { method: 'POST', body: { balls }, token })
  if (!Array.isArray(answer?.taken)) throw new NotOurs(200)
  const taken = new Set(answer.taken)
  const why = new Map((answer.refused ?? []).map(({ id, message }) => [id, message]))
  const items = sent.filter(item => taken.has(item.entry.record.id))
  const refused = sent.flatMap(item => {
    const message = why.get(item.entry.record.id)
    return message === undefined ? [] : [{ item, message }]
  })
  if (items.length === 0 && refused.length === 0 && !answer.full) return NOT_NAMED
  const full = answer.full ? { message: answer.full, waitMs: FULL_AGAIN_MS } : undefined
  return { kind: 'taken', items, refused, ...(full && { full }) }
}

async function postDocument(lot: readonly OutboxItem<OwnEntry>[], token: string): Promise<Outcome<OwnEntry>> {
  const { entry } = lot.at(-1)!
  const { taken } =
    entry.kind === 'own-go'
      ? await api('/api/link/goes', { method: 'POST', body: entry.record, token })
      : await api('/api/link/rounds', { method: 'POST', body: entry.record, token })
  if (!Array.isArray(taken)) throw new NotOurs(200)
  return taken.includes(entry.record.id) ? { kind: 'taken', items: [...lot] } : NOT_NAMED
}

/** Sends a lot by a link, and says what became of it. @throws only what is this page's own fault */
export async function postByLink(lot: readonly OutboxItem<OwnEntry>[], token: string): Promise<Outcome<OwnEntry>> {
  const { kind } = lot[0]!.entry
  try {
    return await (kind === 'own-ball' ? postBalls(lot, token) : postDocument(lot, token))
  } catch (error) {
    return outcomeOf(error, SHUT[kind])
  }
}
