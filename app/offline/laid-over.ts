import { bagAfter } from '#core/bag/bag-step'
import type { Bag } from '#core/bag/bag'
import type { BagStepRecord } from '#shared/schemas/bag'
import type { PlayerRecord } from '#shared/record'
import { fromColumns } from '#shared/shot-columns'
import type { ShotRecord } from '#shared/schemas/session'
import type { Entry } from '~/offline/outbox/entries'

/** Puts a record into a list by its id; an older version never takes the place of a newer one. */
export function place<T extends { id: string; version: number }>(list: T[], record: T): T[] {
  const at = list.findIndex(other => other.id === record.id)
  if (at < 0) return [...list, record]
  return list[at]!.version > record.version ? list : list.with(at, record)
}

/** Adds what is only ever added, once. */
export const added = <T extends { id: string }>(list: T[], word: T): T[] =>
  list.some(other => other.id === word.id) ? list : [...list, word]

/** What cannot be made of a newer bag is not made: the server will say so. */
function withStep(old: Bag, { step }: BagStepRecord): Bag {
  const after = bagAfter(old, step)
  return 'fault' in after ? old : after
}

/** A player's record with what is not in it yet laid over it, in the order it was entered. */
export function laidOver(
  reply: PlayerRecord,
  entries: readonly Entry[],
): Pick<PlayerRecord, 'bag' | 'sessions' | 'words' | 'answers'> & { records: ShotRecord[] } {
  let { bag, sessions, words, answers } = reply
  let records = fromColumns(reply.shots)
  for (const entry of entries) {
    if (entry.kind === 'session') sessions = place(sessions, entry.record)
    else if (entry.kind === 'word') words = added(words, entry.record)
    else if (entry.kind === 'answer') answers = added(answers, entry.record)
    else if (entry.kind === 'bag') bag = withStep(bag, entry.record)
    else if (entry.kind === 'shot') records = place(records, entry.record)
  }
  return { bag, sessions, records, words, answers }
}
