import { NotOurs, Refused, Unreachable } from '~/offline/api'
import { lackingOf, type AnyEntry, type Lacking, type OutboxItem } from '~/offline/outbox/entries'

/** What became of a lot. */
export type Outcome<E extends AnyEntry> =
  | {
      kind: 'taken'
      items: OutboxItem<E>[]
      /** Of a lot that was taken in part: what will never be, and why. */
      refused?: { item: OutboxItem<E>; message: string }[]
      /** Why the rest has to wait, for so long. */
      full?: { message: string; waitMs: number }
    }
  /** Our server will never take it. */
  | { kind: 'refused'; message: string; lacks: Lacking[] }
  /** Somebody failed at it: our server, or a proxy. It may be the entry, or the moment. */
  | { kind: 'failed'; message: string; waitMs: number }
  /** Nobody answers. */
  | { kind: 'away'; waitMs: number }
  /** Whoever sends is not let in: signed out, or the link was withdrawn. */
  | { kind: 'shut'; message: string }

/** Statuses by which a server or proxy says that it is not a matter of what was sent. */
const OF_THE_MOMENT = [408, 425, 429, 502, 503, 504]

/**
 * What an error says of the lot.
 * @param shut statuses that are about who sends, not what
 * @throws what is this page's own fault
 */
export function outcomeOf(
  error: unknown,
  shut: readonly number[] = [401],
): Exclude<Outcome<AnyEntry>, { kind: 'taken' }> {
  if (error instanceof Refused) {
    const { status, message, errors, retryAfterMs } = error
    if (shut.includes(status)) return { kind: 'shut', message }
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

/** The server's answer did not name what it was sent. */
export const NOT_NAMED = { kind: 'failed', message: 'The server did not say that it has it.', waitMs: 0 } as const
